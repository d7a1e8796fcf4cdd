package fret.sound;

import java.util.List;

/** Held sounds to tune against: one tone or several at once, one chord after another. */
public final class ReferenceSound {
  private static final double[] PARTIALS = {1, 0.6, 0.35, 0.2, 0.12, 0.07};
  private static final double FADE_S = 0.05;

  /** Never louder, however many sound at once. */
  private static final double LOUDEST = 0.4;

  private ReferenceSound() {}

  /**
   * Chords one after the other, each faded in and out, at {@link ClickTrack#SAMPLE_RATE}; from -0.4
   * to 0.4.
   *
   * @param chords frequencies in Hz that sound together, 20 to 8000 each
   * @param seconds of each
   */
  public static float[] render(List<List<Double>> chords, double seconds) {
    int each = (int) Math.round(seconds * ClickTrack.SAMPLE_RATE);
    float[] samples = new float[each * chords.size()];
    for (int c = 0; c < chords.size(); c++) {
      for (double hertz : chords.get(c)) {
        if (!(hertz >= 20) || !(hertz <= 8000)) {
          throw new IllegalArgumentException("tone of " + hertz + " Hz is outside 20 to 8000");
        }
        add(samples, c * each, each, hertz, LOUDEST / chords.get(c).size());
      }
    }
    return samples;
  }

  private static void add(float[] samples, int from, int count, double hertz, double gain) {
    double sum = 0;
    for (double p : PARTIALS) {
      sum += p;
    }
    double fade = FADE_S * ClickTrack.SAMPLE_RATE;
    for (int k = 0; k < PARTIALS.length && hertz * (k + 1) < ClickTrack.SAMPLE_RATE / 2.0; k++) {
      double step = 2 * Math.PI * hertz * (k + 1) / ClickTrack.SAMPLE_RATE;
      for (int i = 0; i < count; i++) {
        double edge = Math.min(1, Math.min(i / fade, (count - 1 - i) / fade));
        samples[from + i] += (float) (gain / sum * PARTIALS[k] * edge * Math.sin(step * i));
      }
    }
  }
}
