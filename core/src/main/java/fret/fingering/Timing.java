package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;

/** Puts the moments of a passage in time; grace notes steal theirs from the note before. */
final class Timing {
  /** Length of a grace note when nothing shortens it, in ms (common practice, from memory). */
  static final double GRACE_MS = 90;

  private Timing() {}

  static List<TimedSlice> of(ResolvedPassage passage, TempoMap tempo) {
    List<Slice> slices = passage.slices();
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
    List<TimedSlice> timed = new ArrayList<>();
    for (int i = 0; i < start.length; i++) {
      Slice slice = slices.get(i);
      double end = tempo.msAt(slice.onset().add(slice.duration()));
      if (i + 1 < start.length && (slice.grace() > 0 || end > start[i + 1])) {
        end = start[i + 1];
      }
      timed.add(new TimedSlice(slice, start[i], Math.max(end, start[i] + 1)));
    }
    return timed;
  }
}
