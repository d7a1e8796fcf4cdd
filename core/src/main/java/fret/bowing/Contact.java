package fret.bowing;

import fret.instrument.Instrument;

/**
 * Speed, weight and contact point go together: how far from the bridge a loudness is bowed, and
 * between which forces the string speaks.
 *
 * <p>The relative distance from the bridge (share of the sounding length) is p 1/9, mf 1/12, f
 * 1/15, ff 1/18, geometric between them, thinner strings nearer (from memory). A note slower than
 * natural goes nearer by the root of its share of the natural speed, never under 1/30.
 *
 * <p>The greatest bow force grows with speed / distance, the least with speed / distance² (J. C.
 * Schelleng, The bowed string and the player, Journal of the Acoustical Society of America 53,
 * 1973, 26-41); here they meet at a relative distance of 1/60 (from memory). Forces are relative,
 * no newtons are claimed.
 */
final class Contact {
  private static final double NEAREST = 1.0 / 30;
  private static final double MEET = 1.0 / 60;

  /** By level, ppp to fff. */
  private static final double[] PER_LENGTH = {7.2, 8, 9, 10.4, 12, 15, 18, 18};

  /** Change of the distance from one string to the next lower one. */
  private static final double PER_STRING = 0.05;

  private static final double SOFT_FORCE = 0.2;
  private static final double LOUD_FORCE = 0.8;

  /** What half of the bow asks of the weight (from memory). */
  private static final double LEAN = 0.08;

  private Contact() {}

  /**
   * Distance from the bridge as a share of the sounding length.
   *
   * @param ofNatural share of the natural speed, above 0
   */
  static double beta(Instrument instrument, BowMoment m, double ofNatural) {
    int below = (int) Math.min(PER_LENGTH.length - 2, Math.floor(m.level()));
    double share = Math.max(0, m.level()) - below;
    double per = PER_LENGTH[below] * Math.pow(PER_LENGTH[below + 1] / PER_LENGTH[below], share);
    double middle = (instrument.stringCount() + 1) / 2.0;
    double string = 1 + PER_STRING * (m.strings().get(0) - middle);
    return Math.max(NEAREST, string / per * Math.sqrt(Math.min(1, ofNatural)));
  }

  /** Distance from the bridge in mm. */
  static double mm(Instrument instrument, BowMoment m, double ofNatural) {
    return beta(instrument, m, ofNatural) * m.soundingMm(instrument);
  }

  /** Greatest force that speaks, in relative units. */
  static double greatest(double cmPerS, double beta) {
    return cmPerS / beta;
  }

  /** Least force that speaks, in the same units. */
  static double least(double cmPerS, double beta) {
    return cmPerS * MEET / (beta * beta);
  }

  /**
   * Place of the planned force between the least and the greatest, 0 to 1 on a logarithmic scale:
   * louder leans more, and so does a note that has less bow than it would like.
   */
  static double force(BowMoment m, double ofNatural) {
    double loud = SOFT_FORCE + (LOUD_FORCE - SOFT_FORCE) * Math.min(1, m.level() / 7);
    return Math.min(0.95, loud + lean(Math.min(1, ofNatural)));
  }

  /** What weight makes up for a share of the bow, above 0; less than nothing for more of it. */
  static double lean(double share) {
    return LEAN * Math.log(1 / share) / Math.log(2);
  }

  /** The planned force in relative units. */
  static double planned(BowMoment m, double cmPerS, double beta, double ofNatural) {
    double low = least(cmPerS, beta);
    return low * Math.pow(greatest(cmPerS, beta) / low, force(m, ofNatural));
  }
}
