package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * A day-by-day plan.
 *
 * @param feasible whether every chunk reaches its target by its ready date, at the plays expected
 * @param advice what the plan comes to, and what would help when it does not fit
 * @param atTarget the day on which each goal is expected to stand at its target
 */
public record PracticePlan(
    List<Day> days, boolean feasible, List<Said> advice, Map<Goal.Id, LocalDate> atTarget) {
  /** Id under which a run-through of a whole passage is kept, see {@link Goal.Id#run}. */
  public static final String WHOLE = "whole";

  /** Whether an id is that of a run-through, or of a part of one. */
  public static boolean isRun(String unit) {
    return Part.of(unit).isRun();
  }

  /**
   * One day.
   *
   * @param budget minutes there are
   * @param minutes of all items, breaks included
   * @param shortBy what keeps the day from being full; empty where nothing does
   * @param leftOut what waits below its target
   */
  public record Day(
      LocalDate date,
      double budget,
      double minutes,
      List<Item> items,
      Optional<Said> shortBy,
      List<LeftOut> leftOut) {
    public Day {
      items = List.copyOf(items);
      leftOut = List.copyOf(leftOut);
      Objects.requireNonNull(shortBy);
    }
  }

  /**
   * Something below its target that the day has no room for.
   *
   * @param days since it was last practised; -1 for never
   */
  public record LeftOut(long passageId, String unit, int days) {}

  /** What an item is. */
  public enum Kind {
    WARM_UP,
    CHUNK,
    JOIN,
    RUN_THROUGH,
    MOCK,
    BREAK
  }

  /**
   * One thing to do.
   *
   * @param passageId 0 for a break
   * @param unit id of the chunk; {@link #WHOLE} for a run-through; empty for none
   * @param plays expected ones, each part of a drill counted by itself; 0 for none
   * @param minutes with pauses
   * @param session counted from 1
   * @param why why it stands here
   */
  public record Item(
      Kind kind,
      long passageId,
      String unit,
      DrillKind drill,
      Level level,
      double plays,
      double minutes,
      int session,
      Said why) {
    public Item {
      Objects.requireNonNull(kind);
      Objects.requireNonNull(unit);
      Objects.requireNonNull(drill);
      Objects.requireNonNull(level);
      Objects.requireNonNull(why);
    }

    public boolean isPlayed() {
      return kind != Kind.BREAK;
    }

    Item because(Said other) {
      return new Item(kind, passageId, unit, drill, level, plays, minutes, session, other);
    }

    Item in(int other) {
      return new Item(kind, passageId, unit, drill, level, plays, minutes, other, why);
    }
  }

  public PracticePlan {
    days = List.copyOf(days);
    advice = List.copyOf(advice);
    atTarget = Map.copyOf(atTarget);
  }

  /** The plan of a day; empty outside it. */
  public Optional<Day> on(LocalDate date) {
    return days.stream().filter(d -> d.date().equals(date)).findFirst();
  }
}
