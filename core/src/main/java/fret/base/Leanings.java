package fret.base;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToIntFunction;

/**
 * How far a player leans to one end or the other of some habits, as against what is usual.
 *
 * @param <H> the habits
 * @param steps for those that are not in the middle, {@value #MOST} to either side
 */
public record Leanings<H extends Enum<H>>(Map<H, Integer> steps) {
  /** Steps from the middle to either end. */
  public static final int MOST = 2;

  /** A step makes what leans to it count so many times as much; chosen, not measured. */
  private static final double STEP = 1.6;

  public Leanings {
    steps.forEach(
        (habit, step) -> {
          if (Math.abs(step) > MOST) {
            throw new IllegalArgumentException(habit + " leans " + step + " steps");
          }
        });
    Map<H, Integer> copy = new TreeMap<>(steps);
    copy.values().removeIf(step -> step == 0);
    steps = Collections.unmodifiableMap(copy);
  }

  /** In the middle everywhere. */
  public static <H extends Enum<H>> Leanings<H> none() {
    return new Leanings<H>(Map.of());
  }

  /** Steps towards the second end; below 0 towards the first. */
  public int of(H habit) {
    return steps.getOrDefault(habit, 0);
  }

  public Leanings<H> with(H habit, int step) {
    Map<H, Integer> all = new TreeMap<>(steps);
    all.put(habit, step);
    return new Leanings<>(all);
  }

  public boolean isNone() {
    return steps.isEmpty();
  }

  /** What a weight is multiplied with, so many steps on; below 1 for steps back. */
  public static double factor(int steps) {
    return Math.pow(STEP, steps);
  }

  /**
   * What all habits together make of one weight.
   *
   * @param way 1 for a habit towards whose second end it weighs more, -1 for less, 0 for neither
   */
  public double factor(ToIntFunction<H> way) {
    return factor(
        steps.entrySet().stream().mapToInt(l -> l.getValue() * way.applyAsInt(l.getKey())).sum());
  }
}
