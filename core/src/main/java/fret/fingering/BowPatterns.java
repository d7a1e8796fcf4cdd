package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.Arrays;
import java.util.List;

/**
 * Where the bow goes on in a pattern that it has begun: a pedal that every second note comes back
 * to, or a swing over the same strings. Found from the pitches alone; the first swing is learned,
 * the later ones are the arm's own (common practice, no source).
 */
final class BowPatterns {
  /** What a crossing in a pattern costs of one by itself (from memory). */
  private static final double GOES_ON = 0.1;

  /** What the first swing costs of crossings that nothing follows (from memory). */
  private static final double FIRST_TIME = 0.5;

  private static final int PEDAL_NOTES = 3;
  private static final int LONGEST_SWING = 8;

  /** A swing covers at least a fifth, in steps of a third or more on average (from memory). */
  private static final int LEAST_COMPASS = 7;

  private static final double LEAST_STEP = 3;

  private BowPatterns() {}

  /** By moment, what the way into it costs of a crossing by itself: less in a pattern. */
  static double[] of(ResolvedPassage passage) {
    List<Slice> slices = passage.slices();
    double[] share = new double[slices.size()];
    Arrays.fill(share, 1);
    int from = 0;
    for (int i = 0; i <= slices.size(); i++) {
      boolean ends =
          i == slices.size()
              || !isLine(slices.get(i))
              || i > 0 && slices.get(i - 1).restAfter().signum() > 0;
      if (ends) {
        mark(passage, from, i, share);
        from = i < slices.size() && !isLine(slices.get(i)) ? i + 1 : i;
      }
    }
    return share;
  }

  /** A swing round a pedal goes on in unison too. */
  static void goOn(Pedal[] pedals, double[] share) {
    for (int i = 0; i < share.length; i++) {
      share[i] = pedals[i].midi() > 0 ? Math.min(share[i], GOES_ON) : share[i];
    }
  }

  private static boolean isLine(Slice slice) {
    return slice.starting().size() == 1 && slice.grace() == 0 && slice.bowed();
  }

  private static void mark(ResolvedPassage passage, int from, int to, double[] share) {
    int[] pitch = new int[Math.max(0, to - from)];
    for (int i = 0; i < pitch.length; i++) {
      pitch[i] =
          passage.notes().get(passage.slices().get(from + i).starting().get(0)).pitch().midi();
    }
    for (int i = 0; i + 2 * PEDAL_NOTES - 2 < pitch.length; i++) {
      int last = i;
      while (last + 2 < pitch.length
          && pitch[last + 2] == pitch[i]
          && pitch[last + 1] != pitch[i]) {
        last += 2;
      }
      if (last - i >= 2 * PEDAL_NOTES - 2) {
        last = Math.min(pitch.length - 1, last + 1);
        for (int k = i; k <= last; k++) {
          share[from + k] = GOES_ON;
        }
      }
    }
    for (int period = 3; period <= LONGEST_SWING; period++) {
      markSwings(pitch, period, from, share);
    }
  }

  /** A contour that comes again after as many notes, twice at least. */
  private static void markSwings(int[] pitch, int period, int from, double[] share) {
    int run = 0;
    for (int i = 0; i + 1 < pitch.length; i++) {
      boolean alike =
          i >= period
              && Integer.signum(pitch[i + 1] - pitch[i])
                  == Integer.signum(pitch[i + 1 - period] - pitch[i - period])
              && pitch[i + 1] != pitch[i];
      run = alike ? run + 1 : 0;
      if (run >= period && isSwing(pitch, i + 1 - period, i + 1)) {
        for (int k = i + 2 - run; k <= i + 1; k++) {
          share[from + k] = GOES_ON;
        }
        for (int k = Math.max(1, i + 2 - run - period); k < i + 2 - run; k++) {
          share[from + k] = Math.min(share[from + k], FIRST_TIME);
        }
      }
    }
  }

  private static boolean isSwing(int[] pitch, int from, int to) {
    int low = Integer.MAX_VALUE;
    int high = Integer.MIN_VALUE;
    int way = 0;
    for (int i = from; i <= to; i++) {
      low = Math.min(low, pitch[i]);
      high = Math.max(high, pitch[i]);
      way += i > from ? Math.abs(pitch[i] - pitch[i - 1]) : 0;
    }
    return high - low >= LEAST_COMPASS && way >= LEAST_STEP * (to - from);
  }
}
