package fret.score;

import fret.tempo.TempoMap;
import java.util.List;

/**
 * When the moments of a passage start and end; grace notes steal their time from the moment before.
 *
 * @param startMs by moment, from onset 0
 * @param endMs when its last starting note ends, not after the next moment starts
 */
public record PlayedTimes(double[] startMs, double[] endMs) {
  /** Length of a grace note when nothing shortens it, in ms (common practice, from memory). */
  public static final double GRACE_MS = 90;

  /** The moments of a passage at a tempo. */
  public static PlayedTimes of(ResolvedPassage passage, TempoMap tempo) {
    List<Slice> slices = passage.slices();
    double[] start = starts(slices, tempo);
    double[] end = new double[start.length];
    for (int i = 0; i < start.length; i++) {
      Slice slice = slices.get(i);
      end[i] = tempo.msAt(slice.onset().add(slice.duration()));
      if (i + 1 < start.length && (slice.grace() > 0 || end[i] > start[i + 1])) {
        end[i] = start[i + 1];
      }
      end[i] = Math.max(end[i], start[i] + 1);
    }
    return new PlayedTimes(start, end);
  }

  private static double[] starts(List<Slice> slices, TempoMap tempo) {
    double[] start = new double[slices.size()];
    for (int i = 0; i < start.length; i++) {
      start[i] = tempo.msAt(slices.get(i).onset());
    }
    for (int i = 0; i < start.length; i++) {
      int count = slices.get(i).grace();
      if (count > 0
          && (i == 0
              || slices.get(i - 1).grace() == 0
              || slices.get(i - 1).onset().compareTo(slices.get(i).onset()) != 0)) {
        double before = i == 0 ? Double.MAX_VALUE : start[i] - start[i - 1];
        double each = Math.min(GRACE_MS, 0.5 * before / count);
        for (int k = 0; k < count && i + k < start.length; k++) {
          start[i + k] -= (count - k) * each;
        }
      }
    }
    return start;
  }

  public double durationMs(int moment) {
    return endMs[moment] - startMs[moment];
  }
}
