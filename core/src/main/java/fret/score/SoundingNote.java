package fret.score;

import fret.instrument.Finger;
import fret.pitch.Pitch;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One note as it sounds: ties joined, transposition applied.
 *
 * @param key the written note it comes from (the first one of a tie)
 * @param slice index of the moment at which it starts
 * @param pitch the sounding pitch; for an artificial harmonic the stopped pitch
 * @param duration in whole notes, ties included; 0 for grace notes
 * @param harmonic whether it is a harmonic
 * @param printedFinger see {@link Head}
 * @param tremolo strokes through the stem, 0 for none
 * @param auxiliaries neighbours that an ornament needs a finger for, sounding pitches
 */
public record SoundingNote(
    NoteKey key,
    String bar,
    int slice,
    Pitch pitch,
    Fraction onset,
    Fraction duration,
    Head.Harmonic harmonic,
    Signs.Ornament ornament,
    int tremolo,
    List<Pitch> auxiliaries,
    String printedFinger,
    int printedString) {
  public SoundingNote {
    Objects.requireNonNull(key);
    Objects.requireNonNull(pitch);
    Objects.requireNonNull(ornament);
    auxiliaries = List.copyOf(auxiliaries);
  }

  public boolean trill() {
    return ornament == Signs.Ornament.TRILL || ornament == Signs.Ornament.TRILL_WITH_TERMINATION;
  }

  /** The printed finger with which the note starts; empty for none. */
  public Optional<Finger> startingFinger() {
    return Finger.ofDigit(printedFinger.split("-", 2)[0]);
  }

  /** The printed finger that takes the note over while it sounds; empty for none. */
  public Optional<Finger> replacingFinger() {
    String[] digits = printedFinger.split("-", 2);
    return digits.length < 2 ? Optional.empty() : Finger.ofDigit(digits[1]);
  }

  /** The same note, as long as another. */
  public SoundingNote lasting(Fraction other) {
    return new SoundingNote(
        key,
        bar,
        slice,
        pitch,
        onset,
        other,
        harmonic,
        ornament,
        tremolo,
        auxiliaries,
        printedFinger,
        printedString);
  }

  /** The same note with another ornament. */
  public SoundingNote ornamented(Signs.Ornament other) {
    return new SoundingNote(
        key,
        bar,
        slice,
        pitch,
        onset,
        duration,
        harmonic,
        other,
        tremolo,
        auxiliaries,
        printedFinger,
        printedString);
  }

  public boolean isGrace() {
    return key.grace() > 0;
  }

  public String voice() {
    return key.voice();
  }

  /** The pitch as in the file. */
  public Pitch written() {
    return key.pitch();
  }

  public Fraction end() {
    return onset.add(duration);
  }
}
