package fret.shelf;

import java.time.LocalDateTime;
import java.util.Objects;

/**
 * A recording of a passage that is kept.
 *
 * @param id 0 before it is stored
 * @param made when it was recorded or brought in
 * @param perMinute the target tempo of the passage then
 * @param whose whether it belongs to the player's record
 */
public record Take(
    long id,
    long passageId,
    LocalDateTime made,
    String name,
    String note,
    double seconds,
    double perMinute,
    Whose whose) {
  /** Who plays. */
  public enum Whose {
    OWN,
    /** Somebody else: to be heard beside one's own, never part of the record. */
    MODEL,
    /** The simulated player: to try things out, never part of the record. */
    SIMULATED
  }

  public Take {
    Objects.requireNonNull(made);
    Objects.requireNonNull(name);
    Objects.requireNonNull(note);
    Objects.requireNonNull(whose);
    if (!(seconds >= 0)) {
      throw new IllegalArgumentException("a take of " + seconds + " s");
    }
  }

  public Take withId(long other) {
    return new Take(other, passageId, made, name, note, seconds, perMinute, whose);
  }

  public Take named(String other) {
    return new Take(id, passageId, made, other, note, seconds, perMinute, whose);
  }

  public Take noted(String other) {
    return new Take(id, passageId, made, name, other, seconds, perMinute, whose);
  }

  public Take by(Whose other) {
    return new Take(id, passageId, made, name, note, seconds, perMinute, other);
  }
}
