package fret.load;

/**
 * What a practised player can do (defaults from memory; the shift about 10 bits a second as in P.
 * M. Fitts 1954).
 *
 * @param shiftBits bits a second that a shift may ask, 1 to 50
 * @param fingerRate times a second that one finger may go elsewhere, 1 to 50
 * @param crossingRate strings a second that the bow may cross, 1 to 50
 */
public record Limits(double shiftBits, double fingerRate, double crossingRate) {
  public static final Limits USUAL = new Limits(10, 7, 10);

  /** More than this nobody does. */
  public static final double MOST = 50;

  public Limits {
    for (double limit : new double[] {shiftBits, fingerRate, crossingRate}) {
      if (!(limit >= 1) || !(limit <= MOST)) {
        throw new IllegalArgumentException("a limit of " + limit + " is outside 1 to " + MOST);
      }
    }
  }

  public Limits withShiftBits(double other) {
    return new Limits(other, fingerRate, crossingRate);
  }

  public Limits withFingerRate(double other) {
    return new Limits(shiftBits, other, crossingRate);
  }

  public Limits withCrossingRate(double other) {
    return new Limits(shiftBits, fingerRate, other);
  }
}
