package fret.plan;

import fret.search.Token;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Days are packed one after the other, so a passage can miss its date by little although there is a
 * way: then the days are packed again, with what was missed weighing more and with longer or
 * shorter visits, and the plan that brings more to its target stands.
 */
final class Packings {
  /**
   * Another way to pack the days.
   *
   * @param missedWeighs how much more a missed passage weighs (from memory)
   * @param visitMin minutes of a visit where the day is free
   */
  private record Way(double missedWeighs, double visitMin) {}

  private static final List<Way> WAYS =
      List.of(new Way(1.5, Filling.USUAL_MIN), new Way(4, Filling.USUAL_MIN));

  /** Where only a few levels are open at the end. */
  private static final List<Way> NEAR_WAYS =
      List.of(new Way(1, 8), new Way(1, 3), new Way(1.5, 8), new Way(1.5, 3), new Way(4, 10));

  /** So few of them, and so few days late. */
  private static final int NEAR_LEVELS = 12;

  private static final int NEAR_DAYS = 3;

  /**
   * A plan.
   *
   * @param inTime passages that are ready in time
   * @param open levels that are not closed when the days are over
   * @param late days by which the last passage is late that is ready at all
   */
  private record Packed(PracticePlan plan, int inTime, int open, long late) {
    boolean isBetterThan(Packed other) {
      return inTime > other.inTime
          || inTime == other.inTime && plan.atTarget().size() > other.plan.atTarget().size();
    }

    boolean isNear() {
      return open <= NEAR_LEVELS && late <= NEAR_DAYS;
    }
  }

  private final PlanRequest request;
  private final Token token;

  Packings(PlanRequest request, Token token) {
    this.request = request;
    this.token = token;
  }

  PracticePlan best() {
    Packed first = packed(request, Filling.USUAL_MIN);
    Set<Goal.Id> missed = missed(first.plan());
    if (missed.isEmpty()) {
      return first.plan();
    }
    Packed best = better(first, missed, WAYS);
    return (best.isNear() ? better(best, missed, NEAR_WAYS) : best).plan();
  }

  private Packed better(Packed than, Set<Goal.Id> missed, List<Way> ways) {
    Packed best = than;
    for (Way w : ways) {
      if (!best.plan().feasible()) {
        List<Goal> goals =
            request.goals().stream()
                .map(g -> missed.contains(g.id()) ? g.weighing(g.weight() * w.missedWeighs()) : g)
                .toList();
        Packed other = packed(request.with(goals), w.visitMin());
        best = other.isBetterThan(best) ? other : best;
      }
    }
    return best;
  }

  private Packed packed(PlanRequest asked, double visitMin) {
    Planner planner = new Planner(asked, Map.of(), visitMin, token);
    PracticePlan plan = planner.run(LocalDate.MAX);
    int inTime = 0;
    long late = 0;
    for (Goal g : request.goals()) {
      LocalDate day = plan.atTarget().get(g.id());
      long after = day == null ? 0 : ChronoUnit.DAYS.between(Fit.by(request, g), day);
      inTime += day != null && after <= 0 ? 1 : 0;
      late = Math.max(late, after);
    }
    return new Packed(plan, inTime, planner.levelsOpen(), late);
  }

  /** Passages that are not ready in time although they need not wait. */
  private Set<Goal.Id> missed(PracticePlan plan) {
    Set<Goal.Id> missed = new HashSet<>();
    for (Goal g : request.goals()) {
      LocalDate day = plan.atTarget().get(g.id());
      boolean isLate = day == null || day.isAfter(Fit.by(request, g));
      if (isLate && !g.units().stream().allMatch(u -> u.waitsOn(g.audition()))) {
        missed.add(g.id());
      }
    }
    return missed;
  }
}
