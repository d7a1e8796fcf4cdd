package fret.app.words;

/**
 * Effort against another way, in words. The unit is a shift to the neighbouring position, which
 * weighs about 1.
 */
public final class Harder {
  private static final double ALIKE = 0.05;
  private static final double LITTLE = 1;
  private static final double MUCH = 4;

  private Harder() {}

  /** Whether no difference is told. */
  public static boolean isAlike(double more) {
    return Math.abs(more) < ALIKE;
  }

  /**
   * How much harder or easier it is.
   *
   * @param more effort against what it is compared with; below 0 for less
   * @param figures whether the figure is told too
   */
  public static String than(double more, boolean figures) {
    double size = Math.abs(more);
    if (isAlike(more)) {
      return Sentences.of("harder.alike");
    }
    String much = size < LITTLE ? "little" : size < MUCH ? "more" : "much";
    String words = Sentences.of("harder." + (more < 0 ? "easier." : "harder.") + much);
    return figures ? Sentences.of("harder.figure", words, Words.shown("%+.1f", more)) : words;
  }
}
