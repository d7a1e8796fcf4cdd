package fret.sound;

import java.util.List;

/** A held tone that goes on without a seam when it is repeated, or that follows a line. */
public final class Drone {
  private static final double[] PARTIALS = {1, 0.6, 0.35, 0.2, 0.12, 0.07};
  private static final double LOUDEST = 0.22;
  private static final double FADE_S = 0.08;
  private static final double SHORTEST_S = 3;
  private static final double LONGEST_S = 4;

  private Drone() {}

  /**
   * Samples of one round at {@link ClickTrack#SAMPLE_RATE}, from -0.22 to 0.22. A round holds whole
   * periods of every partial, so that its end goes on in its start; for that it is the length among
   * those of three to four seconds at which the pitch is off least, under 0.01 cent.
   *
   * @throws IllegalArgumentException if {@code !(hertz >= 20 && hertz <= 2000)}
   */
  public static float[] round(double hertz) {
    if (!(hertz >= 20) || !(hertz <= 2000)) {
      throw new IllegalArgumentException("drone of " + hertz + " Hz is outside 20 to 2000");
    }
    int length = length(hertz);
    long periods = Math.round(hertz * length / ClickTrack.SAMPLE_RATE);
    double sum = 0;
    for (double p : PARTIALS) {
      sum += p;
    }
    float[] samples = new float[length];
    for (int k = 0; k < PARTIALS.length; k++) {
      boolean heard = hertz * (k + 1) < ClickTrack.SAMPLE_RATE / 2.0;
      double step = 2 * Math.PI * periods * (k + 1) / length;
      for (int i = 0; heard && i < length; i++) {
        samples[i] += (float) (LOUDEST / sum * PARTIALS[k] * Math.sin(step * i));
      }
    }
    return samples;
  }

  /** A tone of a drone that changes. */
  public record Tone(double fromS, double hertz) {}

  /**
   * Samples of a drone that changes: each tone swells in while the one before fades, so that
   * nothing clicks; silent at both ends, so that it can be repeated.
   *
   * @param tones in order of time, the first at 0
   * @param seconds of all of it
   */
  public static float[] following(List<Tone> tones, double seconds) {
    float[] samples = new float[(int) Math.round(seconds * ClickTrack.SAMPLE_RATE)];
    for (int i = 0; i < tones.size(); i++) {
      double from = tones.get(i).fromS();
      double to = i + 1 < tones.size() ? tones.get(i + 1).fromS() + FADE_S : seconds;
      add(samples, tones.get(i).hertz(), from, Math.min(to, seconds));
    }
    return samples;
  }

  private static void add(float[] samples, double hertz, double fromS, double toS) {
    double sum = 0;
    for (double p : PARTIALS) {
      sum += p;
    }
    int from = (int) Math.round(fromS * ClickTrack.SAMPLE_RATE);
    int to = (int) Math.min(samples.length, Math.round(toS * ClickTrack.SAMPLE_RATE));
    for (int k = 0; k < PARTIALS.length; k++) {
      double step = 2 * Math.PI * hertz * (k + 1) / ClickTrack.SAMPLE_RATE;
      for (int i = from; step < Math.PI && i < to; i++) {
        double in = (i - from) / (FADE_S * ClickTrack.SAMPLE_RATE);
        double out = (to - i) / (FADE_S * ClickTrack.SAMPLE_RATE);
        double fade = Math.max(0, Math.min(1, Math.min(in, out)));
        samples[i] += (float) (fade * LOUDEST / sum * PARTIALS[k] * Math.sin(step * (i - from)));
      }
    }
  }

  /** The length whose whole number of periods comes nearest to the pitch. */
  private static int length(double hertz) {
    int best = 0;
    double least = Double.MAX_VALUE;
    int to = (int) (LONGEST_S * ClickTrack.SAMPLE_RATE);
    for (int n = (int) (SHORTEST_S * ClickTrack.SAMPLE_RATE); n <= to; n++) {
      double exact = hertz * n / ClickTrack.SAMPLE_RATE;
      double off = Math.abs(exact - Math.round(exact)) / exact;
      if (off < least) {
        least = off;
        best = n;
      }
    }
    return best;
  }
}
