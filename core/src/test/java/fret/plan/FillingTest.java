package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
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

/** A day that takes in what it holds, and the run-throughs that come into it. */
class FillingTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

  private static Unit unit(String id) {
    return new Unit(id, Unit.Kind.CHUNK, Set.of(id), Map.of(DrillKind.STRAIGHT, List.of(4.0)), 1);
  }

  private static Goal goal(long id, LocalDate ready, LocalDate audition, double second) {
    return new Goal(
        Goal.Id.of(id),
        1,
        ready,
        audition,
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        List.of(unit("a" + id), unit("b" + id)),
        8,
        second);
  }

  private static PlanRequest request(List<JournalEntry> journal, List<Move> moves, Goal... goals) {
    return new PlanRequest(
        List.of(goals), Budget.of(30), DAY, PlanRequest.Rules.USUAL, journal, moves);
  }

  private static Goal far(long id) {
    return goal(id, DAY.plusDays(20), DAY.plusDays(30), 0);
  }

  private static Filling day(PlanRequest r, Progress p, double minutes) {
    return new Filling(DAY, minutes, Filling.USUAL_MIN, r.rules(), p);
  }

  private static Visit upkeep(Progress p, int which) {
    return new Visiting(PlanRequest.Rules.USUAL, p)
        .upkeep(p.standings().get(which), DAY, 10, 0, Said.of("plan.why.upkeep", 3))
        .orElseThrow();
  }

  @Test
  void aDayBeginsWithAWarmUpOfAFifthAndTenMinutesAtMost() {
    PlanRequest r = request(List.of(), List.of(), far(1));
    Progress p = new Progress(r, Map.of());
    assertThat(day(r, p, 30).warmUpMinutes()).isCloseTo(6, within(1e-9));
    assertThat(day(r, p, 120).warmUpMinutes()).isEqualTo(10);
    Filling f = day(r, p, 30);
    assertThat(f.take(upkeep(p, 0))).isTrue();
    assertThat(f.arranged().get(0).kind()).isEqualTo(Kind.WARM_UP);
    assertThat(f.minutes()).isLessThanOrEqualTo(30);
  }

  @Test
  void whatDoesNotFitIsNotTakenAndChangesNothing() {
    PlanRequest r = request(List.of(), List.of(), far(1));
    Progress p = new Progress(r, Map.of());
    Filling tiny = day(r, p, 0.2);
    assertThat(tiny.take(upkeep(p, 0))).isFalse();
    assertThat(tiny.arranged()).isEmpty();
    assertThat(p.passageGap(r.goals().get(0), DAY)).isEqualTo(7);
  }

  /** The player's own wish goes over the budget by what it needs and no more. */
  @Test
  void whatThePlayerPutsOnADayComesWhateverItsMinutes() {
    PlanRequest r = request(List.of(), List.of(), far(1));
    Progress p = new Progress(r, Map.of());
    Filling tiny = day(r, p, 0.2);
    Visit v = upkeep(p, 0);
    tiny.takeWanted(v);
    assertThat(tiny.arranged()).extracting(Item::kind).contains(Kind.CHUNK);
    assertThat(tiny.room()).isCloseTo(-Arrangement.OTHER_PASSAGE_MIN, within(1e-9));
    assertThat(p.passageGap(r.goals().get(0), DAY)).isZero();
  }

  private static List<Kind> runs(PlanRequest r, LocalDate date) {
    Progress p = new Progress(r, Map.of());
    Filling f = new Filling(date, 60, Filling.USUAL_MIN, r.rules(), p);
    new RunThroughs(r, p).fill(f);
    return f.arranged().stream()
        .map(Item::kind)
        .filter(k -> k == Kind.MOCK || k == Kind.RUN_THROUGH)
        .toList();
  }

  @Test
  void afterTheReadyDateEachPassageIsRunOnceAndMockThreeSevenAndFourteenDaysBefore() {
    LocalDate audition = DAY.plusDays(16);
    PlanRequest r = request(List.of(), List.of(), goal(1, DAY, audition, 0), far(2));
    for (int before = 1; before <= 15; before++) {
      Kind kind = before == 3 || before == 7 || before == 14 ? Kind.MOCK : Kind.RUN_THROUGH;
      assertThat(runs(r, audition.minusDays(before)))
          .as("%s days before", before)
          .containsExactly(kind);
    }
    assertThat(runs(r, audition.plusDays(1))).isEmpty();
    assertThat(runs(request(List.of(), List.of(), far(2)), DAY)).isEmpty();
  }

  @Test
  void aRunThatIsMovedAwayComesWhereItWasPut() {
    LocalDate audition = DAY.plusDays(10);
    Move move = new Move(1, "whole", DAY.plusDays(1), DAY.plusDays(2));
    PlanRequest r = request(List.of(), List.of(move), goal(1, DAY, audition, 0));
    assertThat(runs(r, DAY.plusDays(1))).isEmpty();
    assertThat(runs(r, DAY.plusDays(2))).hasSize(1);
  }

  /** A range is run at both its ends, in turn. */
  @ParameterizedTest
  @CsvSource({"0, 120", "1, 132", "2, 120"})
  void aRangeIsRunAtBothItsEnds(int before, double perMinute) {
    List<JournalEntry> journal = new ArrayList<>();
    for (int i = 0; i < before; i++) {
      journal.add(
          new JournalEntry(
              0,
              1,
              DAY.minusDays(10 - i),
              "whole",
              DrillKind.RUN_THROUGH,
              120,
              120,
              60,
              Verdict.CLEAN,
              Breakage.NONE,
              ""));
    }
    PlanRequest r = request(journal, List.of(), goal(1, DAY.minusDays(1), DAY.plusDays(9), 132));
    Progress p = new Progress(r, Map.of());
    Filling f = new Filling(DAY, 60, Filling.USUAL_MIN, r.rules(), p);
    new RunThroughs(r, p).fill(f);
    Item run =
        f.arranged().stream().filter(i -> i.kind() == Kind.RUN_THROUGH).findFirst().orElseThrow();
    assertThat(run.level().perMinute()).isEqualTo(perMinute);
  }
}
