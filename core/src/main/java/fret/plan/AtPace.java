package fret.plan;

import fret.journal.JournalEntry;
import fret.search.Token;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * The days as they will be practised at the pace of the record, in as many variations as a forecast
 * asks for. What several goals ask of is made once.
 */
public final class AtPace {
  /**
   * Plays of the band against those fitted, where all levels are left; the width that nine in ten
   * of simulated learners asked for, other ones than those that the report is of.
   */
  private static final double EARLY = 0.8;

  private static final double MIDDLE = 1.35;

  private static final double LATE = 2.7;

  private final PlanRequest request;
  private final Token token;
  private final Map<Integer, PracticePlan> withMinutes = new HashMap<>();

  /**
   * @param request with the whole record
   */
  public AtPace(PlanRequest request, Token token) {
    this.request = request;
    this.token = token;
  }

  PlanRequest request() {
    return request;
  }

  /** The days on which each goal is at its target if all goes well: one in ten is faster. */
  Map<Goal.Id, LocalDate> early() {
    return notEarlier(run(request, EARLY, LocalDate.MAX), EARLY);
  }

  /** The days on which nine in ten are at their targets. */
  Map<Goal.Id, LocalDate> late() {
    return notEarlier(run(request, LATE, LocalDate.MAX), LATE);
  }

  /** The days on which each goal is at its target at the plays that the pace expects. */
  Map<Goal.Id, LocalDate> middle() {
    return notEarlier(expected(), MIDDLE);
  }

  /** Where something hurts nothing is ready earlier than it would be without. */
  private Map<Goal.Id, LocalDate> notEarlier(PracticePlan plan, double factor) {
    boolean waits =
        request.isEased()
            || request.goals().stream()
                .flatMap(g -> g.units().stream())
                .anyMatch(u -> u.waitsOn(request.from()));
    if (!waits) {
      return plan.atTarget();
    }
    PlanRequest free =
        request
            .with(
                request.goals().stream()
                    .map(g -> g.with(g.units().stream().map(u -> u.opens(LocalDate.MIN)).toList()))
                    .toList())
            .with(request.rules().with(Easing.NONE));
    Map<Goal.Id, LocalDate> days = new HashMap<>(plan.atTarget());
    Map<Goal.Id, LocalDate> without = run(free, factor, LocalDate.MAX).atTarget();
    days.keySet().retainAll(without.keySet());
    days.replaceAll((g, d) -> without.get(g).isAfter(d) ? without.get(g) : d);
    return days;
  }

  /** At the plays that the pace expects. */
  PracticePlan expected() {
    return withMinutes.computeIfAbsent(0, none -> run(request, MIDDLE, LocalDate.MAX));
  }

  /** The same with more minutes each day, up to the last day by which any goal is to be ready. */
  PracticePlan expected(int moreMinutes) {
    return moreMinutes == 0
        ? expected()
        : withMinutes.computeIfAbsent(
            moreMinutes, m -> run(request.with(request.budget().plus(m)), MIDDLE, lastReady()));
  }

  /** With another form of one goal, up to a day. */
  PracticePlan expected(Goal other, LocalDate until) {
    PlanRequest with =
        request.with(
            request.goals().stream().map(g -> g.id().equals(other.id()) ? other : g).toList());
    return run(with, MIDDLE, until);
  }

  private LocalDate lastReady() {
    return request.goals().stream()
        .map(g -> Fit.by(request, g))
        .max(LocalDate::compareTo)
        .orElse(LocalDate.MAX);
  }

  /**
   * @param factor plays against those fitted
   */
  private PracticePlan run(PlanRequest asked, double factor, LocalDate until) {
    Map<String, double[]> plays = new HashMap<>();
    for (Goal g : asked.goals()) {
      Pace pace = Pace.of(g, asked.journal(), asked.rules().gate().cleanNeeded());
      for (Unit u : g.units()) {
        plays.put(key(g, u), pace.plays(g, u, factor));
      }
    }
    return new Planner(asked.with(asPractised(asked)), plays, token).run(until);
  }

  /** The minutes of the days that are practised: planned days that went by without count. */
  private static Budget asPractised(PlanRequest request) {
    Optional<LocalDate> first = request.journal().stream().map(JournalEntry::date).findFirst();
    if (first.isEmpty()) {
      return request.budget();
    }
    long days = Math.max(1, ChronoUnit.DAYS.between(first.get(), request.from()));
    long practised = request.journal().stream().map(JournalEntry::date).distinct().count();
    double share = Math.min(1, (practised + 2) / (days + 2.0));
    return request.budget().times(share);
  }

  static String key(Goal g, Unit u) {
    return g.passageId() + "/" + u.id();
  }
}
