package fret.drill;

import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A piece of the passage that is practised on its own.
 *
 * @param id stable for the same passage, such as {@code bars-3-4} or {@code spot-7}
 * @param toOnset excluded
 * @param noteCount notes and chords in it, at least 1
 * @param why in players' words
 */
public record Chunk(
    String id,
    String fromBar,
    String toBar,
    Fraction fromOnset,
    Fraction toOnset,
    int noteCount,
    String why) {
  public Chunk {
    Objects.requireNonNull(id);
    if (fromOnset.compareTo(toOnset) >= 0 || noteCount < 1) {
      throw new IllegalArgumentException("empty chunk " + id);
    }
  }

  /** Written length in whole notes. */
  public Fraction length() {
    return toOnset.subtract(fromOnset);
  }

  /** The name shown to the player. */
  public String label() {
    return fromBar.equals(toBar) ? "Bar " + fromBar : "Bars " + fromBar + "-" + toBar;
  }
}
