package fret.player;

import java.util.Objects;

/**
 * The player's left hand.
 *
 * @param size small, medium or large; counts while no span is measured
 * @param spanMm measured on the player's own string from first to fourth finger at half position,
 *     without strain, in mm; 0 when not measured, else 40 to 250
 * @param fourthCaution the fourth finger is never stretched or extended
 * @param thumbFrom semitone above the open string from which the thumb may stand on the string; 0
 *     for the usual place of the instrument, {@link #NO_THUMB} for never
 * @param creeps whether the hand may go by a semitone or two with a finger kept down; else it moves
 *     as one
 * @param across whether a bass player takes broken chords across the strings in a high place; else
 *     they go up the string (1-2-4, common practice, no source)
 */
public record Hand(
    HandSize size,
    double spanMm,
    boolean fourthCaution,
    int thumbFrom,
    boolean creeps,
    boolean across) {
  /** {@link #thumbFrom} of a player who does not use the thumb. */
  public static final int NO_THUMB = 99;

  public static final Hand MEDIUM = of(HandSize.MEDIUM);

  public Hand {
    Objects.requireNonNull(size);
    if (spanMm != 0 && (!(spanMm >= 40) || !(spanMm <= 250))) {
      throw new IllegalArgumentException("a span of " + spanMm + " mm is outside 40 to 250");
    }
    if (thumbFrom < 0 || thumbFrom > NO_THUMB) {
      throw new IllegalArgumentException("the thumb from semitone " + thumbFrom);
    }
  }

  /** A hand of a size, with the usual habits. */
  public static Hand of(HandSize size) {
    return new Hand(size, 0, false, 0, false, false);
  }

  public Hand withSize(HandSize other) {
    return new Hand(other, spanMm, fourthCaution, thumbFrom, creeps, across);
  }

  public Hand withSpanMm(double other) {
    return new Hand(size, other, fourthCaution, thumbFrom, creeps, across);
  }

  public Hand withFourthCaution(boolean other) {
    return new Hand(size, spanMm, other, thumbFrom, creeps, across);
  }

  public Hand withThumbFrom(int other) {
    return new Hand(size, spanMm, fourthCaution, other, creeps, across);
  }

  public Hand withCreeping(boolean other) {
    return new Hand(size, spanMm, fourthCaution, thumbFrom, other, across);
  }

  public Hand withAcross(boolean other) {
    return new Hand(size, spanMm, fourthCaution, thumbFrom, creeps, other);
  }

  /**
   * Factor on every reach of the medium hand.
   *
   * @param mediumSpanMm what the medium hand spans from first to fourth finger at half position
   */
  double factor(double mediumSpanMm) {
    return spanMm > 0 ? spanMm / mediumSpanMm : size.factor();
  }
}
