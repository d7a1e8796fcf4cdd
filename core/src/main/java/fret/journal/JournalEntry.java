package fret.journal;

import fret.drill.DrillKind;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;

/**
 * One try that was judged.
 *
 * @param id 0 until stored
 * @param perMinute tempo
 * @param counted the value that the tempo counts; empty where the record does not say, then it is
 *     that of the chunk's ladder
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
    Optional<Beat> counted,
    double clicks,
    int seconds,
    Verdict verdict,
    Breakage breakage,
    String note) {
  /** How often the click sounded was not written down. */
  public static final double NOT_KEPT = -1;

  /** A try in the value of its chunk's ladder. */
  public JournalEntry(
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
    this(
        id,
        passageId,
        date,
        chunkId,
        drill,
        perMinute,
        Optional.empty(),
        clicks,
        seconds,
        verdict,
        breakage,
        note);
  }

  public JournalEntry {
    Objects.requireNonNull(counted);
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

  /** Its tempo in a value; as it stands where the record does not say in which it is. */
  public double perMinuteOf(Beat beat) {
    boolean same = perMinute == 0 || counted.isEmpty() || counted.get().equals(beat);
    return same ? perMinute : new Tempo(counted.get(), perMinute).perMinuteOf(beat);
  }

  /** The same try in a counted value. */
  public JournalEntry countedIn(Beat beat) {
    return new JournalEntry(
        id,
        passageId,
        date,
        chunkId,
        drill,
        perMinute,
        Optional.of(beat),
        clicks,
        seconds,
        verdict,
        breakage,
        note);
  }

  /** The same try as it is stored. */
  public JournalEntry withId(long other) {
    return new JournalEntry(
        other, passageId, date, chunkId, drill, perMinute, counted, clicks, seconds, verdict,
        breakage, note);
  }

  /** The same try judged otherwise. */
  public JournalEntry judged(Verdict other, Breakage broke) {
    return new JournalEntry(
        id, passageId, date, chunkId, drill, perMinute, counted, clicks, seconds, other, broke,
        note);
  }

  /** The same try with a note of the player's. */
  public JournalEntry noted(String other) {
    return new JournalEntry(
        id, passageId, date, chunkId, drill, perMinute, counted, clicks, seconds, verdict, breakage,
        other);
  }
}
