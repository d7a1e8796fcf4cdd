package fret.take;

import fret.take.Expected.Moment;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * The tempo of a take over its bars, and how far each note lies from it. Departures are from the
 * take's own median tempo over the tempo map, so planned time taken is none.
 *
 * <p>A note that comes late while the next is in time again is late; notes that are all nearer
 * together than written are a bar that rushes. The first are looked for first and taken out before
 * the bars are measured.
 */
public final class TempoLine {
  /**
   * A bar.
   *
   * @param bar index among the expected bars
   * @param times its tempo as a multiple of the target tempo
   * @param percent from the take's median, faster positive
   * @param exact half the width of the 95% interval of {@code percent}
   */
  public record BarTempo(int bar, double times, double percent, double exact) {}

  private static final int AROUND = 6;
  private static final double LONG_MS = 4000;
  private static final double STEP_JITTER_MS = 10;
  private static final double ONSET_JITTER_MS = 6;
  private static final double TAKEN_OUT_MS = 22;

  private final Expected expected;
  private final List<HeardNote> notes;
  private final double[] lateMs;
  private final double[] offMs;
  private final boolean[] judged;
  private final List<BarTempo> bars = new ArrayList<>();
  private final double times;

  TempoLine(Expected expected, Heard heard) {
    this.expected = expected;
    this.notes = heard.notes();
    this.lateMs = new double[expected.moments().size()];
    this.offMs = new double[expected.moments().size()];
    this.judged = new boolean[expected.moments().size()];
    List<List<HeardNote>> runs = runs(heard);
    double overall = overall(runs);
    for (List<HeardNote> run : runs) {
      late(run, overall);
    }
    List<double[]> raw = new ArrayList<>();
    for (List<HeardNote> run : runs) {
      measure(run, raw);
    }
    double[] all = raw.stream().mapToDouble(r -> r[1]).sorted().toArray();
    this.times = all.length == 0 ? overall : weightedMedian(raw);
    for (double[] r : raw) {
      bars.add(new BarTempo((int) r[0], r[1], 100 * (r[1] / times - 1), 100 * r[2]));
    }
  }

  /** Bars in order of playing; those with too little in them are left out. */
  public List<BarTempo> bars() {
    return List.copyOf(bars);
  }

  /** The median tempo of the take as a multiple of the target tempo. */
  public double times() {
    return times;
  }

  /**
   * The tempo of a bar as a multiple of the target tempo; the take's own where it cannot be told.
   */
  public double timesIn(int bar) {
    return bars.stream().filter(b -> b.bar() == bar).findFirst().map(BarTempo::times).orElse(times);
  }

  /** By how many ms a moment came late (or early, negative); empty where that cannot be told. */
  public Optional<Double> lateMs(int moment) {
    return judged[moment] ? Optional.of(lateMs[moment]) : Optional.empty();
  }

  /** How far a moment lies behind the middle of its neighbours, told or not; in ms. */
  Optional<Double> offMs(int moment) {
    return judged[moment] ? Optional.of(offMs[moment]) : Optional.empty();
  }

  /** Notes that follow each other without a stop; what is not timed is left out. */
  private List<List<HeardNote>> runs(Heard heard) {
    List<List<HeardNote>> runs = new ArrayList<>();
    List<HeardNote> run = new ArrayList<>();
    for (HeardNote n : notes) {
      boolean cut =
          !run.isEmpty()
              && (n.moment() - run.get(run.size() - 1).moment() > 3
                  || n.onsetS() <= run.get(run.size() - 1).onsetS()
                  || Reservation.isStop(expected, run.get(run.size() - 1), n)
                  || heard.taken().stream().anyMatch(t -> t.moment() == n.moment()));
      if (cut) {
        runs.add(run);
        run = new ArrayList<>();
      }
      boolean grace = moment(n).lengthMs() < 60;
      if (!grace && !n.pitch().isOther()) {
        run.add(n);
      }
    }
    runs.add(run);
    runs.removeIf(r -> r.size() < 3);
    return runs;
  }

  private Moment moment(HeardNote n) {
    return expected.moments().get(n.moment());
  }

  private double written(HeardNote n) {
    return moment(n).startMs();
  }

  /** Median pace of all steps, in multiples of the target tempo. */
  private double overall(List<List<HeardNote>> runs) {
    List<double[]> paces = new ArrayList<>();
    for (List<HeardNote> run : runs) {
      for (int i = 0; i + 1 < run.size(); i++) {
        double ms = written(run.get(i + 1)) - written(run.get(i));
        double took = (run.get(i + 1).onsetS() - run.get(i).onsetS()) * 1000;
        if (ms > 0 && took > 0) {
          paces.add(new double[] {0, ms / took, 0, ms});
        }
      }
    }
    return paces.isEmpty() ? 1 : weightedMedian(paces);
  }

  private static double weightedMedian(List<double[]> rows) {
    List<double[]> sorted = new ArrayList<>(rows);
    sorted.sort(java.util.Comparator.comparingDouble(r -> r[1]));
    double sum = sorted.stream().mapToDouble(r -> r[3]).sum();
    double at = 0;
    for (double[] r : sorted) {
      at += r[3];
      if (at >= sum / 2) {
        return r[1];
      }
    }
    return sorted.get(sorted.size() - 1)[1];
  }

  // ---- single notes ----------------------------------------------------------------------------

