package fret.harmony;

import org.apache.commons.numbers.fraction.Fraction;

/**
 * A sounding note of any part.
 *
 * @param onset in whole notes from the first full bar; {@code duration} above 0
 * @param midi its key number
 */
public record HarmonyNote(Fraction onset, Fraction duration, int midi) {
  Fraction end() {
    return onset.add(duration);
  }
}
