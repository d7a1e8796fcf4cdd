package fret.bowing;

import fret.search.RulerProblem;
import fret.search.RulerSearch.Join;
import fret.search.RulerSearch.Step;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The places of a bowing to the millimetre, within a centimetre of those of the coarse grid. */
final class FinePlaces {
  private static final double STEP_CM = 0.1;
  private static final int AROUND = 10;
  private static final int COUNT = 2 * AROUND + 1;

  private final BowProblem problem;
  private final double hairCm;

  FinePlaces(BowProblem problem, double hairCm) {
    this.problem = problem;
    this.hairCm = hairCm;
  }

  private double place(double near, int i) {
    return Math.round((near + (i - AROUND) * STEP_CM) / STEP_CM) * STEP_CM;
  }

  private boolean isOnHair(double place) {
    return place >= -1e-9 && place <= hairCm + 1e-9;
  }

  /** The same steps with finer places, by the same prices. */
  List<Step<BowSpan>> of(List<Step<BowSpan>> steps) {
    int n = steps.size();
    int[][] startOf = new int[n][COUNT];
    int[][] endBefore = new int[n][COUNT];
    double[] reached = new double[COUNT];
    for (int s = 0; s < n; s++) {
      double[] starts = s == 0 ? reached : joined(steps, s, reached, endBefore[s]);
      reached = slid(steps.get(s), starts, startOf[s]);
    }
    return places(steps, reached, startOf, endBefore);
  }

  /** Least effort to begin a step at each of its places. */
  private double[] joined(List<Step<BowSpan>> steps, int s, double[] reached, int[] from) {
    Step<BowSpan> step = steps.get(s);
    double[] starts = new double[COUNT];
    if (step.join() != Join.LIFT) {
      double price =
          step.join() == Join.TURN ? problem.turn(step.layer()) : problem.again(step.layer());
      for (int i = 0; i < COUNT; i++) {
        starts[i] = reached[i] + price;
        from[i] = i;
      }
      return starts;
    }
    Arrays.fill(starts, Double.POSITIVE_INFINITY);
    double before = steps.get(s - 1).end();
    for (int i = 0; i < COUNT; i++) {
      for (int k = 0; k < COUNT; k++) {
        double way = Math.abs(place(step.start(), i) - place(before, k));
        double sum = reached[k] + problem.lift(step.layer(), way);
        if (sum < starts[i]) {
          starts[i] = sum;
          from[i] = k;
        }
      }
    }
    return starts;
  }

  private double[] slid(Step<BowSpan> step, double[] starts, int[] from) {
    double[] ends = new double[COUNT];
    Arrays.fill(ends, Double.POSITIVE_INFINITY);
    BowSpan span = step.span();
    int way = step.side() == RulerProblem.DOWN ? 1 : -1;
    double middleLength = (place(step.end(), AROUND) - place(step.start(), AROUND)) * way;
    double middle = (place(step.end(), AROUND) + place(step.start(), AROUND)) / 2;
    // Lengths and middles come many times: each is priced once.
    double[] byLength = new double[2 * COUNT];
    double[] byMiddle = new double[2 * COUNT];
    double[] byEnd = new double[COUNT];
    boolean hasMiddle = span.hasMiddle();
    double bySide = span.bySide(step.side());
    for (int d = 0; d < 2 * COUNT - 1; d++) {
      double length = middleLength + (d - COUNT + 1) * STEP_CM;
      byLength[d] = length < -1e-9 ? Double.NaN : span.byLength(Math.max(0, length), STEP_CM);
      byMiddle[d] = !hasMiddle ? 0 : span.byMiddle(middle + (d - COUNT + 1) * STEP_CM / 2);
    }
    double[] places = new double[COUNT];
    for (int k = 0; k < COUNT; k++) {
      places[k] = place(step.end(), k);
      byEnd[k] = span.byEnd(places[k]);
    }
    for (int i = 0; i < COUNT; i++) {
      double p = place(step.start(), i);
      if (isOnHair(p) && starts[i] < Double.POSITIVE_INFINITY) {
        double base = starts[i] + bySide + span.byStart(step.side(), p);
        for (int k = 0; k < COUNT; k++) {
          double q = places[k];
          int d = (k - i) * way + COUNT - 1;
          if (isOnHair(q) && !Double.isNaN(byLength[d]) && isLong(span, (q - p) * way, q)) {
            double sum = base + byLength[d] + byMiddle[k + i] + byEnd[k];
            if (sum < ends[k] - 1e-12) {
              ends[k] = sum;
              from[k] = i;
            }
          }
        }
      }
    }
    return ends;
  }

  /** Long enough, or as long as there is hair. */
  private boolean isLong(BowSpan span, double length, double end) {
    boolean atEnd = end < STEP_CM || end > hairCm - STEP_CM;
    return length <= span.most() + GRACE_CM && (length >= span.least() - GRACE_CM || atEnd);
  }

  /** What the coarse grid rounds, in cm. */
  private static final double GRACE_CM = 1;

  private List<Step<BowSpan>> places(
      List<Step<BowSpan>> steps, double[] reached, int[][] startOf, int[][] endBefore) {
    int at = 0;
    for (int i = 1; i < COUNT; i++) {
      at = reached[i] < reached[at] ? i : at;
    }
    List<Step<BowSpan>> fine = new ArrayList<>(steps);
    for (int s = steps.size() - 1; s >= 0; s--) {
      Step<BowSpan> step = steps.get(s);
      int start = startOf[s][at];
      fine.set(
          s,
          new Step<>(
              step.layer(),
              step.span(),
              step.side(),
              step.join(),
              onHair(place(step.start(), start)),
              onHair(place(step.end(), at))));
      at = endBefore[s][start];
    }
    return fine;
  }

  private double onHair(double place) {
    return Math.max(0, Math.min(hairCm, place));
  }
}
