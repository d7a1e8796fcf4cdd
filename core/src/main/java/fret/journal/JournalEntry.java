package fret.journal;

import fret.drill.DrillKind;
import java.time.LocalDate;
import java.util.Objects;

/**
 * One try that was judged.
 *
 * @param id 0 until stored
 * @param perMinute tempo, in beats of the passage's target
 * @param clicks clicks a minute, 0 for silence; {@link #NOT_KEPT} where the record does not say
 * @param seconds time it took, 0 or more
 */
public record JournalEntry(
    long id,
    long passageId,
    LocalDate date,
    String chunkId,
    DrillKind drill,
    double perMinute,
    double clicks,
    int seconds,
    Verdict verdict,
    Breakage breakage,
    String note) {
  /** How often the click sounded was not written down. */
  public static final double NOT_KEPT = -1;

  public JournalEntry {
    Objects.requireNonNull(date);
    Objects.requireNonNull(chunkId);
    Objects.requireNonNull(drill);
    Objects.requireNonNull(verdict);
    Objects.requireNonNull(breakage);
    Objects.requireNonNull(note);
    if (seconds < 0) {
      throw new IllegalArgumentException("a try of " + seconds + " s");
    }
    if (!(perMinute >= 0)) {
      throw new IllegalArgumentException("a try at " + perMinute + " a minute");
    }
  }

  /** The same try as it is stored. */
  public JournalEntry withId(long other) {
    return new JournalEntry(
        other, passageId, date, chunkId, drill, perMinute, clicks, seconds, verdict, breakage,
        note);
  }

  /** The same try judged otherwise. */
  public JournalEntry judged(Verdict other, Breakage broke) {
    return new JournalEntry(
        id, passageId, date, chunkId, drill, perMinute, clicks, seconds, other, broke, note);
  }

  /** The same try with a note of the player's. */
  public JournalEntry noted(String other) {
    return new JournalEntry(
        id, passageId, date, chunkId, drill, perMinute, clicks, seconds, verdict, breakage, other);
  }
}
