package fret.lane;

import fret.engraving.Primitive.Spot;

/** The mark of each string, told apart without colour: a shape, from the highest string down. */
final class StringMark {
  private static final Spot.Form[] FORMS = Spot.Form.values();

  private StringMark() {}

  /**
   * The shape of a string.
   *
   * @param string 1 the highest
   */
  static Spot.Form of(int string) {
    return FORMS[Math.min(FORMS.length, string) - 1];
  }
}
