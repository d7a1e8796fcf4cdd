package fret.mark;

/**
 * How much louder each line within broken chords is than the passage there, in levels of loudness;
 * below 0 softer.
 */
public record StrandLevels(double lower, double pedal, double upper) {
  public static final StrandLevels EVEN = new StrandLevels(0, 0, 0);

  /** Furthest from the passage that a line may stand. */
  public static final double MOST = 3;

  public StrandLevels {
    for (double level : new double[] {lower, pedal, upper}) {
      if (!(Math.abs(level) <= MOST)) {
        throw new IllegalArgumentException("a line " + level + " levels louder");
      }
    }
  }

  public double of(Strand strand) {
    return switch (strand) {
      case LOWER -> lower;
      case PEDAL -> pedal;
      case UPPER -> upper;
    };
  }

  public StrandLevels with(Strand strand, double level) {
    return switch (strand) {
      case LOWER -> new StrandLevels(level, pedal, upper);
      case PEDAL -> new StrandLevels(lower, level, upper);
      case UPPER -> new StrandLevels(lower, pedal, level);
    };
  }
}
