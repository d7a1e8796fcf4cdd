package fret.take;

import java.util.ArrayList;
import java.util.List;

/**
 * The pitch of a short stretch of sound: the lag at which it repeats itself best (A. de Cheveigne,
 * H. Kawahara, "YIN, a fundamental frequency estimator for speech and music", Journal of the
 * Acoustical Society of America 111, 2002, pages 1917-1930; steps 2 to 5, the threshold of step 4
 * from memory). The lag is then measured once more over several periods, so that high notes are as
 * exact as low ones.
 */
final class Yin {
  /**
   * @param hertz 0 where nothing repeats itself
   * @param aperiodic share of the sound that does not repeat itself, 0 to 1 and above
   */
  record Pitch(double hertz, double aperiodic) {
    static final Pitch NONE = new Pitch(0, 1);

    boolean isHeard() {
      return hertz > 0 && aperiodic < HEARD;
    }
  }

  private static final double HEARD = 0.35;
  private static final double THRESHOLD = 0.15;
  private static final int FINEST = 24; // samples a period that are enough for the first look
  private static final double LONG_LAG_S = 0.006;
  private static final int MOST_HALVINGS = 4;

  /** The recording at its rate, at half of it, a quarter and so on. */
  private final List<Recording> halvings = new ArrayList<>();

  Yin(Recording recording) {
    halvings.add(recording);
    for (int i = 0; i < MOST_HALVINGS; i++) {
      halvings.add(halvings.get(i).halved());
    }
  }

  /**
   * The pitch around a time.
   *
   * @param at middle of the stretch in s
   * @param lowest Hz looked for, {@code highest} likewise
   */
  Pitch at(double at, double lowest, double highest) {
    int level = 0;
    double shortest = Recording.RATE / highest;
    while (level < MOST_HALVINGS && shortest / 2 >= FINEST) {
      level++;
      shortest /= 2;
    }
    double rate = Recording.RATE / (double) (1 << level);
    float[] x = halvings.get(level).samples();
    int most = (int) Math.ceil(rate / lowest) + 2;
    int least = Math.max(2, (int) Math.floor(rate / highest));
    int window = Math.max(most, (int) (0.02 * rate));
    int from = (int) Math.round(at * rate) - (window + most) / 2;
    if (from < 0 || from + window + most >= x.length) {
      return Pitch.NONE;
    }
    double[] d = new double[most + 1];
    double running = 0;
    double[] normal = new double[most + 1];
    normal[0] = 1;
    for (int lag = 1; lag <= most; lag++) {
      d[lag] = difference(x, from, window, lag);
      running += d[lag];
      normal[lag] = running <= 0 ? 1 : d[lag] * lag / running;
    }
    int best = best(normal, least, most - 1);
    if (best < 0) {
      return Pitch.NONE;
    }
    double lag = best + vertex(d[best - 1], d[best], d[best + 1]);
    return new Pitch(rate / refined(x, rate, from, window, lag), normal[best]);
  }

  private static int best(double[] normal, int least, int most) {
    int best = -1;
    for (int lag = Math.max(2, least); lag <= most; lag++) {
      boolean dip = normal[lag] <= normal[lag - 1] && normal[lag] <= normal[lag + 1];
      if (dip && normal[lag] < THRESHOLD) {
        return lag; // The first that is good: its multiples are as good.
      }
      if (dip && (best < 0 || normal[lag] < normal[best])) {
        best = lag;
      }
    }
    return best;
  }

  /** The period measured over several of them. */
  private static double refined(float[] x, double rate, int from, int window, double lag) {
    int times = (int) Math.max(1, Math.floor(LONG_LAG_S * rate / lag));
    double better = lag;
    // Step by step: a lag of many periods is only known where that of fewer is.
    for (int m = 2; m <= times; m = Math.min(times, m * 2)) {
      int middle = (int) Math.round(better * m);
      if (from + window + middle + 1 >= x.length) {
        return better;
      }
      better = around(x, from, window, middle) / m;
      if (m == times) {
        break;
      }
    }
    return better;
  }

  /** The lag near one at which the difference is least. */
  private static double around(float[] x, int from, int window, int middle) {
    double left = difference(x, from, window, middle - 1);
    double here = difference(x, from, window, middle);
    double right = difference(x, from, window, middle + 1);
    int at = middle;
    if (left < here && left < right) {
      at = middle - 1;
      right = here;
      here = left;
      left = difference(x, from, window, at - 1);
    } else if (right < here) {
      at = middle + 1;
      left = here;
      here = right;
      right = difference(x, from, window, at + 1);
    }
    return at + vertex(left, here, right);
  }

  private static double difference(float[] x, int from, int window, int lag) {
    double sum = 0;
    for (int i = from; i < from + window; i++) {
      double by = x[i] - x[i + lag];
      sum += by * by;
    }
    return sum;
  }

  /** Where a parabola through three neighbours is lowest, from the middle one; -0.5 to 0.5. */
  private static double vertex(double left, double here, double right) {
    double curve = left - 2 * here + right;
    double at = curve <= 0 ? 0 : 0.5 * (left - right) / curve;
    return Math.max(-0.5, Math.min(0.5, at));
  }
}
