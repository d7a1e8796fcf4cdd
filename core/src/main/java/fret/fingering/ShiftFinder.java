package fret.fingering;

import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads the shifts off a chosen sequence of hands, with both schools' guide notes. */
final class ShiftFinder {
  private final ResolvedPassage passage;
  private final Instrument instrument;
  private final Terms terms;

  ShiftFinder(ResolvedPassage passage, Instrument instrument) {
    this.passage = passage;
    this.instrument = instrument;
    this.terms = new Terms(instrument);
  }

  List<Shift> shifts(List<HandState> states) {
    List<Shift> found = new ArrayList<>();
    int lastStopped = -1;
    for (int i = 0; i < states.size(); i++) {
      HandState to = states.get(i);
      if (!to.isStopped()) {
        continue;
      }
      if (lastStopped >= 0 && to.isShiftFrom(states.get(i - 1))) {
        found.add(shift(states, lastStopped, i));
      }
      lastStopped = i;
    }
    return found;
  }

  private Shift shift(List<HandState> states, int fromIndex, int toIndex) {
    HandState from = states.get(fromIndex);
    HandState before = states.get(toIndex - 1);
    HandState to = states.get(toIndex);
    HandState.Touch reached = arrival(to);
    HandState.Touch left = departure(from, reached);
    int moved = to.base() - from.base();
    boolean open = toIndex - fromIndex > 1;
    int moveSlice =
        open ? states.get(fromIndex + 1).moment().slice().index() : from.moment().slice().index();
    return new Shift(
        left.note(),
        reached.note(),
        from.moment().slice().index(),
        to.moment().slice().index(),
        moveSlice,
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
        guide(reached, reached.semitone() - moved));
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