  /** Each note against the steps around it. */
  private void late(List<HeardNote> run, double overall) {
    for (int i = 1; i + 1 < run.size(); i++) {
      double before = written(run.get(i)) - written(run.get(i - 1));
      double after = written(run.get(i + 1)) - written(run.get(i));
      if (before <= 0 || after <= 0 || before > LONG_MS || after > LONG_MS) {
        continue;
      }
      double first =
          (run.get(i).onsetS() - run.get(i - 1).onsetS()) * 1000
              - before / pace(run, i - 1, i, overall);
      double second =
          (run.get(i + 1).onsetS() - run.get(i).onsetS()) * 1000 - after / pace(run, i, i, overall);
      int m = run.get(i).moment();
      judged[m] = true;
      // Only what the next step gives back is lateness; the rest is tempo.
      double mean = (first - second) / 2;
      boolean back =
          first * second < 0 && Math.min(Math.abs(first), Math.abs(second)) > 0.4 * Math.abs(mean);
      lateMs[m] = back ? mean : 0;
      offMs[m] = mean;
    }
    // A late note makes its neighbours look early by as much: the larger one is the true one.
    double[] told = new double[run.size()];
    for (int i = 0; i < run.size(); i++) {
      told[i] = lateMs[run.get(i).moment()];
    }
    for (int i = 0; i < run.size(); i++) {
      double left = i == 0 ? 0 : told[i - 1];
      double right = i + 1 == run.size() ? 0 : told[i + 1];
      boolean echo =
          left * told[i] < 0 && Math.abs(left) > Math.abs(told[i])
              || right * told[i] < 0 && Math.abs(right) > Math.abs(told[i]);
      if (echo) {
        lateMs[run.get(i).moment()] = 0;
      }
    }
  }

  /**
   * The pace in which a step should go: that of the other steps in its bar, without the two at a
   * note; where they are too few that of what is around.
   */
  private double pace(List<HeardNote> run, int step, int note, double overall) {
    List<double[]> inBar = new ArrayList<>();
    List<double[]> around = new ArrayList<>();
    int bar = moment(run.get(step)).bar();
    for (int k = Math.max(0, note - AROUND); k < Math.min(run.size() - 1, note + AROUND); k++) {
      double ms = written(run.get(k + 1)) - written(run.get(k));
      double took = (run.get(k + 1).onsetS() - run.get(k).onsetS()) * 1000;
      if (k != note - 1 && k != note && ms > 0 && took > 0) {
        double[] pace = {0, ms / took, 0, ms};
        around.add(pace);
        if (moment(run.get(k)).bar() == bar) {
          inBar.add(pace);
        }
      }
    }
    double wide = around.size() >= 3 ? weightedMedian(around) : overall;
    if (inBar.size() < 2) {
      return wide;
    }
    double own = weightedMedian(inBar);
    double weight = inBar.stream().mapToDouble(p -> p[3]).sum();
    // The bar has a pace of its own only where that is more than chance.
    return Math.abs(own / wide - 1) > 3 * STEP_JITTER_MS / weight ? own : wide;
  }

  // ---- bars ------------------------------------------------------------------------------------

  private void measure(List<HeardNote> run, List<double[]> into) {
    for (int i = 0; i < run.size(); ) {
      int bar = moment(run.get(i)).bar();
      int k = i;
      while (k < run.size() && moment(run.get(k)).bar() == bar) {
        k++;
      }
      List<HeardNote> inBar = new ArrayList<>(run.subList(i, k));
      if (k < run.size() && moment(run.get(k)).bar() == bar + 1) {
        inBar.add(run.get(k)); // Where the next bar begins this one ends.
      }
      bar(bar, inBar, into);
      i = k;
    }
  }

  private void bar(int bar, List<HeardNote> in, List<double[]> into) {
    Expected.Span span = expected.bars().get(bar);
    double covered = in.size() < 2 ? 0 : written(in.get(in.size() - 1)) - written(in.get(0));
    if (in.size() < 2 || covered < 0.5 * (span.endMs() - span.startMs()) || covered < 300) {
      return;
    }
    double[] x = new double[in.size()];
    double[] y = new double[in.size()];
    for (int i = 0; i < x.length; i++) {
      x[i] = written(in.get(i));
      double late = lateMs[in.get(i).moment()];
      y[i] = in.get(i).onsetS() * 1000 - (Math.abs(late) >= TAKEN_OUT_MS ? late : 0);
    }
    double slope = slope(x, y);
    // Of a line through notes that are equally far apart, each so many ms off.
    double spread = ONSET_JITTER_MS * Math.sqrt(12.0 / Math.max(3, x.length)) / covered;
    into.add(new double[] {bar, 1 / slope, 1.96 * spread, covered});
  }

  /** Median of the slopes of all pairs far enough apart (H. Theil 1950, P. K. Sen 1968). */
  private static double slope(double[] x, double[] y) {
    double[] slopes = new double[x.length * x.length];
    int n = 0;
    double far = 0.45 * (x[x.length - 1] - x[0]);
    for (int i = 0; i < x.length; i++) {
      for (int k = i + 1; k < x.length; k++) {
        if (x[k] - x[i] >= far) {
          slopes[n++] = (y[k] - y[i]) / (x[k] - x[i]);
        }
      }
    }
    double[] all = Arrays.copyOf(slopes, n);
    Arrays.sort(all);
    return n == 0 ? 1 : (all[(n - 1) / 2] + all[n / 2]) / 2;
  }
}
