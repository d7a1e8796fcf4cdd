package fret.plan;

import fret.journal.JournalEntry;
import fret.journal.Progress;
import java.time.LocalDate;
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

  /** The forecast of each goal; goals of which it is too early to tell are left out. */
  public static Map<Goal.Id, Forecast> of(AtPace pace) {
    PlanRequest request = pace.request();
    Map<Goal.Id, Forecast> all = new HashMap<>();
    List<Goal> told = request.goals().stream().filter(g -> isToTell(g, request)).toList();
    if (told.isEmpty()) {
      return all;
    }
    Map<Goal.Id, LocalDate> middle = pace.middle();
    Map<Goal.Id, LocalDate> early = pace.early();
    Map<Goal.Id, LocalDate> late = pace.late();
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
    int of = g.units().stream().mapToInt(u -> g.ladder(u).size()).sum();
    return of > 0 && days.size() >= FEWEST_DAYS && levels >= FEWEST_LEVELS * of;
  }

  private static Progress progress(Goal g, Unit u, PlanRequest request) {
    return Progress.of(
        request.journal(),
        g.passageId(),
        u.ids(),
        g.ladder(u),
        request.rules().gate().cleanNeeded());
  }

  /** What helps each goal whose forecast is later than its ready date. */
  public static Map<Goal.Id, Fit> fits(AtPace pace, Map<Goal.Id, Forecast> told) {
    Map<Goal.Id, Fit> all = new HashMap<>();
    for (Goal g : pace.request().goals()) {
      if (told.containsKey(g.id())) {
        Fit.of(pace, g).ifPresent(f -> all.put(g.id(), f));
      }
    }
    return all;
  }
}
