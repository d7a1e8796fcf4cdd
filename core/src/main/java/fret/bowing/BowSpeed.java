package fret.bowing;

import fret.instrument.InstrumentType;

/**
 * How fast the bow moves for a loudness: its natural speed, and the bounds within which weight and
 * contact point can take over.
 *
 * <p>Speeds are common practice, no source, from memory: cm/s ppp 6, pp 8.5, p 12, mp 17, mf 24, f
 * 34, ff and above 68 ("fortissimo about twice the bow of forte"); between them geometric.
 *
 * @param instrument factor of the instrument, above 0
 * @param meaning what the player takes loudness to mean: a factor over all, above 0
 */
public record BowSpeed(double instrument, double meaning) {
  /** Below this share of natural speed a sound breaks off, above {@link #MOST} it whistles. */
  public static final double LEAST = 0.25;

  public static final double MOST = 2;

  /** Below this share weight and contact point take over, and it is told how. */
  public static final double EASY = 0.5;

  private static final double[] CM_PER_S = {6, 8.5, 12, 17, 24, 34, 68, 68};

  public BowSpeed {
    if (!(instrument > 0) || !(meaning > 0)) {
      throw new IllegalArgumentException("speed factors " + instrument + " and " + meaning);
    }
  }

  /** The usual speeds of an instrument; the bass's heavier strings take a little less. */
  public static BowSpeed usual(InstrumentType type) {
    return new BowSpeed(type == InstrumentType.BASS ? 0.9 : 1, 1);
  }

  /**
   * Natural speed in cm/s.
   *
   * @param level 0 for ppp to 7 for fff, see {@link fret.score.LoudnessLine}
   */
  public double natural(double level) {
    double at = Math.max(0, Math.min(CM_PER_S.length - 1, level));
    int below = (int) Math.min(CM_PER_S.length - 2, Math.floor(at));
    double share = at - below;
    return instrument
        * meaning
        * Math.pow(CM_PER_S[below], 1 - share)
        * Math.pow(CM_PER_S[below + 1], share);
  }

  /** Natural speed in cm/s along an even slope between two levels: the mean of five places. */
  public double natural(double from, double to) {
    if (from == to) {
      return natural(from);
    }
    double sum = 0;
    for (int i = 0; i < 5; i++) {
      sum += natural(from + (to - from) * (i + 0.5) / 5);
    }
    return sum / 5;
  }
}
