package fret.take;

import fret.take.Expected.Moment;
import fret.take.Expected.Tone;
import java.util.ArrayList;
import java.util.List;

/** How far a whole recording is tuned from what is expected. */
final class TuningOffset {
  private static final double STEP_S = 0.05;
  private static final int MOST_CENTS = 130;
  private static final double NEAR_CENTS = 20;
  private static final int MOST_LOOKS = 2400;

  private TuningOffset() {}

  /** In cents, -130 to 130; what hits the most expected pitches. */
  static double of(Recording recording, Expected expected, Yin yin) {
    List<double[]> pitches = expectedPitches(expected);
    double low = pitches.stream().mapToDouble(p -> p[0]).min().orElse(0);
    double high = pitches.stream().mapToDouble(p -> p[0]).max().orElse(0);
    List<Double> heard = new ArrayList<>();
    double step = Math.max(STEP_S, recording.seconds() / MOST_LOOKS);
    for (double t = step; t < recording.seconds(); t += step) {
      Yin.Pitch p = yin.at(t, hertz(low - 150), hertz(high + 150));
      if (p.isHeard() && p.aperiodic() < 0.1) {
        heard.add(cents(p.hertz()));
      }
    }
    double best = 0;
    double most = -1;
    for (int offset = -MOST_CENTS; offset <= MOST_CENTS; offset += 2) {
      double sum = 0;
      for (double c : heard) {
        sum += hit(pitches, c - offset);
      }
      // What is nearest to the tuning asked for wins where both fit.
      sum *= 1 - 0.0008 * Math.abs(offset);
      if (sum > most) {
        most = sum;
        best = offset;
      }
    }
    return heard.isEmpty() ? 0 : best;
  }

  private static double hit(List<double[]> pitches, double cents) {
    double best = 0;
    for (double[] p : pitches) {
      double off = Math.abs(p[0] - cents);
      if (off < NEAR_CENTS) {
        best = Math.max(best, p[1] * (1 - off / NEAR_CENTS));
      }
    }
    return best;
  }

  /** Each different pitch in cents, with the root of its share of the time. */
  private static List<double[]> expectedPitches(Expected expected) {
    java.util.TreeMap<Long, Double> lasts = new java.util.TreeMap<>();
    for (Moment m : expected.moments()) {
      for (Tone t : m.starting()) {
        lasts.merge(Math.round(cents(t.hertz())), m.lengthMs(), Double::sum);
      }
    }
    List<double[]> all = new ArrayList<>();
    lasts.forEach((c, ms) -> all.add(new double[] {c, Math.sqrt(ms / expected.lengthMs())}));
    return all;
  }

  static double cents(double hertz) {
    return 1200 * Math.log(hertz / 440) / Math.log(2);
  }

  private static double hertz(double cents) {
    return 440 * Math.pow(2, cents / 1200);
  }
}
