package fret.score;

import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A mark that belongs to a moment rather than to a note.
 *
 * @param onset in whole notes from the first full bar's start
 * @param text what is printed: a dynamic ("mf"), words, a rehearsal letter
 * @param number for {@link Kind#TEMPO} quarter notes a minute (0 when only words are printed); for
 *     {@link Kind#OCTAVE_LINE} octaves that the printed notes stand below the sound
 */
public record Direction(Fraction onset, Kind kind, String text, double number) {
  /** Kinds of directions. */
  public enum Kind {
    DYNAMIC,
    WORDS,
    TEMPO,
    REHEARSAL,
    CRESCENDO,
    DIMINUENDO,
    HAIRPIN_END,
    OCTAVE_LINE,
    OCTAVE_LINE_END,
    PLUCKED,
    BOWED,
    /** "major" or "minor" from here on; it is not printed. */
    MODE
  }

  public Direction {
    Objects.requireNonNull(onset);
    Objects.requireNonNull(kind);
    Objects.requireNonNull(text);
  }
}
