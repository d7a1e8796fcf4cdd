package fret.plan;

import fret.base.Said;
import fret.plan.Climbing.Turn;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.LeftOut;
import fret.search.Token;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Spreads the player's minutes over everything that is to be learned. Deterministic.
 *
 * <p>The laws, the earlier wins: care (doses, what hurts waits); never over the day's minutes, with
 * warm-up, pauses and breaks; what the player moved stays; a unit comes twice a day at most, ten
 * minutes a visit, with twenty minutes of other things between; a day is at least nine tenths full
 * while something below its target may be done; worth per minute.
 */
public final class Planner {
  /** How much more a missed passage weighs when the days are packed again (from memory). */
  private static final double MISSED_WEIGHS = 1.5;

  private static final double FULL = 0.9;
  private static final double UPKEEP_SHARE = 0.25;
  private static final int WEAKEST_JOINS = 3;

  /** The audition's day and the one before. */
  private static final int LAST_DAYS = 2;

  private final PlanRequest request;
  private final Progress progress;
  private final RunThroughs runThroughs;
  private final Climbing climbing;
  private final Token token;

  /**
   * @param plays of each level of some units, by their key, in place of those expected of the
   *     chance
   */
  Planner(PlanRequest request, Map<String, double[]> plays, Token token) {
    this.token = token;
    this.request = request;
    this.progress = new Progress(request, plays);
    this.runThroughs = new RunThroughs(request, progress);
    this.climbing = new Climbing(request.rules(), progress);
  }

  /** Makes the plan, from its first day to the last of the dates. */
  public static PracticePlan plan(PlanRequest request, Token token) {
    PracticePlan plan = bare(request, token);
    return new PracticePlan(
        plan.days(), plan.feasible(), Remedies.outcome(request, plan), plan.atTarget());
  }

  /** What would make a plan fit that does not; takes the time of some plans. */
  public static Optional<Said> remedy(PlanRequest request, PracticePlan plan, Token token) {
    return plan.feasible() ? Optional.empty() : Optional.of(new Remedies(token).remedy(request));
  }

  /** The plan without advice. */
  static PracticePlan bare(PlanRequest request, Token token) {
    return secondLook(request, once(request, token), token);
  }

  private static PracticePlan once(PlanRequest request, Token token) {
    return new Planner(request, Map.of(), token).run(LocalDate.MAX);
  }

  /**
   * Days are packed one after the other, so a passage can miss its date by little although there is
   * a way: then the days are packed once more with what was missed weighing more, and the plan that
   * brings more passages to their targets stands.
   */
  private static PracticePlan secondLook(PlanRequest request, PracticePlan plan, Token token) {
    Set<Goal.Id> missed = missed(request, plan);
    if (missed.isEmpty()) {
      return plan;
    }
    List<Goal> goals =
        request.goals().stream()
            .map(g -> missed.contains(g.id()) ? g.weighing(g.weight() * MISSED_WEIGHS) : g)
            .toList();
    PracticePlan other = once(request.with(goals), token);
    return other.atTarget().size() > plan.atTarget().size() ? other : plan;
  }

  /** Passages that do not reach their target by their own day although they need not wait. */
  private static Set<Goal.Id> missed(PlanRequest request, PracticePlan plan) {
    Set<Goal.Id> missed = new HashSet<>();
    for (Goal g : request.goals()) {
      if (!plan.atTarget().containsKey(g.id())
          && !g.units().stream().allMatch(u -> u.waitsOn(g.audition()))) {
        missed.add(g.id());
      }
    }
    return missed;
  }

  /** The first day alone. */
  static Day first(PlanRequest request) {
    return new Planner(request, Map.of(), Token.NEVER).day(request.from());
  }

  /**
   * Packs the days.
   *
   * @param until the last day that is asked for, where the dates go on longer
   */
  PracticePlan run(LocalDate until) {
    Optional<LocalDate> end =
        request.goals().stream()
            .map(Goal::audition)
            .max(Comparator.naturalOrder())
            .map(last -> last.isBefore(until) ? last : until);
    List<Day> days = new ArrayList<>();
    LocalDate date = request.from();
    while (end.isPresent() && !date.isAfter(end.get())) {
      token.check();
      days.add(day(date));
      if (date.equals(request.from())) {
        progress.followToday();
      }
      progress.noteTargets(date);
      date = date.plusDays(1);
    }
    Map<Goal.Id, LocalDate> atTarget = progress.atTarget();
    boolean feasible =
        request.goals().stream()
            .allMatch(
                g -> atTarget.containsKey(g.id()) && !atTarget.get(g.id()).isAfter(lastDay(g)));
    return new PracticePlan(days, feasible, List.of(), atTarget);
  }

  /**
   * By when a passage counts as ready in time: its ready date, or its own day where that is over.
   */
  private LocalDate lastDay(Goal g) {
    return g.ready().isBefore(request.from()) ? g.audition() : g.ready();
  }

  // ---- a day ---------------------------------------------------------------------------------

  /** The last two days, the audition's and the one before, have half the minutes. */
  private double minutesOf(LocalDate date) {
    boolean last =
        request.goals().stream()
            .anyMatch(
                g ->
                    !date.isAfter(g.audition()) && date.isAfter(g.audition().minusDays(LAST_DAYS)));
    return request.budget().on(date) * (last ? 0.5 : 1) * request.rules().easing().on(date);
  }

