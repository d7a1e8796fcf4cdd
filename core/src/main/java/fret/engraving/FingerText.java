package fret.engraving;

/**
 * A fingering to print at a note.
 *
 * @param note index of the sounding note
 * @param digit 0 to 4 or T, "1-4" where a finger is replaced, with h before it for a harmonic;
 *     empty for none
 * @param string string mark such as a Roman numeral; empty for none
 * @param pinned whether the player set it
 */
public record FingerText(int note, String digit, String string, boolean pinned) {
  /** Whether the finger touches a harmonic: it is printed with a small circle. */
  boolean isHarmonic() {
    return digit.startsWith("h");
  }
}
