package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** How far all stands while days are laid out, and what the hand may still stretch. */
class ProgressTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

  private static Unit unit(String id, boolean held) {
    return new Unit(
        id,
        Unit.Kind.CHUNK,
        Set.of(id),
        Map.of(DrillKind.STRAIGHT, List.of(4.0)),
        1,
        held ? LocalDate.MAX : LocalDate.MIN);
  }

  private static Goal goal(long id, Unit... units) {
    return new Goal(
        Goal.Id.of(id),
        1,
        DAY.plusDays(20),
        DAY.plusDays(30),
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        List.of(units),
        8,
        0);
  }

  private static JournalEntry entry(
      long passage, String chunk, LocalDate day, DrillKind kind, double tempo, int seconds) {
    return new JournalEntry(
        0, passage, day, chunk, kind, tempo, tempo, seconds, Verdict.CLEAN, Breakage.NONE, "");
  }

  private static Progress progress(List<JournalEntry> journal, List<Move> moves, Goal... goals) {
    return new Progress(
        new PlanRequest(
            List.of(goals), Budget.of(30), DAY, PlanRequest.Rules.USUAL, journal, moves),
        Map.of());
  }

  /** Every level of the ladder played clean as often as the gate asks. */
  private static List<JournalEntry> learned(String chunk, LocalDate day) {
    List<JournalEntry> all = new ArrayList<>();
    Ladder ladder = Ladder.toTarget(120);
    for (int level = 0; level < ladder.size(); level++) {
      for (int i = 0; i < 3; i++) {
        double tempo = ladder.levels().get(level).perMinute();
        all.add(entry(1, chunk, day, DrillKind.STRAIGHT, tempo, 20));
      }
    }
    return all;
  }

  @Test
  void theRecordSaysHowFarEachUnitStands() {
    Progress p =
        progress(
            learned("a", DAY.minusDays(2)),
            List.of(),
            goal(1, unit("a", false), unit("b", false)),
            goal(2, unit("c", false)));
    assertThat(p.standings()).hasSize(3);
    assertThat(p.standings().get(0).isAtTarget()).isTrue();
    assertThat(p.standings().get(1).isAtTarget()).isFalse();
    assertThat(p.passageGap(p.goal(1), DAY)).isEqualTo(2);
    assertThat(p.passageGap(p.goal(2), DAY)).isEqualTo(7);
  }

  @Test
  void aPassageIsAtItsTargetFromTheDayOnWhichAllOfItIsAndOnlyWhileItIs() {
    Progress p = progress(learned("a", DAY.minusDays(1)), List.of(), goal(1, unit("a", false)));
    p.noteTargets(DAY);
    p.noteTargets(DAY.plusDays(1));
    assertThat(p.atTarget()).containsExactly(Map.entry(Goal.Id.of(1), DAY));
    Progress open =
        progress(
            learned("a", DAY.minusDays(1)), List.of(), goal(1, unit("a", false), unit("b", false)));
    open.noteTargets(DAY);
    assertThat(open.atTarget()).isEmpty();
  }

  @Test
  void whatHurtsWaitsAndAfterTheAuditionNothingIsOpen() {
    Progress p = progress(List.of(), List.of(), goal(1, unit("a", false), unit("b", true)));
    Standing free = p.standings().get(0);
    Standing held = p.standings().get(1);
    assertThat(p.open(free, DAY)).isTrue();
    assertThat(p.open(free, DAY.plusDays(31))).isFalse();
    assertThat(p.open(held, DAY)).isFalse();
    assertThat(p.learned(p.goal(1))).containsExactly(free, held);
    assertThat(p.waits(p.goal(1), DAY)).isTrue();
    assertThat(p.mayClimb(free, DAY)).isTrue();
  }

  @Test
  void whatThePlayerPutOnAnotherDayIsNotDoneOnItsOwn() {
    Move move = new Move(1, "a", DAY, DAY.plusDays(1));
    Progress p = progress(List.of(), List.of(move), goal(1, unit("a", false), unit("b", false)));
    assertThat(p.movedAway(p.standings().get(0), DAY)).isTrue();
    assertThat(p.movedAway(p.standings().get(0), DAY.plusDays(1))).isFalse();
    assertThat(p.movedAway(p.standings().get(1), DAY)).isFalse();
  }

  /** Three minutes a day on three days in any seven (common practice, no source). */
  @ParameterizedTest
  @CsvSource({"0, 0, 3", "60, 0, 2", "180, 0, 0", "0, 2, 3", "0, 3, 0"})
  void theHandHasADoseOfStretching(int secondsToday, int daysBefore, double left) {
    List<JournalEntry> journal = new ArrayList<>();
    for (int i = 1; i <= daysBefore; i++) {
      journal.add(entry(1, "a", DAY.minusDays(i), DrillKind.STRETCH, 60, 60));
    }
    if (secondsToday > 0) {
      journal.add(entry(2, "c", DAY, DrillKind.TENTHS, 60, secondsToday));
    }
    assertThat(new StretchDose(journal, LocalDate.MIN).left(DAY)).isCloseTo(left, within(1e-9));
  }

  @Test
  void aWeekLaterTheDoseIsWholeAgain() {
    StretchDose dose = new StretchDose(List.of(), LocalDate.MIN);
    for (int i = 0; i < 3; i++) {
      dose.use(DAY.plusDays(i), 3);
    }
    assertThat(dose.left(DAY.plusDays(3))).isZero();
    assertThat(dose.left(DAY.plusDays(6))).isZero();
    assertThat(dose.left(DAY.plusDays(7))).isEqualTo(3);
  }

  /** Only what stretches counts: everything else leaves the dose alone. */
  @ParameterizedTest
  @EnumSource(DrillKind.class)
  void onlyStretchingCounts(DrillKind kind) {
    StretchDose dose = new StretchDose(List.of(entry(1, "a", DAY, kind, 60, 120)), LocalDate.MIN);
    boolean stretches = kind == DrillKind.STRETCH || kind == DrillKind.TENTHS;
    assertThat(dose.left(DAY)).isEqualTo(stretches ? 1 : 3);
  }
}
