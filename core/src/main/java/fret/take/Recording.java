package fret.take;

import java.util.Objects;

/** One channel of sound at {@link #RATE}, from -1 to 1. */
public final class Recording {
  /** Samples a second that everything is measured at. */
  public static final int RATE = 22_050;

  /** Longest recording that is taken, in seconds. */
  public static final double LONGEST_S = 600;

  private static final double CLIPPED_SHARE = 0.02;

  private final float[] samples;

  /**
   * @param samples kept as they are, not copied
   */
  public Recording(float[] samples) {
    this.samples = Objects.requireNonNull(samples);
  }

  /**
   * From samples at another rate, 8000 to 192000 a second.
   *
   * @throws IllegalArgumentException if the rate is another
   */
  public static Recording of(float[] samples, int rate) {
    return new Recording(Resampler.resampled(samples, rate, RATE));
  }

  /** The samples themselves; nobody changes them. */
  float[] samples() {
    return samples;
  }

  public double seconds() {
    return samples.length / (double) RATE;
  }

  /** Root mean square between two times in seconds; 0 outside. */
  public double level(double from, double to) {
    int a = Math.max(0, (int) Math.round(from * RATE));
    int b = Math.min(samples.length, (int) Math.round(to * RATE));
    double sum = 0;
    for (int i = a; i < b; i++) {
      sum += samples[i] * (double) samples[i];
    }
    return b <= a ? 0 : Math.sqrt(sum / (b - a));
  }

  /** Loudest sample, 0 to 1. */
  public double peak() {
    double most = 0;
    for (float s : samples) {
      most = Math.max(most, Math.abs(s));
    }
    return most;
  }

  /** Share of the samples that stand at the very top: a clipped recording has many. */
  double clippedShare() {
    double top = 0.995;
    int count = 0;
    for (float s : samples) {
      count += Math.abs(s) >= top ? 1 : 0;
    }
    return samples.length == 0 ? 0 : count / (double) samples.length;
  }

  /** Whether it stands at the very top for long: then loudness and lengths are not certain. */
  public boolean isClipped() {
    return clippedShare() > CLIPPED_SHARE;
  }

  /** Half the rate: what is above its half is taken away first. */
  Recording halved() {
    float[] half = new float[samples.length / 2];
    for (int i = 0; i < half.length; i++) {
      double sum = 0;
      for (int k = 0; k < HALF_BAND.length; k++) {
        int at = 2 * i + k - HALF_BAND.length / 2;
        sum += at >= 0 && at < samples.length ? HALF_BAND[k] * samples[at] : 0;
      }
      half[i] = (float) sum;
    }
    return new Recording(half);
  }

  private static final double[] HALF_BAND = halfBand(15);

  /** A low-pass at a quarter of the rate: a windowed sinc. */
  private static double[] halfBand(int taps) {
    double[] h = new double[taps];
    double sum = 0;
    for (int i = 0; i < taps; i++) {
      double x = i - taps / 2;
      double sinc = x == 0 ? 1 : Math.sin(Math.PI * x / 2) / (Math.PI * x / 2);
      h[i] = sinc * (0.54 + 0.46 * Math.cos(2 * Math.PI * x / (taps + 1)));
      sum += h[i];
    }
    for (int i = 0; i < taps; i++) {
      h[i] /= sum;
    }
    return h;
  }
}
