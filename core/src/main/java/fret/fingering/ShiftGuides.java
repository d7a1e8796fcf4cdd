package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.ResolvedPassage;
import java.util.Optional;

/**
 * The guide notes of a shift, by both schools: of the finger that leaves, of the one that comes.
 */
final class ShiftGuides {
  private final ResolvedPassage passage;
  private final Instrument instrument;

  ShiftGuides(ResolvedPassage passage, Instrument instrument) {
    this.passage = passage;
    this.instrument = instrument;
  }

  /** A finger on a string. */
  record Stop(int note, int string, Finger finger, int semitone) {}

  /** The note of the finger that leaves, in the new position; none beyond the arrival. */
  Optional<Shift.Guide> old(Stop left, Stop reached, int moved) {
    return guide(left, left.semitone() + moved).filter(g -> !overshoots(left, g, reached));
  }

  /** The note of the finger that arrives, in the old position. */
  Optional<Shift.Guide> coming(Stop reached, int moved) {
    return guide(reached, reached.semitone() - moved);
  }

  /** The same shift, told along another finger. */
  Shift along(Shift s, NoteFinger left, NoteFinger reached) {
    Stop from = stop(left);
    Stop to = stop(reached);
    int moved = s.toBase() - s.fromBase();
    return new Shift(
        left.note(),
        reached.note(),
        s.fromSlice(),
        s.toSlice(),
        s.moveSlice(),
        left.finger(),
        reached.finger(),
        left.string(),
        reached.string(),
        s.fromBase(),
        s.toBase(),
        s.travelMm(),
        s.timeMs(),
        s.difficultyBits(),
        s.windowMm(),
        s.hiddenBehind(),
        old(from, to, moved),
        coming(to, moved),
        s.heard(),
        s.creep());
  }

  private static Stop stop(NoteFinger n) {
    return new Stop(n.note(), n.string(), n.finger(), n.semitone());
  }

  /** On the string of the arrival, an old-finger guide beyond it would slide past the note. */
  private static boolean overshoots(Stop left, Shift.Guide guide, Stop reached) {
    if (left.string() != reached.string()) {
      return false;
    }
    int direction = Integer.signum(guide.semitone() - left.semitone());
    return direction > 0
        ? guide.semitone() > reached.semitone()
        : guide.semitone() < reached.semitone() && left.semitone() > reached.semitone();
  }

  private Optional<Shift.Guide> guide(Stop stop, int semitone) {
    if (semitone < 1 || semitone > instrument.highestSemitone()) {
      return Optional.empty();
    }
    double slide = Math.abs(instrument.mmFromNut(semitone) - instrument.mmFromNut(stop.semitone()));
    return Optional.of(
        new Shift.Guide(spell(stop, semitone), stop.finger(), stop.string(), semitone, slide));
  }

  private Pitch spell(Stop stop, int semitone) {
    var note = passage.notes().get(stop.note());
    KeySignature written = passage.score().bar(note.key().barIndex()).key();
    Interval up = passage.score().transposition();
    KeySignature key =
        up.equals(Interval.UNISON) || up.steps() % 7 == 0 ? written : KeySignature.NONE;
    return Pitch.ofMidi(instrument.open(stop.string()).midi() + semitone, key);
  }
}
