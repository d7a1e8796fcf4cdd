package fret.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Tries every way to spend some days on a few neighbours, stage by stage: whether all their levels
 * can be closed at all. It knows the laws and nothing of how the planner chooses: whole stages, of
 * which each visit may cut its last one to three plays or more; visits of ten minutes with a change
 * between them. For days too short for a second visit to a unit.
 */
final class EverySchedule {
  private static final double EPS = 1e-9;
  private static final int FEWEST = 3;

  private final Goal goal;
  private final int days;
  private final double minutes;
  private final double plays;
  private final int whole;
  private final boolean levelADay;
  private final Set<List<Integer>> seen = new HashSet<>();

  /**
   * @param minutes of a day, without its warm-up
   * @param plays that each level takes, as expected of a player of whom nothing is known
   */
  EverySchedule(Goal goal, int days, double minutes, double plays, boolean levelADay) {
    this.goal = goal;
    this.days = days;
    this.minutes = minutes;
    this.plays = plays;
    this.whole = (int) Math.ceil(plays);
    this.levelADay = levelADay;
  }

  /** Whether some way brings all units to the end of the ladder. */
  boolean exists() {
    List<Integer> start = new ArrayList<>();
    goal.units().forEach(u -> start.add(0));
    return from(0, start);
  }

  /** A unit stands at {@code levels closed x plays a level + plays at the open one}. */
  private boolean from(int day, List<Integer> at) {
    if (at.stream().allMatch(s -> s == end())) {
      return true;
    }
    List<Integer> key = new ArrayList<>(at);
    key.add(day);
    return day < days && seen.add(key) && practise(new Today(day, 0, at, 0, 0), at);
  }

  private int end() {
    return goal.ladder().size() * whole;
  }

  /** What of a day is spent before the next unit has its turn. */
  private record Today(int day, int unit, List<Integer> morning, double spent, int cuts) {}

  private boolean practise(Today t, List<Integer> at) {
    if (t.unit() == at.size()) {
      return from(t.day() + 1, at);
    }
    int morning = t.morning().get(t.unit());
    int left = goal.ladder().size() - morning / whole;
    int most = levelADay ? Math.max(1, (int) Math.ceil((double) left / (days - t.day()))) : left;
    return climb(t, at, morning, morning / whole + most);
  }

  /** Goes on with the next unit after every number of plays that this one may have today. */
  private boolean climb(Today t, List<Integer> at, int state, int mostClosed) {
    if (state < end() && state / whole < mostClosed) {
      int played = state % whole;
      int asks = (int) Math.ceil(Math.max(1, plays - played) - EPS);
      int closed = (state / whole + 1) * whole;
      if (spent(t, at, state, closed, asks, 0, mostClosed)) {
        return true;
      }
      for (int cut = FEWEST; cut < asks; cut++) {
        if (spent(t, at, state, state + cut, cut, 1, state / whole)) {
          return true;
        }
      }
    }
    List<Integer> after = new ArrayList<>(at);
    after.set(t.unit(), state);
    return practise(new Today(t.day(), t.unit() + 1, t.morning(), t.spent(), t.cuts()), after);
  }

  private boolean spent(
      Today t, List<Integer> at, int state, int next, int count, int cuts, int mostClosed) {
    double all = t.spent() + cost(t.unit(), state, count);
    int visits = (int) Math.ceil(all / 10 - EPS);
    boolean fits = all + (visits - 1) / 3.0 <= minutes + EPS && t.cuts() + cuts <= visits;
    return fits
        && climb(
            new Today(t.day(), t.unit(), t.morning(), all, t.cuts() + cuts), at, next, mostClosed);
  }

  private double cost(int unit, int state, int count) {
    double tempo = goal.ladder().levels().get(state / whole).perMinute();
    double seconds = goal.seconds(goal.units().get(unit).length(), tempo) + Stages.PAUSE_S;
    return Math.ceil(count * seconds / 60 * 100 - 1e-6) / 100;
  }
}
