package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
  private record Shape(List<Integer> intervals, Fraction duration, Fraction rest, boolean slurred) {
    /** As the first of a figure: the slur into it counts not. */
    Shape asFirst() {
      return new Shape(intervals, duration, rest, false);
    }

    /** As the last of a figure: the rest after it counts not. */
    Shape asLast() {
      return new Shape(intervals, duration, Fraction.ZERO, slurred);
    }
  }

  /** What two appearances must share, each moment by a number. */
  private record Form(int first, IntBuffer inner, int last) {}

  /**
   * The moments as numbers, equal for what two appearances must share: with its pitch, or with the
   * step from the moment before; as the first of a figure, within it, and as its last.
   */
  private static final class Codes {
    private final int[] first;
    private final int[] inner;
    private final int[] last;

    Codes(int[] lowest, Shape[] shapes, boolean samePitch) {
      Map<List<Object>, Integer> known = new HashMap<>();
      first = new int[shapes.length];
      inner = new int[shapes.length];
      last = new int[shapes.length];
      for (int i = 0; i < shapes.length; i++) {
        int step = samePitch || i == 0 ? lowest[i] : lowest[i] - lowest[i - 1];
        first[i] = code(known, samePitch ? lowest[i] : 0, shapes[i].asFirst());
        inner[i] = code(known, step, shapes[i]);
        last[i] = code(known, step, shapes[i].asLast());
      }
    }

    private static int code(Map<List<Object>, Integer> known, int pitch, Shape shape) {
      return known.computeIfAbsent(List.of(pitch, shape), k -> known.size());
    }

    Form form(int start, int length) {
      IntBuffer between = IntBuffer.wrap(inner, start + 1, length - 2);
      return new Form(first[start], between, last[start + length - 1]);
    }
  }

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
      Codes codes = new Codes(finder.lowest, finder.shapes, samePitch);
      for (int length = LONGEST; length >= SHORTEST; length--) {
        finder.collect(length, samePitch, codes, found);
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

  private void collect(int length, boolean samePitch, Codes codes, List<Figure> into) {
    Map<Form, List<Integer>> byForm = new LinkedHashMap<>();
    Map<Form, Integer> endOf = new HashMap<>();
    for (int start = 0; start + length <= moments.size(); start++) {
      if (!moments.get(start).onBeat() || isTaken(start, length)) {
        continue;
      }
      Form form = codes.form(start, length);
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
    for (int i = start; i < start + length; i++) {
      if (taken[i]) {
        return true;
      }
    }
    return false;
  }
}
