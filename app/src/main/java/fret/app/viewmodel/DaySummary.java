package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.journal.Verdict;
import fret.plan.Goal;
import fret.plan.Unit;
import fret.shelf.Planning;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** What a day of practice came to, in a few sentences. */
public final class DaySummary {
  private DaySummary() {}

  /** The day so far; one sentence where nothing was played. */
  public static List<String> of(Studio studio) {
    LocalDate today = studio.today();
    List<JournalEntry> tries =
        studio.journal().stream().filter(e -> e.date().equals(today)).toList();
    List<String> told = new ArrayList<>();
    if (tries.isEmpty()) {
      told.add(Sentences.of("summary.nothing"));
    } else {
      double minutes = tries.stream().mapToInt(JournalEntry::atStand).sum() / 60.0;
      long clean = tries.stream().filter(e -> e.verdict() == Verdict.CLEAN).count();
      told.add(Sentences.of("summary.tries", Words.one(minutes), tries.size(), clean));
    }
    closed(studio, told);
    broke(tries, told);
    List<Skipped> skipped =
        studio.preferences().skipped().stream().filter(s -> s.day().equals(today)).toList();
    if (!skipped.isEmpty()) {
      told.add(
          Sentences.of(
              "summary.skipped",
              skipped.stream()
                  .map(s -> s.what() + " (" + Sentences.of("skip." + s.why()) + ")")
                  .distinct()
                  .collect(Collectors.joining(", "))));
    }
    tomorrow(studio, told);
    return told;
  }

  private static void closed(Studio studio, List<String> told) {
    Planning p = studio.plans().plannedProperty().get();
    if (p == null) {
      return;
    }
    int levels = 0;
    for (Planning.Entry e : p.entries().values()) {
      Goal g = e.goal();
      for (Unit u : g.units()) {
        levels +=
            (int)
                Progress.of(
                        studio.journal(),
                        g.passageId(),
                        u.ids(),
                        g.ladder(u),
                        p.habits().gate().cleanNeeded())
                    .closings()
                    .stream()
                    .filter(c -> c.date().equals(studio.today()))
                    .count();
      }
    }
    if (levels > 0) {
      told.add(Sentences.of(levels == 1 ? "summary.closed.one" : "summary.closed", levels));
    }
  }

  private static void broke(List<JournalEntry> tries, List<String> told) {
    Map<Breakage, Integer> count = new EnumMap<>(Breakage.class);
    tries.stream()
        .filter(e -> e.breakage() != Breakage.NONE)
        .forEach(e -> count.merge(e.breakage(), 1, Integer::sum));
    count.entrySet().stream()
        .max(Comparator.comparingInt(Map.Entry<Breakage, Integer>::getValue))
        .ifPresent(
            b ->
                told.add(
                    Sentences.of(
                        "summary.broke", Sentences.of("broke." + b.getKey()), b.getValue())));
  }

  private static void tomorrow(Studio studio, List<String> told) {
    Planning p = studio.plans().plannedProperty().get();
    if (p == null) {
      return;
    }
    p.plan()
        .on(studio.today().plusDays(1))
        .filter(d -> !d.items().isEmpty())
        .ifPresent(
            d ->
                told.add(
                    Sentences.of(
                        "summary.tomorrow",
                        Math.round(d.minutes()),
                        (int) d.visits().stream().filter(v -> v.get(0).isPlayed()).count())));
  }
}
