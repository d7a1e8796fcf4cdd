package fret.sound;

/** A short plain tone with a few overtones, rendered sample by sample. */
public final class Tone {
  private static final double SECONDS = 0.35;
  private static final double[] OVERTONES = {1, 0.45, 0.25, 0.12};
  private static final double LOUDEST = 0.25;

  private Tone() {}

  /**
   * Samples from -0.25 to 0.25 at {@link ClickTrack#SAMPLE_RATE}, faded in and out.
   *
   * @throws IllegalArgumentException if {@code !(hertz >= 20 && hertz <= 8000)}
   */
  public static float[] render(double hertz) {
    if (!(hertz >= 20) || !(hertz <= 8000)) {
      throw new IllegalArgumentException("tone of " + hertz + " Hz is outside 20 to 8000");
    }
    float[] samples = new float[(int) (SECONDS * ClickTrack.SAMPLE_RATE)];
    double sum = 0;
    for (double o : OVERTONES) {
      sum += o;
    }
    for (int i = 0; i < samples.length; i++) {
      double t = i / (double) ClickTrack.SAMPLE_RATE;
      double value = 0;
      for (int k = 0; k < OVERTONES.length; k++) {
        boolean heard = hertz * (k + 1) < ClickTrack.SAMPLE_RATE / 2.0;
        value += heard ? OVERTONES[k] * Math.sin(2 * Math.PI * hertz * (k + 1) * t) : 0;
      }
      double fade = Math.min(1, Math.min(t / 0.01, (SECONDS - t) / 0.12));
      samples[i] = (float) (LOUDEST * Math.max(0, fade) * value / sum);
    }
    return samples;
  }
}
