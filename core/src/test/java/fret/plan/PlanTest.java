package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.drill.Approach;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.Chance;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One budget over everything that is to be learned. */
class PlanTest {
  private static final LocalDate MONDAY = LocalDate.of(2026, 3, 2);

  /** Four bars of four beats, straight, by steps and in rhythms. */
  private static Unit unit(String id, Unit.Kind kind) {
    return new Unit(
        id,
        kind,
        Set.of(id),
        Map.of(
            DrillKind.STRAIGHT, List.of(4.0),
            DrillKind.ADD_A_NOTE, List.of(1.0, 2.0, 3.0, 4.0),
            DrillKind.RHYTHMS, List.of(4.0, 4.0, 3.0, 3.0)),
        1);
  }

  private static List<Unit> units(int chunks) {
    List<Unit> all = new ArrayList<>();
    for (int i = 1; i <= chunks; i++) {
      all.add(unit("bars-" + i, Unit.Kind.CHUNK));
      if (i < chunks) {
        all.add(unit("join-" + i, Unit.Kind.JOIN));
      }
    }
    return all;
  }

  private static Goal goal(long id, int chunks, int days) {
    LocalDate audition = MONDAY.plusDays(days);
    return new Goal(
        Goal.Id.of(id),
        1,
        ReadyDate.of(MONDAY, audition),
        audition,
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        units(chunks),
        4.0 * chunks,
        0);
  }

  private static PlanRequest request(List<Goal> goals, int minutes, List<JournalEntry> journal) {
    return new PlanRequest(
        goals, Budget.of(minutes), MONDAY, PlanRequest.Rules.USUAL, journal, List.of());
  }

  private static PracticePlan plan(List<Goal> goals, int minutes) {
    return Planner.plan(request(goals, minutes, List.of()), Token.NEVER);
  }

  private static JournalEntry straight(String chunk, LocalDate day, double tempo, Verdict v) {
    return new JournalEntry(
        0, 1, day, chunk, DrillKind.STRAIGHT, tempo, tempo, 30, v, Breakage.NONE, "");
  }

  private static List<JournalEntry> closed(String chunk, LocalDate day, double... tempos) {
    List<JournalEntry> all = new ArrayList<>();
    for (double t : tempos) {
      for (int i = 0; i < 3; i++) {
        all.add(straight(chunk, day, t, Verdict.CLEAN));
      }
    }
    return all;
  }

  /** W. Feller 1968, XIII.7 (from memory): mean wait for a run of successes. */
  @ParameterizedTest
  @CsvSource({"3, 0.8, 4.77", "3, 0.6667, 7.125", "3, 0.5, 14", "1, 0.8, 1.25", "3, 1, 3"})
  void expectedPlaysToCleanOnesInARow(int k, double p, double plays) {
    assertThat(Chance.plays(k, p)).isCloseTo(plays, within(0.01));
    if (p < 1) {
      double closedForm = (1 - Math.pow(p, k)) / ((1 - p) * Math.pow(p, k));
      assertThat(Chance.plays(k, p)).isCloseTo(closedForm, within(1e-9));
    }
    assertThat(Chance.UNKNOWN.ofClean()).isEqualTo(0.8);
    assertThat(new Chance(0, 5).ofClean()).isEqualTo(0.4);
  }

  /** The same mean counted out: play until three in a row are clean, very often. */
  @Test
  void theFormulaIsWhatPlayingComesTo() {
    java.util.Random random = new java.util.Random(5);
    long plays = 0;
    int rounds = 40_000;
    for (int i = 0; i < rounds; i++) {
      int row = 0;
      while (row < 3) {
        plays++;
        row = random.nextDouble() < 0.7 ? row + 1 : 0;
      }
    }
    assertThat(plays / (double) rounds).isCloseTo(Chance.plays(3, 0.7), within(0.08));
  }

