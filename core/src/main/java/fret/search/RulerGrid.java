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
    Map<Object, double[]> known = new HashMap<>();
    Map<Object, double[]> knownLifts = new HashMap<>();
    for (int layer = 0; layer < layers; layer++) {
      tables.add(layer < layers - 1 ? tables(layer, must, known) : List.of());
      int at = layer;
      lifts[layer] =
          problem
              .liftKey(layer)
              .map(key -> knownLifts.computeIfAbsent(key, k -> lifts(at)))
              .orElseGet(() -> lifts(at));
    }
    fillBackward();
  }

  private double[] lifts(int layer) {
    double[] byDistance = new double[places];
    for (int d = 0; d < places; d++) {
      byDistance[d] = problem.lift(layer, d * step);
    }
    return byDistance;
  }

  private List<RulerTable<S>> tables(int layer, Must<S> must, Map<Object, double[]> known) {
    List<RulerTable<S>> here = new ArrayList<>();
    for (S span : problem.spans(layer)) {
      if (must == null || must.allows(layer, span)) {
        here.add(new RulerTable<>(span, step, places, known));
      }
    }
    if (must != null && must.layer() == layer) {
      here.get(0).side[1 - must.side()] = NONE;
    }
    return here;
  }

  private void fillBackward() {
    for (int layer = layers - 2; layer >= 0; layer--) {
      token.check();
      for (int side = 0; side < 2; side++) {
        Arrays.fill(ready[layer][side], NONE);
        for (RulerTable<S> t : tables.get(layer)) {
          if (atLeast(t, side) < most(ready[layer][side])) {
            back(t, side, ready[layer][side]);
          }
        }
      }
      if (layer > 0) {
        double[] lifted = lifted(layer, ready[layer]);
        for (int side = 0; side < 2; side++) {
          arrived[layer][side] = joined(layer, side, ready[layer], lifted);
          least[layer][side] = Arrays.stream(arrived[layer][side]).min().orElse(0);
        }
      }
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
