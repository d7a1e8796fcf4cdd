package fret.fingering;

import fret.instrument.Finger;
import java.util.Objects;
import java.util.Optional;

/**
 * A hard wish for one note: a pin or a ban.
 *
 * @param note index of the sounding note
 * @param finger the finger concerned; empty for any
 * @param string the string concerned, 1 the highest; 0 for any
 * @param forbidden true for a ban, false for a pin
 */
public record NoteRule(int note, Optional<Finger> finger, int string, boolean forbidden) {
  public NoteRule {
    Objects.requireNonNull(finger);
    if (forbidden && finger.isEmpty() && string == 0) {
      throw new IllegalArgumentException("a ban of everything");
    }
  }

  /** Asks for a finger on a string (0: any). */
  public static NoteRule pin(int note, Finger finger, int string) {
    return new NoteRule(note, Optional.of(finger), string, false);
  }

  boolean admits(int otherString, Finger otherFinger) {
    boolean matches =
        (finger.isEmpty() || finger.get() == otherFinger) && (string == 0 || string == otherString);
    return matches != forbidden;
  }
}
