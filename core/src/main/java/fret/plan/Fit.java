package fret.plan;

import fret.drill.DrillKind;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What would make a forecast fit that is later than its ready date: each by itself.
 *
 * @param by the day to be ready
 * @param moreMinutes fewest minutes more a day, in steps of five; 0 where an hour more does not do,
 *     or where something hurts
 * @param tempo highest level of the ladder that is in sight; empty where none is
 * @param units units that are in sight at the target, {@code of} all of them
 */
public record Fit(LocalDate by, int moreMinutes, Optional<Level> tempo, int units, int of) {
  private static final int STEP_MIN = 5;
  private static final int MOST_STEPS = 12;

  /**
   * What would help a goal; empty where its forecast fits, or where its tempo stays (a slow line).
   * Takes the time of some plans.
   */
  static Optional<Fit> of(AtPace pace, Goal goal) {
    LocalDate by = by(pace.request(), goal);
    PracticePlan now = pace.expected();
    if (goal.ladder().isSlow() || isIn(now, goal, by)) {
      return Optional.empty();
    }
    Set<String> late = late(now, goal, by);
    int of = goal.units().size();
    return Optional.of(
        new Fit(by, minutes(pace, goal, by), tempo(pace, goal, by), of - late.size(), of));
  }

  /** The day to be ready; where that is over, the day itself. */
  static LocalDate by(PlanRequest request, Goal goal) {
    return goal.ready().isBefore(request.from()) ? goal.audition() : goal.ready();
  }

  private static boolean isIn(PracticePlan plan, Goal goal, LocalDate by) {
    LocalDate day = plan.atTarget().get(goal.id());
    return day != null && !day.isAfter(by);
  }

  private static int minutes(AtPace pace, Goal goal, LocalDate by) {
    int low = 0;
    int high = MOST_STEPS;
    if (pace.request().isEased() || !fits(pace, goal, by, high)) {
      return 0;
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (fits(pace, goal, by, middle)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return high * STEP_MIN;
  }

  private static boolean fits(AtPace pace, Goal goal, LocalDate by, int steps) {
    return isIn(pace.expected(steps * STEP_MIN), goal, by);
  }

  private static Optional<Level> tempo(AtPace pace, Goal goal, LocalDate by) {
    List<Level> levels = goal.ladder().levels();
    int low = 0;
    int high = levels.size();
    while (high - low > 1) {
      int middle = (low + high) / 2;
      Goal less = goal.upTo(middle);
      if (isIn(pace.expected(less, by), less, by)) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low == 0 ? Optional.empty() : Optional.of(levels.get(low - 1));
  }

  /** Units that are still below the target after a day. */
  private static Set<String> late(PracticePlan plan, Goal goal, LocalDate by) {
    Set<String> late = new HashSet<>();
    for (PracticePlan.Day d : plan.days()) {
      if (!d.date().isAfter(by)) {
        continue;
      }
      d.leftOut().stream()
          .filter(l -> l.passageId() == goal.passageId())
          .forEach(l -> late.add(l.unit()));
      d.items().stream()
          .filter(i -> i.passageId() == goal.passageId() && i.drill() == DrillKind.STRAIGHT)
          .filter(i -> i.why().id().equals("plan.why.level"))
          .forEach(i -> late.add(i.unit()));
    }
    goal.units().stream().filter(u -> u.waitsOn(by)).forEach(u -> late.add(u.id()));
    late.retainAll(goal.units().stream().map(Unit::id).toList());
    return late;
  }
}
