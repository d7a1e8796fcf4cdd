package fret.plan;

import fret.journal.JournalEntry;
import fret.journal.Progress;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * When a passage will be ready, as distinct from when the plan means it to be: the day on which its
 * slowest unit closes its last level, at the pace that the record shows.
 *
 * @param expected empty where it is not in sight before its date
 * @param earliest the day before which one in ten is ready; {@code latest} by which nine in ten
 *     are, empty where that is not before its date
 */
public record Forecast(
    Optional<LocalDate> expected, Optional<LocalDate> earliest, Optional<LocalDate> latest) {
  /** Fewer days of practice than that say too little. */
  private static final int FEWEST_DAYS = 4;

  /** Closed levels, of all, below which it is too early to tell. */
  private static final double FEWEST_LEVELS = 1.0 / 3;

  /**
   * Plays of the band against those fitted, where all levels are left; the width that nine in ten
   * of simulated learners asked for, other ones than those that the report is of.
   */
  private static final double EARLY = 0.8;

  private static final double MIDDLE = 1.35;

  private static final double LATE = 2.7;

  /**
   * The forecast of each goal; goals of which it is too early to tell are left out.
   *
   * @param request with the whole record
   */
  public static Map<Goal.Id, Forecast> of(PlanRequest request) {
    Map<Goal.Id, Forecast> all = new HashMap<>();
    List<Goal> told = request.goals().stream().filter(g -> isToTell(g, request)).toList();
    if (told.isEmpty()) {
      return all;
    }
    Map<Goal.Id, LocalDate> middle = at(request, MIDDLE);
    Map<Goal.Id, LocalDate> early = at(request, EARLY);
    Map<Goal.Id, LocalDate> late = at(request, LATE);
    for (Goal g : told) {
      all.put(
          g.id(),
          new Forecast(
              Optional.ofNullable(middle.get(g.id())),
              Optional.ofNullable(early.get(g.id())),
              Optional.ofNullable(late.get(g.id()))));
    }
    return all;
  }

  private static boolean isToTell(Goal g, PlanRequest request) {
    int levels = 0;
    List<LocalDate> days = new ArrayList<>();
    for (Unit u : g.units()) {
      levels += progress(g, u, request).closed();
    }
    for (JournalEntry e : request.journal()) {
      if (e.passageId() == g.passageId() && !days.contains(e.date())) {
        days.add(e.date());
      }
    }
    int of = g.units().size() * g.ladder().size();
    return of > 0 && days.size() >= FEWEST_DAYS && levels >= FEWEST_LEVELS * of;
  }

  private static Progress progress(Goal g, Unit u, PlanRequest request) {
    return Progress.of(
        request.journal(),
        g.passageId(),
        u.ids(),
        g.ladder(),
        request.rules().gate().cleanNeeded());
  }

  /**
   * The days on which the plan would see each goal at its target.
   *
   * @param factor plays against those fitted
   */
  private static Map<Goal.Id, LocalDate> at(PlanRequest request, double factor) {
    return run(request, factor).atTarget();
  }

  /** The days as they will be practised, at the plays that the pace expects. */
  static PracticePlan expected(PlanRequest request) {
    return run(request, MIDDLE);
  }

  /** What helps each goal whose forecast is later than its ready date. */
  public static Map<Goal.Id, Fit> fits(PlanRequest request, Map<Goal.Id, Forecast> told) {
    Map<Goal.Id, Fit> all = new HashMap<>();
    for (Goal g : request.goals()) {
      if (told.containsKey(g.id())) {
        Fit.of(request, g).ifPresent(f -> all.put(g.id(), f));
      }
    }
    return all;
  }

  private static PracticePlan run(PlanRequest request, double factor) {
    Map<String, double[]> plays = new HashMap<>();
    for (Goal g : request.goals()) {
      Pace pace = Pace.of(g, request.journal(), request.rules().gate().cleanNeeded());
      for (Unit u : g.units()) {
        plays.put(key(g, u), pace.plays(g, u, factor));
      }
    }
    return Planner.bare(request.with(asPractised(request)), plays);
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
