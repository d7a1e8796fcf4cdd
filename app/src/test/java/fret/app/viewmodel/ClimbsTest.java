package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ClimbsTest {
  private static final LocalDate MONDAY = LocalDate.of(2026, 11, 23);

  private static JournalEntry play(long passage, int day, int perMinute, Verdict verdict) {
    return new JournalEntry(
        0,
        passage,
        MONDAY.plusDays(day),
        "c",
        DrillKind.STRAIGHT,
        perMinute,
        30,
        verdict,
        Breakage.values()[0],
        "");
  }

  @Test
  void onlyCleanTriesOfThePassageCountAndTheFastestOfADayStands() {
    List<JournalEntry> journal =
        List.of(
            play(1, 0, 60, Verdict.CLEAN),
            play(1, 0, 66, Verdict.CLEAN),
            play(1, 0, 80, Verdict.NEARLY),
            play(2, 1, 90, Verdict.CLEAN),
            play(1, 2, 63, Verdict.CLEAN),
            play(1, 3, 70, Verdict.MISSED));
    assertThat(Climbs.cleanByDay(journal, 1)).isEqualTo(Map.of(MONDAY, 66, MONDAY.plusDays(2), 63));
    assertThat(Climbs.cleanByDay(journal, 3)).isEmpty();
  }
}
