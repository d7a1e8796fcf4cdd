package fret.mark;

/**
 * Which notes a player vibrates, where nothing is asked of the note itself. One of the player's own
 * keeps its notes off the open strings.
 */
public enum VibratoRule {
  /** From a dotted quarter or 0.6 s on (common practice, no source, from memory). */
  USUAL(3 / 8.0, 0.6),
  FROM_EIGHTH(1 / 8.0, Double.POSITIVE_INFINITY),
  FROM_QUARTER(1 / 4.0, Double.POSITIVE_INFINITY),
  FROM_HALF(1 / 2.0, Double.POSITIVE_INFINITY),
  FROM_HALF_SECOND(Double.POSITIVE_INFINITY, 0.5),
  FROM_SECOND(Double.POSITIVE_INFINITY, 1),
  FROM_TWO_SECONDS(Double.POSITIVE_INFINITY, 2),
  NONE(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);

  private static final double ROUNDING = 1e-9;

  private final double leastWholes;
  private final double leastSeconds;

  VibratoRule(double leastWholes, double leastSeconds) {
    this.leastWholes = leastWholes;
    this.leastSeconds = leastSeconds;
  }

  /**
   * Whether a note is long enough.
   *
   * @param wholes its written length
   * @param seconds how long it sounds
   */
  public boolean admits(double wholes, double seconds) {
    return wholes >= leastWholes - ROUNDING || seconds >= leastSeconds - ROUNDING;
  }

  /** Whether the player has set it. */
  public boolean isOwn() {
    return this != USUAL;
  }
}
