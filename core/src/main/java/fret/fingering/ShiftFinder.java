package fret.fingering;

import fret.player.HandModel;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/** Reads the shifts off a chosen sequence of hands, with both schools' guide notes. */
final class ShiftFinder {
  private final ShiftGuides guides;
  private final ShiftTerms terms;
  private final Creep creep;

  ShiftFinder(ResolvedPassage passage, HandModel hand) {
    this.guides = new ShiftGuides(passage, hand);
    this.creep = new Creep(hand);
    this.terms = new ShiftTerms(hand.instrument());
  }

  List<Shift> shifts(List<HandState> states) {
    List<Shift> found = new ArrayList<>();
    int lastStopped = -1;
    for (int i = 0; i < states.size(); i++) {
      HandState to = states.get(i);
      if (!to.isStopped()) {
        continue;
      }
      if (lastStopped >= 0 && to.isShiftFrom(states.get(i - 1).out())) {
        int moves = i - lastStopped > 1 ? lastStopped + 1 : lastStopped;
        HandState from = states.get(lastStopped).out();
        OptionalInt stood = stood(states, lastStopped, arrival(to));
        found.add(shift(from, states.get(i - 1).out(), to, states.get(moves), stood));
      }
      if (to.handsOver()) {
        found.add(shift(to, to, to.out(), to, OptionalInt.empty()));
      }
      lastStopped = i;
    }
    return found;
  }

  /**
   * A shift.
   *
   * @param from the hand with the last finger down; {@code before} the hand of the moment before,
   *     which may be an open string
   * @param moves the moment during which the hand moves
   * @param stood where the finger that arrives stood in the old hand, if it was put down there
   */
  private Shift shift(
      HandState from, HandState before, HandState to, HandState moves, OptionalInt stood) {
    HandState.Touch reached = arrival(to);
    HandState.Touch left = departure(from, reached);
    int moved = to.base() - from.base();
    return new Shift(
        left.note(),
        reached.note(),
        from.moment().slice().index(),
        to.moment().slice().index(),
        moves.moment().slice().index(),
        left.finger(),
        reached.finger(),
        left.string(),
        reached.string(),
        from.base(),
        to.base(),
        terms.travelMm(before, to),
        to.transitMs(before),
        terms.shiftBits(before, to),
        to.grip().windowMm(),
        ShiftPlace.cover(before, to).words(),
        guides.old(stop(left), stop(reached), to.base(), moved),
        guides.coming(stop(reached), from.base(), moved, stood),
        to.moment().slide() == 0,
        creep.is(before, to));
  }

  /** The last place of a finger on the string of its arrival, as long as the hand stood there. */
  private static OptionalInt stood(List<HandState> states, int last, HandState.Touch reached) {
    for (int i = last; i >= 0; i--) {
      HandState s = states.get(i);
      boolean same = !s.isStopped() || s.out().base() == states.get(last).out().base();
      if (!same) {
        return OptionalInt.empty();
      }
      for (HandState.Touch t : s.out().touches()) {
        if (t.finger() == reached.finger() && t.string() == reached.string() && !t.isOpen()) {
          return OptionalInt.of(t.semitone());
        }
      }
    }
    return OptionalInt.empty();
  }

  /** The guide of a double stop is the lowest finger that arrives. */
  private static HandState.Touch arrival(HandState to) {
    return to.touches().stream()
        .filter(t -> !t.isOpen() && !t.held())
        .findFirst()
        .orElseGet(() -> to.touches().stream().filter(t -> !t.isOpen()).findFirst().orElseThrow());
  }

  private static HandState.Touch departure(HandState from, HandState.Touch reached) {
    List<HandState.Touch> stopped = from.touches().stream().filter(t -> !t.isOpen()).toList();
    return stopped.stream()
        .filter(t -> t.finger() == reached.finger())
        .findFirst()
        .orElse(stopped.get(0));
  }

  private static ShiftGuides.Stop stop(HandState.Touch t) {
    return new ShiftGuides.Stop(t.note(), t.string(), t.finger(), t.semitone());
  }
}
