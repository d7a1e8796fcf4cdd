package fret.bowing;

import fret.bowing.BowHabit.Way;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * How a player uses the bow where players differ, and how much of it each string gets.
 *
 * <p>Figures are common practice, no source, from memory.
 *
 * @param ways only what differs from the usual one
 * @param strings share of the usual bow by string, the highest first, 0.5 to 1.5; strings beyond
 *     the list get the usual
 * @param places where plain short strokes live
 */
public record BowHabits(Map<BowHabit, Way> ways, List<Double> strings, ShortPlaces places) {
  public static final BowHabits USUAL = new BowHabits(Map.of(), List.of(), ShortPlaces.USUAL);

  /** Natural speed of a player who makes sound by weight. */
  static final double BY_WEIGHT_SPEED = 0.8;

  /** What weight then takes over, as a share of the way between least and greatest force. */
  private static final double BY_WEIGHT_FORCE = 0.1;

  private static final double CLEAN_FORCE = 0.12;
  private static final double LIGHTENED_FORCE = 0.5;

  /** The bow stops so long before a shift, in ms, at most for this share of the note. */
  static final double STOPPED_MS = 100;

  private static final double STOPPED_SHARE = 0.4;

  /** A last note that is held over sounds this share of its length. */
  static final double OVER_SHARE = 1.1;

  /** What an accent adds to the bow of its note. */
  static final double ACCENT = 1.3;

  /** Turn of the bow on a chord, in degrees. */
  static final double TURNED_DEGREES = 3;

  /** Share of the weight that the favoured string of a double stop gets. */
  static final double FAVOURED = 0.6;

  public BowHabits {
    EnumMap<BowHabit, Way> kept = new EnumMap<>(BowHabit.class);
    ways.forEach(
        (habit, way) -> {
          if (!habit.ways().contains(way)) {
            throw new IllegalArgumentException(way + " is no way of " + habit);
          }
          if (way != habit.ways().get(0)) {
            kept.put(habit, way);
          }
        });
    ways = Collections.unmodifiableMap(kept);
    Objects.requireNonNull(places);
    strings = List.copyOf(strings);
    for (double share : strings) {
      if (!(share >= 0.5) || !(share <= 1.5)) {
        throw new IllegalArgumentException("a string's share of " + share + " is outside 0.5-1.5");
      }
    }
  }

  public Way way(BowHabit habit) {
    return ways.getOrDefault(habit, habit.ways().get(0));
  }

  public boolean has(Way way) {
    return ways.containsValue(way);
  }

  public BowHabits with(BowHabit habit, Way way) {
    EnumMap<BowHabit, Way> all = new EnumMap<>(BowHabit.class);
    all.putAll(ways);
    all.put(habit, way);
    return new BowHabits(all, strings, places);
  }

  /** Another share for one string, 1 the highest. */
  public BowHabits withString(int string, double share) {
    List<Double> all = new ArrayList<>(strings);
    while (all.size() < string) {
      all.add(1.0);
    }
    all.set(string - 1, share);
    return new BowHabits(ways, all, places);
  }

  /** Other places for plain short strokes. */
  public BowHabits withPlaces(ShortPlaces other) {
    return new BowHabits(ways, strings, other);
  }

  /** Share of the usual bow on a string, 1 the highest. */
  public double share(int string) {
    return string <= strings.size() ? strings.get(string - 1) : 1;
  }

  /** Share of the usual bow for all strings that sound together. */
  double share(List<Integer> sounding) {
    return strings.isEmpty()
        ? 1
        : sounding.stream().mapToDouble(this::share).average().orElseThrow();
  }

  /** Factor of the natural speeds. */
  public double speed() {
    return has(Way.BY_WEIGHT) ? BY_WEIGHT_SPEED : 1;
  }

  /** Share of its length that a note sounds which would sound a share of it. */
  double sounds(BowMoment m, boolean beforeShift, double share) {
    if (has(Way.STOPPED) && beforeShift) {
      return share - Math.min(STOPPED_SHARE * share, STOPPED_MS / m.timeMs());
    }
    return has(Way.OVER) && share == 1 && m.restMs() > 1 ? OVER_SHARE : share;
  }

  /**
   * What the last note of a slur takes of its bow.
   *
   * @param ends whether the note is the last of two or more in a bow
   */
  double onLastOfBow(boolean ends) {
    return has(Way.EACH_BOW) && ends ? OVER_SHARE : 1;
  }

  /** Place between least and greatest force of a note that would have another. */
  double force(BowMoment m, boolean beforeShift, int strings, double usual) {
    double force = usual;
    force += has(Way.BY_WEIGHT) ? BY_WEIGHT_FORCE : 0;
    force -= has(Way.CLEAN) && isLoudInner(m, strings) ? CLEAN_FORCE : 0;
    force *= has(Way.LIGHTENED) && beforeShift ? LIGHTENED_FORCE : 1;
    return Math.max(0.05, Math.min(0.95, force));
  }

  /** What an accent adds to the bow of its own note; 1 where the notes around it give way. */
  double onAccent() {
    return has(Way.AROUND_IT) ? 1 : ACCENT;
  }

  /**
   * Share of its bow that a note keeps beside its neighbours: the notes around an accent give way
   * where the player makes it so.
   *
   * @param before the moment before, null for none; {@code after} likewise
   */
  double besideAccent(BowMoment m, BowMoment before, BowMoment after) {
    boolean beside =
        before != null && before.isAccented() && before.restMs() <= 1
            || after != null && after.isAccented() && m.restMs() <= 1;
    return has(Way.AROUND_IT) && beside && !m.isAccented() ? 1 / ACCENT : 1;
  }

  /** Loud on a string that has neighbours on both sides. */
  static boolean isLoudInner(BowMoment m, int strings) {
    int string = m.strings().get(0);
    boolean inner = m.strings().size() == 1 && string > 1 && string < strings;
    return inner && m.level() >= LoudnessLine.FORTE;
  }
}
