package fret.take;

import fret.take.Expected.Moment;

/**
 * Where notes begin and end, exactly. A note begins when its own sound is above -20 dB of its peak
 * and above what still rings of the one before: after silence that is read from the level; from one
 * sound to another each short frame is told apart into shares of the two; in a repeated note it is
 * the dip between.
 */
final class Onsets {
  private static final double TENTH = 0.1; // -20 dB
  private static final double STEP_S = 0.002;
  private static final double REACH_S = 0.09;
  private static final double LEVEL_WINDOW_S = 0.006;
  private static final int MOST_BINS = 220;
  private static final double SILENT_S = 0.02;
  private static final double STAYS_S = 0.01;

  private final Recording recording;
  private final double noise;
  private final Spectra wide;
  private final Spectra narrow;

  /**
   * @param noise level that is silence
   */
  Onsets(Recording recording, double noise) {
    this.recording = recording;
    this.noise = noise;
    this.narrow = new Spectra(recording, 512, 1024);
    this.wide = new Spectra(recording, 1024, 1024);
  }

  /** Level around a time, over at least one period. */
  double level(double at, double hertz) {
    double half = Math.max(LEVEL_WINDOW_S, 1.2 / hertz) / 2;
    return recording.level(at - half, at + half);
  }

  /** The loudest level of a stretch. */
  double peak(double from, double to, double hertz) {
    double most = 0;
    for (double t = from; t <= to; t += 2 * STEP_S) {
      most = Math.max(most, level(t, hertz));
    }
    return most;
  }

  /**
   * The beginning after silence.
   *
   * @param about near it
   * @param earliest where the silence began
   * @param to where the note is over
   */
  double afterSilence(double about, double earliest, double to, double hertz) {
    double peak = peak(about, Math.min(to, about + 1.5), hertz);
    double floor = Math.max(TENTH * peak, 0.6 * noise);
    double at = about;
    while (at > earliest && level(at, hertz) > floor) {
      at -= STEP_S;
    }
    while (at < to && level(at, hertz) <= floor) {
      at += STEP_S / 2;
    }
    return at;
  }

  /**
   * The end of a note before silence or before the next one: from where it stays below -20 dB of
   * its peak for a while. What sounds again later, a click or an echo, is not the note.
   *
   * @param from its beginning, {@code to} where the next begins
   */
  double end(double from, double to, double hertz) {
    double peak = peak(from, to, hertz);
    double floor = Math.max(TENTH * peak, 0.6 * noise);
    double last = to - Math.max(LEVEL_WINDOW_S, 1.2 / hertz) / 2 - STEP_S / 2;
    double at = from;
    while (at < last && level(at, hertz) < 0.7 * peak) {
      at += STEP_S;
    }
    double below = -1;
    for (; at < last; at += STEP_S) {
      if (level(at, hertz) >= floor) {
        below = -1;
      } else if (below < 0) {
        below = at;
      } else if (at - below >= SILENT_S) {
        return below;
      }
    }
    return below < 0 ? to : below;
  }

  /** How long the level takes from -20 dB to -3 dB of the note's peak, in ms. */
  double attackMs(double onset, double to, double hertz) {
    double peak = peak(onset, Math.min(to, onset + 0.5), hertz);
    double at = onset;
    while (at < to && level(at, hertz) < 0.707 * peak) {
      at += STEP_S;
    }
    return (at - onset) * 1000;
  }

  /** The dip between two notes of one sound, near a time. */
  double dip(double about, double from, double to, double hertz) {
    double best = about;
    double least = Double.MAX_VALUE;
    for (double t = Math.max(from, about - REACH_S);
        t <= Math.min(to, about + REACH_S);
        t += STEP_S) {
      double l = level(t, hertz) * (1 + 0.8 * Math.abs(t - about));
      if (l < least) {
        least = l;
        best = t;
      }
    }
    return best;
  }

  /** How deep the level dips near a time, in dB under what is around it. */
  double depthDb(double at, double hertz) {
    double around = Math.min(peak(at - 0.1, at - 0.01, hertz), peak(at + 0.01, at + 0.1, hertz));
    double there = Math.max(1e-7, level(at, hertz));
    return around <= 0 ? 0 : 20 * Math.log10(around / there);
  }

  /**
   * From one sound to another.
   *
   * @param before the moment that rings, from {@code from} on
   * @param about near the change
   * @param to where the new one is over
   */
  double change(Moment before, double from, double about, Moment now, double to) {
    double lowest = Math.min(before.hertz().get(0), now.hertz().get(0));
    Spectra spectra = lowest < 150 ? wide : narrow;
    int bins = Math.min(MOST_BINS, spectra.bins());
    float[] old =
        mean(
            spectra,
            bins,
            from + 0.35 * (about - from),
            Math.max(about - 0.03, from + 0.65 * (about - from)));
    float[] own =
        mean(
            spectra,
            bins,
            Math.min(about + 0.03, about + 0.35 * (to - about)),
            Math.min(about + 0.65 * (to - about), about + 0.25));
    double oo = dot(old, old);
    double nn = dot(own, own);
    double on = dot(old, own);
    double det = oo * nn - on * on;
    if (det < 0.02 * oo * nn) {
      return dip(about, from, to, now.hertz().get(0));
    }
    double first = Math.max(from + 0.3 * (about - from), about - REACH_S);
    double last = Math.min(to - 0.3 * (to - about), about + REACH_S);
    int count = Math.max(2, (int) ((last - first) / STEP_S) + 1);
    float[] x = new float[bins];
    boolean[] has = new boolean[count];
    for (int i = 0; i < count; i++) {
      spectra.at((int) Math.round((first + i * STEP_S) * Recording.RATE), x);
      double xo = dot(x, old);
      double xn = dot(x, own);
      double a = (nn * xo - on * xn) / det;
      double b = (oo * xn - on * xo) / det;
      if (a < 0) {
        b = xn / nn;
      } else if (b < 0) {
        a = xo / oo;
        b = 0;
      }
      a = Math.max(0, a);
      has[i] = b > TENTH && b * Math.sqrt(nn) > a * Math.sqrt(oo);
    }
    return first + STEP_S * settled(has, count);
  }

  /** The first place from which it holds for a while; the middle where it never does. */
  private static double settled(boolean[] has, int count) {
    int stays = (int) Math.ceil(STAYS_S / STEP_S);
    for (int i = 0; i < count; i++) {
      int k = i;
      while (k < count && k < i + stays && has[k]) {
        k++;
      }
      if (k == Math.min(count, i + stays) && k > i) {
        return i == 0 ? 0 : i - 0.5;
      }
    }
    return count / 2.0;
  }

  private static float[] mean(Spectra spectra, int bins, double from, double to) {
    float[] sum = new float[bins];
    float[] x = new float[bins];
    int count = 0;
    for (double t = from; count == 0 || t <= to; t += 0.006) {
      spectra.at((int) Math.round(t * Recording.RATE), x);
      for (int b = 0; b < bins; b++) {
        sum[b] += x[b];
      }
      count++;
    }
    for (int b = 0; b < bins; b++) {
      sum[b] /= count;
    }
    return sum;
  }

  private static double dot(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * (double) b[i];
    }
    return sum;
  }
}
