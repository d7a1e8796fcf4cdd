package fret.score;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One moment at which notes start.
 *
 * @param onset in whole notes
 * @param grace 0 for a moment of its own, else how many grace notes before it this one stands
 * @param starting indices of the notes that start here, low to high
 * @param held indices of the notes that still sound from before, low to high
 * @param slurredInto whether a slur joins it to the moment before
 * @param bowed whether the note is bowed rather than plucked
 * @param duration until its last starting note ends; 0 for grace notes
 * @param restAfter silence between this moment's end and the next moment, 0 when there is none
 */
public record Slice(
    int index,
    Fraction onset,
    int grace,
    List<Integer> starting,
    List<Integer> held,
    boolean slurredInto,
    boolean bowed,
    Fraction duration,
    Fraction restAfter) {
  public Slice {
    starting = List.copyOf(starting);
    held = List.copyOf(held);
  }
}
