package fret.passage;

import java.util.Objects;

/**
 * How a passage is practised.
 *
 * @param weight of it beside the others, 0.25 to 4; 1 for the usual
 * @param start first level of the ladder in the target's beat; 0 for the usual
 * @param upper upper end of the target where that is a range; 0 for none
 * @param under whether it is run through a notch under the target too, as auditions are often begun
 * @param line whether the click thins instead of the tempo rising
 * @param restsCut whether long rests are cut in the run-through, its click, the plan and takes
 */
public record PracticeSetup(
    double weight, double start, double upper, boolean under, Line line, boolean restsCut) {
  /** Slow lines keep their tempo. */
  public enum Line {
    /** Slow where fewer than two notes a second go by at the target. */
    BY_NOTES,
    SLOW,
    QUICK
  }

  public static final PracticeSetup USUAL = new PracticeSetup(1, 0, 0, false, Line.BY_NOTES, false);

  public PracticeSetup {
    Objects.requireNonNull(line);
    if (!(weight >= 0.25) || !(weight <= 4)) {
      throw new IllegalArgumentException("weight " + weight + " is outside 0.25 to 4");
    }
    if (!(start >= 0) || !(upper >= 0)) {
      throw new IllegalArgumentException("tempo below 0");
    }
  }

  public PracticeSetup withWeight(double other) {
    return new PracticeSetup(other, start, upper, under, line, restsCut);
  }

  public PracticeSetup withStart(double other) {
    return new PracticeSetup(weight, other, upper, under, line, restsCut);
  }

  public PracticeSetup withUnder(boolean other) {
    return new PracticeSetup(weight, start, upper, other, line, restsCut);
  }

  public PracticeSetup withRestsCut(boolean other) {
    return new PracticeSetup(weight, start, upper, under, line, other);
  }

  public PracticeSetup withUpper(double other) {
    return new PracticeSetup(weight, start, other, under, line, restsCut);
  }
}
