package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.player.HandModel;
import fret.player.Placement;
import fret.score.Head;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The places on the instrument where a note can be played, within what the player decided. */
final class NotePlaces {
  /** One place for one note. */
  record Option(int note, int string, int semitone, boolean harmonic, boolean held) {
    HandState.Touch under(Finger finger) {
      boolean touched = harmonic && finger != Finger.OPEN;
      return new HandState.Touch(note, string, finger, semitone, touched, held);
    }
  }

  private final ResolvedPassage passage;
  private final HandModel hand;
  private final Instrument instrument;
  private final Map<Integer, List<NoteRule>> pins;
  private final Map<Integer, List<NoteRule>> all;
  private final Map<Integer, NoteFinger> fixed;

  NotePlaces(FingeringTask task) {
    this.passage = task.passage();
    this.hand = task.hand();
    this.instrument = hand.instrument();
    this.fixed = task.fixed();
    this.pins = byNote(task.wishes().rules(), List.of());
    this.all = byNote(task.wishes().rules(), task.wishes().stretches());
  }

  private static Map<Integer, List<NoteRule>> byNote(List<NoteRule> pins, List<NoteRule> others) {
    Map<Integer, List<NoteRule>> rules = new HashMap<>();
    for (NoteRule rule : pins) {
      rules.computeIfAbsent(rule.note(), n -> new ArrayList<>()).add(rule);
    }
    for (NoteRule rule : others) {
      rules.computeIfAbsent(rule.note(), n -> new ArrayList<>()).add(rule);
    }
    return rules;
  }

  /** Every string and place at which a note lies on the instrument. */
  List<Option> options(int noteIndex, boolean held, HandStates.Heed heed) {
    SoundingNote note = passage.notes().get(noteIndex);
    List<Option> found = new ArrayList<>();
    for (int string = 1; string <= instrument.stringCount(); string++) {
      int n = instrument.semitones(string, note.pitch());
      switch (note.harmonic()) {
        case NATURAL_SOUNDING -> {
          for (int node = 1; node <= Math.min(28, instrument.highestSemitone()); node++) {
            if (NaturalHarmonics.partialAt(node) > 0
                && NaturalHarmonics.sounding(instrument, string, node).midi()
                    == note.pitch().midi()) {
              found.add(new Option(noteIndex, string, node, true, held));
            }
          }
        }
        case NATURAL_TOUCHED -> {
          if (NaturalHarmonics.partialAt(n) > 0) {
            found.add(new Option(noteIndex, string, n, true, held));
          }
        }
        default -> {
          if (n >= 0 && n <= instrument.highestSemitone()) {
            found.add(new Option(noteIndex, string, n, false, held));
            if (note.harmonic() == Head.Harmonic.NONE && NaturalHarmonics.soundsAsStopped(n)) {
              found.add(new Option(noteIndex, string, n, true, held));
            }
          } else if (n < 0 && n >= -instrument.extension() && string == instrument.stringCount()) {
            found.add(new Option(noteIndex, string, 0, false, held)); // A gate: the hand is free.
          }
        }
      }
    }
    if (heed != HandStates.Heed.NOTHING) {
      found.removeIf(o -> !anyFingerAdmitted(o, heed));
    }
    boolean alone = passage.slices().get(note.slice()).starting().size() == 1;
    if (note.harmonic() == Head.Harmonic.NATURAL_SOUNDING && alone) {
      keepMiddle(found);
    }
    return found;
  }

  /**
   * A printed octave harmonic is touched in the middle of its string, whatever lies nearer (common
   * practice, no source); elsewhere only where the player asks for it.
   */
  private static void keepMiddle(List<Option> found) {
    if (found.stream().anyMatch(o -> o.semitone() == NaturalHarmonics.MIDDLE)) {
      found.removeIf(o -> o.semitone() != NaturalHarmonics.MIDDLE);
    }
  }

  private boolean anyFingerAdmitted(Option option, HandStates.Heed heed) {
    for (Finger finger : Finger.values()) {
      if (admits(option, finger, 0, heed)) {
        return true;
      }
    }
    return false;
  }

