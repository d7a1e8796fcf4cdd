package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.instrument.InstrumentType;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.shelf.Audition;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class ShelfOrderTest {
  private static final LocalDate DAY = LocalDate.of(2026, 5, 4);
  private static final Audition PIT = new Audition(1, "Pit", DAY.plusDays(40), DAY.plusDays(30));
  private static final Audition YARD = new Audition(2, "Yard", DAY.plusDays(9), DAY.plusDays(8));
  private static final List<Audition> DATES = List.of(PIT, YARD);

  private static final Passage WIND = passage(1, "Wind", InstrumentType.VIOLIN, 1);
  private static final Passage ANVIL = passage(2, "anvil", InstrumentType.CELLO, 0);
  private static final Passage MILL = passage(3, "Mill", InstrumentType.VIOLIN, 2);
  private static final Passage LOST = passage(4, "Lost", InstrumentType.BASS, 99);
  private static final List<Passage> ALL = List.of(WIND, ANVIL, MILL, LOST);

  private static Passage passage(long id, String title, InstrumentType type, long audition) {
    Passage.Settings settings =
        new Passage.Settings(
            title, new Tempo(Beat.QUARTER, 80), Setup.usual(type), Reading.PLAIN, false);
    return Passage.of("", "", settings).withId(id).withAudition(audition);
  }

  private static JournalEntry played(long passage, int daysLater) {
    return new JournalEntry(
        0,
        passage,
        DAY.plusDays(daysLater),
        "c",
        DrillKind.STRAIGHT,
        60,
        0,
        30,
        Verdict.CLEAN,
        Breakage.NONE,
        "");
  }

  private static List<List<Passage>> ordered(ShelfOrder order, List<JournalEntry> journal) {
    return order.of(ALL, DATES, journal).stream().map(ShelfOrder.Group::passages).toList();
  }

  @Test
  void passagesStandUnderTheirDatesAndThoseOfNoDateLast() {
    assertThat(ordered(ShelfOrder.BY_DATE, List.of()))
        .containsExactly(List.of(WIND), List.of(MILL), List.of(ANVIL, LOST));
    assertThat(ShelfOrder.BY_DATE.of(ALL, DATES, List.of()).get(0).audition()).contains(PIT);
  }

  @Test
  void titlesAreInOrderWhateverTheirLetters() {
    assertThat(ordered(ShelfOrder.BY_TITLE, List.of()))
        .containsExactly(List.of(ANVIL, LOST, MILL, WIND));
  }

  @Test
  void whatWasPractisedLastComesFirstAndTheRestAsItStood() {
    assertThat(ordered(ShelfOrder.BY_LAST, List.of(played(3, 1), played(2, 5), played(3, 2))))
        .containsExactly(List.of(ANVIL, MILL, WIND, LOST));
  }

  @Test
  void everyWordMustBeKnownOfAPassage() {
    assertThat(found("violin")).containsExactly(WIND, MILL);
    assertThat(found("  Violin yard ")).containsExactly(MILL);
    assertThat(found("ready anv")).containsExactly(ANVIL);
    assertThat(found("violin lost")).isEmpty();
    assertThat(found("")).isEqualTo(ALL);
  }

  private static List<Passage> found(String words) {
    return ShelfOrder.found(words, ALL, DATES, p -> p.equals(ANVIL) ? "ready" : "");
  }
}
