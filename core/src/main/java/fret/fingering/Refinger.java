package fret.fingering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Fingers a passage again after one note was decided: only the stretch between the nearest resets
 * (open string, rest, decided note) moves; outside it every note keeps its place, and the hand at
 * both ends is held.
 */
public final class Refinger {
  private Refinger() {}

  /**
   * A new fingering.
   *
   * @param task with the new rules; its own fixed notes stay fixed
   * @param current the fingering so far
   * @param note the note that was decided
   */
  public static Fingering around(FingeringTask task, Fingering current, int note) {
    int slice = task.passage().notes().get(note).slice();
    int first = resetBefore(task, current, slice);
    int last = resetAfter(task, current, slice);
    Map<Integer, NoteFinger> fixed = new HashMap<>(task.fixed());
    for (int i = 0; i < current.notes().size(); i++) {
      int at = task.passage().notes().get(i).slice();
      Optional<NoteFinger> place = current.notes().get(i);
      boolean decided = isDecided(task, i);
      if ((at < first || at > last) && place.isPresent() && !decided) {
        fixed.putIfAbsent(i, place.get());
      }
    }
    return new FingeringSolver(task.withFixed(fixed)).best();
  }

  private static int resetBefore(FingeringTask task, Fingering current, int slice) {
    for (int s = slice - 1; s >= 0; s--) {
      if (isReset(task, current, s) || hasRestAfter(task, s)) {
        return s + 1;
      }
    }
    return 0;
  }

  private static int resetAfter(FingeringTask task, Fingering current, int slice) {
    int count = task.passage().slices().size();
    for (int s = slice; s < count; s++) {
      if (hasRestAfter(task, s) || s > slice && isReset(task, current, s)) {
        return s > slice && isReset(task, current, s) ? s - 1 : s;
      }
    }
    return count - 1;
  }

  private static boolean hasRestAfter(FingeringTask task, int slice) {
    return task.passage().slices().get(slice).restAfter().signum() > 0;
  }

  private static boolean isReset(FingeringTask task, Fingering current, int slice) {
    List<Integer> starting = task.passage().slices().get(slice).starting();
    return starting.stream()
        .allMatch(
            i -> isDecided(task, i) || current.notes().get(i).map(NoteFinger::isOpen).orElse(true));
  }

  private static boolean isDecided(FingeringTask task, int note) {
    return task.fixed().containsKey(note)
        || task.rules().stream().anyMatch(r -> r.note() == note && !r.forbidden());
  }
}
