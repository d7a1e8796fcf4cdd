package fret.mark;

import fret.instrument.Finger;
import java.util.Objects;
import java.util.Optional;

/**
 * A finger, a string or both, for a written note.
 *
 * @param replacedBy the finger that takes the note over while it sounds
 * @param string 1 the highest, 0 when only the finger is set
 * @param harmonic whether the finger touches a harmonic that is not printed
 */
public record FingerMark(
    Optional<Finger> finger, Optional<Finger> replacedBy, int string, boolean harmonic) {
  public FingerMark {
    Objects.requireNonNull(finger);
    Objects.requireNonNull(replacedBy);
    if (finger.isEmpty() && string == 0) {
      throw new IllegalArgumentException("a mark without finger and string");
    }
  }

  public static FingerMark of(Optional<Finger> finger, int string) {
    return new FingerMark(finger, Optional.empty(), string, false);
  }
}