  /** Five passages once asked 35 of 30 minutes on the first day. */
  @Test
  void theMinutesAreThePlayersWhateverTheNumberOfPassages() {
    List<Goal> goals = new ArrayList<>();
    for (int i = 1; i <= 8; i++) {
      goals.add(goal(i, 5, 42));
    }
    PracticePlan plan = plan(goals, 30);
    for (Day d : plan.days()) {
      double sum = d.items().stream().mapToDouble(Item::minutes).sum() + d.changes();
      assertThat(sum).isLessThanOrEqualTo(d.budget() + 0.006);
      assertThat(d.minutes()).isCloseTo(sum, within(0.011));
    }
    assertThat(plan.days()).hasSize(43);
    assertThat(plan.days().get(0).minutes()).isBetween(27.0, 30.0);
    Set<Long> passages = new TreeSet<>();
    plan.days().stream()
        .limit(5)
        .flatMap(d -> d.items().stream())
        .filter(i -> i.passageId() > 0)
        .forEach(i -> passages.add(i.passageId()));
    assertThat(passages).as("each has its turn within the week").hasSize(8);
  }

  /** One passage alone once used 119 to 196 of its 990 minutes. */
  @Test
  void aDayIsFullWhileSomethingIsBelowItsTarget() {
    PracticePlan plan = plan(List.of(goal(1, 8, 42)), 30);
    LocalDate learned = plan.atTarget().get(Goal.Id.of(1));
    assertThat(plan.feasible()).isTrue();
    for (Day d : plan.days()) {
      if (d.date().isBefore(learned)) {
        assertThat(d.minutes()).as("%s", d.date()).isGreaterThanOrEqualTo(27);
      }
    }
  }

  /** One chunk of four bars alone uses 8 to 16 of 30 minutes, and the day says why. */
  @Test
  void aDayThatMustBeShortNamesItsLaw() {
    PracticePlan plan = plan(List.of(goal(1, 1, 42)), 30);
    Day first = plan.days().get(0);
    assertThat(first.minutes()).isBetween(8.0, 16.0);
    assertThat(first.shortBy().map(Said::id)).contains("plan.short.twice");
    Day later =
        plan.days().stream()
            .filter(d -> d.date().isAfter(plan.atTarget().get(Goal.Id.of(1))))
            .findFirst()
            .orElseThrow();
    assertThat(later.shortBy().map(Said::id)).contains("plan.short.ready");
  }

  @Test
  void aChunkComesTwiceADayAtMostWithOtherThingsBetween() {
    for (int chunks : new int[] {1, 2, 6}) {
      for (int minutes : new int[] {15, 45, 120}) {
        for (Day d : plan(List.of(goal(1, chunks, 30), goal(2, chunks, 40)), minutes).days()) {
          Lawful.day(d);
        }
      }
    }
  }

  /** A new chunk starts by adding notes; its first level is closed straight. */
  @Test
  void aNewChunkIsBuiltUp() {
    PracticePlan plan = plan(List.of(goal(1, 3, 42)), 30);
    List<Item> first =
        plan.days().get(0).items().stream().filter(i -> i.unit().equals("bars-1")).toList();
    assertThat(first.get(0).drill()).isEqualTo(DrillKind.ADD_A_NOTE);
    assertThat(first.get(0).plays()).isEqualTo(5);
    assertThat(first.get(1).drill()).isEqualTo(DrillKind.STRAIGHT);
    assertThat(first.get(1).plays()).as("4.77, rounded up").isEqualTo(5);
    // 16 beats at 60 and 6 s, five times.
    assertThat(first.get(1).minutes()).isCloseTo(5 * 22 / 60.0, within(0.01));
    assertThat(plan.days().get(1).items())
        .noneMatch(i -> i.unit().equals("bars-1") && i.drill() == DrillKind.ADD_A_NOTE);
  }

