package fret.plan;

import fret.base.Said;
import fret.search.Token;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a plan comes to, and what would make it fit. */
final class Remedies {
  private static final int STEP_MIN = 5;
  private static final int MOST_MORE_MIN = 240;
  private static final int MOST_DAYS = 182;

  private final Token token;

  Remedies(Token token) {
    this.token = token;
  }

  /** What would make it fit. */
  Said remedy(PlanRequest request) {
    if (request.isEased()) {
      return Said.of("plan.remedy.hurts");
    }
    return minutes(request).or(() -> later(request)).orElseGet(() -> Said.of("plan.remedy.less"));
  }

  /** What a plan comes to. */
  static List<Said> outcome(PlanRequest request, PracticePlan plan) {
    List<Said> all = new ArrayList<>();
    if (request.goals().isEmpty()) {
      return all;
    }
    if (plan.feasible()) {
      all.add(Said.of("plan.fits"));
    } else {
      all.add(Said.of("plan.fits-not"));
    }
    boolean waits =
        request.goals().stream()
            .flatMap(g -> g.units().stream())
            .anyMatch(u -> u.waitsOn(request.from()));
    if (waits) {
      all.add(Said.of("plan.waiting"));
    }
    return all;
  }

  /** The fewest minutes more a day, in steps of five, that would do. */
  private Optional<Said> minutes(PlanRequest request) {
    int low = 0;
    int high = MOST_MORE_MIN / STEP_MIN;
    if (!feasible(request.with(request.budget().plus(high * STEP_MIN)))) {
      return Optional.empty();
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (feasible(request.with(request.budget().plus(middle * STEP_MIN)))) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return Optional.of(Said.of("plan.remedy.minutes", high * STEP_MIN));
  }

  /** The fewest days by which everything would have to wait. */
  private Optional<Said> later(PlanRequest request) {
    int low = 0;
    int high = MOST_DAYS;
    if (!feasible(later(request, high))) {
      return Optional.empty();
    }
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (feasible(later(request, middle))) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return Optional.of(Said.of("plan.remedy.later", (long) high));
  }

  /** With the ready dates as they would then be set. */
  private static PlanRequest later(PlanRequest request, int days) {
    return request.with(
        request.goals().stream()
            .map(
                g ->
                    new Goal(
                        g.id(),
                        g.weight(),
                        ready(request.from(), g, days),
                        g.audition().plusDays(days),
                        g.target(),
                        g.ladder(),
                        g.units(),
                        g.wholeNotes(),
                        g.second()))
            .toList());
  }

  private static LocalDate ready(LocalDate from, Goal g, int days) {
    LocalDate audition = g.audition().plusDays(days);
    return days == 0 || audition.isBefore(from) ? g.ready() : ReadyDate.of(from, audition);
  }

  private boolean feasible(PlanRequest request) {
    return Planner.bare(request, token).feasible();
  }
}
