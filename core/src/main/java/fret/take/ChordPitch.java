package fret.take;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Pitches of notes that sound together: the partials of a bowed string are exact multiples, so each
 * note is told from those that it does not share with another. An octave's upper note has none of
 * its own and is not told.
 */
final class ChordPitch {
  /** Window for notes that last, and for short ones, in samples. */
  static final int LONG = 4096;

  static final int SHORT = 2048;
  private static final double STEP_S = 0.04;
  private static final double REACH_CENTS = 60;
  private static final int PARTIALS = 10;
  private static final double HIGHEST_HZ = 4500;

  /** Partials of two notes nearer than so many bins of the window pull each other. */
  private static final double APART_BINS = 4;

  private static final double OVER_FLOOR = 4;
  private static final double TAIL = 3.0;
  private static final int FEWEST = 3;
  private static final double WIDEST_CENTS = 22;

  private final int window;
  private final double halfWindowS;
  private final Spectra spectra;
  private final float[] magnitudes;

  /**
   * @param window in samples, {@link #LONG} or {@link #SHORT}: the shorter, the farther apart
   *     partials have to lie
   */
  ChordPitch(Recording recording, int window) {
    this.window = window;
    this.halfWindowS = window / 2.0 / Recording.RATE;
    this.spectra = new Spectra(recording, window, 2 * window);
    this.magnitudes = new float[(int) (HIGHEST_HZ * 1.05 / spectra.binHertz())];
  }

  /** One measured partial. */
  private record Found(double cents, double weight) {}

  /**
   * Cents of each note from where it is expected; {@code NaN} where it cannot be told.
   *
   * @param from where the sound is settled, in s, {@code to} where it ends
   * @param wanted Hz of the notes that are asked for
   * @param all Hz of everything that sounds
   */
  List<Double> cents(double from, double to, List<Double> wanted, List<Double> all) {
    List<List<Found>> found = new ArrayList<>();
    wanted.forEach(w -> found.add(new ArrayList<>()));
    double first = from + halfWindowS;
    double last = Math.max(first, to - halfWindowS);
    if (to - from >= halfWindowS) {
      for (double t = Math.min(first, (from + to) / 2); t <= last; t += STEP_S) {
        spectra.at((int) Math.round(t * Recording.RATE), magnitudes);
        for (int i = 0; i < wanted.size(); i++) {
          partials(wanted.get(i), all, found.get(i));
        }
      }
    }
    return found.stream().map(ChordPitch::middle).toList();
  }

  private void partials(double hertz, List<Double> all, List<Found> into) {
    for (int h = 1; h <= PARTIALS && h * hertz < HIGHEST_HZ; h++) {
      double expected = h * hertz;
      if (isShared(expected, hertz, all)) {
        continue;
      }
      double bin = expected / spectra.binHertz();
      double reach = Math.max(1.5, bin * (Math.pow(2, REACH_CENTS / 1200) - 1));
      int peak = peak(bin - reach, bin + reach);
      if (peak > 0 && magnitudes[peak] > OVER_FLOOR * floor(peak)) {
        double at = peak + vertex(peak);
        double cents = 1200 * Math.log(at / bin) / Math.log(2);
        // A higher partial shows the same cents in more bins.
        into.add(new Found(cents, magnitudes[peak] * h));
      }
    }
  }

  private boolean isShared(double partial, double own, List<Double> all) {
    double apart = APART_BINS * Recording.RATE / window;
    double near = Math.max(apart, partial * (Math.pow(2, 2 * REACH_CENTS / 1200) - 1));
    for (double other : all) {
      double nearest = Math.max(1, Math.round(partial / other)) * other;
      if (other != own && Math.abs(nearest - partial) < near) {
        return true;
      }
    }
    return false;
  }

  /** The highest local peak of a stretch; 0 for none. */
  private int peak(double low, double high) {
    int best = 0;
    for (int b = (int) Math.ceil(low); b <= high && b + 1 < magnitudes.length; b++) {
      boolean top =
          b > 1 && magnitudes[b] >= magnitudes[b - 1] && magnitudes[b] > magnitudes[b + 1];
      if (top && (best == 0 || magnitudes[b] > magnitudes[best])) {
        best = b;
      }
    }
    return best;
  }

  /** What lies around a peak, beside its lobe. */
  private double floor(int peak) {
    int lobe = (int) Math.ceil(spectra.lobe());
    double least = Double.MAX_VALUE;
    for (int b = peak - 3 * lobe; b <= peak + 3 * lobe; b++) {
      if (Math.abs(b - peak) > lobe && b > 0 && b < magnitudes.length) {
        least = Math.min(least, magnitudes[b] + 1e-9);
      }
    }
    return least;
  }

  /** Where the top of a peak lies between bins: a parabola through the logarithms. */
  private double vertex(int peak) {
    double left = Math.log(magnitudes[peak - 1] + 1e-12);
    double middle = Math.log(magnitudes[peak] + 1e-12);
    double right = Math.log(magnitudes[peak + 1] + 1e-12);
    double curve = left - 2 * middle + right;
    return curve == 0 ? 0 : 0.5 * (left - right) / curve;
  }

  /** The weighted mean without what lies far from the weighted median. */
  private static double middle(List<Found> found) {
    if (found.size() < FEWEST) {
      return Double.NaN;
    }
    List<Found> sorted = new ArrayList<>(found);
    Collections.sort(sorted, (a, b) -> Double.compare(a.cents(), b.cents()));
    double half = sorted.stream().mapToDouble(Found::weight).sum() / 2;
    double median = sorted.get(0).cents();
    for (Found f : sorted) {
      half -= f.weight();
      median = f.cents();
      if (half <= 0) {
        break;
      }
    }
    double off = 0;
    double weights = 0;
    for (Found f : sorted) {
      off += f.weight() * Math.abs(f.cents() - median);
      weights += f.weight();
    }
    double spread = Math.max(1, off / weights);
    double sum = 0;
    double kept = 0;
    for (Found f : sorted) {
      if (Math.abs(f.cents() - median) <= TAIL * spread) {
        sum += f.weight() * f.cents();
        kept += f.weight();
      }
    }
    return spread > WIDEST_CENTS ? Double.NaN : sum / kept;
  }
}
