package fret.fingering;

import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the shifts off a chosen sequence of hands, with both schools' guide notes. */
final class ShiftFinder {
  private final ResolvedPassage passage;
  private final Instrument instrument;
  private final ShiftTerms terms;
  private final Creep creep;

  ShiftFinder(ResolvedPassage passage, HandModel hand) {
    this.passage = passage;
    this.instrument = hand.instrument();
    this.creep = new Creep(hand);
    this.terms = new ShiftTerms(instrument);
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
        found.add(shift(from, states.get(i - 1).out(), to, states.get(moves)));
      }
      if (to.handsOver()) {
        found.add(shift(to, to, to.out(), to));
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
   */
  private Shift shift(HandState from, HandState before, HandState to, HandState moves) {
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
        guide(left, left.semitone() + moved).filter(g -> !overshoots(left, g, reached)),
        guide(reached, reached.semitone() - moved),
        to.moment().slide() == 0,
        creep.is(before, to));
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

  /** On the string of the arrival, an old-finger guide beyond it would slide past the note. */
  private static boolean overshoots(
      HandState.Touch left, Shift.Guide guide, HandState.Touch reached) {
    if (left.string() != reached.string()) {
      return false;
    }
    int direction = Integer.signum(guide.semitone() - left.semitone());
    return direction > 0
        ? guide.semitone() > reached.semitone()
        : guide.semitone() < reached.semitone() && left.semitone() > reached.semitone();
  }

  private Optional<Shift.Guide> guide(HandState.Touch touch, int semitone) {
    if (semitone < 1 || semitone > instrument.highestSemitone()) {
      return Optional.empty();
    }
    double slide =
        Math.abs(instrument.mmFromNut(semitone) - instrument.mmFromNut(touch.semitone()));
    return Optional.of(
        new Shift.Guide(spell(touch, semitone), touch.finger(), touch.string(), semitone, slide));
  }

  private Pitch spell(HandState.Touch touch, int semitone) {
    var note = passage.notes().get(touch.note());
    KeySignature written = passage.score().bar(note.key().barIndex()).key();
    Interval up = passage.score().transposition();
    KeySignature key =
        up.equals(Interval.UNISON) || up.steps() % 7 == 0 ? written : KeySignature.NONE;
    return Pitch.ofMidi(instrument.open(touch.string()).midi() + semitone, key);
  }
}
