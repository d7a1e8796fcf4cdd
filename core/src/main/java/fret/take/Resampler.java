package fret.take;

/** From one rate to another: a windowed sinc, cut below half the lower rate. */
public final class Resampler {
  private static final int LOBES = 12;

  private Resampler() {}

  /**
   * The same sound at another rate.
   *
   * @throws IllegalArgumentException if a rate is outside 8000 to 192000
   */
  public static float[] resampled(float[] samples, int from, int to) {
    if (from < 8000 || from > 192_000 || to < 8000 || to > 192_000) {
      throw new IllegalArgumentException(
          "a rate of " + from + " or " + to + " is outside 8000 to 192000");
    }
    if (from == to) {
      return samples;
    }
    int divisor = gcd(from, to);
    int up = to / divisor;
    int down = from / divisor;
    double cut = Math.min(1, to / (double) from) * 0.94;
    int half = (int) Math.ceil(LOBES / cut);
    // One set of weights for each place between two samples.
    float[][] weights = new float[up][2 * half + 1];
    for (int p = 0; p < up; p++) {
      double shift = p / (double) up;
      double sum = 0;
      for (int k = -half; k <= half; k++) {
        double x = k - shift;
        double sinc = x == 0 ? 1 : Math.sin(Math.PI * cut * x) / (Math.PI * cut * x);
        double window = Math.abs(x) > half ? 0 : 0.5 + 0.5 * Math.cos(Math.PI * x / (half + 1));
        weights[p][k + half] = (float) (sinc * window);
        sum += sinc * window;
      }
      for (int k = 0; k <= 2 * half; k++) {
        weights[p][k] /= (float) sum;
      }
    }
    float[] out = new float[(int) ((long) samples.length * to / from)];
    for (int i = 0; i < out.length; i++) {
      long at = (long) i * down;
      int middle = (int) (at / up);
      float[] w = weights[(int) (at % up)];
      float sum = 0;
      int low = Math.max(0, middle - half);
      int high = Math.min(samples.length - 1, middle + half);
      for (int s = low; s <= high; s++) {
        sum += w[s - middle + half] * samples[s];
      }
      out[i] = sum;
    }
    return out;
  }

  private static int gcd(int a, int b) {
    return b == 0 ? a : gcd(b, a % b);
  }
}
