package fret.shelf;

import java.time.LocalDate;
import java.util.Objects;

/**
 * What is being prepared for.
 *
 * @param id 0 until stored
 * @param readyDate counted once, when the date is set; changeable
 * @param minutesPerDay practice time a day, 5 to 600
 */
public record Audition(
    long id, String name, LocalDate date, LocalDate readyDate, int minutesPerDay) {
  public Audition {
    Objects.requireNonNull(name);
    if (readyDate.isAfter(date)) {
      throw new IllegalArgumentException(
          "ready on " + readyDate + ", after the audition of " + date);
    }
  }
}
