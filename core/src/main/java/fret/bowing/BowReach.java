package fret.bowing;

import fret.search.RulerProblem;
import java.util.List;

/**
 * Where the bow can be at each boundary, by direction and place on the grid of the search: what is
 * decided of directions, places and hooks is heeded, what anything costs is not.
 */
final class BowReach {
  private final int places;

  /** By boundary, by direction of the stroke that ended there, by place. */
  private final boolean[][][] arrived;

  BowReach(int units, double hairCm) {
    this.places = (int) Math.floor(hairCm / BowSolver.GRID_CM) + 1;
    this.arrived = new boolean[units + 1][2][places];
  }

  /** Whether any stroke ends at a boundary. */
  boolean isReached(int boundary) {
    return first(arrived[boundary][RulerProblem.DOWN]) < places
        || first(arrived[boundary][RulerProblem.UP]) < places;
  }

  private int first(boolean[] at) {
    int p = 0;
    while (p < places && !at[p]) {
      p++;
    }
    return p;
  }

  /** Whether a stroke can go on from a boundary in the direction and at the place it came. */
  boolean goesOn(int boundary, List<BowSpan> spans) {
    for (BowSpan span : spans) {
      for (int side = 0; side < 2; side++) {
        boolean[] from = from(boundary, side, true);
        if (allows(span, side) && ends(span, side, from) != null) {
          return true;
        }
      }
    }
    return false;
  }

  /** Goes on from a boundary: in any direction and from any place, or hooked. */
  void on(int boundary, List<BowSpan> spans, boolean hooked) {
    for (BowSpan span : spans) {
      for (int side = 0; side < 2; side++) {
        boolean[] ends = allows(span, side) ? ends(span, side, from(boundary, side, hooked)) : null;
        for (int p = 0; ends != null && p < places; p++) {
          arrived[span.to()][side][p] |= ends[p];
        }
      }
    }
  }

  private static boolean allows(BowSpan span, int side) {
    return span.bySide(side) < Double.POSITIVE_INFINITY;
  }

  private boolean[] from(int boundary, int side, boolean hooked) {
    if (hooked) {
      return arrived[boundary][side];
    }
    boolean[] anywhere = new boolean[places];
    java.util.Arrays.fill(anywhere, boundary == 0 || isReached(boundary));
    return anywhere;
  }

  /** Where a stroke can end that starts at one of some places; null where it cannot start. */
  private boolean[] ends(BowSpan span, int side, boolean[] from) {
    boolean[] ends = null;
    int least = (int) Math.ceil(span.least() / BowSolver.GRID_CM);
    int most = (int) Math.floor(span.most() / BowSolver.GRID_CM);
    for (int p = 0; p < places; p++) {
      if (from[p] && span.byStart(side, p * BowSolver.GRID_CM) < Double.POSITIVE_INFINITY) {
        ends = ends == null ? new boolean[places] : ends;
        int room = side == RulerProblem.DOWN ? places - 1 - p : p;
        for (int l = Math.min(least, room); l <= Math.min(Math.max(least, most), room); l++) {
          ends[side == RulerProblem.DOWN ? p + l : p - l] = true;
        }
      }
    }
    return ends;
  }
}
