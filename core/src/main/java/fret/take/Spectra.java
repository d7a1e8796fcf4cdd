package fret.take;

import org.jtransforms.fft.FloatFFT_1D;

/** Magnitudes of short stretches of a recording, under a Hann window. */
final class Spectra {
  private final float[] samples;
  private final int window;
  private final int size;
  private final FloatFFT_1D transform;
  private final float[] hann;
  private final float[] work;

  /**
   * @param window samples that are looked at
   * @param size of the transform, a power of 2, {@code window} or more
   */
  Spectra(Recording recording, int window, int size) {
    this.samples = recording.samples();
    this.window = window;
    this.size = size;
    this.transform = new FloatFFT_1D(size);
    this.hann = new float[window];
    for (int i = 0; i < window; i++) {
      hann[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / window));
    }
    this.work = new float[size];
  }

  /** Width of a bin in Hz. */
  double binHertz() {
    return Recording.RATE / (double) size;
  }

  /** Half the width of a partial's peak in bins. */
  double lobe() {
    return 2.0 * size / window;
  }

  int bins() {
    return size / 2;
  }

  /** Magnitudes around a sample into an array of so many bins as are wanted. */
  void at(int middle, float[] into) {
    int from = middle - window / 2;
    java.util.Arrays.fill(work, 0);
    for (int i = 0; i < window; i++) {
      int s = from + i;
      work[i] = s >= 0 && s < samples.length ? samples[s] * hann[i] : 0;
    }
    transform.realForward(work);
    into[0] = 0;
    for (int b = 1; b < into.length; b++) {
      float re = work[2 * b];
      float im = work[2 * b + 1];
      into[b] = (float) Math.sqrt(re * re + im * im);
    }
  }
}
