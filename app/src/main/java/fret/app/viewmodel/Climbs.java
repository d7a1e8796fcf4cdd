package fret.app.viewmodel;

import fret.journal.JournalEntry;
import fret.journal.Verdict;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What was reached, day by day. */
public final class Climbs {
  private Climbs() {}

  /** The fastest clean try of each day of a passage that had one. */
  public static Map<LocalDate, Integer> cleanByDay(List<JournalEntry> journal, long passageId) {
    Map<LocalDate, Integer> best = new TreeMap<>();
    journal.stream()
        .filter(e -> e.passageId() == passageId && e.verdict() == Verdict.CLEAN)
        .forEach(e -> best.merge(e.date(), e.perMinute(), Math::max));
    return best;
  }
}
