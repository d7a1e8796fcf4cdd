package fret.bowing;

import fret.search.RulerProblem;
import fret.search.RulerSearch;
import fret.search.RulerSearch.Step;
import fret.search.RulerSearch.Way;
import fret.search.Token;
import fret.search.WeightRange;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The best bowings of a passage: exact on a grid of whole centimetres, then the places of the
 * answer to the millimetre within a centimetre of it.
 *
 * <p>Linear in the notes: 1,000 notes with given slurs price about four million strokes.
 */
public final class BowSolver {
  static final double GRID_CM = 1;

  private static final int MOST_TRIED = 40;

  /** Figures that are tried alike, fewer in long passages: each is a search of its own. */
  private static final int MOST_FIGURES = 6;

  private static final int ALIKE_MOMENTS = 900;

  private final BowTask task;
  private final Token token;
  private final BowProblem problem;
  private final RulerSearch<BowSpan> search;

  public BowSolver(BowTask task) {
    this(task, Token.NEVER);
  }

  public BowSolver(BowTask task, Token token) {
    this(task, token, null);
  }

  private BowSolver(BowTask task, Token token, BowSolver before) {
    this.task = task;
    this.token = token;
    this.problem = new BowProblem(task);
    if (problem.isEmpty()) {
      this.search = null;
    } else {
      this.search =
          before == null || before.search == null
              ? new RulerSearch<>(problem, GRID_CM, token)
              : before.search.near(problem, token);
    }
  }

  /** A solver of a task much like this one: what is alike is not searched again. */
  public BowSolver near(BowTask other, Token otherToken) {
    return new BowSolver(other, otherToken, this);
  }

  /**
   * The bowing of least effort; without strokes where nothing is bowed. Bars that come back are
   * bowed alike where that costs less than the wish for it: then each figure is held to the way of
   * most of its bars, one figure after the other.
   */
  public Bowing best() {
    return search == null ? unbowed() : alike(bowing(search.best().orElseThrow()));
  }

  private Bowing alike(Bowing free) {
    Bowing best = free;
    BowRules rules = task.rules();
    int tries = Math.max(1, Math.min(MOST_FIGURES, ALIKE_MOMENTS / free.moments().size()));
    Map<Integer, Double> figures =
        task.preset().weight(BowEffort.UNLIKE) > 0 ? problem.alike().otherwise(free) : Map.of();
    for (int bar : figures.keySet()) {
      if (tries > 0 && problem.alike().otherwise(best).containsKey(bar)) {
        tries--;
        BowRules held = rules.over(problem.alike().held(best, bar));
        BowSolver other = near(task.withRules(held), token);
        // Bars are not made alike at the cost of a hook that the player asked for.
        boolean keeps = other.problem.unhooked().equals(problem.unhooked());
        Optional<Bowing> found = keeps ? other.search.best().map(other::bowing) : Optional.empty();
        if (found.isPresent() && found.get().effort() < best.effort() - 1e-9) {
          best = found.get();
          rules = held;
        }
      }
    }
    return best;
  }

  /**
   * The bowing in which each return of a figure begins with the other stroke than the place before
   * it, for who wants each time another; as easy as that can be, and the best one where it cannot.
   */
  public Bowing otherwise() {
    if (search == null) {
      return unbowed();
    }
    Bowing free = bowing(search.best().orElseThrow());
    BowRules held = task.rules().over(problem.alike().turned(free, task.rules().bows().keySet()));
    BowSolver other = near(task.withRules(held), token);
    return other.search.best().map(other::bowing).orElse(free);
  }

  private Bowing unbowed() {
    return new Bowings(task, problem).of(List.of());
  }

  /** The best bowings that differ in directions, slurs or retakes, best first; at least one. */
  public List<Bowing> bestOf(int k) {
    if (search == null) {
      return List.of(unbowed());
    }
    List<Way<BowSpan>> ways = search.kBest(k, w -> true, MOST_TRIED);
    if (ways.isEmpty()) {
      throw new IllegalStateException("no bowing of " + problem.moments().size() + " moments");
    }
    return ways.stream()
        .map(this::bowing)
        .sorted(java.util.Comparator.comparingDouble(Bowing::effort))
        .toList();
  }

  /**
   * The best bowing in which a moment is played in a direction: the answer to "why not a down-bow
   * here?"; empty where a mark or a rule forbids it.
   */
  public Optional<Bowing> bestWith(int moment, boolean down) {
    int side = down ? RulerProblem.DOWN : RulerProblem.UP;
    return search == null
        ? Optional.empty()
        : search.bestThrough((layer, span, s) -> s == side && has(span, moment)).map(this::bowing);
  }

  private static boolean has(BowSpan span, int moment) {
    return span.first().slice().index() <= moment && span.last().slice().index() >= moment;
  }

  private Bowing bowing(Way<BowSpan> way) {
    List<Step<BowSpan>> steps = new FinePlaces(problem, task.bow().hairCm()).of(way.steps());
    return new Bowings(task, problem).of(steps);
  }

  /**
   * Between which weights of a kind of effort a bowing stays the best in strokes and directions.
   */
  public WeightRange weightRange(Bowing bowing, BowEffort kind, Token token) {
    BowPreset preset = task.preset();
    double weight = preset.weight(kind);
    if (weight == 0) {
      return new WeightRange(0, Double.POSITIVE_INFINITY);
    }
    return WeightRange.halving(
        weight,
        w -> {
          token.check();
          BowTask other = task.withPreset(preset.with(preset.id(), Map.of(kind, w)));
          return new BowSolver(other, token).best().hasStrokesOf(bowing);
        });
  }
}
