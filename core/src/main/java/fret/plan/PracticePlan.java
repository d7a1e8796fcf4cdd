package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayList;
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

  /** Id under which the first reading of a passage is kept, see {@link Goal.Id#reading}. */
  public static final String READING = "reading";

  /** Whether an id is that of a run-through, or of a part of one. */
  public static boolean isRun(String unit) {
    return Part.of(unit).isRun();
  }

  /**
   * One day.
   *
   * @param budget minutes there are
   * @param minutes of all items, breaks included, and of the changes between visits
   * @param changes minutes in which one thing is put away and the next taken up
   * @param shortBy what keeps the day from being full; empty where nothing does
   * @param leftOut what waits below its target
   */
  public record Day(
      LocalDate date,
      double budget,
      double minutes,
      double changes,
      List<Item> items,
      Optional<Said> shortBy,
      List<LeftOut> leftOut) {
    public Day {
      items = List.copyOf(items);
      leftOut = List.copyOf(leftOut);
      Objects.requireNonNull(shortBy);
    }

    /** The items of each visit in a row, and by itself what belongs to none. */
    public List<List<Item>> visits() {
      return PracticePlan.visits(items);
    }
  }

  /** Items by visit, each in a row; what belongs to none stands by itself. */
  public static List<List<Item>> visits(List<Item> items) {
    List<List<Item>> all = new ArrayList<>();
    int last = 0;
    for (Item i : items) {
      if (i.visit() == 0 || i.visit() != last) {
        all.add(new ArrayList<>());
      }
      all.get(all.size() - 1).add(i);
      last = i.visit();
    }
    return all;
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
   * @param plays expected ones, rounded up, each part of a drill counted by itself; 0 for none
   * @param minutes with pauses
   * @param session counted from 1
   * @param visit which of the day's visits it is a stage of, counted from 1; 0 for none
   * @param why why it stands here
   */
  public record Item(
      Kind kind,
      long passageId,
      String unit,
      DrillKind drill,
      Level level,
      int plays,
      double minutes,
      int session,
      int visit,
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

    /** Whether it is played through once without being worked on. */
    public boolean isOfRound() {
      return kind == Kind.RUN_THROUGH || kind == Kind.MOCK;
    }

    Item because(Said other) {
      return new Item(kind, passageId, unit, drill, level, plays, minutes, session, visit, other);
    }

    Item in(int otherSession, int otherVisit) {
      return new Item(
          kind, passageId, unit, drill, level, plays, minutes, otherSession, otherVisit, why);
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
