package fret.mark;

import fret.instrument.Finger;
import fret.score.NoteKey;
import java.util.Objects;
import java.util.Optional;

/**
 * A finger, a string or both, set on a written note.
 *
 * @param replacedBy the finger that takes the note over while it sounds
 * @param string 1 the highest, 0 when only the finger is set
 * @param harmonic whether the finger touches a harmonic that is not printed
 */
public record Mark(
    NoteKey key,
    Optional<Finger> finger,
    Optional<Finger> replacedBy,
    int string,
    boolean harmonic,
    Standing standing) {
  /** Who put it there. */
  public enum Standing {
    /** The player's committed choice: no setting or new tempo changes it. */
    ADOPTED,
    /** The player's decision, a hard wish for everything around it. */
    PINNED
  }

  /** The same mark on another note. */
  public Mark on(NoteKey other) {
    return new Mark(other, finger, replacedBy, string, harmonic, standing);
  }

  public Mark(NoteKey key, Optional<Finger> finger, int string, Standing standing) {
    this(key, finger, Optional.empty(), string, false, standing);
  }

  public Mark {
    Objects.requireNonNull(key);
    Objects.requireNonNull(finger);
    Objects.requireNonNull(replacedBy);
    Objects.requireNonNull(standing);
    if (finger.isEmpty() && string == 0) {
      throw new IllegalArgumentException("a mark without finger and string");
    }
  }
}
