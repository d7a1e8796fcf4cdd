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
 * @param copy 0, but 1 for the second of two equal heads of one chord, and so on
 */
public record NoteKey(
    int barIndex, String voice, Fraction onset, int grace, Pitch pitch, int copy) {
  public NoteKey {
    Objects.requireNonNull(voice);
    Objects.requireNonNull(onset);
    Objects.requireNonNull(pitch);
  }

  public NoteKey(int barIndex, String voice, Fraction onset, int grace, Pitch pitch) {
    this(barIndex, voice, onset, grace, pitch, 0);
  }

  /** The key of one head of an event. */
  public static NoteKey of(Bar bar, Event event, int grace, int head) {
    Pitch pitch = event.heads().get(head).pitch();
    int copy = 0;
    for (int i = 0; i < head; i++) {
      copy += event.heads().get(i).pitch().equals(pitch) ? 1 : 0;
    }
    return new NoteKey(bar.index(), event.voice(), event.onset(), grace, pitch, copy);
  }

  /** Whether both are written at one moment in one voice. */
  public boolean isInChordOf(NoteKey other) {
    return barIndex == other.barIndex
        && voice.equals(other.voice)
        && onset.equals(other.onset)
        && grace == other.grace;
  }

  /** The same head at another written pitch. */
  public NoteKey at(Pitch other) {
    return new NoteKey(barIndex, voice, onset, grace, other, copy);
  }

  /** One line of text, read back by {@link #parse}. */
  public String text() {
    String text = barIndex + "|" + voice + "|" + Fractions.text(onset) + "|" + grace + "|" + pitch;
    return copy == 0 ? text : text + "|" + copy;
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @throws IllegalArgumentException if the text has another form
   */
  public static NoteKey parse(String text) {
    String[] part = text.split("\\|", -1);
    if (part.length != 5 && part.length != 6) {
      throw new IllegalArgumentException("not a note key: " + text);
    }
    return new NoteKey(
        Integer.parseInt(part[0]),
        part[1],
        Fractions.parse(part[2]),
        Integer.parseInt(part[3]),
        Pitch.parse(part[4]),
        part.length == 6 ? Integer.parseInt(part[5]) : 0);
  }
}
