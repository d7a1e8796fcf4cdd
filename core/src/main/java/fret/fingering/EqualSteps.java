package fret.fingering;

import java.util.ArrayList;
import java.util.List;

/**
 * Shifts that follow each other in one direction over nearly equal distances, which are easy to
 * learn (common practice, no source): a minor third, the major third above it and the fourth above
 * that cover nearly the same length of string.
 *
 * @param shifts two or more
 * @param meanMm mean distance
 */
public record EqualSteps(List<Shift> shifts, double meanMm) {
  /** Two distances count as equal when they differ by no more than this share of the longer. */
  private static final double TOLERANCE = 0.12;

  public EqualSteps {
    shifts = List.copyOf(shifts);
  }

  /** The chains in a list of shifts in order of time. */
  public static List<EqualSteps> of(List<Shift> shifts) {
    List<EqualSteps> found = new ArrayList<>();
    List<Shift> chain = new ArrayList<>();
    for (Shift s : shifts) {
      if (!chain.isEmpty() && !follows(chain.get(chain.size() - 1), s)) {
        close(chain, found);
      }
      chain.add(s);
    }
    close(chain, found);
    return found;
  }

  private static void close(List<Shift> chain, List<EqualSteps> into) {
    if (chain.size() > 1) {
      double mean = chain.stream().mapToDouble(Shift::travelMm).average().orElseThrow();
      into.add(new EqualSteps(chain, mean));
    }
    chain.clear();
  }

  private static boolean follows(Shift a, Shift b) {
    boolean sameWay = a.toBase() > a.fromBase() == b.toBase() > b.fromBase();
    return a.toSlice() == b.fromSlice() && sameWay && areEqual(a.travelMm(), b.travelMm());
  }

  /** Whether two distances in mm feel the same. */
  static boolean areEqual(double oneMm, double otherMm) {
    return Math.abs(oneMm - otherMm) <= TOLERANCE * Math.max(oneMm, otherMm);
  }
}
