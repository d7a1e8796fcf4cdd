package fret.take;

/**
 * Sound made slower without a change of its pitch: short pieces overlap, each shifted to where it
 * continues the last one best.
 */
public final class Slower {
  private static final double PIECE_S = 0.05;
  private static final double SEARCH_S = 0.012;
  private static final int COARSE = 3;

  private Slower() {}

  /**
   * @param times as long, 1 to 4
   */
  public static float[] slower(float[] samples, int rate, double times) {
    if (!(times >= 1) || times > 4) {
      throw new IllegalArgumentException("slower by " + times + " is outside 1 to 4");
    }
    if (times == 1 || samples.length < rate * PIECE_S * 3) {
      return samples;
    }
    int piece = (int) (PIECE_S * rate);
    int hop = piece / 2;
    int search = (int) (SEARCH_S * rate);
    float[] out = new float[(int) (samples.length * times) + piece];
    int before = 0;
    for (int at = 0; at + piece < out.length; at += hop) {
      int wanted = (int) (at / times);
      int from = at == 0 ? 0 : best(samples, before + hop, wanted, search, hop);
      if (from + piece >= samples.length) {
        break;
      }
      for (int i = 0; i < piece; i++) {
        double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / piece);
        boolean start = at == 0 && i < hop;
        out[at + i] += (float) (samples[from + i] * (start ? 1 : window));
      }
      before = from;
    }
    return java.util.Arrays.copyOf(out, (int) (samples.length * times));
  }

  /** Where near a place the sound is most like what would have followed. */
  private static int best(float[] x, int follows, int wanted, int search, int length) {
    int best = wanted;
    double most = Double.NEGATIVE_INFINITY;
    for (int at = Math.max(0, wanted - search); at <= wanted + search; at += COARSE) {
      if (at + length >= x.length || follows + length >= x.length) {
        break;
      }
      double sum = 0;
      double power = 1e-9;
      for (int i = 0; i < length; i += COARSE) {
        sum += x[at + i] * x[follows + i];
        power += x[at + i] * x[at + i];
      }
      double like = sum / Math.sqrt(power);
      if (like > most) {
        most = like;
        best = at;
      }
    }
    return best;
  }
}
