package fret.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A ruler laid out on a grid of places, with the least efforts from every place to the end.
 *
 * @param <S> a span
 */
final class RulerGrid<S extends RulerProblem.Span> {
  static final double NONE = Double.POSITIVE_INFINITY;

  /** Two efforts nearer than this are the same. */
  static final double SAME = 1e-9;

  /** Sums of the same efforts in another order differ by no more. */
  private static final double ROUNDED = 1e-11;

  /** After so many grids one is made anew, so that roundings stay below {@link #SAME}. */
  private static final int MOST_TAKEN = 16;

  final RulerProblem<S> problem;
  final Token token;
  final double step;
  final int places;
  final int layers;
  final List<List<RulerTable<S>>> tables = new ArrayList<>();

  /** Least effort to the end, by boundary, side of the last span and place. */
  final double[][][] arrived;

  /** Least effort to the end, by boundary, side of the next span and the place it starts from. */
  final double[][][] ready;

  /** The least of {@link #arrived} over all places, by boundary and side. */
  final double[][] least;

  /** Effort of lifting, by boundary and distance; boundaries may share one. */
  final double[][] lifts;

  /** How often what it knows was handed on. */
  private final int taken;

  /** A span that has to be taken, and its side. */
  record Must<S extends RulerProblem.Span>(int layer, S span, int side) {
    boolean allows(int at, S other) {
      return at == layer ? other.equals(span) : at < layer ? other.to() <= layer : at >= span.to();
    }
  }

  /**
   * @param must null for a free choice
   */
  RulerGrid(RulerProblem<S> problem, double step, Token token, Must<S> must) {
    this(problem, step, token, must, null);
  }

  /** The grid of another problem with as many boundaries; what is alike is taken over. */
  RulerGrid<S> near(RulerProblem<S> other, Token otherToken) {
    boolean same =
        other.layers() == layers && other.length() == problem.length() && taken < MOST_TAKEN;
    return new RulerGrid<>(other, step, otherToken, null, same ? this : null);
  }

  private RulerGrid(
      RulerProblem<S> problem, double step, Token token, Must<S> must, RulerGrid<S> before) {
    if (!(step > 0)) {
      throw new IllegalArgumentException("a grid of " + step);
    }
    this.problem = problem;
    this.token = token;
    this.step = step;
    this.layers = problem.layers();
    this.places = (int) Math.floor(problem.length() / step + 1e-9) + 1;
    this.arrived = new double[layers][2][places];
    this.ready = new double[layers][2][places];
    this.least = new double[layers][2];
    this.lifts = new double[layers][];
    this.taken = before == null ? 0 : before.taken + 1;
    Map<Object, double[]> known = new HashMap<>();
    Map<Object, double[]> knownLifts = new HashMap<>();
    for (int layer = 0; layer < layers; layer++) {
      tables.add(layer < layers - 1 ? tables(layer, must, known, before) : List.of());
      int at = layer;
      lifts[layer] =
          problem
              .liftKey(layer)
              .map(key -> knownLifts.computeIfAbsent(key, k -> lifts(at)))
              .orElseGet(() -> lifts(at));
    }
    fillBackward(before == null ? null : new Near(before));
  }

  private double[] lifts(int layer) {
    double[] byDistance = new double[places];
    for (int d = 0; d < places; d++) {
      byDistance[d] = problem.lift(layer, d * step);
    }
    return byDistance;
  }

  private List<RulerTable<S>> tables(
      int layer, Must<S> must, Map<Object, double[]> known, RulerGrid<S> before) {
    List<RulerTable<S>> here = new ArrayList<>();
    for (S span : problem.spans(layer)) {
      if (must == null || must.allows(layer, span)) {
        RulerTable<S> same = before == null ? null : before.like(layer, here.size(), span);
        here.add(
            same == null
                ? new RulerTable<>(span, step, places, known)
                : new RulerTable<>(span, same, known));
      }
    }
    if (must != null && must.layer() == layer) {
      here.get(0).side[1 - must.side()] = NONE;
    }
    return here;
  }

  /** The table of a span that costs the same; null where there is none. */
  private RulerTable<S> like(int layer, int index, S span) {
    List<RulerTable<S>> here = tables.get(layer);
    return index < here.size() && here.get(index).span.costsLike(span) ? here.get(index) : null;
  }

