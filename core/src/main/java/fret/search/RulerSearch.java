package fret.search;

import static fret.search.RulerGrid.NONE;
import static fret.search.RulerGrid.SAME;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Exact search of a {@link RulerProblem} on a grid of places, from any place to any place.
 *
 * <p>With n boundaries, g places and s spans a boundary: time O(n s g²), memory O(n g). Of equally
 * good ways the one is taken that begins {@link RulerProblem#DOWN}, turns before it goes on, goes
 * on before it is lifted, and starts nearer to the beginning of the ruler.
 *
 * @param <S> a span
 */
public final class RulerSearch<S extends RulerProblem.Span> {
  /** What happens at the boundary before a step. */
  public enum Join {
    TURN,
    AGAIN,
    LIFT
  }

  /** One span with its side and places. */
  public record Step<S>(int layer, S span, int side, Join join, double start, double end) {
    public double length() {
      return Math.abs(end - start);
    }
  }

  /** One way over the whole ruler. */
  public record Way<S>(List<Step<S>> steps, double effort) {
    public Way {
      steps = List.copyOf(steps);
    }
  }

  private final RulerGrid<S> grid;

  /** Least effort from the beginning to each place from which a span of a side can start. */
  private double[][][] forward;

  /**
   * @param step distance of the places, above 0
   * @param token asked at every boundary
   */
  public RulerSearch(RulerProblem<S> problem, double step, Token token) {
    this(new RulerGrid<>(problem, step, token, null));
  }

  private RulerSearch(RulerGrid<S> grid) {
    this.grid = grid;
  }

  /** The search of another problem of which much is like this one: that is not priced again. */
  public RulerSearch<S> near(RulerProblem<S> other, Token token) {
    return new RulerSearch<>(grid.near(other, token));
  }

  /** The way of least effort; empty if there is none. */
  public Optional<Way<S>> best() {
    int side =
        grid.ready[0][1][RulerGrid.least(grid.ready[0][1])]
                < grid.ready[0][0][RulerGrid.least(grid.ready[0][0])] - SAME
            ? 1
            : 0;
    int at = RulerGrid.least(grid.ready[0][side]);
    double effort = grid.ready[0][side][at];
    if (grid.layers < 2 || effort == NONE) {
      return Optional.empty();
    }
    List<Step<S>> steps = new ArrayList<>();
    Join join = Join.TURN;
    int layer = 0;
    while (layer < grid.layers - 1) {
      Step<S> next = onward(layer, side, join, at);
      steps.add(next);
      layer = next.span().to();
      at = (int) Math.round(next.end() / grid.step);
      if (layer < grid.layers - 1) {
        join = joinFrom(layer, side, at);
        at = join == Join.LIFT ? liftedTo(layer, at) : at;
        side = sideFrom(layer, side, join, at);
      }
    }
    return Optional.of(new Way<>(steps, effort));
  }

  /** The step that begins the best way from a place. */
  private Step<S> onward(int layer, int side, Join join, int start) {
    Step<S> best = onward(layer, side, join, start, grid.ready[layer][side][start] + SAME);
    return best != null ? best : onward(layer, side, join, start, NONE);
  }

  /**
   * @param goal spans that cost more by themselves are not looked at
   */
  private Step<S> onward(int layer, int side, Join join, int start, double goal) {
    int way = side == RulerProblem.DOWN ? 1 : -1;
    int room = side == RulerProblem.DOWN ? grid.places - 1 - start : start;
    double least = NONE;
    Step<S> best = null;
    for (RulerTable<S> t : grid.tables.get(layer)) {
      if (grid.atLeast(t, side) > goal) {
        continue;
      }
      for (int l = Math.min(t.least, room); l <= Math.min(t.most, room); l++) {
        int q = start + way * l;
        double sum =
            t.side[side]
                + t.within(side, start, q)
                + t.end()[q]
                + grid.arrived[t.span.to()][side][q];
        if (sum < least - SAME) {
          least = sum;
          best = new Step<>(layer, t.span, side, join, start * grid.step, q * grid.step);
        }
      }
    }
    return best;
  }

  private Join joinFrom(int layer, int side, int at) {
    double goal = grid.arrived[layer][side][at] + SAME;
    if (grid.problem.turn(layer) + grid.ready[layer][1 - side][at] <= goal) {
      return Join.TURN;
    }
    return grid.problem.again(layer) + grid.ready[layer][side][at] <= goal ? Join.AGAIN : Join.LIFT;
  }

  private int liftedTo(int layer, int at) {
    double least = NONE;
    int best = at;
    for (int q = 0; q < grid.places; q++) {
      double sum =
          Math.min(grid.ready[layer][0][q], grid.ready[layer][1][q])
              + grid.lifts[layer][Math.abs(at - q)];
      if (sum < least - SAME) {
        least = sum;
        best = q;
      }
    }
    return best;
  }

  private int sideFrom(int layer, int side, Join join, int at) {
    return switch (join) {
      case TURN -> 1 - side;
      case AGAIN -> side;
      case LIFT -> grid.ready[layer][1][at] < grid.ready[layer][0][at] - SAME ? 1 : 0;
    };
  }

  /**
   * The {@code k} best ways that differ in spans, sides or joins, best first; each is the best of
   * its classes. Exact on the grid, by splitting on the first class that differs (E. L. Lawler
   * 1972).
   *
   * @param keep asked of each way in turn; only those that pass count towards k
   * @param mostTried stops after this many, passed or not
   */
  public List<Way<S>> kBest(int k, Predicate<Way<S>> keep, int mostTried) {
    return new RulerClasses<>(grid).best(k, keep, mostTried);
  }

  /** Which steps are asked for. */
  @FunctionalInterface
  public interface Admit<S> {
    boolean test(int layer, S span, int side);
  }

  /**
   * The way of least effort that takes a step which passes a test: the answer to "why not so?".
   *
   * @param admit asked of boundary, span and side
   */
  public Optional<Way<S>> bestThrough(Admit<S> admit) {
    if (forward == null) {
      forward = forward();
    }
    double least = NONE;
    RulerGrid.Must<S> found = null;
    for (int layer = 0; layer < grid.layers - 1; layer++) {
      for (RulerTable<S> t : grid.tables.get(layer)) {
        for (int side = 0; side < 2; side++) {
          if (t.side[side] < NONE && admit.test(layer, t.span, side)) {
            double sum = grid.through(forward[layer][side], t, side);
            if (sum < least - SAME) {
              least = sum;
              found = new RulerGrid.Must<>(layer, t.span, side);
            }
          }
        }
      }
    }
    return Optional.ofNullable(found)
        .flatMap(
            m -> new RulerSearch<>(new RulerGrid<>(grid.problem, grid.step, grid.token, m)).best());
  }

  private double[][][] forward() {
    double[][][] from = new double[grid.layers][2][grid.places];
    double[][][] reached = new double[grid.layers][2][grid.places];
    for (double[][] bySide : reached) {
      Arrays.fill(bySide[0], NONE);
      Arrays.fill(bySide[1], NONE);
    }
    for (int layer = 0; layer < grid.layers - 1; layer++) {
      if (layer > 0) {
        double[] lifted = grid.lifted(layer, reached[layer]);
        from[layer][0] = grid.joined(layer, 0, reached[layer], lifted);
        from[layer][1] = grid.joined(layer, 1, reached[layer], lifted);
      }
      for (int side = 0; side < 2; side++) {
        for (RulerTable<S> t : grid.tables.get(layer)) {
          if (t.side[side] < NONE) {
            keepLeast(reached[t.span.to()][side], grid.slide(from[layer][side], t, side));
          }
        }
      }
    }
    return from;
  }

  private static void keepLeast(double[] into, double[] other) {
    for (int p = 0; p < into.length; p++) {
      into[p] = Math.min(into[p], other[p]);
    }
  }
}
