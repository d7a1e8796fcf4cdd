package fret.journal;

import fret.drill.DrillKind;
import java.time.LocalDate;
import java.util.Objects;

/**
 * One try that was judged.
 *
 * @param id 0 until stored
 * @param perMinute tempo of the click, in beats of the passage's target
 * @param seconds time it took, 0 or more
 */
public record JournalEntry(
    long id,
    long passageId,
    LocalDate date,
    String chunkId,
    DrillKind drill,
    int perMinute,
    int seconds,
    Verdict verdict,
    Breakage breakage,
    String note) {
  public JournalEntry {
    Objects.requireNonNull(date);
    Objects.requireNonNull(chunkId);
    Objects.requireNonNull(verdict);
    Objects.requireNonNull(breakage);
    if (seconds < 0) {
      throw new IllegalArgumentException("a try of " + seconds + " s");
    }
  }

  /** The same try as it is stored. */
  public JournalEntry withId(long other) {
    return new JournalEntry(
        other, passageId, date, chunkId, drill, perMinute, seconds, verdict, breakage, note);
  }
}
