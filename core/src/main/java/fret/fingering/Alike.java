package fret.fingering;

import fret.search.LayeredProblem;
import fret.search.LayeredSearch;
import fret.search.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;

/**
 * Fingers figures that come back alike: each figure takes over the way of most of its places, where
 * that costs no more than its price for each place that changes. Of four places or more a few may
 * differ where what is around them does: one odd place does not drag the others along. Around a
 * changed place a few notes may move along; all else stays.
 */
final class Alike {
  /** What it is worth where the player wants figures alike. */
  static final double WANTED = 1000;

  private static final int AROUND = 3;

  /** Of so many places one may differ. */
  private static final int EACH_MAY_DIFFER = 4;

  private final LayeredProblem<HandState> problem;
  private final LayeredSearch<HandState> search;
  private final List<HandState> states;
  private final double price;

  /**
   * @param price effort that one more place with the known fingering is worth
   */
  Alike(
      LayeredProblem<HandState> problem,
      LayeredSearch<HandState> search,
      Path<HandState> free,
      double price) {
    this.price = price;
    this.problem = problem;
    this.search = search;
    this.states = new ArrayList<>(free.states());
  }

  List<HandState> states() {
    return List.copyOf(states);
  }

  /**
   * Unifies one figure.
   *
   * @param figure by the layers at which it starts; its layers follow each other
   */
  void unify(Figures.Figure figure) {
    Set<FigureWay> patterns = new LinkedHashSet<>();
    figure.starts().forEach(s -> patterns.add(FigureWay.of(states, figure, s)));
    if (patterns.size() > 1) {
      unify(figure, patterns);
    }
  }

  private void unify(Figures.Figure figure, Set<FigureWay> patterns) {
    List<HandState> before = List.copyOf(states);
    List<HandState> best = null;
    double least = Double.POSITIVE_INFINITY;
    for (FigureWay pattern : price >= WANTED ? patterns : ofMost(figure, patterns)) {
      Optional<Double> extra = impose(pattern, figure);
      if (extra.isPresent() && extra.get() < least) {
        least = extra.get();
        best = List.copyOf(states);
      }
      restore(before);
    }
    if (best != null && least <= 1e-9) {
      restore(best);
    }
  }

  /** The ways in which most places of a figure are played. */
  private List<FigureWay> ofMost(Figures.Figure figure, Set<FigureWay> patterns) {
    Map<FigureWay, Integer> count = new HashMap<>();
    figure.starts().forEach(s -> count.merge(FigureWay.of(states, figure, s), 1, Integer::sum));
    int most = Collections.max(count.values());
    return patterns.stream().filter(p -> count.get(p) == most).toList();
  }

  private void restore(List<HandState> other) {
    for (int i = 0; i < other.size(); i++) {
      states.set(i, other.get(i));
    }
  }

  /** Extra effort less the price that is paid for likeness; empty where it cannot be. */
  private Optional<Double> impose(FigureWay pattern, Figures.Figure figure) {
    int mayDiffer = figure.starts().size() / EACH_MAY_DIFFER;
    Set<Integer> differ = new HashSet<>();
    double sum = 0;
    for (int start : figure.starts()) {
      if (!FigureWay.of(states, figure, start).equals(pattern)) {
        List<HandState> before = List.copyOf(states);
        boolean stumbles =
            UnlikeFigures.amount(figure, FigureWay.of(states, figure, start), pattern) > 1;
        double worth = price * (stumbles ? UnlikeFigures.SWING : 1);
        Optional<Double> extra = imposeAt(pattern, figure, start, differ);
        if (extra.isPresent() && (extra.get() <= worth || stumbles || mayDiffer == 0)) {
          sum += extra.get() - worth;
        } else {
          restore(before);
          differ.add(start);
        }
      }
      if (differ.size() > mayDiffer) {
        return Optional.empty();
      }
    }
    return Optional.of(sum);
  }

  /** What one place costs more with the pattern of others; empty where it cannot be played so. */
  private Optional<Double> imposeAt(
      FigureWay pattern, Figures.Figure figure, int start, Set<Integer> differ) {
    int length = figure.length();
    int from = Math.max(0, start - AROUND);
    int to = Math.min(states.size() - 1, start + length - 1 + AROUND);
    while (to + 1 < states.size() && follows(states.get(to + 1))) {
      to++;
    }
    double now = effort(from, to);
    // Places that follow each other closely are in each other's way: all keep the pattern.
    BiPredicate<Integer, HandState> admit =
        (layer, state) ->
            figure.starts().stream()
                .filter(s -> layer >= s && layer < s + length && !differ.contains(s))
                .allMatch(
                    s ->
                        FigureWay.of(state, figure.samePitch())
                            .equals(pattern.presses().get(layer - s)));
    Optional<Path<HandState>> way = within(from, to, admit);
    if (way.isEmpty()) {
      return Optional.empty();
    }
    take(from, way.get());
    return FigureWay.of(states, figure, start).equals(pattern)
        ? Optional.of(effort(from, to) - now)
        : Optional.empty();
  }

  /** An open string carries the hand, and some notes carry their past: they must be free. */
  private static boolean follows(HandState state) {
    return !state.isStopped() || state.moment().remembers();
  }

  /**
   * Fingers each return of a figure otherwise than the place before it, as easily as that can be;
   * where it cannot, it stays.
   */
  void vary(Figures.Figure figure) {
    for (int i = 1; i < figure.starts().size() && !figure.swing(); i++) {
      FigureWay before = FigureWay.of(states, figure, figure.starts().get(i - 1));
      int start = figure.starts().get(i);
      if (FigureWay.of(states, figure, start).equals(before)) {
        otherwise(figure, start, before);
      }
    }
  }

  /** Of the ways with another press at one moment the easiest. */
  private void otherwise(Figures.Figure figure, int start, FigureWay before) {
    int to = Math.min(states.size() - 1, start + figure.length() - 1 + AROUND);
    while (to + 1 < states.size() && follows(states.get(to + 1))) {
      to++;
    }
    List<HandState> now = List.copyOf(states);
    List<HandState> best = now;
    double least = Double.POSITIVE_INFINITY;
    for (int k = 0; k < figure.length(); k++) {
      int changed = start + k;
      List<FigureWay.Press> press = before.presses().get(k);
      Optional<Path<HandState>> way =
          within(
              start,
              to,
              (layer, state) ->
                  layer != changed || !FigureWay.of(state, figure.samePitch()).equals(press));
      if (way.isPresent()) {
        take(start, way.get());
        double effort = effort(start, to);
        if (effort < least) {
          least = effort;
          best = List.copyOf(states);
        }
        restore(now);
      }
    }
    restore(best);
  }

  private Optional<Path<HandState>> within(
      int from, int to, BiPredicate<Integer, HandState> admit) {
    return search.bestWithin(
        from,
        to,
        from == 0 ? null : states.get(from - 1),
        to + 1 == states.size() ? null : states.get(to + 1),
        admit);
  }

  private void take(int from, Path<HandState> way) {
    for (int i = 0; i < way.states().size(); i++) {
      states.set(from + i, way.states().get(i));
    }
  }

  private double effort(int from, int to) {
    double sum = 0;
    for (int i = from; i <= Math.min(to + 1, states.size() - 1); i++) {
      sum += problem.moveEffort(i == 0 ? null : states.get(i - 1), states.get(i));
      sum += i <= to ? problem.ownEffort(states.get(i)) : 0;
    }
    return sum;
  }
}
