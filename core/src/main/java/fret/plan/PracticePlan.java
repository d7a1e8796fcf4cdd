package fret.plan;

import fret.drill.DrillKind;
import java.time.LocalDate;
import java.util.List;

/**
 * A day-by-day plan.
 *
 * @param feasible whether every chunk reaches the target by the last day
 * @param advice what the plan comes to, and what would help when it does not fit
 */
public record PracticePlan(List<Day> days, boolean feasible, String advice) {
  /**
   * One day.
   *
   * @param minutes sum of the items, rounded up
   */
  public record Day(LocalDate date, int minutes, List<Item> items) {
    public Day {
      items = List.copyOf(items);
    }
  }

  /**
   * One thing to practise.
   *
   * @param chunk id of the chunk; "whole" for a run-through
   * @param perMinute tempo to close
   * @param minutes time it takes with tries and pauses
   * @param why why it stands here
   */
  public record Item(String chunk, DrillKind drill, int perMinute, double minutes, String why) {}

  public PracticePlan {
    days = List.copyOf(days);
  }
}
