package fret.score;

import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The tuplet that a line is in, if it is in one: three notes in the time of two, five or seven in
 * the time of four. It is open as long as the place in the bar is one that no plain value reaches.
 */
final class TupletGroup {
  private static final Set<Integer> KNOWN = Set.of(3, 5, 7);

  private Fraction from = Fraction.ZERO;
  private Fraction span = Fraction.ZERO;

  /** Whether a length or a place is made of plain values alone. */
  static boolean isPlain(Fraction f) {
    return !KNOWN.contains(odd(f));
  }

  private static int odd(Fraction f) {
    return f.getDenominator() >> Integer.numberOfTrailingZeros(f.getDenominator());
  }

  /** The value that is written for a length; the length itself outside a tuplet. */
  static Fraction written(Fraction length) {
    return isPlain(length)
        ? length
        : length.multiply(Fraction.of(odd(length), Integer.highestOneBit(odd(length))));
  }

  /** How long a written value is beside a length of its tuplet. */
  static Fraction sounding(Fraction written, Fraction like) {
    return isPlain(like)
        ? written
        : written.multiply(Fraction.of(Integer.highestOneBit(odd(like)), odd(like)));
  }

  /** Takes in a note or rest at a place: its sign, with what begins and ends there. */
  Signs.Tuplet take(Fraction place, Fraction length) {
    boolean begins = isPlain(place);
    if (isPlain(length)) {
      return Signs.Tuplet.NONE;
    }
    int actual = odd(length);
    int normal = Integer.highestOneBit(actual);
    Fraction unit = Fraction.of(1, length.getDenominator()).multiply(actual);
    if (begins) {
      from = place;
      span = unit;
    } else {
      span = fret.base.Fractions.min(span, unit);
    }
    return new Signs.Tuplet(actual, normal, begins, isPlain(place.add(length)));
  }

  /** What is missing to its end at a place within it. */
  Fraction missing(Fraction place) {
    if (isPlain(place) || span.signum() == 0) {
      return Fraction.ZERO;
    }
    Fraction spans = place.subtract(from).divide(span);
    return from.add(span.multiply(spans.intValue() + 1)).subtract(place);
  }
}
