package fret.load;

/**
 * What a practised player can do (defaults from memory; the shift about 10 bits a second as in P.
 * M. Fitts 1954).
 *
 * @param shiftBits bits a second that a shift may ask, above 0
 * @param fingerRate times a second that one finger may go elsewhere, above 0
 * @param crossingRate strings a second that the bow may cross, above 0
 */
public record Limits(double shiftBits, double fingerRate, double crossingRate) {
  public static final Limits USUAL = new Limits(10, 7, 10);

  public Limits {
    if (!(shiftBits > 0) || !(fingerRate > 0) || !(crossingRate > 0)) {
      throw new IllegalArgumentException(
          "limits " + shiftBits + ", " + fingerRate + ", " + crossingRate + " are not above 0");
    }
  }
}
