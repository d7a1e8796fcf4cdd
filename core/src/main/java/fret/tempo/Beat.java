package fret.tempo;

import fret.base.Fractions;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The note value that a tempo counts.
 *
 * @param length in whole notes, above 0; a dotted quarter is 3/8
 */
public record Beat(Fraction length) {
  public static final Beat WHOLE = new Beat(Fraction.of(1));
  public static final Beat HALF = new Beat(Fraction.of(1, 2));
  public static final Beat QUARTER = new Beat(Fraction.of(1, 4));
  public static final Beat EIGHTH = new Beat(Fraction.of(1, 8));
  public static final Beat SIXTEENTH = new Beat(Fraction.of(1, 16));
  private static final Map<String, Beat> NAMED =
      Map.of(
          "whole",
          WHOLE,
          "half",
          HALF,
          "quarter",
          QUARTER,
          "eighth",
          EIGHTH,
          "sixteenth",
          SIXTEENTH);

  public Beat {
    Objects.requireNonNull(length);
    if (length.signum() <= 0) {
      throw new IllegalArgumentException("beat length " + length + " is not above 0");
    }
  }

  /**
   * Reads {@code quarter}, {@code dotted-half} and so on; {@code bar} takes the given bar's length.
   *
   * @return empty if the name is none of these
   */
  public static Optional<Beat> named(String name, Fraction barLength) {
    String plain = name.toLowerCase(Locale.ROOT);
    if (plain.equals("bar")) {
      return Optional.of(new Beat(barLength));
    }
    boolean dotted = plain.startsWith("dotted-");
    Beat beat = NAMED.get(dotted ? plain.substring(7) : plain);
    return Optional.ofNullable(beat).map(b -> dotted ? b.dotted() : b);
  }

  /** Half as long again. */
  public Beat dotted() {
    return new Beat(length.multiply(Fraction.of(3, 2)));
  }

  /** {@code quarter}, {@code dotted-quarter}, or {@code bar} for any other length. */
  public String displayName() {
    for (Map.Entry<String, Beat> entry : NAMED.entrySet()) {
      if (entry.getValue().equals(this)) {
        return entry.getKey();
      }
      if (entry.getValue().dotted().equals(this)) {
        return "dotted-" + entry.getKey();
      }
    }
    return "bar";
  }

  @Override
  public String toString() {
    return Fractions.text(length);
  }
}