  private Day day(LocalDate date) {
    Filling f = new Filling(date, minutesOf(date), request.rules(), progress);
    progress.standings().forEach(Standing::startDay);
    if (request.rules().easing().on(date) > 0) {
      moved(f);
    }
    if (f.budget() > 0) {
      runThroughs.fill(f);
      weakestJoins(f);
      upkeep(f);
      for (Turn turn : Turn.values()) {
        climbing.fill(f, turn);
      }
    }
    return new Day(date, f.budget(), rounded(f.minutes()), f.arranged(), shortBy(f), leftOut(date));
  }

  private static double rounded(double minutes) {
    return Math.round(minutes * 100) / 100.0;
  }

  /** What the player put on this day comes, whatever else. */
  private void moved(Filling f) {
    for (Move m : request.moves()) {
      if (!m.to().equals(f.date())) {
        continue;
      }
      for (Standing s : progress.standings()) {
        if (s.goal.passageId() == m.passageId()
            && s.unit.id().equals(m.unit())
            && progress.open(s, f.date())) {
          double room = Visit.LONGEST_MIN;
          Optional<Visit> v =
              s.isAtTarget()
                  ? Visit.upkeep(s, room, Said.of("plan.why.moved"))
                  : Visit.climbing(s, f.date(), room, 1, true, progress.dose())
                      .map(x -> x.because(Said.of("plan.why.moved")));
          v.ifPresent(f::takeWanted);
        }
      }
    }
  }

  /** After the ready date the weakest joins are kept up. */
  private void weakestJoins(Filling f) {
    for (Goal g : request.goals()) {
      if (!f.date().isAfter(g.ready()) || f.date().isAfter(g.audition())) {
        continue;
      }
      progress
          .learned(g)
          .filter(s -> s.unit.kind() == Unit.Kind.JOIN && s.isAtTarget())
          .filter(s -> progress.open(s, f.date()))
          .sorted(
              Comparator.<Standing>comparingDouble(s -> s.chanceAt(s.ladder.size() - 1).ofClean())
                  .thenComparing(s -> -s.gap(f.date())))
          .limit(WEAKEST_JOINS)
          .forEach(
              s -> Visit.upkeep(s, f.room(), Said.of("plan.why.weak-join")).ifPresent(f::take));
    }
  }

  /** What stands at its target comes back, without crowding out what does not. */
  private void upkeep(Filling f) {
    boolean climbing =
        progress.standings().stream()
            .anyMatch(
                s ->
                    progress.open(s, f.date())
                        && !s.isAtTarget()
                        && progress.mayClimb(s, f.date()));
    double most = climbing ? f.budget() * UPKEEP_SHARE : f.budget();
    double used = 0;
    List<Standing> due =
        progress.standings().stream()
            .filter(
                s -> progress.open(s, f.date()) && s.visitsToday() == 0 && s.upkeepIsDue(f.date()))
            .filter(s -> !progress.movedAway(s, f.date()))
            .sorted(Comparator.comparingInt(s -> s.upkeepGap() - s.gap(f.date())))
            .toList();
    for (Standing s : due) {
      Optional<Visit> v =
          Visit.upkeep(
              s, Math.min(f.room(), most - used), Said.of("plan.why.upkeep", s.gap(f.date())));
      if (v.isPresent() && f.take(v.get())) {
        used += v.get().minutes();
      }
    }
  }

  // ---- what is told --------------------------------------------------------------------------

  /** The law that keeps a day from being full. */
  private Optional<Said> shortBy(Filling f) {
    if (request.rules().easing().on(f.date()) == 0) {
      return Optional.of(Said.of("plan.short.rest"));
    }
    if (f.budget() == 0) {
      return Optional.of(Said.of("plan.short.off"));
    }
    List<Standing> below =
        progress.standings().stream()
            .filter(s -> !s.isAtTarget() && !f.date().isAfter(s.goal.audition()))
            .toList();
    if (f.minutes() >= FULL * f.budget() - 1e-9) {
      return Optional.empty();
    }
    if (below.isEmpty()) {
      return Optional.of(Said.of("plan.short.ready"));
    }
    if (below.stream().allMatch(s -> s.unit.waitsOn(f.date()))) {
      return Optional.of(Said.of("plan.short.held"));
    }
    boolean climbed =
        below.stream()
            .filter(s -> !s.unit.waitsOn(f.date()))
            .allMatch(s -> s.visitsToday() >= 2 || !progress.mayClimb(s, f.date()));
    return Optional.of(
        Said.of(
            climbed ? "plan.short.twice" : "plan.short.room",
            Said.tenths(f.budget() - f.minutes())));
  }

  private List<LeftOut> leftOut(LocalDate date) {
    return progress.standings().stream()
        .filter(s -> !s.unit.waitsOn(date) && !s.isAtTarget() && s.visitsToday() == 0)
        .filter(s -> !date.isAfter(s.goal.audition()))
        .map(s -> new LeftOut(s.goal.passageId(), s.unit.id(), s.daysSince(date)))
        .toList();
  }
}
