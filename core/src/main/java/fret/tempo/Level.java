package fret.tempo;

/**
 * One step of a ladder.
 *
 * @param perMinute tempo in the passage's beat, above 0, at most 2000
 * @param clicks clicks a minute, 0 for silence
 * @param check whether the click comes back only to check what was played without it
 */
public record Level(double perMinute, double clicks, boolean check) {
  /** The slowest click of a metronome that cannot subdivide (common practice, no source). */
  private static final double SLOWEST_CLICK = 40;

  public Level {
    if (!(perMinute > 0) || !(perMinute <= 2000) || !(clicks >= 0)) {
      throw new IllegalArgumentException("level of " + perMinute + " with " + clicks + " clicks");
    }
  }

  /** A click on every beat; below 40 on its halves. */
  public static Level at(double perMinute) {
    return new Level(perMinute, perMinute < SLOWEST_CLICK ? 2 * perMinute : perMinute, false);
  }

  /** Whole tempos without a fraction, others with one figure behind the point. */
  public String text() {
    return text(perMinute);
  }

  /** The same of any tempo. */
  public static String text(double perMinute) {
    double rounded = Math.round(perMinute * 10) / 10.0;
    return rounded == Math.rint(rounded) ? String.valueOf((long) rounded) : String.valueOf(rounded);
  }
}
