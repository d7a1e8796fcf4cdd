package fret.mark;

import java.util.Objects;

/**
 * What a player pencils over a note to be warned in time.
 *
 * @param text the words of {@link Kind#WORD}; empty for the others
 */
public record Reminder(Kind kind, String text) {
  /** What is pencilled. */
  public enum Kind {
    /** The accidental again, where it is easily forgotten. */
    ACCIDENTAL,
    /** A pair of glasses: look out. */
    GLASSES,
    /** A comma for a breath or a lift of the bow. */
    COMMA,
    /** An arrow onwards: do not wait. */
    ONWARDS,
    /** An arrow back: hold it back. */
    BACK,
    /** A word of one's own. */
    WORD,
    /** The top of a phrase, set by its own key. */
    TOP,
    /** The end of a phrase, set by its own key. */
    END
  }

  public Reminder {
    Objects.requireNonNull(kind);
    if (kind == Kind.WORD == text.isBlank()) {
      throw new IllegalArgumentException("a reminder " + kind + " with the text \"" + text + "\"");
    }
  }

  public static Reminder of(Kind kind) {
    return new Reminder(kind, "");
  }

  public static Reminder word(String text) {
    return new Reminder(Kind.WORD, text.strip());
  }
}