  private void fillBackward(Near near) {
    for (int layer = layers - 2; layer >= 0; layer--) {
      token.check();
      if (near == null || !near.takesReady(layer)) {
        fillReady(layer);
      }
      if (layer > 0) {
        if (near == null || !near.takesArrived(layer)) {
          fillArrived(layer);
        }
        for (int side = 0; side < 2; side++) {
          least[layer][side] = arrived[layer][side][least(arrived[layer][side])];
        }
      }
      if (near != null) {
        near.measure(layer);
      }
    }
  }

  private void fillReady(int layer) {
    for (int side = 0; side < 2; side++) {
      Arrays.fill(ready[layer][side], NONE);
      for (RulerTable<S> t : tables.get(layer)) {
        if (atLeast(t, side) < most(ready[layer][side])) {
          back(t, side, ready[layer][side]);
        }
      }
    }
  }

  private void fillArrived(int layer) {
    double[] lifted = lifted(layer, ready[layer]);
    for (int side = 0; side < 2; side++) {
      arrived[layer][side] = joined(layer, side, ready[layer], lifted);
    }
  }

  /**
   * What is taken over from the grid of a problem much like this one: where all that starts at a
   * boundary costs the same, and all that comes after it differs by one number, so does it.
   */
  private final class Near {
    private final RulerGrid<S> before;

    /** What {@link #arrived} and {@link #ready} differ by; no number where that is not one. */
    private final double[] shifts = new double[layers];

    private double shift;

    Near(RulerGrid<S> before) {
      this.before = before;
    }

    boolean takesReady(int layer) {
      shift = ofSpans(layer);
      if (Double.isNaN(shift)) {
        return false;
      }
      take(before.ready[layer], ready[layer]);
      return true;
    }

    boolean takesArrived(int layer) {
      if (Double.isNaN(shift) || !joinsLike(layer)) {
        shift = Double.NaN;
        return false;
      }
      take(before.arrived[layer], arrived[layer]);
      return true;
    }

    void measure(int layer) {
      shifts[layer] = Double.isNaN(shift) ? shift(before.arrived[layer], arrived[layer]) : shift;
    }

    private double ofSpans(int layer) {
      if (tables.get(layer).size() != before.tables.get(layer).size()) {
        return Double.NaN;
      }
      double one = tables.get(layer).isEmpty() ? 0 : shifts[tables.get(layer).get(0).span.to()];
      for (RulerTable<S> t : tables.get(layer)) {
        if (!t.isTaken() || shifts[t.span.to()] != one) {
          return Double.NaN;
        }
      }
      return one;
    }

    private boolean joinsLike(int layer) {
      return problem.turn(layer) == before.problem.turn(layer)
          && problem.again(layer) == before.problem.again(layer)
          && Arrays.equals(lifts[layer], before.lifts[layer]);
    }

    private void take(double[][] from, double[][] into) {
      for (int side = 0; side < 2; side++) {
        for (int p = 0; p < places; p++) {
          into[side][p] = from[side][p] + shift;
        }
      }
    }

    private double shift(double[][] was, double[][] is) {
      double first = Double.NaN;
      for (int side = 0; side < 2; side++) {
        for (int p = 0; p < places; p++) {
          if (was[side][p] == NONE && is[side][p] == NONE) {
            continue;
          }
          double here = is[side][p] - was[side][p];
          first = Double.isNaN(first) ? here : first;
          if (!(Math.abs(here - first) <= ROUNDED)) {
            return Double.NaN;
          }
        }
      }
      return Double.isNaN(first) ? 0 : first;
    }
  }

  /** What a span and all after it cost at least, wherever it starts. */
  double atLeast(RulerTable<S> t, int side) {
    return t.side[side] + least[t.span.to()][side];
  }

  private static double most(double[] values) {
    double most = values[0];
    for (double v : values) {
      most = Math.max(most, v);
    }
    return most;
  }

