package fret.mark;

import fret.score.NoteKey;
import java.util.Objects;

/**
 * What is asked of a stretch of notes.
 *
 * @param from first note of the stretch; {@code to} the last one
 * @param value the string (1 the highest) for {@link Kind#ON_STRING}, the semitone above the open
 *     string at which the first finger stands for {@link Kind#POSITION}, the string that is not
 *     wanted for {@link Kind#NOT_STRING}, the finger that is not wanted as {@code ordinal() + 1} of
 *     {@link fret.instrument.Finger} for {@link Kind#NOT_FINGER}; else 0
 */
public record Wish(Kind kind, NoteKey from, NoteKey to, int value) {
  /** What can be asked for. */
  public enum Kind {
    ON_STRING("on one string"),
    POSITION("in a position"),
    IN_POSITION("the hand stays"),
    NO_OPEN("no open strings"),
    NO_LONG_FOURTH("no fourth finger on long notes"),
    AS_PRINTED("as printed"),
    NOT_FINGER("another finger"),
    NOT_STRING("another string");

    private final String displayName;

    Kind(String displayName) {
      this.displayName = displayName;
    }

    private boolean isValued() {
      return switch (this) {
        case ON_STRING, POSITION, NOT_FINGER, NOT_STRING -> true;
        default -> false;
      };
    }

    public String displayName() {
      return displayName;
    }
  }

  public Wish {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(from);
    Objects.requireNonNull(to);
    if (kind.isValued() != value > 0) {
      throw new IllegalArgumentException("a wish " + kind + " with value " + value);
    }
  }
}
