package fret.plan;

import fret.base.Said;
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
 * warm-up, pauses, changes and breaks; what the player moved stays; all work is visits of three to
 * ten minutes to a chunk or a few neighbours, or rounds; whole plays; every passage returns; a day
 * is at least nine tenths full while something below its target may be done; worth per minute.
 */
public final class Planner {
  /** How much more a missed passage weighs when the days are packed again (from memory). */
  private static final double[] MISSED_WEIGHS = {1.5, 4};

  private static final double FULL = 0.9;

  /** The audition's day and the one before. */
  private static final int LAST_DAYS = 2;

  private final PlanRequest request;
  private final Progress progress;
  private final RunThroughs runThroughs;
  private final Climbing climbing;
  private final Visiting visiting;
  private final Returns returns;
  private final Token token;

  /** Whether the last day with minutes had nothing. */
  private boolean wasEmpty;

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
    this.visiting = new Visiting(request.rules(), progress);
    this.returns =
        new Returns(request, d -> minutesOf(d) - filling(d).warmUpMinutes(), this::minutesOf);
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
   * a way: then the days are packed again with what was missed weighing more, and the plan that
   * brings more passages to their targets stands.
   */
  private static PracticePlan secondLook(PlanRequest request, PracticePlan plan, Token token) {
    Set<Goal.Id> missed = missed(request, plan);
    if (missed.isEmpty()) {
      return plan;
    }
    PracticePlan best = plan;
    for (double weighs : MISSED_WEIGHS) {
      List<Goal> goals =
          request.goals().stream()
              .map(g -> missed.contains(g.id()) ? g.weighing(g.weight() * weighs) : g)
              .toList();
      PracticePlan other = once(request.with(goals), token);
      best = other.atTarget().size() > best.atTarget().size() ? other : best;
    }
    return best;
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

  private Filling filling(LocalDate date) {
    return new Filling(date, minutesOf(date), request.rules(), progress);
  }

  private Day day(LocalDate date) {
    Filling f = filling(date);
    progress.standings().forEach(Standing::startDay);
    if (request.rules().easing().on(date) > 0) {
      moved(f);
    }
    if (f.budget() > 0) {
      fill(f);
      if (wasEmpty && f.arranged().isEmpty()) {
        something(f);
      }
      wasEmpty = f.arranged().isEmpty();
      returns.over(f);
    }
    return new Day(
        date,
        f.budget(),
        rounded(f.minutes()),
        rounded(f.changes()),
        f.arranged(),
        shortBy(f),
        leftOut(date));
  }

  private void fill(Filling f) {
    List<Long> due = returns.due(f.date(), progress);
    List<Long> visits = due.stream().filter(p -> !isInRound(p, f.date())).toList();
    takeBack(f, visits);
    progress.readings().fill(f, progress);
    runThroughs.fill(f, due);
    takeBack(f, due);
    climbing.fill(f);
  }

  /** Whether a passage comes by itself today: it is read or run through. */
  private boolean isInRound(long passage, LocalDate date) {
    return request.goals().stream()
        .filter(g -> g.passageId() == passage)
        .anyMatch(g -> progress.isRead(g, date) || runThroughs.runs(g, date));
  }

  /** The passages that cannot wait: as a whole where they stand at their targets. */
  private void takeBack(Filling f, List<Long> due) {
    int left = due.size();
    for (long p : due) {
      double each = f.room() / left - Arrangement.OTHER_PASSAGE_MIN;
      left--;
      boolean taken = f.has(p);
      for (Goal g : request.goals()) {
        if (!taken && g.passageId() == p && runThroughs.mayRun(g, f.date())) {
          taken = runThroughs.run(g, f);
        }
      }
      if (!taken) {
        climbing.takeOf(f, p, Math.max(Visit.SHORTEST_MIN, each));
      }
    }
  }

  /** No two days are empty: what has waited for longest comes a little early. */
  private void something(Filling f) {
    for (long p : returns.byWaiting(f.date(), progress)) {
      if (f.arranged().isEmpty()) {
        takeBack(f, List.of(p));
      }
    }
  }

  private static double rounded(double minutes) {
    return Math.round(minutes * 100) / 100.0;
  }

  /** What was moved as one visit is one again. */
  private double together(Move m) {
    long others =
        request.moves().stream()
            .filter(x -> x.to().equals(m.to()) && x.passageId() == m.passageId())
            .count();
    return others > 1 ? Visit.LONGEST_MIN : 0;
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
            && s.visitsToday() == 0
            && progress.open(s, f.date())) {
          Said why = Said.of("plan.why.moved");
          Optional<Visit> v =
              s.isAtTarget()
                  ? visiting.upkeep(s, f.date(), Visit.LONGEST_MIN, 0, why)
                  : visiting
                      .around(s, Visiting.For.FIRST, f.date(), Visit.LONGEST_MIN, together(m))
                      .map(x -> x.because(why));
          v.ifPresent(f::takeWanted);
        }
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
    if (rounded(f.minutes()) >= FULL * f.budget() - 1e-9) {
      return Optional.empty();
    }
    if (below.isEmpty()) {
      return Optional.of(Said.of("plan.short.ready", Said.tenths(f.budget() - f.minutes())));
    }
    if (below.stream().allMatch(s -> s.unit.waitsOn(f.date()))) {
      return Optional.of(Said.of("plan.short.held"));
    }
    boolean climbed =
        below.stream()
            .filter(s -> !s.unit.waitsOn(f.date()))
            .allMatch(s -> s.visitsToday() >= 2 || !progress.mayClimb(s, f.date()));
    String law =
        climbed
            ? "plan.short.twice"
            : f.visitsLeft() == 0 ? "plan.short.visits" : "plan.short.room";
    return Optional.of(Said.of(law, Said.tenths(f.budget() - f.minutes())));
  }

  private List<LeftOut> leftOut(LocalDate date) {
    return progress.standings().stream()
        .filter(s -> !s.unit.waitsOn(date) && !s.isAtTarget() && s.visitsToday() == 0)
        .filter(s -> !date.isAfter(s.goal.audition()))
        .map(s -> new LeftOut(s.goal.passageId(), s.unit.id(), s.daysSince(date)))
        .toList();
  }
}
