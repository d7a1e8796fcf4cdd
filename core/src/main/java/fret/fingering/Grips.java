package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Pitch;
import fret.player.HandModel;
import fret.player.Placement;
import fret.player.Region;
import fret.score.Head;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import java.util.List;
import java.util.Optional;

/** Says what a hand costs by itself: its stretch, its trills, what it does not play as printed. */
final class Grips {
  /** How many in-tune windows wide the place is where a node still speaks (from memory). */
  static final double HARMONIC_WINDOWS = 5;

  /** A trill on an open string cannot be shaded (common practice, no source). */
  private static final double OPEN_TRILL = 1.6;

  /** Where the first finger stands in first position, in semitones over the open string. */
  private static final int HOME = 2;

  /** What a finger costs that has another letter in first position, in semitones (from memory). */
  private static final double OTHER_LETTER = 0.25;

  private final boolean lettersHaveFingers;
  private final ResolvedPassage passage;
  private final HandModel hand;
  private final Instrument instrument;
  private final double[] windowMm;
  private final List<Optional<Finger>> printed;

  Grips(ResolvedPassage passage, HandModel hand) {
    this.passage = passage;
    this.hand = hand;
    this.instrument = hand.instrument();
    this.lettersHaveFingers =
        instrument.type() == InstrumentType.VIOLIN || instrument.type() == InstrumentType.VIOLA;
    this.printed = passage.notes().stream().map(SoundingNote::startingFinger).toList();
    this.windowMm = new double[instrument.highestSemitone() + 2];
    for (int n = 0; n < windowMm.length; n++) {
      windowMm[n] = instrument.windowMm(n, Instrument.TOLERANCE_CENTS);
    }
  }

  /**
   * The grip of a hand.
   *
   * @param strain semitones by which its fingers leave the easy shape
   */
  HandState.Grip of(List<HandState.Touch> touches, int base, Region region, double strain) {
    double weakness = 0;
    double turn = 0;
    Finger trills = Finger.OPEN;
    int harmonics = 0;
    for (HandState.Touch t : touches) {
      SoundingNote note = passage.notes().get(t.note());
      if (t.held()) {
        continue;
      }
      harmonics += t.harmonic() && note.harmonic() == Head.Harmonic.NONE ? 1 : 0;
      for (Pitch auxiliary : note.auxiliaries()) {
        Auxiliary best = auxiliary(t, instrument.semitones(t.string(), auxiliary), base, region);
        boolean above = auxiliary.midi() > note.pitch().midi();
        if (note.trill() && !above) {
          turn += Math.min(1, best.weakness()); // Where no finger has it, one slips back to it.
        } else {
          weakness += best.weakness();
        }
        trills = above ? best.finger() : trills;
      }
    }
    return new HandState.Grip(
        strain + otherLetters(touches, base, region),
        weakness,
        turn,
        trills,
        barres(touches),
        printedBroken(touches),
        harmonics,
        narrowest(touches));
  }

  /**
   * In first position each letter has its finger on violin and viola: a fourth finger is low for E
   * flat where a third is high for D sharp (common practice, no source).
   */
  private double otherLetters(List<HandState.Touch> touches, int base, Region region) {
    if (!lettersHaveFingers || base > HOME || region != Region.NECK) {
      return 0;
    }
    double sum = 0;
    for (HandState.Touch t : touches) {
      SoundingNote note = passage.notes().get(t.note());
      int steps = note.pitch().diatonic() - instrument.open(t.string()).diatonic();
      boolean told = !t.held() && !t.isOpen() && !t.harmonic() && steps >= 1 && steps <= 4;
      sum += told && t.finger().rank() != steps ? OTHER_LETTER : 0;
    }
    return sum;
  }

  /** The first finger and the thumb lie flat more easily than the others (from memory). */
  private static double barres(List<HandState.Touch> touches) {
    double sum = 0;
    for (int i = 1; i < touches.size(); i++) {
      Finger finger = touches.get(i).finger();
      if (!touches.get(i).isOpen() && finger == touches.get(i - 1).finger()) {
        sum += finger == Finger.FIRST || finger == Finger.THUMB ? 0.75 : 1;
      }
    }
    return sum;
  }

  private int printedBroken(List<HandState.Touch> touches) {
    int broken = 0;
    for (HandState.Touch t : touches) {
      SoundingNote note = passage.notes().get(t.note());
      if (t.held()) {
        continue;
      }
      boolean finger = printed.get(t.note()).isEmpty() || printed.get(t.note()).get() == t.finger();
      boolean string = note.printedString() == 0 || note.printedString() == t.string();
      broken += finger && string ? 0 : 1;
    }
    return broken;
  }

  private double narrowest(List<HandState.Touch> touches) {
    double narrowest = Double.POSITIVE_INFINITY;
    for (HandState.Touch t : touches) {
      if (!t.isOpen()) {
        double factor = t.harmonic() ? HARMONIC_WINDOWS : 1;
        narrowest = Math.min(narrowest, factor * windowMm[t.semitone()]);
      }
    }
    return narrowest;
  }

  private record Auxiliary(Finger finger, double weakness) {}

  /** The finger for an ornament's neighbour: weakness 0 strong, 1 weak, 100 when none can. */
  private Auxiliary auxiliary(HandState.Touch t, int semitone, int base, Region region) {
    if (semitone == 0) {
      return new Auxiliary(Finger.OPEN, 0.3);
    }
    Auxiliary best = new Auxiliary(Finger.OPEN, 100);
    for (Placement p : hand.placements(semitone)) {
      boolean sameHand =
          p.base() == base && (p.region() == Region.THUMB) == (region == Region.THUMB)
              || base == HandState.FREE
              || t.isOpen();
      boolean order = (semitone > t.semitone()) == (p.finger().rank() > t.finger().rank());
      if (sameHand
          && p.finger() != t.finger()
          && order
          && (t.isOpen()
              || hand.canHold(t.finger(), t.semitone(), p.finger(), semitone, region, 0))) {
        double open = t.isOpen() ? OPEN_TRILL : 0;
        double weakness = open + weakness(t.finger(), p.finger()) + 0.5 * p.strain();
        best = weakness < best.weakness() ? new Auxiliary(p.finger(), weakness) : best;
      }
    }
    return best;
  }

  /** Weakness of a pair of trilling fingers (common practice, no source). */
  private static double weakness(Finger a, Finger b) {
    int high = Math.max(a.rank(), b.rank());
    int low = Math.min(a.rank(), b.rank());
    if (high == 4) {
      return low == 3 ? 1 : 0.6;
    }
    return high == 3 && low == 1 ? 0.2 : 0;
  }
}
