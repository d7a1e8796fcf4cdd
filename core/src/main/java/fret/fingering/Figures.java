package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Finds figures that come back: stretches of 4 to 16 moments that start on a beat and have the same
 * steps in the same rhythm, at the same pitch or as a sequence. The longest are found first, and no
 * moment belongs to two figures. Before them come the swings: two to six notes that come again
 * twice straight away at the same pitch, wherever they start.
 */
final class Figures {
  private static final int LONGEST = 16;
  private static final int SHORTEST = 4;

  /**
   * A figure that comes back.
   *
   * @param starts indices of the moments at which it starts, two or more
   * @param length how many moments it lasts
   * @param samePitch whether it always comes at the same pitch; else it is a sequence
   * @param swing whether it comes again straight away, so that the arm goes on in it
   */
  record Figure(List<Integer> starts, int length, boolean samePitch, boolean swing) {
    Figure {
      starts = List.copyOf(starts);
    }

    Figure at(List<Integer> otherStarts) {
      return new Figure(otherStarts, length, samePitch, swing);
    }
  }

  private static final int FEWEST_SWINGS = 3;
  private static final int SHORTEST_SWING = 2;
  private static final int LONGEST_SWING = 6;

  /** One moment without its pitch. */
  private record Shape(
      List<Integer> intervals, Fraction duration, Fraction rest, boolean slurred) {}

  private final List<TimedSlice> moments;
  private final int[] lowest;
  private final Shape[] shapes;
  private final boolean[] taken;

  private Figures(ResolvedPassage passage, List<TimedSlice> moments) {
    this.moments = moments;
    this.lowest = new int[moments.size()];
    this.shapes = new Shape[moments.size()];
    this.taken = new boolean[moments.size()];
    for (int i = 0; i < lowest.length; i++) {
      Slice slice = moments.get(i).slice();
      List<Integer> midi =
          slice.starting().stream().map(n -> passage.notes().get(n).pitch().midi()).toList();
      lowest[i] = midi.get(0);
      shapes[i] =
          new Shape(
              midi.stream().map(m -> m - midi.get(0)).toList(),
              slice.duration(),
              slice.restAfter(),
              slice.slurredInto());
    }
  }

  /** The figures of a passage, those at the same pitch first, the longest of each kind first. */
  static List<Figure> of(ResolvedPassage passage, List<TimedSlice> moments) {
    Figures finder = new Figures(passage, moments);
    List<Figure> found = finder.swings();
    for (boolean samePitch : new boolean[] {true, false}) {
      for (int length = LONGEST; length >= SHORTEST; length--) {
        finder.collect(length, samePitch, found);
      }
    }
    return found;
  }

  /** Each moment belongs to the swing of the shortest period that it is in. */
  private List<Figure> swings() {
    List<Figure> found = new ArrayList<>();
    boolean[] swings = new boolean[moments.size()];
    for (int period = SHORTEST_SWING; period <= LONGEST_SWING; period++) {
      for (int start = 0; start + FEWEST_SWINGS * period <= moments.size(); start++) {
        int times = swings[start] ? 0 : (swingEnd(start, period, swings) - start) / period;
        if (times >= FEWEST_SWINGS) {
          found.add(new Figure(every(start, period, times), period, true, true));
          Arrays.fill(swings, start, start + times * period, true);
          start += times * period - 1;
        }
      }
    }
    return found;
  }

  private static List<Integer> every(int start, int period, int times) {
    return IntStream.range(0, times).mapToObj(t -> start + t * period).toList();
  }

  /** Where a line that starts somewhere no longer comes again after so many notes. */
  private int swingEnd(int start, int period, boolean[] swings) {
    int at = isSingle(start) ? start + 1 : start;
    while (at < moments.size()
        && at > start
        && !swings[at]
        && goesOn(at)
        && (at < start + period || lowest[at] == lowest[at - period])) {
      at++;
    }
    return at;
  }

  /** A single note that follows at once, unlike the one before it. */
  private boolean goesOn(int at) {
    return isSingle(at)
        && lowest[at] != lowest[at - 1]
        && moments.get(at - 1).slice().restAfter().signum() == 0;
  }

  private boolean isSingle(int at) {
    return shapes[at].intervals().size() == 1 && moments.get(at).slice().bowed();
  }

  private void collect(int length, boolean samePitch, List<Figure> into) {
    Map<List<Object>, List<Integer>> byForm = new LinkedHashMap<>();
    Map<List<Object>, Integer> endOf = new HashMap<>();
    for (int start = 0; start + length <= moments.size(); start++) {
      if (!moments.get(start).onBeat() || isTaken(start, length)) {
        continue;
      }
      List<Object> form = form(start, length, samePitch);
      if (endOf.getOrDefault(form, 0) <= start) {
        byForm.computeIfAbsent(form, f -> new ArrayList<>()).add(start);
        endOf.put(form, start + length);
      }
    }
    for (List<Integer> starts : byForm.values()) {
      List<Integer> free = starts.stream().filter(s -> !isTaken(s, length)).toList();
      if (free.size() > 1) {
        free.forEach(s -> Arrays.fill(taken, s, s + length, true));
        if (into.stream().noneMatch(f -> f.length == length && f.starts.equals(free))) {
          into.add(new Figure(free, length, samePitch, false));
        }
      }
    }
  }

  private boolean isTaken(int start, int length) {
    return IntStream.range(start, start + length).anyMatch(i -> taken[i]);
  }

  /** What two appearances must share; the slur into the first note and the rest after count not. */
  private List<Object> form(int start, int length, boolean samePitch) {
    List<Object> form = new ArrayList<>();
    int zero = samePitch ? 0 : lowest[start];
    for (int i = start; i < start + length; i++) {
      boolean last = i == start + length - 1;
      Shape s = shapes[i];
      form.add(lowest[i] - zero);
      form.add(s.intervals());
      form.add(s.duration());
      form.add(last ? Fraction.ZERO : s.rest());
      form.add(i > start && s.slurred());
    }
    return form.stream().map(Objects::requireNonNull).toList();
  }
}
