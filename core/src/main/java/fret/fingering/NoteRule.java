package fret.fingering;

import fret.instrument.Finger;
import java.util.Objects;
import java.util.Optional;

/**
 * A hard wish for one note: a pin or a ban.
 *
 * @param note index of the sounding note
 * @param finger the finger concerned; empty for any
 * @param replacedBy the finger that must take the note over while it sounds; empty for none asked
 * @param string the string concerned, 1 the highest; 0 for any
 * @param base where the hand stands, in semitones above the open string; 0 for anywhere. An open
 *     string leaves the hand free and always suits
 * @param harmonic whether the finger touches a harmonic that is not printed, instead of pressing;
 *     counts only in a pin of a finger
 * @param forbidden true for a ban, false for a pin
 */
public record NoteRule(
    int note,
    Optional<Finger> finger,
    Optional<Finger> replacedBy,
    int string,
    int base,
    boolean harmonic,
    boolean forbidden) {
  public NoteRule {
    Objects.requireNonNull(replacedBy);
    Objects.requireNonNull(finger);
    if (forbidden && finger.isEmpty() && string == 0 && base == 0) {
      throw new IllegalArgumentException("a ban of everything");
    }
  }

  public NoteRule(int note, Optional<Finger> finger, int string, boolean forbidden) {
    this(note, finger, Optional.empty(), string, 0, false, forbidden);
  }

  /** Asks for a finger on a string (0: any). */
  public static NoteRule pin(int note, Finger finger, int string) {
    return new NoteRule(note, Optional.of(finger), string, false);
  }

  /** Asks for a string. */
  public static NoteRule onString(int note, int string) {
    return new NoteRule(note, Optional.empty(), string, false);
  }

  /** Asks for a place of the hand. */
  public static NoteRule inPosition(int note, int base) {
    return new NoteRule(note, Optional.empty(), Optional.empty(), 0, base, false, false);
  }

  /** Forbids a finger, or the open string. */
  public static NoteRule without(int note, Finger finger) {
    return new NoteRule(note, Optional.of(finger), 0, true);
  }

  /**
   * Whether a way of playing the note is allowed.
   *
   * @param freeHarmonic whether it touches a harmonic that is not printed
   * @param otherBase where the hand stands; 0 when that is not decided yet
   */
  boolean admits(int otherString, Finger otherFinger, boolean freeHarmonic, int otherBase) {
    boolean matches =
        (finger.isEmpty()
                || finger.get() == otherFinger
                || replacedBy.filter(f -> f == otherFinger).isPresent())
            && (string == 0 || string == otherString)
            && (base == 0 || otherBase == 0 || otherFinger == Finger.OPEN || base == otherBase)
            && (finger.isEmpty() || forbidden || harmonic == freeHarmonic);
    return matches != forbidden;
  }

  /** Whether a fingering plays the note as this asks; a note that cannot be played never does. */
  public boolean isKeptBy(Fingering f) {
    return f.notes().get(note).map(this::isKeptBy).orElse(false);
  }

  private boolean isKeptBy(NoteFinger p) {
    return admits(p.string(), p.finger(), p.harmonic(), p.base())
        && (forbidden
            || finger.isEmpty()
            || finger.get() == p.finger()
                && replacedBy.equals(p.replaced().map(NoteFinger.Replacement::by)));
  }
}
