package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Approach;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.search.Token;
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

/** What a day is made of: visits, a first reading, what comes back. */
class VisitsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

  private static Unit unit(String id, Unit.Kind kind, double length) {
    return new Unit(
        id,
        kind,
        Set.of(id),
        Map.of(
            DrillKind.STRAIGHT, List.of(length),
            DrillKind.RHYTHMS, List.of(length, length, length, length)),
        1);
  }

  private static List<Unit> units(int chunks) {
    List<Unit> all = new ArrayList<>();
    for (int i = 1; i <= chunks; i++) {
      all.add(unit("bars-" + i, Unit.Kind.CHUNK, 2));
      if (i < chunks) {
        all.add(unit("join-" + i, Unit.Kind.JOIN, 1));
      }
    }
    return all;
  }

  private static Goal goal(long id, List<Unit> units) {
    return new Goal(
        Goal.Id.of(id),
        1,
        DAY.plusDays(60),
        DAY.plusDays(81),
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        units,
        units.size() * 2.0,
        0);
  }

  private static PracticePlan plan(
      PlanRequest.Rules rules, int minutes, List<JournalEntry> journal, Goal... goals) {
    return Planner.bare(
        new PlanRequest(List.of(goals), Budget.of(minutes), DAY, rules, journal, List.of()),
        Token.NEVER);
  }

  private static JournalEntry entry(String id, DrillKind kind, int daysAgo, Verdict v) {
    return new JournalEntry(
        0, 1, DAY.minusDays(daysAgo), id, kind, 120, 120, 20, v, Breakage.NONE, "");
  }

  /** 44 items once stood in the demo's 40 minutes, half of them shorter than half a minute. */
  @Test
  void aDayOfFortyMinutesIsAFewVisits() {
    PracticePlan plan =
        plan(PlanRequest.Rules.USUAL, 40, List.of(), goal(1, units(8)), goal(2, units(8)));
    for (Day d : plan.days().subList(0, 5)) {
      long visits = d.items().stream().mapToInt(Item::visit).filter(v -> v > 0).distinct().count();
      assertThat(visits).as("%s", d.date()).isBetween(3L, 9L);
      assertThat(d.minutes()).isGreaterThanOrEqualTo(36);
      d.items().forEach(i -> assertThat(i.minutes()).isGreaterThanOrEqualTo(0.2));
    }
  }

  /** There is nothing to join before both of its chunks were played. */
  @Test
  void aJoinComesWhenBothOfItsChunksWereBegun() {
    PracticePlan plan = plan(PlanRequest.Rules.USUAL, 30, List.of(), goal(1, units(10)));
    Set<String> begun = new java.util.HashSet<>();
    for (Day d : plan.days().subList(0, 10)) {
      for (List<Item> visit : d.visits()) {
        Set<String> here = new java.util.HashSet<>(begun);
        visit.forEach(i -> here.add(i.unit()));
        for (Item i : visit) {
          if (i.unit().startsWith("join-")) {
            int n = Integer.parseInt(i.unit().substring(5));
            assertThat(here).contains("bars-" + n, "bars-" + (n + 1));
          }
        }
      }
      d.items().forEach(i -> begun.add(i.unit()));
    }
  }

  @Test
  void aNewPassageBeginsWithAReadingAndOneThatWasTriedDoesNot() {
    Day first = plan(PlanRequest.Rules.USUAL, 40, List.of(), goal(1, units(6))).days().get(0);
    assertThat(first.items().get(1).drill()).isEqualTo(DrillKind.FIRST_READING);
    assertThat(first.items().get(1).isOfRound()).isTrue();
    List<JournalEntry> tried = List.of(entry("bars-1", DrillKind.STRAIGHT, 1, Verdict.MISSED));
    assertThat(plan(PlanRequest.Rules.USUAL, 40, tried, goal(1, units(6))).days().get(0).items())
        .noneMatch(i -> i.drill() == DrillKind.FIRST_READING);
  }

  /** A long part is read section by section, at most a minute each, and goes on the next day. */
  @Test
  void aLongReadingGoesOnTheNextDay() {
    Goal work =
        new Goal(
            Goal.Id.of(1),
            1,
            DAY.plusDays(60),
            DAY.plusDays(81),
            new Tempo(Beat.QUARTER, 120),
            Ladder.toTarget(120),
            units(20),
            300,
            0);
    List<Item> read =
        plan(PlanRequest.Rules.USUAL, 10, List.of(), work).days().subList(0, 3).stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.drill() == DrillKind.FIRST_READING)
            .toList();
    assertThat(read).extracting(Item::unit).startsWith("reading:1of10", "reading:2of10");
    assertThat(read).extracting(Item::unit).doesNotHaveDuplicates().hasSize(10);
    assertThat(read).allMatch(i -> i.minutes() <= 1.11);
  }

  /** Once well at its target: read again. Twice: it stands. Not well: from half. */
  @Test
  void whatWasReadTwiceStandsAndWhatWasNotStartsAtHalf() {
    List<JournalEntry> once =
        List.of(
            entry("reading", DrillKind.FIRST_READING, 1, Verdict.CLEAN),
            entry("bars-1", DrillKind.FIRST_READING, 1, Verdict.CLEAN),
            entry("bars-2", DrillKind.FIRST_READING, 1, Verdict.NEARLY));
    PracticePlan plan = plan(PlanRequest.Rules.USUAL, 30, once, goal(1, units(2)));
    List<Item> today = plan.days().get(0).items();
    assertThat(today)
        .filteredOn(i -> i.unit().equals("bars-1"))
        .first()
        .satisfies(i -> assertThat(i.drill()).isEqualTo(DrillKind.FIRST_READING));
    assertThat(today)
        .filteredOn(i -> i.unit().equals("bars-2") && i.drill() == DrillKind.STRAIGHT)
        .first()
        .satisfies(i -> assertThat(i.level().perMinute()).isEqualTo(60));
    Ladder ladder = Ladder.toTarget(120);
    List<JournalEntry> twice = new ArrayList<>(once);
    twice.add(entry("bars-1", DrillKind.FIRST_READING, 0, Verdict.CLEAN));
    assertThat(fret.journal.Progress.of(twice, 1, "bars-1", ladder, 3).isAtTarget()).isTrue();
    twice.add(entry("bars-1", DrillKind.STRAIGHT, 0, Verdict.MISSED));
    assertThat(fret.journal.Progress.of(twice, 1, "bars-1", ladder, 3).isAtTarget())
        .as("it broke after all")
        .isFalse();
  }

  /** Straight once, rhythms, straight to the gate, as many levels as ten or twenty minutes hold. */
  @ParameterizedTest
  @CsvSource({"LEVELS, 10", "LEVELS_LONG, 20"})
  void levelByLevelFillsAVisit(Approach way, double most) {
    Goal g = goal(1, List.of(unit("bars-1", Unit.Kind.CHUNK, 6).with(way)));
    List<JournalEntry> tried = List.of(entry("bars-1", DrillKind.CHECKS, 2, Verdict.CLEAN));
    PracticePlan plan = plan(PlanRequest.Rules.USUAL, 60, tried, g);
    List<Item> first = plan.days().get(0).items().stream().filter(i -> i.visit() == 1).toList();
    double minutes = first.stream().mapToDouble(Item::minutes).sum();
    assertThat(minutes).isLessThanOrEqualTo(most + 1e-6).isGreaterThan(most / 2);
    for (int i = 0; i + 2 < first.size(); i += 3) {
      assertThat(first.get(i).drill()).isEqualTo(DrillKind.STRAIGHT);
      assertThat(first.get(i).plays()).isEqualTo(1);
      assertThat(first.get(i + 1).drill()).isEqualTo(DrillKind.RHYTHMS);
      assertThat(first.get(i + 2).plays()).isEqualTo(5);
      assertThat(first.get(i + 2).level()).isEqualTo(first.get(i).level());
    }
    Lawful.rhythms(plan);
  }

  /** Few tries a visit by choice: the level goes on at the next one. */
  @Test
  void fewTriesAVisitAreAChoice() {
    PlanRequest.Rules few =
        new PlanRequest.Rules(
            Gate.Settings.USUAL, PlanRequest.Climb.LEVEL_A_DAY, 2, Easing.NONE, 3, true);
    PracticePlan plan = plan(few, 30, List.of(), goal(1, units(4)));
    assertThat(plan.days().subList(0, 10).stream().flatMap(d -> d.items().stream()))
        .filteredOn(i -> i.drill() == DrillKind.STRAIGHT)
        .filteredOn(i -> i.why().id().equals("plan.why.level"))
        .allMatch(i -> i.plays() <= 3);
    assertThat(plan.feasible()).isTrue();
  }

  /** 12 passages, warm-up off: 20 min every fourth day, 10 min every sixth, 5 min every twelfth. */
  @ParameterizedTest
  @CsvSource({"20, 4", "10, 6", "5, 12", "40, 4"})
  void everyPassageReturns(int minutes, int every) {
    Goal[] goals = new Goal[12];
    for (int p = 1; p <= 12; p++) {
      goals[p - 1] = goal(p, units(4));
    }
    PlanRequest.Rules rules =
        new PlanRequest.Rules(
            Gate.Settings.USUAL, PlanRequest.Climb.LEVEL_A_DAY, 2, Easing.NONE, 0, false);
    PlanRequest request =
        new PlanRequest(List.of(goals), Budget.of(minutes), DAY, rules, List.of(), List.of());
    assertThat(new Returns(request, d -> minutes, d -> minutes).every()).isEqualTo(every);
    Lawful.plan(request, Planner.bare(request, Token.NEVER));
  }

  /** Many passages share short days, with a day off a week and a week of illness. */
  @ParameterizedTest
  @CsvSource({"20, 90, 15", "12, 120, 10", "30, 120, 20"})
  void manyPassagesReturnOverShortDays(int passages, int days, int minutes) {
    List<Goal> goals = new ArrayList<>();
    for (int p = 1; p <= passages; p++) {
      LocalDate audition = DAY.plusDays(days);
      goals.add(
          new Goal(
              Goal.Id.of(p),
              1,
              ReadyDate.of(DAY, audition),
              audition,
              new Tempo(Beat.QUARTER, 100),
              Ladder.toTarget(100),
              units(10),
              20,
              0));
    }
    Budget budget = Budget.of(minutes).with(java.time.DayOfWeek.SUNDAY, 0);
    for (int i = 0; i < 7; i++) {
      budget = budget.with(DAY.plusDays(20 + i), 0);
    }
    PlanRequest request =
        new PlanRequest(goals, budget, DAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    Lawful.plan(request, Planner.bare(request, Token.NEVER));
  }

  /** Whole weeks once stood empty before the ready date. */
  @Test
  void noTwoDaysAreEmptyAndWhatIsGivenBackIsSaid() {
    PlanRequest request =
        new PlanRequest(
            List.of(goal(1, units(3))),
            Budget.of(40),
            DAY,
            PlanRequest.Rules.USUAL,
            List.of(),
            List.of());
    PracticePlan plan = Planner.bare(request, Token.NEVER);
    Lawful.plan(request, plan);
    LocalDate learned = plan.atTarget().get(Goal.Id.of(1));
    assertThat(plan.days())
        .filteredOn(d -> d.date().isAfter(learned))
        .allMatch(d -> d.shortBy().filter(s -> s.id().equals("plan.short.ready")).isPresent());
  }

  /** A week of illness is taken back as one thing. */
  @Test
  void aWeekOffIsOneThing() {
    Budget ill = Budget.of(30);
    for (int i = 0; i < 7; i++) {
      ill = ill.with(DAY.plusDays(i), 0);
    }
    assertThat(ill.inARow(DAY.plusDays(3), 7)).hasSize(7).startsWith(DAY);
    assertThat(ill.with(DAY.plusDays(20), 0).inARow(DAY.plusDays(20), 7))
        .containsExactly(DAY.plusDays(20));
    assertThat(ill.inARow(DAY.plusDays(9), 7)).containsExactly(DAY.plusDays(9));
  }

  /** "Seven days later it would fit" was one short: the ready date moves by less than the date. */
  @Test
  void whatIsSaidToFitLaterDoes() {
    Goal soon =
        new Goal(
            Goal.Id.of(1),
            1,
            ReadyDate.of(DAY, DAY.plusDays(6)),
            DAY.plusDays(6),
            new Tempo(Beat.QUARTER, 120),
            Ladder.toTarget(120),
            List.of(unit("bars-1", Unit.Kind.CHUNK, 2).opens(DAY.plusDays(6))),
            2,
            0);
    PlanRequest tight =
        new PlanRequest(
            List.of(soon), Budget.of(5), DAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    PracticePlan plan = Planner.bare(tight, Token.NEVER);
    assertThat(plan.feasible()).isFalse();
    fret.base.Said remedy = Planner.remedy(tight, plan, Token.NEVER).orElseThrow();
    assertThat(remedy.id()).isEqualTo("plan.remedy.later");
    int days = Integer.parseInt(String.valueOf(remedy.args().get(0)));
    LocalDate audition = soon.audition().plusDays(days);
    Goal later =
        new Goal(
            soon.id(),
            1,
            ReadyDate.of(DAY, audition),
            audition,
            soon.target(),
            soon.ladder(),
            soon.units(),
            2,
            0);
    assertThat(Planner.bare(tight.with(List.of(later)), Token.NEVER).feasible()).isTrue();
  }
}
