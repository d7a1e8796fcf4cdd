package fret.plan;

import fret.journal.JournalEntry;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What one hand may stretch, whatever it is for: three minutes a day on three days in any seven
 * (common practice, no source).
 */
final class StretchDose {
  private static final double A_DAY_MIN = 3;
  private static final int DAYS = 3;
  private static final int OF_DAYS = 7;

  private final Map<LocalDate, Double> used = new HashMap<>();

  private final LocalDate from;

  /**
   * With the days of a record.
   *
   * @param from the first day on which the hand stretches at all
   */
  StretchDose(List<JournalEntry> journal, LocalDate from) {
    this.from = from;
    for (JournalEntry e : journal) {
      if (e.drill().stretches()) {
        use(e.date(), e.atStand() / 60.0);
      }
    }
  }

  /** Minutes that a day still has. */
  double left(LocalDate day) {
    long before =
        used.keySet().stream()
            .filter(d -> d.isAfter(day.minusDays(OF_DAYS)) && d.isBefore(day))
            .count();
    return before >= DAYS || day.isBefore(from) ? 0 : A_DAY_MIN - used.getOrDefault(day, 0.0);
  }

  void use(LocalDate day, double minutes) {
    used.merge(day, minutes, Double::sum);
  }
}
