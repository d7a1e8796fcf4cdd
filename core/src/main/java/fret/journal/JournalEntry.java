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
 * @param seconds in which it was played, 0 or more; 0 for one that was judged without a play
 * @param atStand seconds at the stand since the try before it, from the first play of a visit on,
 *     longer gaps left out
 * @param cold whether it was the first play of its passage that day
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
    String note,
    int atStand,
    boolean cold) {
  /** How often the click sounded was not written down. */
  public static final double NOT_KEPT = -1;

  /** A try at the stand for as long as it was played. */
  public JournalEntry(
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
    this(
        id, passageId, date, chunkId, drill, perMinute, counted, clicks, seconds, verdict, breakage,
        note, seconds, false);
  }

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
    if (seconds < 0 || atStand < 0) {
      throw new IllegalArgumentException("a try of " + seconds + " s, " + atStand + " s");
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
    return with(id, Optional.of(beat), verdict, breakage, note, atStand, cold);
  }

  /** The same try as it is stored. */
  public JournalEntry withId(long other) {
    return with(other, counted, verdict, breakage, note, atStand, cold);
  }

  /** The same try judged otherwise. */
  public JournalEntry judged(Verdict other, Breakage broke) {
    return with(id, counted, other, broke, note, atStand, cold);
  }

  /** The same try with a note of the player's. */
  public JournalEntry noted(String other) {
    return with(id, counted, verdict, breakage, other, atStand, cold);
  }

  /** The same try with its time at the stand. */
  public JournalEntry atStand(int other, boolean first) {
    return with(id, counted, verdict, breakage, note, other, first);
  }

  private JournalEntry with(
      long newId,
      Optional<Beat> beat,
      Verdict newVerdict,
      Breakage broke,
      String text,
      int stand,
      boolean first) {
    return new JournalEntry(
        newId,
        passageId,
        date,
        chunkId,
        drill,
        perMinute,
        beat,
        clicks,
        seconds,
        newVerdict,
        broke,
        text,
        stand,
        first);
  }
}
