package fret.shelf;

import java.time.LocalDate;
import java.util.Objects;

/**
 * What is being prepared for.
 *
 * @param id 0 until stored
 * @param readyDate counted once, when the date is set; changeable
 */
public record Audition(long id, String name, LocalDate date, LocalDate readyDate) {
  public Audition {
    Objects.requireNonNull(name);
    if (readyDate.isAfter(date)) {
      throw new IllegalArgumentException(
          "ready on " + readyDate + ", after the audition of " + date);
    }
  }

  /** With another name. */
  public Audition named(String other) {
    return new Audition(id, other, date, readyDate);
  }

  /** The same as it is stored. */
  public Audition withId(long other) {
    return new Audition(other, name, date, readyDate);
  }
}
