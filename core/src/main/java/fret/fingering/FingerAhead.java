package fret.fingering;

import fret.instrument.Finger;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A string crossing for the left hand: the finger that must be down on the next string before the
 * bow gets there, and the time it has.
 *
 * @param note index of the note that is crossed to
 * @param finger the finger that goes ahead
 * @param fromString the string before; {@code string} the string crossed to, 1 the highest
 * @param freeFromSlice moment from whose start on the finger is free to be placed
 * @param timeMs from then to the start of the note, 0 when the finger is busy up to the crossing
 */
public record FingerAhead(
    int note, Finger finger, int fromString, int string, int freeFromSlice, double timeMs) {
  /** Crossings to a stopped note, in order; those right after a rest are left out. */
  public static List<FingerAhead> of(FingeringTask task, Fingering fingering) {
    List<TimedSlice> moments = Timing.of(task.passage(), task.tempo(), task.wishes());
    List<FingerAhead> found = new ArrayList<>();
    for (int i = 1; i < moments.size(); i++) {
      Optional<NoteFinger> before = lead(moments.get(i - 1), fingering);
      Optional<NoteFinger> here = lead(moments.get(i), fingering);
      boolean joined = moments.get(i - 1).slice().restAfter().signum() == 0;
      if (before.isPresent()
          && here.isPresent()
          && joined
          && !here.get().isOpen()
          && before.get().string() != here.get().string()) {
        int from = freeFrom(i, here.get(), moments, fingering);
        double time = from >= i ? 0 : moments.get(i).startMs() - moments.get(from).startMs();
        found.add(
            new FingerAhead(
                here.get().note(),
                here.get().finger(),
                before.get().string(),
                here.get().string(),
                from,
                time));
      }
    }
    return found;
  }

  private static Optional<NoteFinger> lead(TimedSlice moment, Fingering fingering) {
    return moment.slice().starting().stream()
        .map(n -> fingering.notes().get(n))
        .flatMap(Optional::stream)
        .reduce((a, b) -> b);
  }

  /** The first moment of the unbroken run before {@code i} in which the finger is not needed. */
  private static int freeFrom(
      int i, NoteFinger wanted, List<TimedSlice> moments, Fingering fingering) {
    int free = i;
    for (int k = i - 1; k >= 0; k--) {
      Optional<NoteFinger> place = lead(moments.get(k), fingering);
      boolean otherPlace = place.isPresent() && place.get().lastBase() != wanted.base();
      boolean busy = place.isPresent() && place.get().lastFinger() == wanted.finger();
      if (place.isEmpty() || otherPlace || busy) {
        return free;
      }
      free = k;
      if (k > 0 && moments.get(k - 1).slice().restAfter().signum() > 0) {
        return free;
      }
    }
    return free;
  }
}
