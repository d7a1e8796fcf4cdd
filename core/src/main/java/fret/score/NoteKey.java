package fret.score;

import fret.base.Fractions;
import fret.pitch.Pitch;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Which written note a mark belongs to. Stable when the program re-reads the same file.
 *
 * @param grace place among the grace notes at this onset, counted from the main note: 0 for the
 *     main note, 1 for the grace note just before it
 * @param pitch as in the file
 */
public record NoteKey(int barIndex, String voice, Fraction onset, int grace, Pitch pitch) {
  public NoteKey {
    Objects.requireNonNull(voice);
    Objects.requireNonNull(onset);
    Objects.requireNonNull(pitch);
  }

  /** One line of text, read back by {@link #parse}. */
  public String text() {
    return barIndex + "|" + voice + "|" + Fractions.text(onset) + "|" + grace + "|" + pitch;
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @throws IllegalArgumentException if the text has another form
   */
  public static NoteKey parse(String text) {
    String[] part = text.split("\\|", -1);
    if (part.length != 5) {
      throw new IllegalArgumentException("not a note key: " + text);
    }
    return new NoteKey(
        Integer.parseInt(part[0]),
        part[1],
        Fractions.parse(part[2]),
        Integer.parseInt(part[3]),
        Pitch.parse(part[4]));
  }
}