  /**
   * Whether the player's decisions allow a finger on a note.
   *
   * @param base where the hand stands; 0 when that is not decided yet
   */
  boolean admits(Option option, Finger finger, int base, HandStates.Heed heed) {
    if (heed == HandStates.Heed.NOTHING) {
      return true;
    }
    NoteFinger only = fixed.get(option.note());
    if (only != null) {
      return only.string() == option.string()
          && only.harmonic() == option.harmonic()
          && only.stands(finger, base, option.held());
    }
    boolean free = isFree(option);
    for (NoteRule rule : rules(option.note(), heed)) {
      if (!rule.admits(option.string(), finger, free, base)) {
        return false;
      }
    }
    return true;
  }

  /** Whether the player asks for a finger on a note. */
  boolean asksFor(Option option, Finger finger, HandStates.Heed heed) {
    if (heed == HandStates.Heed.NOTHING) {
      return false;
    }
    NoteFinger only = fixed.get(option.note());
    return only != null
        ? only.finger() == finger
        : rules(option.note(), heed).stream()
            .anyMatch(r -> !r.forbidden() && r.finger().filter(f -> f == finger).isPresent());
  }

  /** Whether the player asks for a place of the hand on a note. */
  boolean asksFor(Option option, int base, HandStates.Heed heed) {
    if (heed == HandStates.Heed.NOTHING) {
      return false;
    }
    NoteFinger only = fixed.get(option.note());
    return only != null
        ? only.base() == base
        : rules(option.note(), heed).stream().anyMatch(r -> !r.forbidden() && r.base() == base);
  }

  private List<NoteRule> rules(int note, HandStates.Heed heed) {
    return (heed == HandStates.Heed.PINS ? pins : all).getOrDefault(note, List.of());
  }

  /** The finger that is asked to take a note over while it sounds. */
  Optional<Finger> replacement(int note, HandStates.Heed heed) {
    if (heed == HandStates.Heed.NOTHING) {
      return Optional.empty();
    }
    NoteFinger only = fixed.get(note);
    if (only != null) {
      return only.replaced().map(NoteFinger.Replacement::by);
    }
    return rules(note, heed).stream().map(NoteRule::replacedBy).flatMap(Optional::stream).findAny();
  }

  /** Whether it is a harmonic that the page does not ask for. */
  private boolean isFree(Option option) {
    return option.harmonic() && passage.notes().get(option.note()).harmonic() == Head.Harmonic.NONE;
  }

  /**
   * Whether a finger leaves the hand's shape for it: a harmonic that the page or the player wants,
   * or one at the top of a line (common practice, no source).
   */
  boolean isReachedFor(Option option, HandStates.Heed heed) {
    return option.harmonic()
        && hand.reachingBase(option.semitone()) > 0
        && (!isFree(option) || isTop(option.note()) || asksFor(option, Finger.THIRD, heed));
  }

  /** Whether the line turns down from a note: there the octave harmonic is taught. */
  private boolean isTop(int note) {
    SoundingNote n = passage.notes().get(note);
    return isLower(n.slice() - 1, n) && isLower(n.slice() + 1, n);
  }

  private boolean isLower(int slice, SoundingNote than) {
    return slice < 0
        || slice >= passage.slices().size()
        || passage.slices().get(slice).starting().stream()
            .allMatch(i -> passage.notes().get(i).pitch().compareTo(than.pitch()) < 0);
  }

  /** An artificial harmonic is stopped by the first finger or the thumb, touched a fourth above. */
  boolean suitsHarmonic(Option option, Placement p) {
    if (isFree(option)) {
      return p.finger() != Finger.FIRST && p.strain() == 0; // The hand reaches up for it.
    }
    if (passage.notes().get(option.note()).harmonic() != Head.Harmonic.ARTIFICIAL_BASE) {
      return true;
    }
    if (p.finger() != Finger.FIRST && p.finger() != Finger.THUMB) {
      return false;
    }
    Finger top = p.finger() == Finger.THUMB ? Finger.THIRD : Finger.FOURTH;
    return hand.canFollow(p.finger(), option.semitone(), top, option.semitone() + 5, p.region());
  }
}