  @Test
  void rhythmsComeWhenStraightWorkHasStalledAndOnThreeDaysInSeven() {
    assertThat(plan(List.of(goal(1, 3, 42)), 30).days().stream().flatMap(d -> d.items().stream()))
        .noneMatch(i -> i.drill() == DrillKind.RHYTHMS);
    List<JournalEntry> stalled = new ArrayList<>();
    for (int day = 3; day >= 1; day--) {
      stalled.add(straight("bars-1", MONDAY.minusDays(day), 60, Verdict.MISSED));
    }
    PracticePlan plan = Planner.plan(request(List.of(goal(1, 3, 42)), 30, stalled), Token.NEVER);
    assertThat(plan.days().get(0).items())
        .anyMatch(i -> i.unit().equals("bars-1") && i.drill() == DrillKind.RHYTHMS);
    Lawful.rhythms(plan);
  }

  /** The player's way with a chunk holds from the first day; rhythms keep their cap. */
  @Test
  void aChunkIsBroughtUpAsThePlayerWants() {
    for (Approach a : Approach.values()) {
      Goal g = goal(1, 1, 42);
      Goal wished =
          new Goal(
              g.id(),
              1,
              g.ready(),
              g.audition(),
              g.target(),
              g.ladder(),
              List.of(g.units().get(0).with(a)),
              4,
              0);
      PracticePlan plan = plan(List.of(wished), a.isByLevels() ? 7 : 30);
      List<List<DrillKind>> days =
          plan.days().subList(0, 4).stream()
              .map(
                  d ->
                      d.items().stream()
                          .filter(i -> i.unit().equals("bars-1"))
                          .map(Item::drill)
                          .distinct()
                          .toList())
              .toList();
      DrillKind straight = DrillKind.STRAIGHT;
      DrillKind before = a == Approach.RHYTHMS ? DrillKind.RHYTHMS : DrillKind.ADD_A_NOTE;
      List<DrillKind> with = List.of(before, straight);
      List<DrillKind> alone = List.of(straight);
      List<DrillKind> layered = List.of(straight, DrillKind.RHYTHMS);
      assertThat(days)
          .as("%s", a)
          .isEqualTo(
              switch (a) {
                case AS_PLANNED -> List.of(with, alone, alone, alone);
                case RHYTHMS -> List.of(with, with, with, alone);
                case SMALL_STEPS -> List.of(alone, alone, alone, alone);
                case ADD_A_NOTE -> List.of(with, with, with, with);
                case LEVELS, LEVELS_LONG -> List.of(layered, layered, layered, alone);
              });
      Lawful.rhythms(plan);
    }
  }

  /** The hand is one: many chunks with a stretch share its dose. */
  @Test
  void manyStretchesShareOneDose() {
    Goal all = goal(1, 6, 42);
    List<Unit> units = new ArrayList<>();
    for (Unit u : all.units()) {
      units.add(
          new Unit(
              u.id(),
              u.kind(),
              u.ids(),
              Map.of(DrillKind.STRAIGHT, List.of(4.0), DrillKind.STRETCH, List.of(2.0, 2.0)),
              1));
    }
    Goal stretched =
        new Goal(
            Goal.Id.of(1),
            1,
            all.ready(),
            all.audition(),
            all.target(),
            all.ladder(),
            units,
            24,
            0);
    PracticePlan plan = plan(List.of(stretched), 40);
    assertThat(plan.days().stream().flatMap(d -> d.items().stream()))
        .anyMatch(i -> i.drill() == DrillKind.STRETCH);
    Lawful.stretches(plan);
    plan.days().forEach(Lawful::day);
  }

