package fret.search;

import static fret.search.RulerGrid.NONE;
import static fret.search.RulerGrid.SAME;

import fret.search.RulerSearch.Join;
import fret.search.RulerSearch.Step;
import fret.search.RulerSearch.Way;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The best ways that differ in the classes of their steps, by splitting on the first that differs.
 */
final class RulerClasses<S extends RulerProblem.Span> {
  private static final Join[] JOINS = Join.values();

  /** Where all joins are one class it goes by the name of the lift. */
  private static final Join[] FREE = {Join.LIFT};

  private final RulerGrid<S> grid;

  RulerClasses(RulerGrid<S> grid) {
    this.grid = grid;
  }

  /** A class of steps: what is told apart of them. */
  private record Kind<S extends RulerProblem.Span>(RulerTable<S> table, int side, Join join) {}

  /** Every place where a way of given classes can be, with its least effort. */
  private record Front(int layer, int side, double[] efforts) {}

  private record Begun<S extends RulerProblem.Span>(Begun<S> before, Kind<S> kind, Front front) {}

  private record Candidate<S extends RulerProblem.Span>(
      Begun<S> begun, Set<Kind<S>> banned, Kind<S> next, double total) {}

  private record Choice<S extends RulerProblem.Span>(Kind<S> kind, double total) {}

  List<Way<S>> best(int k, Predicate<Way<S>> keep, int mostTried) {
    PriorityQueue<Candidate<S>> open =
        new PriorityQueue<>(Comparator.comparingDouble(Candidate::total));
    Begun<S> start = new Begun<>(null, null, new Front(0, -1, new double[grid.places]));
    push(open, start, Set.of());
    List<Way<S>> found = new ArrayList<>();
    for (int tried = 0; tried < mostTried && found.size() < k && !open.isEmpty(); tried++) {
      grid.token.check();
      Way<S> way = way(complete(open.poll(), open));
      if (keep.test(way)) {
        found.add(way);
      }
    }
    return found;
  }

  private void push(PriorityQueue<Candidate<S>> open, Begun<S> begun, Set<Kind<S>> banned) {
    choose(begun.front(), banned)
        .ifPresent(c -> open.add(new Candidate<>(begun, banned, c.kind(), c.total())));
  }

  /** Follows a candidate to its end; what else could have been chosen on the way is opened. */
  private Begun<S> complete(Candidate<S> c, PriorityQueue<Candidate<S>> open) {
    Set<Kind<S>> without = new HashSet<>(c.banned());
    without.add(c.next());
    push(open, c.begun(), without);
    Begun<S> at = next(c.begun(), c.next());
    while (at.front().layer() < grid.layers - 1) {
      Kind<S> kind = choose(at.front(), Set.of()).orElseThrow().kind();
      push(open, at, Set.of(kind));
      at = next(at, kind);
    }
    return at;
  }

  private Begun<S> next(Begun<S> begun, Kind<S> kind) {
    double[] to = grid.slide(starts(begun.front(), kind), kind.table(), kind.side());
    return new Begun<>(begun, kind, new Front(kind.table().span.to(), kind.side(), to));
  }

  /** The best class of the next grid.step that is not banned. */
  private Optional<Choice<S>> choose(Front front, Set<Kind<S>> banned) {
    Choice<S> best = null;
    boolean free = front.layer() > 0 && grid.problem.isFree(front.layer());
    for (Join join : free ? FREE : JOINS) {
      for (int side = 0; side < 2; side++) {
        double[] from = free ? free(front, side) : from(front, join, side);
        if (from != null) {
          for (RulerTable<S> t : grid.tables.get(front.layer())) {
            best = better(best, new Kind<>(t, side, join), from, banned);
          }
        }
      }
    }
    return Optional.ofNullable(best);
  }

  private Choice<S> better(Choice<S> best, Kind<S> kind, double[] from, Set<Kind<S>> banned) {
    if (kind.table().side[kind.side()] == NONE || banned.contains(kind)) {
      return best;
    }
    double bound = Arrays.stream(from).min().orElse(NONE) + grid.atLeast(kind.table(), kind.side());
    if (best != null && bound >= best.total() - SAME) {
      return best;
    }
    double least = grid.through(from, kind.table(), kind.side());
    boolean improves = least < NONE && (best == null || least < best.total() - SAME);
    return improves ? new Choice<>(kind, least) : best;
  }

