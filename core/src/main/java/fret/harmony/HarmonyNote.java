package fret.harmony;

import fret.pitch.Pitch;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A sounding note of any part.
 *
 * @param onset in whole notes from the first full bar; {@code duration} above 0
 */
public record HarmonyNote(Fraction onset, Fraction duration, Pitch pitch) {
  private static final int WIDEST_STEP = 3;

  int midi() {
    return pitch.midi();
  }

  /** Whether another is its neighbour in a scale; an augmented second is a step too. */
  boolean isStepFrom(HarmonyNote other) {
    return Math.abs(pitch.diatonic() - other.pitch.diatonic()) == 1
        && Math.abs(midi() - other.midi()) <= WIDEST_STEP;
  }

  Fraction end() {
    return onset.add(duration);
  }
}
