package fret.plan;

import fret.base.Said;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.LeftOut;
import fret.search.Token;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Spreads the player's minutes over everything that is to be learned. Deterministic.
 *
 * <p>The laws, the earlier wins: care (doses, what hurts waits); never over the day's minutes, with
 * warm-up, pauses, changes and breaks; what the player moved stays; all work is visits of three to
 * ten minutes to a chunk or a few neighbours, or rounds; whole plays; every passage returns; a day
 * is at least nine tenths full while something below its target may be done; worth per minute.
 */
public final class Planner {
  private static final double FULL = 0.9;

  /** The audition's day and the one before. */
  private static final int LAST_DAYS = 2;

  private final PlanRequest request;
  private final Progress progress;
  private final RunThroughs runThroughs;
  private final Climbing climbing;
  private final Visiting visiting;
  private final Returns returns;
  private final double visitMin;
  private final Token token;

  /** Whether the last day with minutes had nothing. */
  private boolean wasEmpty;

  /**
   * @param plays of each level of some units, by their key, in place of those expected of the
   *     chance
   */
  Planner(PlanRequest request, Map<String, double[]> plays, Token token) {
    this(request, plays, Filling.USUAL_MIN, token);
  }

  /**
   * @param visitMin minutes of a visit where the day is free
   */
  Planner(PlanRequest request, Map<String, double[]> plays, double visitMin, Token token) {
    this.visitMin = visitMin;
    this.token = token;
    this.request = request;
    this.progress = new Progress(request, plays);
    this.runThroughs = new RunThroughs(request, progress);
    this.visiting = new Visiting(request.rules(), progress);
    this.climbing = new Climbing(progress, visiting);
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
    return new Packings(request, token).best();
  }

  /** Levels that are still open when the days are over, of what need not wait until then. */
  int levelsOpen() {
    return progress.standings().stream()
        .filter(s -> !s.unit.waitsOn(s.goal.audition()))
        .mapToInt(Standing::levelsLeft)
        .sum();
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
                g ->
                    atTarget.containsKey(g.id())
                        && !atTarget.get(g.id()).isAfter(Fit.by(request, g)));
    return new PracticePlan(days, feasible, List.of(), atTarget);
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
    return new Filling(date, minutesOf(date), visitMin, request.rules(), progress);
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
    takeBack(f, due.stream().filter(p -> !isRead(p, f.date())).toList());
    progress.readings().fill(f, progress);
    runThroughs.fill(f);
    takeBack(f, due);
    climbing.fill(f);
  }

  private boolean isRead(long passage, LocalDate date) {
    return request.goals().stream()
        .anyMatch(g -> g.passageId() == passage && progress.isRead(g, date));
  }

  /**
   * The passages that cannot wait: as a whole where they may be, which is short, else in a visit.
   */
  private void takeBack(Filling f, List<Long> due) {
    for (Goal g : request.goals()) {
      boolean waits = due.contains(g.passageId()) && !f.has(g.passageId());
      if (waits && (runThroughs.runs(g, f.date()) || runThroughs.mayRun(g, f.date()))) {
        runThroughs.run(g, f);
      }
    }
    List<Long> visits = due.stream().filter(p -> !f.has(p)).toList();
    for (int i = 0; i < visits.size(); i++) {
      double each = f.room() / (visits.size() - i) - Arrangement.OTHER_PASSAGE_MIN;
      climbing.takeOf(f, visits.get(i), Math.max(Visit.SHORTEST_MIN, each));
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
