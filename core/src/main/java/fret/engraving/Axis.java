package fret.engraving;

import java.util.Map;

/**
 * Where each moment of a passage stands from left to right, in staff spaces: what a stave and all
 * lanes under it share. On a page each line has its own, with only some of the moments.
 */
public final class Axis {
  /** From the middle of a notehead to where its moment begins. */
  private static final double BEFORE = 0.9;

  private static final double LAST = 3;

  private final double[] x;
  private final double width;

  private Axis(double[] x, double width) {
    this.x = x;
    this.width = width;
  }

  /** The axis of a whole strip. */
  public static Axis of(Strip strip) {
    double[] x = strip.sliceX().stream().mapToDouble(Double::doubleValue).toArray();
    return new Axis(x, strip.width());
  }

  /**
   * The axis of one line of a page.
   *
   * @param count moments of the whole passage
   * @param here moment of the passage to moment of the line
   */
  static Axis of(Strip line, int count, Map<Integer, Integer> here) {
    double[] x = new double[count];
    java.util.Arrays.fill(x, Double.NaN);
    here.forEach((slice, mine) -> x[slice] = line.sliceX().get(mine));
    return new Axis(x, line.width());
  }

  public double width() {
    return width;
  }

  /** Whether a moment stands on it. */
  public boolean has(int slice) {
    return slice >= 0 && slice < x.length && !Double.isNaN(x[slice]);
  }

  /** Middle of the moment's noteheads. */
  public double x(int slice) {
    return x[slice];
  }

  /** Where the moment begins. */
  public double start(int slice) {
    return x[slice] - BEFORE;
  }

  /** Where the next moment begins; behind the last one, or the end of a line, a little later. */
  public double end(int slice) {
    return has(slice + 1) ? start(slice + 1) : Math.min(x[slice] + LAST, width);
  }
}
