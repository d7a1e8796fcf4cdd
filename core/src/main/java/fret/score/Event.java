package fret.score;

import java.util.List;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One written note, chord or rest of one voice.
 *
 * @param voice the voice as the file names it
 * @param onset in whole notes from the first full bar's start
 * @param duration time taken, in whole notes; 0 for grace notes
 * @param value the written value
 * @param heads noteheads from low to high; empty for a rest
 * @param grace whether this is a grace note
 * @param cue whether it is printed small, for another instrument
 */
public record Event(
    String voice,
    Fraction onset,
    Fraction duration,
    NoteValue value,
    List<Head> heads,
    Grace grace,
    boolean cue,
    Signs signs) {
  /** Grace notes. */
  public enum Grace {
    NONE,
    PLAIN,
    SLASHED
  }

  public Event {
    Objects.requireNonNull(voice);
    Objects.requireNonNull(onset);
    Objects.requireNonNull(duration);
    Objects.requireNonNull(value);
    Objects.requireNonNull(grace);
    Objects.requireNonNull(signs);
    if (duration.signum() < 0) {
      throw new IllegalArgumentException("duration " + duration + " is below 0");
    }
    heads = heads.stream().sorted(java.util.Comparator.comparing(Head::pitch)).toList();
  }

  /** A plain note, chord or rest whose duration is its written value. */
  public static Event of(Fraction onset, NoteValue value, List<Head> heads) {
    return new Event("1", onset, value.length(), value, heads, Grace.NONE, false, Signs.PLAIN);
  }

  public boolean isRest() {
    return heads.isEmpty();
  }

  public boolean isGrace() {
    return grace != Grace.NONE;
  }

  public Fraction end() {
    return onset.add(duration);
  }

  public Event withSigns(Signs other) {
    return new Event(voice, onset, duration, value, heads, grace, cue, other);
  }

  public Event withHeads(List<Head> other) {
    return new Event(voice, onset, duration, value, other, grace, cue, signs);
  }

  public Event withOnset(Fraction other) {
    return new Event(voice, other, duration, value, heads, grace, cue, signs);
  }
}
