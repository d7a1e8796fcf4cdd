package fret.bowing;

/**
 * Where on the hair plain short strokes live: the middles of their parts, as shares of the hair
 * from the frog, each 0.15 to 0.85. Between soft and loud in proportion, a step of loudness each.
 *
 * @param soft at p and below
 * @param loud at ff and above
 * @param quick at eight strokes a second and more, at any loudness
 */
public record ShortPlaces(double soft, double loud, double quick) {
  /** Common practice, no source; the figures from memory. */
  public static final ShortPlaces USUAL = new ShortPlaces(0.6, 0.45, 0.5);

  public ShortPlaces {
    for (double share : new double[] {soft, loud, quick}) {
      if (!(share >= PlaceWindow.HALF - 1e-9) || !(share <= 1 - PlaceWindow.HALF + 1e-9)) {
        throw new IllegalArgumentException("a place of " + share + " is outside 0.15 to 0.85");
      }
    }
  }

  /**
   * The middle for a loudness.
   *
   * @param steps from p, 0, to ff, 3
   */
  double middle(double steps) {
    return soft + (loud - soft) * steps / 3;
  }
}
