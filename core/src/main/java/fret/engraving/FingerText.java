package fret.engraving;

import fret.mark.Reminder;
import java.util.List;

/**
 * What is printed at a note beside what the page has: fingering and reminders.
 *
 * @param note index of the sounding note
 * @param digit 0 to 4 or T, "1-4" where a finger is replaced, with h before it for a harmonic;
 *     empty for none
 * @param string string mark such as a Roman numeral; empty for none
 * @param pinned whether the player set it
 * @param unkept what was asked and is not played so, shown struck out; empty for nothing
 * @param pencilled what the player pencilled over it
 */
public record FingerText(
    int note,
    String digit,
    String string,
    boolean pinned,
    String unkept,
    List<Reminder> pencilled) {
  public FingerText {
    pencilled = List.copyOf(pencilled);
  }

  public FingerText(int note, String digit, String string, boolean pinned) {
    this(note, digit, string, pinned, "", List.of());
  }

  /** The same at another note. */
  FingerText at(int other) {
    return new FingerText(other, digit, string, pinned, unkept, pencilled);
  }

  /** Whether the finger touches a harmonic: it is printed with a small circle. */
  boolean isHarmonic() {
    return digit.startsWith("h");
  }
}
