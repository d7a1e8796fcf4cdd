package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.player.Placement;
import fret.score.ResolvedPassage;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.IntFunction;
import java.util.stream.Stream;

/**
 * The guide notes of a shift, by both schools: of the finger that leaves, of the one that comes.
 */
final class ShiftGuides {
  private final ResolvedPassage passage;
  private final Instrument instrument;
  private final IntFunction<List<Placement>> placements;

  /** Guides as the fingers lie in each hand. */
  ShiftGuides(ResolvedPassage passage, HandModel hand) {
    this.passage = passage;
    this.instrument = hand.instrument();
    this.placements = hand::placements;
  }

  /** Guides of fingers that go as far as the hand does. */
  ShiftGuides(ResolvedPassage passage, Instrument instrument) {
    this.passage = passage;
    this.instrument = instrument;
    this.placements = semitone -> List.of();
  }

  /** A finger on a string. */
  record Stop(int note, int string, Finger finger, int semitone) {}

  /** The note of the finger that leaves, in the new position; none beyond the arrival. */
  Optional<Shift.Guide> old(Stop left, Stop reached, int toBase, int moved) {
    boolean same = left.finger() == reached.finger() && left.string() == reached.string();
    int lies = same ? reached.semitone() : lies(left, left.semitone() + moved, toBase);
    return guide(left, lies).filter(g -> !overshoots(left, g, reached));
  }

  /**
   * The note of the finger that arrives, in the old position.
   *
   * @param stood the semitone where it was put down there last, if it was
   */
  Optional<Shift.Guide> coming(Stop reached, int fromBase, int moved, OptionalInt stood) {
    int lies = stood.orElseGet(() -> lies(reached, reached.semitone() - moved, fromBase));
    return guide(reached, lies);
  }

  /**
   * Where a finger lies in a hand at ease: where the hand carries it, or a semitone beside that,
   * since it may reach out on one side only; of two places that are as easy the one in the key.
   */
  private int lies(Stop stop, int carried, int base) {
    return Stream.of(carried, carried + 1, carried - 1)
        .filter(s -> s > 0 && strain(stop, s, base).isPresent())
        .min(
            Comparator.<Integer>comparingDouble(s -> strain(stop, s, base).getAsDouble())
                .thenComparing(s -> !isInKey(stop, s)))
        .orElse(carried);
  }

  private OptionalDouble strain(Stop stop, int semitone, int base) {
    return placements.apply(semitone).stream()
        .filter(p -> p.finger() == stop.finger() && p.base() == base)
        .mapToDouble(Placement::strain)
        .min();
  }

  private boolean isInKey(Stop stop, int semitone) {
    Pitch written =
        Pitch.ofMidi(instrument.open(stop.string()).midi() + semitone, KeySignature.NONE)
            .plus(passage.score().transposition().negated());
    KeySignature key = passage.score().bar(passage.notes().get(stop.note()).key().barIndex()).key();
    Pitch inKey = Pitch.ofMidi(written.midi(), key);
    return inKey.alter() == key.alterOf(inKey.step());
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
        old(from, to, s.toBase(), moved),
        coming(to, s.fromBase(), moved, stood(from, to)),
        s.heard(),
        s.creep());
  }

  /** A finger that arrives on the string that it leaves comes from where it stood. */
  private static OptionalInt stood(Stop left, Stop reached) {
    boolean same = left.finger() == reached.finger() && left.string() == reached.string();
    return same ? OptionalInt.of(left.semitone()) : OptionalInt.empty();
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
