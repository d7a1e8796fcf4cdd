package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.player.HandModel;
import fret.player.Placement;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The notes of the key that lie under the hand where it stands, string by string: what a player
 * sees before the hand moves.
 *
 * @param string 1 the highest
 * @param notes from the lowest up, each with its finger
 */
public record UnderHand(int string, List<Reach> notes) {
  /** Fingers that stand out of their place are not under the hand (from memory). */
  private static final double AT_EASE = 0.5;

  private static final int WIDEST = 7;

  /** A note under a finger. */
  public record Reach(Pitch pitch, Finger finger) {}

  public UnderHand {
    notes = List.copyOf(notes);
  }

  /** All strings under the hand of a note, the highest first. */
  public static List<UnderHand> of(ResolvedPassage passage, HandModel hand, NoteFinger place) {
    Instrument instrument = hand.instrument();
    SoundingNote note = passage.notes().get(place.note());
    KeySignature key = key(passage, note);
    List<UnderHand> all = new ArrayList<>();
    for (int string = 1; string <= instrument.stringCount(); string++) {
      List<Reach> reaches = new ArrayList<>();
      for (int n = Math.max(1, place.base() - 1); n < place.base() + WIDEST; n++) {
        Optional<Pitch> pitch = inKey(instrument.open(string).midi() + n, key);
        Optional<Finger> finger = finger(hand, place, n);
        boolean fresh =
            finger.isPresent() && reaches.stream().noneMatch(r -> r.finger() == finger.get());
        if (pitch.isPresent() && fresh) {
          reaches.add(new Reach(pitch.get(), finger.get()));
        }
      }
      if (!reaches.isEmpty()) {
        all.add(new UnderHand(string, reaches));
      }
    }
    return all;
  }

  /** Written keys of instruments that sound an octave lower are those that sound. */
  private static KeySignature key(ResolvedPassage passage, SoundingNote note) {
    Interval up = passage.score().transposition();
    boolean octaves = up.equals(Interval.UNISON) || up.steps() % 7 == 0;
    return octaves ? passage.score().bar(note.key().barIndex()).key() : KeySignature.NONE;
  }

  private static Optional<Finger> finger(HandModel hand, NoteFinger place, int semitone) {
    return hand.placements(semitone).stream()
        .filter(p -> p.base() == place.base() && p.region() == place.region())
        .filter(p -> p.strain() < AT_EASE)
        .min(Comparator.comparingDouble(Placement::strain))
        .map(Placement::finger);
  }

  /** The note of the key at a height; empty where the key has none. */
  private static Optional<Pitch> inKey(int midi, KeySignature key) {
    for (Step step : Step.values()) {
      for (int octave = midi / 12 - 2; octave <= midi / 12; octave++) {
        Pitch pitch = new Pitch(step, key.alterOf(step), octave);
        if (pitch.midi() == midi) {
          return Optional.of(pitch);
        }
      }
    }
    return Optional.empty();
  }
}
