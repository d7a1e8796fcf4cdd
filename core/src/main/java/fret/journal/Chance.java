package fret.journal;

/**
 * How likely a try is clean, from those that were judged: the mean of a Beta distribution that
 * starts from four clean and one not.
 *
 * @param clean clean tries, 0 or more
 * @param other tries that were not, 0 or more
 */
public record Chance(int clean, int other) {
  public static final Chance UNKNOWN = new Chance(0, 0);

  private static final double PRIOR_CLEAN = 4;
  private static final double PRIOR_OTHER = 1;

  public Chance {
    if (clean < 0 || other < 0) {
      throw new IllegalArgumentException(clean + " clean and " + other + " other tries");
    }
  }

  /** Between 0 and 1, never either. */
  public double ofClean() {
    return (PRIOR_CLEAN + clean) / (PRIOR_CLEAN + PRIOR_OTHER + clean + other);
  }

  /** Expected plays until so many clean ones stand in a row. */
  public double plays(int inRow) {
    return plays(inRow, ofClean());
  }

  /**
   * Expected plays until {@code k} clean ones stand in a row: {@code (1 - p^k) / ((1 - p) p^k)} (W.
   * Feller, An Introduction to Probability Theory and Its Applications I, 1968, XIII.7; from
   * memory).
   *
   * @param k at least 1
   * @param p chance of a clean one, above 0, at most 1
   */
  public static double plays(int k, double p) {
    if (k < 1 || !(p > 0) || !(p <= 1)) {
      throw new IllegalArgumentException(k + " in a row at " + p);
    }
    // Summed up, so that a chance of 1 needs no case of its own.
    double sum = 0;
    for (int i = 1; i <= k; i++) {
      sum += Math.pow(p, -i);
    }
    return sum;
  }
}
