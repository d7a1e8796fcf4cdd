package fret.tempo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * The tempo ladder of a passage: five to nine levels from half the target (or a start of the
 * player's own) up to the target (common practice, no source).
 *
 * @param levels beats per minute, strictly rising, the last the target
 */
public record Ladder(List<Integer> levels) {
  private static final int FEWEST = 5;
  private static final int MOST = 9;
  private static final int[] TIDY = {10, 5, 4, 2, 1};
  private static final int[] COARSE = {20, 25, 50, 100};

  public Ladder {
    levels = List.copyOf(levels);
    for (int i = 1; i < levels.size(); i++) {
      if (levels.get(i) <= levels.get(i - 1)) {
        throw new IllegalArgumentException("levels do not rise: " + levels);
      }
    }
    if (levels.isEmpty()) {
      throw new IllegalArgumentException("a ladder needs a level");
    }
  }

  /** From half the target, on tidy steps. */
  public static Ladder toTarget(int target) {
    return between((int) Math.round(target / 2.0), target);
  }

  /**
   * From a start of one's own, on the largest of the steps 10, 5, 4, 2 and 1 that gives at least
   * five levels; when that gives more than nine, on the smallest of 20, 25, 50 and 100 that gives
   * no more than nine. The steps count down from the target, so that only the first one may be
   * smaller.
   *
   * @throws IllegalArgumentException if {@code start} is below 1 or {@code start >= target}
   */
  public static Ladder between(int start, int target) {
    if (start < 1 || start >= target) {
      throw new IllegalArgumentException("no ladder from " + start + " to " + target);
    }
    List<Integer> levels = List.of();
    for (int step : TIDY) {
      levels = down(start, target, step);
      if (levels.size() >= FEWEST) {
        break;
      }
    }
    for (int step : COARSE) {
      if (levels.size() <= MOST) {
        break;
      }
      levels = down(start, target, step);
    }
    return new Ladder(levels);
  }

  /** On the numbers of the classic metronome, five to nine of them as evenly spread as they lie. */
  public static Ladder onMetronome(int target) {
    double half = Math.max(40, target / 2.0);
    List<Integer> all = new ArrayList<>();
    for (int n : MetronomeScale.numbers()) {
      if (n >= half && n < target) {
        all.add(n);
      }
    }
    all.add(target);
    int count = Math.min(all.size(), Math.max(FEWEST, Math.min(MOST, (all.size() + 1) / 2)));
    List<Integer> chosen = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      int at = count == 1 ? all.size() - 1 : Math.round(i * (all.size() - 1) / (float) (count - 1));
      chosen.add(all.get(at));
    }
    return new Ladder(chosen);
  }

  public int target() {
    return levels.get(levels.size() - 1);
  }

  public int start() {
    return levels.get(0);
  }

  /** The next higher level, or the target when there is none. */
  public int above(int perMinute) {
    return levels.stream().filter(l -> l > perMinute).findFirst().orElse(target());
  }

  /** The next lower level, or the first when there is none. */
  public int below(int perMinute) {
    int found = start();
    for (int level : levels) {
      if (level < perMinute) {
        found = level;
      }
    }
    return found;
  }

  private static List<Integer> down(int start, int target, int step) {
    List<Integer> levels = new ArrayList<>();
    for (int level = target; level > start; level -= step) {
      levels.add(level);
    }
    levels.add(start);
    Collections.reverse(levels);
    return levels;
  }
}
