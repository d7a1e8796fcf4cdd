package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.Fit;
import fret.plan.Forecast;
import fret.plan.PracticePlan;
import fret.plan.Unit;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The climb of a passage: what was played clean, what is planned, how far its slowest chunk is. */
final class Climbs {
  private Climbs() {}

  /** The picture of it. */
  static ClimbLine.Climb of(
      Studio studio, Planning p, Planning.Entry e, Optional<Forecast> forecast) {
    return of(studio, p, e, forecast, Optional.empty());
  }

  /** The same of one chunk, or of all. */
  static ClimbLine.Climb of(
      Studio studio,
      Planning p,
      Planning.Entry e,
      Optional<Forecast> forecast,
      Optional<String> chunk) {
    List<ClimbLine.Point> done = new ArrayList<>();
    slowestByDay(
            studio.journal().stream()
                .filter(j -> chunk.map(j.chunkId()::equals).orElse(true))
                .toList(),
            e)
        .forEach((day, tempo) -> done.add(new ClimbLine.Point(day, tempo)));
    List<ClimbLine.Point> planned = planned(p, e, chunk);
    return new ClimbLine.Climb(
        done,
        planned,
        e.ladder().isSlow() ? 0 : e.ladder().start(),
        e.ladder().isSlow() ? e.ladder().size() - 1 : e.ladder().target(),
        studio.today(),
        e.goal().ready(),
        forecast.flatMap(
            f ->
                f.earliest()
                    .map(
                        early ->
                            new ClimbLine.Band(
                                early, f.expected(), f.latest().orElse(e.goal().audition())))));
  }

  /** How high the slowest unit stands on each day, if all goes as planned. */
  private static List<ClimbLine.Point> planned(
      Planning p, Planning.Entry e, Optional<String> chunk) {
    Map<String, Double> stands = new TreeMap<>();
    for (Unit u : e.goal().units()) {
      if (chunk.map(c -> u.ids().contains(c)).orElse(true)) {
        Ladder ladder = e.goal().ladder(u);
        int closed = e.readiness().closed().getOrDefault(u.id(), 0);
        Level at = ladder.levels().get(Math.max(0, Math.min(closed, ladder.size()) - 1));
        stands.put(u.id(), height(e, u.id(), at));
      }
    }
    List<ClimbLine.Point> all = new ArrayList<>();
    for (PracticePlan.Day d : p.plan().days()) {
      boolean any = false;
      for (PracticePlan.Item i : d.items()) {
        if (i.drill() == DrillKind.STRAIGHT && i.passageId() == e.passageId()) {
          any |= stands.containsKey(i.unit());
          stands.computeIfPresent(
              i.unit(), (u, before) -> Math.max(before, height(e, u, i.level())));
        }
      }
      if (any) {
        double slowest = stands.values().stream().mapToDouble(x -> x).min().orElse(0);
        all.add(new ClimbLine.Point(d.date(), slowest));
      }
    }
    return all;
  }

  /**
   * A level on the scale of the passage: the share that it is of its chunk's target, of the
   * passage's. On a slow line, whose tempo stays, the share of its rungs.
   */
  private static double height(Planning.Entry e, String unit, Level level) {
    Ladder own = e.ladder(unit);
    double share =
        own.isSlow() ? (rung(own, level) + 1.0) / own.size() : level.perMinute() / own.target();
    return e.ladder().isSlow()
        ? Math.max(0, share * e.ladder().size() - 1)
        : share * e.ladder().target();
  }

  private static int rung(Ladder ladder, Level level) {
    int at = ladder.levels().indexOf(level);
    if (at >= 0) {
      return at;
    }
    for (int i = 0; i < ladder.size(); i++) {
      at = Math.abs(ladder.levels().get(i).clicks() - level.clicks()) < 0.05 ? i : at;
    }
    return Math.max(0, at);
  }

  /** Of the days with a clean straight try, the slowest chunk's best tempo of that day. */
  private static Map<LocalDate, Double> slowestByDay(List<JournalEntry> journal, Planning.Entry e) {
    Map<LocalDate, Map<String, Double>> best = new TreeMap<>();
    for (JournalEntry j : journal) {
      if (j.passageId() == e.passageId() && e.has(j.chunkId()) && j.verdict() == Verdict.CLEAN) {
        double rate = Math.max(1, j.perMinuteOf(e.ladder(j.chunkId()).counted()));
        double height = height(e, j.chunkId(), new Level(rate, Math.max(0, j.clicks()), false));
        best.computeIfAbsent(j.date(), d -> new TreeMap<>()).merge(j.chunkId(), height, Math::max);
      }
    }
    Map<LocalDate, Double> slowest = new TreeMap<>();
    best.forEach(
        (day, tempos) ->
            slowest.put(day, tempos.values().stream().mapToDouble(t -> t).min().orElse(0)));
    return slowest;
  }

  /** How ready a passage is: that of its slowest chunk. */
  static Said readiness(Planning.Entry e) {
    Planning.Readiness r = e.readiness();
    if (e.ladder().isSlow()) {
      return Said.of("ready.rungs", r.atTarget(), r.all(), r.rungs(), e.ladder().size());
    }
    return r.slowest() == 0
        ? Said.of("ready.start", r.atTarget(), r.all())
        : Said.of(
            "ready.slowest", r.atTarget(), r.all(), Level.text(r.slowest()), Level.text(r.of()));
  }

  /** When it will be ready, as far as that can be told. */
  static Said told(Optional<Forecast> forecast, Planning.Entry e) {
    if (e.readiness().isWhole()) {
      return Said.of("forecast.ready");
    }
    if (forecast.isEmpty()) {
      return Said.of("forecast.early");
    }
    Forecast f = forecast.get();
    if (f.earliest().isEmpty()) {
      return Said.of("forecast.no");
    }
    if (f.expected().isEmpty()) {
      return Said.of("forecast.unlikely", day(f.earliest().get()));
    }
    return f.latest().isEmpty()
        ? Said.of("forecast.open", day(f.expected().get()), day(f.earliest().get()))
        : Said.of(
            "forecast.band",
            day(f.expected().get()),
            day(f.earliest().get()),
            day(f.latest().get()));
  }

  /** What would make a forecast fit that is too late. */
  static Said help(Fit f) {
    Said minutes =
        f.moreMinutes() > 0 ? Said.of("fit.minutes", f.moreMinutes()) : Said.of("fit.no-minutes");
    Said tempo =
        f.tempo().map(t -> Said.of("fit.tempo", t.text())).orElseGet(() -> Said.of("fit.no-tempo"));
    return Said.of("fit", day(f.by()), minutes, tempo, f.units(), f.of());
  }

  private static Said day(LocalDate date) {
    return Said.of("day", date);
  }
}
