package fret.app.viewmodel;

import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;

/**
 * Something that was planned and left out.
 *
 * @param what its name
 */
public record Skipped(LocalDate day, String what, Why why) {
  /** Why. */
  public enum Why {
    NO_TIME,
    TIRED,
    KNOWN,
    NOT_TODAY
  }

  public Skipped {
    Objects.requireNonNull(day);
    Objects.requireNonNull(what);
    Objects.requireNonNull(why);
  }

  String text() {
    return day + "\t" + why + "\t" + what.replace('\t', ' ').replace('\n', ' ');
  }

  static Optional<Skipped> parse(String text) {
    String[] part = text.split("\t", 3);
    try {
      return Optional.of(new Skipped(LocalDate.parse(part[0]), part[2], Why.valueOf(part[1])));
    } catch (RuntimeException e) {
      return Optional.empty(); // Of another version: it is not shown.
    }
  }
}
