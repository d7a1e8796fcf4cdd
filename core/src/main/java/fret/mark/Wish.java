package fret.mark;

import fret.score.NoteKey;
import java.util.Objects;

/**
 * What is asked of a stretch of notes.
 *
 * @param from first note of the stretch; {@code to} the last one
 * @param value the string (1 the highest) for {@link Kind#ON_STRING}, the semitone above the open
 *     string at which the first finger stands for {@link Kind#POSITION}; else 0
 */
public record Wish(Kind kind, NoteKey from, NoteKey to, int value) {
  /** What can be asked for. */
  public enum Kind {
    ON_STRING("on one string"),
    POSITION("in a position"),
    IN_POSITION("the hand stays"),
    NO_OPEN("no open strings"),
    NO_LONG_FOURTH("no fourth finger on long notes"),
    AS_PRINTED("as printed");

    private final String displayName;

    Kind(String displayName) {
      this.displayName = displayName;
    }

    public String displayName() {
      return displayName;
    }
  }

  public Wish {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(from);
    Objects.requireNonNull(to);
    boolean valued = kind == Kind.ON_STRING || kind == Kind.POSITION;
    if (valued != value > 0) {
      throw new IllegalArgumentException("a wish " + kind + " with value " + value);
    }
  }
}
