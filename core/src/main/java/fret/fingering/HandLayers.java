package fret.fingering;

import fret.base.Problem;
import fret.score.Slice;
import fret.search.LayeredProblem;
import fret.search.LayeredSearch;
import fret.search.Token;
import fret.search.Weighted;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * The hands of every moment that can be played, joined so that there is a way through all of them.
 * What cannot be played, and what cannot be kept of the player's decisions, is told and left out.
 */
final class HandLayers {
  private final FingeringTask task;
  private final int fromSlice;
  private final int toSlice;
  private final Token token;
  private final Obstacles obstacles;
  private final List<TimedSlice> timed;
  private final List<Problem> problems = new ArrayList<>();
  private final List<List<HandState>> layers = new ArrayList<>();
  private final List<Integer> layerOfSlice = new ArrayList<>();
  private final Set<Integer> still;
  private final Set<Integer> released = new TreeSet<>();
  private LayeredProblem<HandState> problem;
  private LayeredSearch<HandState> search;

  /** Only the moments from one to another; {@code -1} stands for the layers of all others. */
  HandLayers(
      FingeringTask task,
      List<Weighted<HandState>> terms,
      int fromSlice,
      int toSlice,
      Token token) {
    this.task = task;
    this.fromSlice = fromSlice;
    this.toSlice = toSlice;
    this.token = token;
    this.obstacles = new Obstacles(task);
    this.timed = Timing.of(task.passage(), task.tempo(), task.wishes());
    this.still = new TreeSet<>(task.wishes().still());
    buildLayers();
    connect(terms);
  }

  List<List<HandState>> layers() {
    return layers;
  }

  List<TimedSlice> timed() {
    return timed;
  }

  List<Problem> problems() {
    return problems;
  }

  /** Index of each slice's layer; -1 where it cannot be played. */
  List<Integer> layerOfSlice() {
    return layerOfSlice;
  }

  int layerOfNote(int note) {
    return layerOfSlice.get(task.passage().notes().get(note).slice());
  }

  LayeredProblem<HandState> problem() {
    return problem;
  }

  LayeredSearch<HandState> search() {
    return search;
  }

  /** The same choices, weighed otherwise. */
  LayeredProblem<HandState> weighed(List<Weighted<HandState>> terms) {
    return new LayeredProblem<>(
        layers,
        terms,
        new HandRules(task.hand(), released, still)::mayFollow,
        new LeastMove(task.hand(), terms));
  }

  private void buildLayers() {
    HandStates states = new HandStates(task);
    List<HandState> before = List.of();
    for (TimedSlice moment : timed) {
      token.check();
      if (moment.slice().index() < fromSlice || moment.slice().index() > toSlice) {
        layerOfSlice.add(-1);
        continue;
      }
      List<HandState> here = heeding(states, moment, before);
      if (here.isEmpty()) {
        problems.add(obstacles.unplayable(moment.slice()));
        layerOfSlice.add(-1);
      } else {
        layerOfSlice.add(layers.size());
        layers.add(here);
        before = here;
      }
    }
  }

  /** The hands of a moment; decisions that cannot be kept are named, the player's pins last. */
  private List<HandState> heeding(HandStates states, TimedSlice moment, List<HandState> before) {
    List<HandState> here = states.at(moment, before, HandStates.Heed.ALL);
    boolean stretch = concerns(task.wishes().stretches(), moment.slice());
    if (here.isEmpty() && stretch) {
      here = states.at(moment, before, HandStates.Heed.PINS);
      if (!here.isEmpty()) {
        problems.add(obstacles.againstStretch(moment.slice()));
      }
    }
    boolean pin =
        concerns(task.rules(), moment.slice())
            || moment.slice().starting().stream().anyMatch(task.fixed()::containsKey);
    if (here.isEmpty() && (pin || stretch)) {
      here = states.at(moment, before, HandStates.Heed.NOTHING);
      if (!here.isEmpty()) {
        problems.add(obstacles.againstPin(moment.slice()));
      }
    }
    return here;
  }

  /**
   * Lets the hand move where it cannot stay, and lets go of held notes where they cannot be kept,
   * so that the rest can be played.
   */
  private void connect(List<Weighted<HandState>> terms) {
    problem = weighed(terms);
    search = new LayeredSearch<>(problem, token);
    int reached = search.reachableLayers();
    while (reached < layers.size()) {
      Slice slice = layers.get(reached).get(0).moment().slice();
      if (still.remove(slice.index())) {
        problems.add(obstacles.handCannotStay(slice));
      } else if (released.add(slice.index())) {
        problems.add(obstacles.cannotBeHeld(slice));
      } else {
        throw new IllegalStateException("no way into bar " + obstacles.bar(slice));
      }
      problem = weighed(terms);
      search = search.goingOn(problem, reached);
      reached = search.reachableLayers();
    }
  }

  private static boolean concerns(List<NoteRule> rules, Slice slice) {
    return rules.stream()
        .anyMatch(r -> slice.starting().contains(r.note()) || slice.held().contains(r.note()));
  }
}
