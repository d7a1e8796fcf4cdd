package fret.load;

import fret.fingering.Shift;

/**
 * What a practised player can do (defaults from memory).
 *
 * <p>A shift that is aimed and corrected gives about 10 bits a second (P. M. Fitts 1954); one that
 * is learned whole is thrown: 67 mm in 50 ms, as in quick sixteenths, are 74.
 *
 * @param shiftBits bits a second that a thrown shift may ask, 1 to 200
 * @param fingerRate times a second that one finger may go elsewhere, 1 to 50
 * @param crossingRate strings a second that the bow may cross, 1 to 50
 * @param noteRate notes a second that the left hand may play in a row, 1 to 50
 */
public record Limits(double shiftBits, double fingerRate, double crossingRate, double noteRate) {
  public static final Limits USUAL = new Limits(Shift.MOST_BITS_PER_S, 9, 10, 14);

  /** More than this nobody does. */
  public static final double MOST = 50;

  /** The same of the bits of a shift. */
  public static final double MOST_BITS = 200;

  public Limits {
    check(shiftBits, MOST_BITS);
    check(fingerRate, MOST);
    check(crossingRate, MOST);
    check(noteRate, MOST);
  }

  private static void check(double limit, double most) {
    if (!(limit >= 1) || !(limit <= most)) {
      throw new IllegalArgumentException("a limit of " + limit + " is outside 1 to " + most);
    }
  }

  public Limits withShiftBits(double other) {
    return new Limits(other, fingerRate, crossingRate, noteRate);
  }

  public Limits withFingerRate(double other) {
    return new Limits(shiftBits, other, crossingRate, noteRate);
  }

  public Limits withCrossingRate(double other) {
    return new Limits(shiftBits, fingerRate, other, noteRate);
  }

  public Limits withNoteRate(double other) {
    return new Limits(shiftBits, fingerRate, crossingRate, other);
  }
}
