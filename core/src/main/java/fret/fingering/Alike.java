package fret.fingering;

import fret.instrument.Finger;
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
  /** What one more place with the known fingering is usually worth (from memory). */
  static final double PRICE = 0.5;

  /** What it is worth where the player wants figures alike. */
  static final double WANTED = 1000;

  /** Another string in a swing is a stumble: so much more is paid for the same (from memory). */
  private static final double SWING = 3;

  private static final int AROUND = 3;

  /** Of so many places one may differ. */
  private static final int EACH_MAY_DIFFER = 4;

  private final LayeredProblem<HandState> problem;
  private final LayeredSearch<HandState> search;
  private final List<HandState> states;
  private final double price;
  private int alike;

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

  /** How many figures are fingered alike wherever they come. */
  int alike() {
    return alike;
  }

  /**
   * Unifies one figure.
   *
   * @param figure by the layers at which it starts; its layers follow each other
   */
  void unify(Figures.Figure figure) {
    Set<List<List<Press>>> patterns = new LinkedHashSet<>();
    figure.starts().forEach(s -> patterns.add(pattern(figure, s)));
    boolean unified = patterns.size() == 1 || unify(figure, patterns);
    // A swing that goes on is no figure that comes back.
    alike += unified && !figure.swing() ? 1 : 0;
  }

  private boolean unify(Figures.Figure figure, Set<List<List<Press>>> patterns) {
    List<HandState> before = List.copyOf(states);
    List<HandState> best = null;
    double least = Double.POSITIVE_INFINITY;
    for (List<List<Press>> pattern : price >= WANTED ? patterns : ofMost(figure, patterns)) {
      Optional<Double> extra = impose(pattern, figure);
      if (extra.isPresent() && extra.get() < least) {
        least = extra.get();
        best = List.copyOf(states);
      }
      restore(before);
    }
    if (best == null || least > 1e-9) {
      return false;
    }
    restore(best);
    return true;
  }

  /** The ways in which most places of a figure are played. */
  private List<List<List<Press>>> ofMost(Figures.Figure figure, Set<List<List<Press>>> patterns) {
    Map<List<List<Press>>, Integer> count = new HashMap<>();
    figure.starts().forEach(s -> count.merge(pattern(figure, s), 1, Integer::sum));
    int most = Collections.max(count.values());
    return patterns.stream().filter(p -> count.get(p) == most).toList();
  }

  private void restore(List<HandState> other) {
    for (int i = 0; i < other.size(); i++) {
      states.set(i, other.get(i));
    }
  }

  /** Extra effort less the price that is paid for likeness; empty where it cannot be. */
  private Optional<Double> impose(List<List<Press>> pattern, Figures.Figure figure) {
    int mayDiffer = figure.starts().size() / EACH_MAY_DIFFER;
    Set<Integer> differ = new HashSet<>();
    double sum = 0;
    for (int start : figure.starts()) {
      if (!pattern(figure, start).equals(pattern)) {
        List<HandState> before = List.copyOf(states);
        boolean stumbles =
            figure.swing() && !strings(pattern(figure, start)).equals(strings(pattern));
        double worth = price * (stumbles ? SWING : 1);
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
      List<List<Press>> pattern, Figures.Figure figure, int start, Set<Integer> differ) {
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
                .allMatch(s -> one(state, figure.samePitch()).equals(pattern.get(layer - s)));
    Optional<Path<HandState>> way =
        search.bestWithin(
            from,
            to,
            from == 0 ? null : states.get(from - 1),
            to + 1 == states.size() ? null : states.get(to + 1),
            admit);
    if (way.isEmpty()) {
      return Optional.empty();
    }
    for (int i = 0; i < way.get().states().size(); i++) {
      states.set(from + i, way.get().states().get(i));
    }
    return pattern(figure, start).equals(pattern)
        ? Optional.of(effort(from, to) - now)
        : Optional.empty();
  }

  /** An open string carries the hand, and some notes carry their past: they must be free. */
  private static boolean follows(HandState state) {
    return !state.isStopped() || state.moment().remembers();
  }

  private double effort(int from, int to) {
    double sum = 0;
    for (int i = from; i <= Math.min(to + 1, states.size() - 1); i++) {
      sum += problem.moveEffort(i == 0 ? null : states.get(i - 1), states.get(i));
      sum += i <= to ? problem.ownEffort(states.get(i)) : 0;
    }
    return sum;
  }

  private List<List<Press>> pattern(Figures.Figure figure, int start) {
    List<List<Press>> pattern = new ArrayList<>();
    for (int i = start; i < start + figure.length(); i++) {
      pattern.add(one(states.get(i), figure.samePitch()));
    }
    return pattern;
  }

  /** What is the same in two places: the fingers, and at the same pitch the strings too. */
  private static List<Press> one(HandState state, boolean samePitch) {
    List<Press> form = new ArrayList<>();
    for (HandState.Touch t : state.touches()) {
      if (!t.held()) {
        Finger after = state.handsOver() ? state.out().lead().finger() : t.finger();
        form.add(new Press(t.finger(), after, t.harmonic(), samePitch ? t.string() : 0));
      }
    }
    return form;
  }

  private static List<Integer> strings(List<List<Press>> pattern) {
    return pattern.stream().flatMap(List::stream).map(Press::string).toList();
  }

  /**
   * How a finger plays a note of a figure.
   *
   * @param after the finger that takes the note over, or the same
   * @param string 0 where the figure comes at other pitches
   */
  private record Press(Finger finger, Finger after, boolean harmonic, int string) {}
}
