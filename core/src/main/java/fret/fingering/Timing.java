package fret.fingering;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/** Puts the moments of a passage in time; grace notes steal theirs from the note before. */
final class Timing {
  /** Length of a grace note when nothing shortens it, in ms (common practice, from memory). */
  static final double GRACE_MS = 90;

  private static final List<String> DYNAMICS =
      List.of("ppp", "pp", "p", "mp", "mf", "f", "ff", "fff");

  private Timing() {}

  /**
   * The moments in time.
   *
   * @param vibrato indices of the notes for which the player wants vibrato
   */
  static List<TimedSlice> of(ResolvedPassage passage, TempoMap tempo, Set<Integer> vibrato) {
    List<Slice> slices = passage.slices();
    double[] start = starts(slices, tempo);
    TreeMap<Fraction, Integer> loudness = loudness(passage);
    List<TimedSlice> timed = new ArrayList<>();
    for (int i = 0; i < start.length; i++) {
      Slice slice = slices.get(i);
      double end = tempo.msAt(slice.onset().add(slice.duration()));
      if (i + 1 < start.length && (slice.grace() > 0 || end > start[i + 1])) {
        end = start[i + 1];
      }
      Map.Entry<Fraction, Integer> level = loudness.floorEntry(slice.onset());
      timed.add(
          new TimedSlice(
              slice,
              start[i],
              Math.max(end, start[i] + 1),
              level == null ? TimedSlice.MEZZO_FORTE : level.getValue(),
              onBeat(passage, slice),
              Contour.of(passage, i, (Math.max(end, start[i] + 1) - start[i]) / 1000),
              slice.starting().stream().anyMatch(vibrato::contains)));
    }
    return timed;
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

  private static TreeMap<Fraction, Integer> loudness(ResolvedPassage passage) {
    TreeMap<Fraction, Integer> levels = new TreeMap<>();
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        int level = d.kind() == Direction.Kind.DYNAMIC ? DYNAMICS.indexOf(d.text()) : -1;
        if (level >= 0) {
          levels.put(d.onset(), level);
        }
      }
    }
    return levels;
  }

  private static boolean onBeat(ResolvedPassage passage, Slice slice) {
    if (slice.grace() > 0) {
      return false;
    }
    Bar bar = passage.score().bar(passage.notes().get(slice.starting().get(0)).key().barIndex());
    Fraction lead = bar.time().barLength().subtract(bar.length());
    boolean pickUp = bar.start().signum() < 0 && lead.signum() > 0;
    Fraction at = slice.onset().subtract(bar.start()).add(pickUp ? lead : Fraction.ZERO);
    return bar.time().groupStarts().contains(at);
  }
}