  /**
   * Efforts at the grid.places from which a grid.step can start; null where the join is not
   * allowed.
   */
  private double[] from(Front front, Join join, int side) {
    if (front.layer() == 0) {
      return join == Join.TURN ? front.efforts() : null;
    }
    return switch (join) {
      case TURN -> moved(front, grid.problem.turn(front.layer()), front.side() != side);
      case AGAIN -> moved(front, grid.problem.again(front.layer()), front.side() == side);
      case LIFT ->
          grid.lifts[front.layer()][0] == NONE
              ? null
              : RulerGrid.spread(front.efforts(), grid.lifts[front.layer()]);
    };
  }

  private double[] starts(Front front, Kind<S> kind) {
    return front.layer() > 0 && grid.problem.isFree(front.layer())
        ? free(front, kind.side())
        : from(front, kind.join(), kind.side());
  }

  /** The least of all joins. */
  private double[] free(Front front, int side) {
    double[] least = new double[grid.places];
    Arrays.fill(least, NONE);
    for (Join join : JOINS) {
      double[] from = from(front, join, side);
      for (int p = 0; from != null && p < grid.places; p++) {
        least[p] = Math.min(least[p], from[p]);
      }
    }
    return least;
  }

  /** The join by which a grid.step of a free boundary starts at a place. */
  private Join joinAt(Front front, Kind<S> kind, int start) {
    if (front.layer() == 0 || !grid.problem.isFree(front.layer())) {
      return kind.join();
    }
    Join best = Join.LIFT;
    double least = NONE;
    for (Join join : JOINS) {
      double[] from = from(front, join, kind.side());
      if (from != null && from[start] < least - SAME) {
        least = from[start];
        best = join;
      }
    }
    return best;
  }

  private static double[] moved(Front front, double price, boolean allowed) {
    if (!allowed || price == NONE) {
      return null;
    }
    double[] moved = front.efforts().clone();
    for (int p = 0; p < moved.length; p++) {
      moved[p] += price;
    }
    return moved;
  }

  /** The grid.places of a way of given classes. */
  private Way<S> way(Begun<S> last) {
    List<Step<S>> steps = new ArrayList<>();
    int at = RulerGrid.least(last.front().efforts());
    for (Begun<S> b = last; b.before() != null; b = b.before()) {
      Front front = b.before().front();
      Kind<S> kind = b.kind();
      int start = startOf(starts(front, kind), kind, at);
      Join join = joinAt(front, kind, start);
      steps.add(
          new Step<>(
              front.layer(),
              kind.table().span,
              kind.side(),
              join,
              start * grid.step,
              at * grid.step));
      at = join == Join.LIFT ? liftedFrom(front, start) : start;
    }
    Collections.reverse(steps);
    return new Way<>(steps, Arrays.stream(last.front().efforts()).min().orElse(NONE));
  }

  private int startOf(double[] from, Kind<S> kind, int end) {
    RulerTable<S> t = kind.table();
    int way = kind.side() == RulerProblem.DOWN ? 1 : -1;
    int best = -1;
    double least = NONE;
    for (int p = 0; p < grid.places; p++) {
      int length = (end - p) * way;
      int room = kind.side() == RulerProblem.DOWN ? grid.places - 1 - p : p;
      if (length >= Math.min(t.least, room) && length <= t.most) {
        double sum = from[p] + t.within(kind.side(), p, end);
        if (sum < least - SAME) {
          least = sum;
          best = p;
        }
      }
    }
    return best;
  }

  private int liftedFrom(Front front, int start) {
    int best = -1;
    double least = NONE;
    for (int q = 0; q < grid.places; q++) {
      double sum = front.efforts()[q] + grid.lifts[front.layer()][Math.abs(start - q)];
      if (sum < least - SAME) {
        least = sum;
        best = q;
      }
    }
    return best;
  }
}
