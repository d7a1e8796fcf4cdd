package fret.score;

import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A written note value.
 *
 * @param denominator 1 whole, 2 half, 4 quarter ... 256; 0 is a breve (two whole notes)
 * @param dots 0 to 3
 */
public record NoteValue(int denominator, int dots) {
  public NoteValue {
    if (denominator < 0
        || denominator > 256
        || denominator > 0 && Integer.bitCount(denominator) != 1) {
      throw new IllegalArgumentException("no note value 1/" + denominator);
    }
    if (dots < 0 || dots > 3) {
      throw new IllegalArgumentException(dots + " dots are outside 0 to 3");
    }
  }

  /** Length in whole notes, without any tuplet. */
  public Fraction length() {
    Fraction base = denominator == 0 ? Fraction.of(2) : Fraction.of(1, denominator);
    int power = 1 << dots;
    return base.multiply(Fraction.of(2 * power - 1, power));
  }

  /** Flags or beams: 1 for an eighth, 2 for a sixteenth, 0 above. */
  public int flags() {
    return denominator < 8 ? 0 : Integer.numberOfTrailingZeros(denominator) - 2;
  }

  /** The value whose length is exactly this, if there is one with up to three dots. */
  public static Optional<NoteValue> ofLength(Fraction length) {
    for (int dots = 0; dots <= 3; dots++) {
      for (int denominator = 0;
          denominator <= 256;
          denominator = denominator == 0 ? 1 : denominator * 2) {
        NoteValue value = new NoteValue(denominator, dots);
        if (value.length().equals(length)) {
          return Optional.of(value);
        }
      }
    }
    return Optional.empty();
  }
}
