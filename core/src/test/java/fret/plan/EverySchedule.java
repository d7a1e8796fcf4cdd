package fret.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Tries every way to spend some days on a few units, play by play: whether all their levels can be
 * closed at all. It knows the laws and nothing of how the planner chooses. For days too short for a
 * second visit to a unit, so that each day is a warm-up and a visit of ten minutes at most to some
 * of the units.
 */
final class EverySchedule {
  private static final double EPS = 1e-9;

  private final Goal goal;
  private final int days;
  private final double minutes;
  private final double plays;
  private final int wholePlays;
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
    this.wholePlays = (int) Math.ceil(plays);
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
    return day < days && mayEnd(day, at) && seen.add(key) && practise(day, 0, at, at, minutes);
  }

  /** Whether the least that is left to play is not longer than the days. */
  private boolean mayEnd(int day, List<Integer> at) {
    double sum = 0;
    for (int u = 0; u < at.size(); u++) {
      for (int s = at.get(u); s < end(); s = (s / wholePlays + 1) * wholePlays) {
        sum += cost(u, s, Math.max(1, plays - s % wholePlays));
      }
    }
    return sum <= (days - day) * minutes + EPS;
  }

  private int end() {
    return goal.ladder().size() * wholePlays;
  }

  private boolean practise(
      int day, int unit, List<Integer> morning, List<Integer> at, double room) {
    if (unit == at.size()) {
      return from(day + 1, at);
    }
    int left = goal.ladder().size() - morning.get(unit) / wholePlays;
    int most = levelADay ? Math.max(1, (int) Math.ceil((double) left / (days - day))) : left;
    return visit(new Visiting(day, unit, morning, most), at, 0, Math.min(10, room), room);
  }

  private record Visiting(int day, int unit, List<Integer> morning, int mostLevels) {}

  /** Goes on with the next unit after every length that a visit to this one may have. */
  private boolean visit(Visiting v, List<Integer> at, double spent, double most, double room) {
    int state = at.get(v.unit());
    int closed = state / wholePlays - v.morning().get(v.unit()) / wholePlays;
    if (state < end() && closed < v.mostLevels()) {
      int played = state % wholePlays;
      double close = Math.max(1, plays - played);
      int next = (state / wholePlays + 1) * wholePlays;
      if (visited(v, at, next, spent + cost(v.unit(), state, close), most, room)) {
        return true;
      }
      boolean whole = played + 1 < wholePlays;
      if (whole && visited(v, at, state + 1, spent + cost(v.unit(), state, 1), most, room)) {
        return true;
      }
    }
    return practise(v.day(), v.unit() + 1, v.morning(), at, room - spent);
  }

  private boolean visited(
      Visiting v, List<Integer> at, int state, double spent, double most, double room) {
    if (spent > most + EPS) {
      return false;
    }
    List<Integer> after = new ArrayList<>(at);
    after.set(v.unit(), state);
    return visit(v, after, spent, most, room);
  }

  private double cost(int unit, int state, double count) {
    double tempo = goal.ladder().levels().get(state / wholePlays).perMinute();
    return count * (goal.seconds(goal.units().get(unit).length(), tempo) + Visit.PAUSE_S) / 60;
  }
}