  @Test
  void theJournalMovesTomorrow() {
    List<JournalEntry> yesterday = closed("bars-1", MONDAY.minusDays(1), 60);
    Day first =
        Planner.plan(request(List.of(goal(1, 1, 42)), 30, yesterday), Token.NEVER).days().get(0);
    assertThat(first.items().stream().filter(i -> i.drill() == DrillKind.STRAIGHT))
        .anyMatch(i -> i.level().perMinute() == 70);
    // What is done today ticks today off and moves tomorrow.
    List<JournalEntry> today = closed("bars-1", MONDAY, 60, 70);
    PracticePlan plan = Planner.plan(request(List.of(goal(1, 1, 42)), 30, today), Token.NEVER);
    assertThat(plan.days().get(0).items())
        .anyMatch(i -> i.drill() == DrillKind.STRAIGHT && i.level().perMinute() == 60);
    assertThat(plan.days().get(1).items())
        .anyMatch(i -> i.drill() == DrillKind.STRAIGHT && i.level().perMinute() == 80);
  }

  /** Missed tries are in the chance, and the minutes are honest about them. */
  @Test
  void whatDoesNotGoWellGetsMoreTime() {
    List<JournalEntry> bad = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      bad.add(straight("bars-1", MONDAY.minusDays(1), 60, Verdict.NEARLY));
    }
    Item item =
        Planner.plan(request(List.of(goal(1, 1, 42)), 60, bad), Token.NEVER)
            .days()
            .get(0)
            .items()
            .stream()
            .filter(i -> i.drill() == DrillKind.STRAIGHT)
            .findFirst()
            .orElseThrow();
    assertThat(item.plays()).isEqualTo((int) Math.ceil(Chance.plays(3, 0.4)));
  }

  private static Goal waiting(Goal g, LocalDate opens) {
    List<Unit> units = new ArrayList<>(g.units());
    units.set(0, units.get(0).opens(opens));
    return g.with(units);
  }

  @Test
  void whatHurtWaitsUntilItsDayAndIsTold() {
    LocalDate opens = MONDAY.plusDays(5);
    PracticePlan plan = plan(List.of(waiting(goal(1, 3, 42), opens)), 30);
    assertThat(plan.days().stream().filter(d -> d.date().isBefore(opens)))
        .flatExtracting(Day::items)
        .noneMatch(i -> i.unit().equals("bars-1"))
        .anyMatch(i -> i.unit().equals("bars-2"));
    assertThat(plan.days().stream().filter(d -> !d.date().isBefore(opens)))
        .flatExtracting(Day::items)
        .anyMatch(i -> i.unit().equals("bars-1"));
    assertThat(plan.feasible()).isTrue();
    assertThat(plan.advice()).anyMatch(s -> s.id().equals("plan.waiting"));
  }

  /** What waits for ever is not ready, and no run-through or mock audition asks for its bars. */
  @Test
  void aPassageOfWhichAnythingWaitsIsNeverRunThroughNorReady() {
    PracticePlan free = plan(List.of(goal(1, 3, 42)), 30);
    assertThat(runs(free)).isNotEmpty();
    PracticePlan plan = plan(List.of(waiting(goal(1, 3, 42), LocalDate.MAX)), 30);
    assertThat(runs(plan)).isEmpty();
    assertThat(plan.feasible()).isFalse();
    assertThat(plan.atTarget()).isEmpty();
  }

  private static List<Item> runs(PracticePlan plan) {
    return plan.days().stream()
        .flatMap(d -> d.items().stream())
        .filter(i -> i.kind() == Kind.MOCK || i.kind() == Kind.RUN_THROUGH)
        .toList();
  }

  /** Days of rest ask nothing, days of light work a third, and more is no answer to pain. */
  @Test
  void easedDaysAreShorterAndNobodyIsAskedForMoreMinutes() {
    Map<LocalDate, Double> shares = Map.of(MONDAY, 0.0, MONDAY.plusDays(1), 1 / 3.0);
    PlanRequest.Rules rules =
        new PlanRequest.Rules(
            Gate.Settings.USUAL,
            PlanRequest.Climb.LEVEL_A_DAY,
            2,
            new Easing(shares, MONDAY.plusDays(2)));
    PlanRequest request =
        new PlanRequest(
            List.of(goal(1, 12, 14)), Budget.of(30), MONDAY, rules, List.of(), List.of());
    PracticePlan plan = Planner.plan(request, Token.NEVER);
    assertThat(plan.days().get(0).items()).isEmpty();
    assertThat(plan.days().get(0).shortBy()).contains(Said.of("plan.short.rest"));
    assertThat(plan.days().get(1).minutes()).isPositive().isLessThanOrEqualTo(10);
    assertThat(plan.days().get(2).minutes()).isGreaterThan(10);
    assertThat(plan.feasible()).isFalse();
    assertThat(Planner.remedy(request, plan, Token.NEVER)).contains(Said.of("plan.remedy.hurts"));
  }

  /** After the ready date the join that failed most has a visit of its own; one never does not. */
  @Test
  void theWeakestJoinIsWorkedOnAfterTheReadyDate() {
    List<JournalEntry> journal = new ArrayList<>();
    double[] levels =
        Ladder.toTarget(120).tempos().stream().mapToDouble(Double::doubleValue).toArray();
    for (String unit : List.of("bars-1", "join-1", "bars-2", "join-2", "bars-3")) {
      journal.addAll(closed(unit, MONDAY.minusDays(9), levels));
    }
    for (int i = 0; i < 2; i++) {
      journal.add(straight("join-2", MONDAY.minusDays(3 + i), 120, Verdict.MISSED));
    }
    for (int i = 0; i < 3; i++) {
      journal.add(straight("join-2", MONDAY.minusDays(2), 120, Verdict.CLEAN));
    }
    LocalDate audition = MONDAY.plusDays(12);
    Goal g = goal(1, 3, 12);
    Goal ready =
        new Goal(
            g.id(), 1, MONDAY.minusDays(1), audition, g.target(), g.ladder(), g.units(), 12.0, 0);
    PracticePlan plan = Planner.plan(request(List.of(ready), 40, journal), Token.NEVER);
    List<Item> joins =
        plan.days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.why().id().equals("plan.why.weak-join"))
            .toList();
    plan.days().forEach(Lawful::day);
    assertThat(joins).isNotEmpty().extracting(Item::unit).containsOnly("join-2");
  }

  @Test
  void afterTheReadyDateComeRunThroughsAndTheLastTwoDaysAreHalf() {
    PracticePlan plan = plan(List.of(goal(1, 3, 42), goal(2, 3, 42)), 40);
    LocalDate ready = ReadyDate.of(MONDAY, MONDAY.plusDays(42));
    List<Day> after = plan.days().stream().filter(d -> d.date().isAfter(ready)).toList();
    assertThat(after).isNotEmpty();
    for (Day d : after) {
      List<Item> runs =
          d.items().stream()
              .filter(i -> i.kind() == Kind.RUN_THROUGH || i.kind() == Kind.MOCK)
              .toList();
      assertThat(runs).extracting(Item::passageId).containsExactlyInAnyOrder(1L, 2L);
      assertThat(runs).allMatch(i -> i.plays() == 1);
    }
    assertThat(after.stream().flatMap(d -> d.items().stream()).map(Item::kind)).contains(Kind.MOCK);
    Set<Long> firsts = new TreeSet<>();
    after.forEach(
        d ->
            firsts.add(
                d.items().stream()
                    .filter(i -> i.unit().equals(PracticePlan.WHOLE))
                    .findFirst()
                    .orElseThrow()
                    .passageId()));
    assertThat(firsts).as("in random order").hasSize(2);
    Day last = plan.days().get(plan.days().size() - 1);
    assertThat(last.date()).isEqualTo(MONDAY.plusDays(42));
    assertThat(last.budget()).isEqualTo(20);
    assertThat(plan.days().get(plan.days().size() - 2).budget()).isEqualTo(20);
    assertThat(plan.days().get(plan.days().size() - 3).budget()).isEqualTo(40);
  }

  /** Seven days left: ready one day before. */
  @Test
  void sevenDaysLeft() {
    Goal week = goal(1, 2, 7);
    assertThat(week.ready()).isEqualTo(week.audition().minusDays(1));
    PracticePlan plan = plan(List.of(week), 60);
    assertThat(plan.feasible()).as("two levels on some days").isTrue();
    assertThat(plan.atTarget().get(Goal.Id.of(1))).isBeforeOrEqualTo(week.ready());
  }

  @Test
  void aRangeIsRunThroughAtBothEnds() {
    Goal g = goal(1, 2, 42);
    Goal range =
        new Goal(
            Goal.Id.of(1), 1, g.ready(), g.audition(), g.target(), g.ladder(), g.units(), 8, 126);
    Set<Double> tempos = new TreeSet<>();
    plan(List.of(range), 40).days().stream()
        .filter(d -> d.date().isAfter(g.ready()))
        .flatMap(d -> d.items().stream())
        .filter(i -> i.unit().equals(PracticePlan.WHOLE))
        .forEach(i -> tempos.add(i.level().perMinute()));
    assertThat(tempos).containsExactly(120.0, 126.0);
  }

  @Test
  void saysWhatWouldMakeItFit() {
    PracticePlan tight = plan(List.of(goal(1, 20, 10)), 10);
    assertThat(tight.feasible()).isFalse();
    assertThat(tight.advice()).anyMatch(s -> s.id().equals("plan.fits-not"));
    Said remedy =
        Planner.remedy(request(List.of(goal(1, 20, 10)), 10, List.of()), tight, Token.NEVER)
            .orElseThrow();
    assertThat(remedy.id()).isEqualTo("plan.remedy.minutes");
    int more = Integer.parseInt(remedy.args().get(0).toString());
    assertThat(plan(List.of(goal(1, 20, 10)), 10 + more).feasible()).isTrue();
    assertThat(plan(List.of(goal(1, 20, 10)), 10 + more - 5).feasible()).isFalse();
  }

  /** A run-through that is moved comes on the day where the player put it, and not on its own. */
  @Test
  void aRunThroughIsMovedLikeAnythingElse() {
    Goal g = goal(1, 2, 42);
    java.util.function.Function<List<Move>, PracticePlan> with =
        moves ->
            Planner.plan(
                new PlanRequest(
                    List.of(g), Budget.of(30), MONDAY, PlanRequest.Rules.USUAL, List.of(), moves),
                Token.NEVER);
    LocalDate from =
        with.apply(List.of()).days().stream()
            .filter(d -> d.date().isAfter(g.ready()) && runs(d) == 1)
            .findFirst()
            .orElseThrow()
            .date();
    LocalDate early = MONDAY.plusDays(1);
    PracticePlan moved = with.apply(List.of(new Move(1, g.id().run(), from, early)));
    assertThat(runs(moved.on(from).orElseThrow())).isZero();
    assertThat(moved.on(early).orElseThrow().items())
        .filteredOn(i -> PracticePlan.isRun(i.unit()))
        .singleElement()
        .satisfies(i -> assertThat(i.why().id()).isEqualTo("plan.why.moved"));
  }

  private static long runs(Day d) {
    return d.items().stream().filter(i -> PracticePlan.isRun(i.unit())).count();
  }

  /** Three of the last ten tries were rushed: accents come before straight work, and say why. */
  @Test
  void whatBreaksOftenChoosesTheDrill() {
    Unit u = unit("bars-1", Unit.Kind.CHUNK);
    java.util.Map<DrillKind, List<Double>> parts = new java.util.EnumMap<>(u.parts());
    parts.put(DrillKind.ACCENTS, List.of(4.0));
    Unit with = new Unit(u.id(), u.kind(), u.ids(), parts, 1);
    Goal all = goal(1, 1, 42);
    Goal g =
        new Goal(
            all.id(),
            1,
            all.ready(),
            all.audition(),
            all.target(),
            all.ladder(),
            List.of(with),
            4,
            0);
    List<JournalEntry> journal = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      journal.add(
          straight("bars-1", MONDAY.minusDays(1), 60, Verdict.NEARLY)
              .judged(Verdict.NEARLY, i < 2 ? Breakage.RUSHED : Breakage.NONE));
    }
    assertThat(drills(request(List.of(g), 30, journal))).doesNotContain(DrillKind.ACCENTS);
    journal.add(
        straight("bars-1", MONDAY.minusDays(1), 60, Verdict.NEARLY)
            .judged(Verdict.NEARLY, Breakage.RUSHED));
    assertThat(drills(request(List.of(g), 30, journal))).contains(DrillKind.ACCENTS);
    assertThat(Planner.first(request(List.of(g), 30, journal)).items())
        .filteredOn(i -> i.drill() == DrillKind.ACCENTS)
        .allMatch(i -> i.why().id().equals("plan.why.broke"));
  }

  private static List<DrillKind> drills(PlanRequest request) {
    return Planner.first(request).items().stream().map(Item::drill).toList();
  }

  @Test
  void whatThePlayerMovedStays() {
    Goal g = goal(1, 3, 42);
    Move move = new Move(1, "bars-2", MONDAY, MONDAY.plusDays(2));
    PracticePlan plan =
        Planner.plan(
            new PlanRequest(
                List.of(g),
                Budget.of(10),
                MONDAY,
                PlanRequest.Rules.USUAL,
                List.of(),
                List.of(move)),
            Token.NEVER);
    assertThat(plan.days().get(0).items()).noneMatch(i -> i.unit().equals("bars-2"));
    assertThat(plan.days().get(2).items()).anyMatch(i -> i.unit().equals("bars-2"));
  }

  @Test
  void aDayOffAndADaysOwnMinutes() {
    Budget budget =
        Budget.of(30)
            .with(MONDAY, 15)
            .with(MONDAY.plusDays(1), 0)
            .with(java.time.DayOfWeek.SUNDAY, 0);
    PracticePlan plan =
        Planner.plan(
            new PlanRequest(
                List.of(goal(1, 6, 42)),
                budget,
                MONDAY,
                PlanRequest.Rules.USUAL,
                List.of(),
                List.of()),
            Token.NEVER);
    assertThat(plan.days().get(0).minutes()).isBetween(13.5, 15.0);
    assertThat(plan.days().get(1).items()).isEmpty();
    assertThat(plan.days().get(1).shortBy()).isEqualTo(Optional.of(Said.of("plan.short.off")));
    assertThat(plan.days().get(6).items()).isEmpty();
    assertThat(plan.days().get(2).minutes()).isGreaterThanOrEqualTo(27);
  }

  @Test
  void theSameRequestGivesTheSamePlan() {
    List<Goal> goals = List.of(goal(1, 5, 42), goal(2, 4, 60));
    assertThat(plan(goals, 35)).isEqualTo(plan(goals, 35));
  }

  @Test
  void theWholeLadderIsClimbedInAVisitWhereThePlayerWantsIt() {
    PlanRequest quick =
        new PlanRequest(
            List.of(goal(1, 1, 42)),
            Budget.of(30),
            MONDAY,
            new PlanRequest.Rules(Gate.Settings.USUAL, PlanRequest.Climb.WHOLE_LADDER, 2),
            List.of(),
            List.of());
    Day first = Planner.plan(quick, Token.NEVER).days().get(0);
    assertThat(
            first.items().stream()
                .filter(i -> i.drill() == DrillKind.STRAIGHT)
                .map(i -> i.level().perMinute())
                .distinct()
                .count())
        .isGreaterThan(2);
    assertThat(first.minutes()).isLessThanOrEqualTo(30);
    Lawful.day(first);
  }
}