  /** Takes into {@code into} what a span costs from each place to the end. */
  private void back(RulerTable<S> t, int side, double[] into) {
    double[] beyond = new double[places];
    for (int q = 0; q < places; q++) {
      beyond[q] = t.end()[q] + arrived[t.span.to()][side][q];
    }
    double[] length = t.length();
    double[] middle = t.middle();
    double[] start = t.start(side);
    for (int p = 0; p < places; p++) {
      int room = side == RulerProblem.DOWN ? places - 1 - p : p;
      int from = Math.min(t.least, room);
      int to = Math.min(t.most, room);
      double best = NONE;
      if (middle != null) {
        int way = side == RulerProblem.DOWN ? 1 : -1;
        for (int l = from; l <= to; l++) {
          int q = p + way * l;
          best = Math.min(best, length[l] + middle[p + q] + beyond[q]);
        }
      } else if (side == RulerProblem.DOWN) {
        for (int l = from; l <= to; l++) {
          best = Math.min(best, length[l] + beyond[p + l]);
        }
      } else {
        for (int l = from; l <= to; l++) {
          best = Math.min(best, length[l] + beyond[p - l]);
        }
      }
      into[p] = Math.min(into[p], best + t.side[side] + start[p]);
    }
  }

  /** Least efforts at the places of a boundary by lifting from, or to, any other place. */
  double[] lifted(int layer, double[][] bySide) {
    double[] either = new double[places];
    for (int q = 0; q < places; q++) {
      either[q] = Math.min(bySide[0][q], bySide[1][q]);
    }
    return spread(either, lifts[layer]);
  }

  /**
   * Least efforts on a side of a boundary, from those on the other: by turning, going on or
   * lifting. It reads the same forwards and backwards.
   */
  double[] joined(int layer, int side, double[][] bySide, double[] lifted) {
    double turn = problem.turn(layer);
    double again = problem.again(layer);
    double[] least = new double[places];
    for (int p = 0; p < places; p++) {
      least[p] = Math.min(lifted[p], Math.min(turn + bySide[1 - side][p], again + bySide[side][p]));
    }
    return least;
  }

  /** For each place the least of all values with the price of the way there. */
  static double[] spread(double[] values, double[] byDistance) {
    double[] least = new double[values.length];
    if (byDistance[0] == NONE) {
      Arrays.fill(least, NONE);
      return least;
    }
    int[] order = inOrder(values);
    double leastWay = byDistance[least(byDistance)] - SAME;
    for (int p = 0; p < values.length; p++) {
      double best = values[p] + byDistance[0];
      for (int q : order) {
        if (values[q] + leastWay > best) {
          break; // Those behind it are no nearer to the end.
        }
        best = Math.min(best, values[q] + byDistance[Math.abs(p - q)]);
      }
      least[p] = best;
    }
    return least;
  }

  /** Indices by value, by insertion: a ruler has few places. */
  private static int[] inOrder(double[] values) {
    int[] order = new int[values.length];
    for (int i = 0; i < order.length; i++) {
      int at = i;
      while (at > 0 && values[order[at - 1]] > values[i]) {
        order[at] = order[at - 1];
        at--;
      }
      order[at] = i;
    }
    return order;
  }

  /** Least efforts at the places that a span reaches. */
  double[] slide(double[] from, RulerTable<S> t, int side) {
    double[] to = new double[places];
    Arrays.fill(to, NONE);
    int way = side == RulerProblem.DOWN ? 1 : -1;
    for (int p = 0; p < places; p++) {
      double base = from[p] + t.side[side];
      int room = side == RulerProblem.DOWN ? places - 1 - p : p;
      for (int l = Math.min(t.least, room); base < NONE && l <= Math.min(t.most, room); l++) {
        int q = p + way * l;
        to[q] = Math.min(to[q], base + t.within(side, p, q) + t.end()[q]);
      }
    }
    return to;
  }

  /** Least effort of a span on a side from given efforts at its start to the end. */
  double through(double[] from, RulerTable<S> t, int side) {
    double[] to = slide(from, t, side);
    double least = NONE;
    for (int p = 0; p < places; p++) {
      least = Math.min(least, to[p] + arrived[t.span.to()][side][p]);
    }
    return least;
  }

  /** The first of the least values. */
  static int least(double[] values) {
    int least = 0;
    for (int p = 1; p < values.length; p++) {
      least = values[p] < values[least] - SAME ? p : least;
    }
    return least;
  }
}
