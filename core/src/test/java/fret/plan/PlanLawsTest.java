package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.Chance;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.LeftOut;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Assume;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.statistics.Statistics;

/** Laws that hold for every plan, whatever is to be learned. */
class PlanLawsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 5, 6);
  private static final int REQUESTS = 1500;

  static PlanRequest request(long seed, int minutes) {
    Random random = new Random(seed);
    List<Goal> goals = new ArrayList<>();
    List<JournalEntry> journal = new ArrayList<>();
    int passages = 1 + random.nextInt(4);
    for (int p = 1; p <= passages; p++) {
      Ladder ladder = Ladder.toTarget(60 + random.nextInt(100));
      List<Unit> units = new ArrayList<>();
      int count = 1 + random.nextInt(6);
      for (int i = 0; i < count; i++) {
        double length = (1 + random.nextInt(12)) / 2.0;
        units.add(
            new Unit(
                "u" + i,
                random.nextBoolean() ? Unit.Kind.JOIN : Unit.Kind.CHUNK,
                Set.of("u" + i),
                Map.of(
                    DrillKind.STRAIGHT, List.of(length),
                    DrillKind.RHYTHMS, List.of(length, length, length * 0.75, length * 0.75)),
                0.5 + random.nextDouble() * 1.5,
                random.nextInt(12) == 0 ? DAY.plusDays(3 + i) : LocalDate.MIN));
        record(random, journal, p, "u" + i, ladder);
      }
      int days = 5 + random.nextInt(30);
      goals.add(
          new Goal(
              Goal.Id.of(p),
              0.5 + random.nextDouble(),
              ReadyDate.of(DAY, DAY.plusDays(days)),
              DAY.plusDays(days),
              new Tempo(Beat.QUARTER, ladder.target()),
              ladder,
              units,
              count * 2,
              0));
    }
    journal.sort(java.util.Comparator.comparing(JournalEntry::date));
    PlanRequest.Climb climb =
        random.nextBoolean() ? PlanRequest.Climb.LEVEL_A_DAY : PlanRequest.Climb.WHOLE_LADDER;
    PlanRequest.Rules rules =
        new PlanRequest.Rules(Gate.Settings.USUAL, climb, 1 + random.nextInt(3));
    return new PlanRequest(goals, Budget.of(minutes), DAY, rules, journal, List.of());
  }

  private static void record(
      Random random, List<JournalEntry> journal, long passage, String unit, Ladder ladder) {
    int tries = random.nextInt(12);
    for (int t = 0; t < tries; t++) {
      Level level = ladder.levels().get(random.nextInt(2));
      Verdict v = random.nextInt(4) == 0 ? Verdict.MISSED : Verdict.CLEAN;
      journal.add(
          new JournalEntry(
              0,
              passage,
              DAY.minusDays(1 + random.nextInt(9)),
              unit,
              DrillKind.STRAIGHT,
              level.perMinute(),
              level.clicks(),
              20,
              v,
              Breakage.NONE,
              ""));
    }
  }

  @Property(tries = 150)
  void everyDayKeepsTheLaws(
      @ForAll @LongRange(min = 0, max = 1_000_000) long seed,
      @ForAll @IntRange(min = 5, max = 300) int minutes) {
    PlanRequest request = request(seed, minutes);
    Lawful.plan(request, Planner.bare(request, Token.NEVER));
  }

  /** A day that is not full names its law; nothing would have made another visit in it. */
  @Property(tries = 150)
  void noShortDayWhereSomethingAllowedFits(
      @ForAll @LongRange(min = 0, max = 1_000_000) long seed,
      @ForAll @IntRange(min = 5, max = 150) int minutes) {
    PlanRequest request = request(seed, minutes);
    for (Day d : Planner.bare(request, Token.NEVER).days()) {
      if (d.minutes() >= 0.9 * d.budget() - 1e-6) {
        assertThat(d.shortBy()).isEmpty();
        continue;
      }
      assertThat(d.shortBy()).as("%s names its law", d.date()).isPresent();
      double warmUp = d.items().isEmpty() ? Math.min(10, d.budget() / 5) : 0;
      double room = d.budget() - d.minutes() - Arrangement.BREAK_MIN - warmUp - 1;
      for (LeftOut l : d.leftOut()) {
        Goal g = request.goals().get((int) l.passageId() - 1);
        Unit u = g.units().stream().filter(x -> x.id().equals(l.unit())).findFirst().orElseThrow();
        double three = Stages.minutes(3, g.seconds(u.length(), g.ladder().start()));
        boolean alone = three >= Visit.SHORTEST_MIN && u.kind() == Unit.Kind.CHUNK;
        boolean allowed = isAllowed(d, l.passageId());
        assertThat(alone && allowed && three <= Math.min(10, room))
            .as("%s on %s", u.id(), d.date())
            .isFalse();
      }
    }
  }

  /** Whether a day may have one more visit to a passage. */
  private static boolean isAllowed(Day d, long passage) {
    List<PracticePlan.Item> work =
        d.items().stream().filter(i -> i.visit() > 0 && !i.isOfRound()).toList();
    long visits = work.stream().map(PracticePlan.Item::visit).distinct().count();
    List<Long> passages = work.stream().map(PracticePlan.Item::passageId).distinct().toList();
    Map<Integer, Double> minutes = new java.util.HashMap<>();
    work.stream()
        .filter(i -> i.passageId() == passage)
        .forEach(i -> minutes.merge(i.visit(), i.minutes(), Double::sum));
    return visits < Filling.mostVisits(d.budget())
        && (passages.contains(passage) || passages.size() < Filling.mostPassages(d.budget()))
        && minutes.values().stream().allMatch(m -> m >= Visit.SHORTEST_MIN - 1e-9);
  }

  /**
   * Days are packed one after the other, so that these two hold nearly always and not by proof: of
   * 1,500 made-up requests one broke the first and none the second. The requests are fixed ones.
   */
  @Example
  void aDayWithoutPracticeHardlyEverImprovesReadiness() {
    int broken = 0;
    Random random = new Random(5);
    for (int i = 0; i < REQUESTS; i++) {
      PlanRequest all = request(random.nextInt(1_000_000), 10 + random.nextInt(51));
      PlanRequest less = all.with(all.budget().with(DAY.plusDays(1), 0));
      PracticePlan with = Planner.bare(all, Token.NEVER);
      PracticePlan without = Planner.bare(less, Token.NEVER);
      broken += dayAfter(last(without, all)).isBefore(last(with, all)) ? 1 : 0;
    }
    assertThat(broken).isLessThanOrEqualTo(1);
  }

  @Example
  void moreMinutesHardlyEverMakeItLater() {
    int broken = 0;
    Random random = new Random(5);
    for (int i = 0; i < REQUESTS; i++) {
      PlanRequest all = request(random.nextInt(1_000_000), 10 + random.nextInt(51));
      PracticePlan more = Planner.bare(all.with(all.budget().plus(5)), Token.NEVER);
      LocalDate now = last(Planner.bare(all, Token.NEVER), all);
      broken += last(more, all).isAfter(dayAfter(now)) ? 1 : 0;
    }
    assertThat(broken).isZero();
  }

  /**
   * A small case: up to three units, a few days, no record, days too short for a second visit.
   *
   * @param days until the ready date
   */
  private static Goal small(long seed, int days) {
    Random random = new Random(seed);
    List<Unit> units = new ArrayList<>();
    int count = 1 + random.nextInt(3);
    for (int i = 0; i < count; i++) {
      double length = (1 + random.nextInt(5)) / 2.0;
      units.add(
          new Unit(
              "u" + i,
              Unit.Kind.CHUNK,
              Set.of("u" + i),
              Map.of(DrillKind.STRAIGHT, List.of(length)),
              0.5 + random.nextDouble(),
              LocalDate.MIN));
    }
    List<Level> levels = new ArrayList<>(List.of(Level.at(60), Level.at(80)));
    if (random.nextBoolean()) {
      levels.add(Level.at(100));
    }
    Ladder ladder = new Ladder(levels);
    return new Goal(
        Goal.Id.of(1),
        1,
        DAY.plusDays(days - 1),
        DAY.plusDays(days + 5),
        new Tempo(Beat.QUARTER, ladder.target()),
        ladder,
        units,
        2.0 * count,
        0);
  }

  /** Nothing of it is new, so that no first reading comes before. */
  private static List<JournalEntry> known(Goal goal) {
    return goal.units().stream()
        .map(
            u ->
                new JournalEntry(
                    0,
                    1,
                    DAY.minusDays(1),
                    u.id(),
                    DrillKind.CHECKS,
                    60,
                    60,
                    20,
                    Verdict.CLEAN,
                    Breakage.NONE,
                    ""))
        .toList();
  }

  /** Minutes of all that is to be played. */
  private static double work(Goal goal, double plays) {
    double sum = 0;
    for (Unit u : goal.units()) {
      for (Level l : goal.ladder().levels()) {
        sum += Stages.minutes(Math.ceil(plays), goal.seconds(u.length(), l.perMinute()));
      }
    }
    return sum;
  }

  /**
   * What the planner calls possible is so by every schedule there is, and what it calls impossible
   * stays so unless each day had one play more.
   */
  @Property(tries = 1500, seed = "20260603")
  void aNoIsANoToOnePlayADay(
      @ForAll @LongRange(min = 0, max = 1_000_000) long seed,
      @ForAll @IntRange(min = 2, max = 3) int days,
      @ForAll @IntRange(min = 75, max = 110) int percent,
      @ForAll boolean levelADay) {
    Goal goal = small(seed, days);
    double plays = Chance.plays(Gate.Settings.USUAL.cleanNeeded(), Chance.UNKNOWN.ofClean());
    int minutes = (int) Math.ceil(work(goal, plays) / 0.8 / days * percent / 100);
    Assume.that(minutes >= 4); // Behind its warm-up a shorter day holds no visit of three minutes.
    PlanRequest.Climb climb =
        levelADay ? PlanRequest.Climb.LEVEL_A_DAY : PlanRequest.Climb.WHOLE_LADDER;
    PlanRequest request =
        new PlanRequest(
            List.of(goal),
            Budget.of(minutes),
            DAY,
            new PlanRequest.Rules(Gate.Settings.USUAL, climb, 1),
            known(goal),
            List.of());
    boolean yes = Planner.bare(request, Token.NEVER).feasible();
    double warmUp = Math.min(10, minutes / 5.0);
    double all = minutes - (warmUp < 0.5 ? 0 : warmUp);
    double longest =
        goal.units().stream().mapToDouble(u -> goal.seconds(u.length(), 60)).max().orElseThrow();
    double less = yes ? 0 : Stages.minutes(1, longest);
    assertThat(new EverySchedule(goal, days, all - less, plays, levelADay).exists())
        .as("%s minutes, %s", minutes, goal)
        .isEqualTo(yes);
    Statistics.label("planned").collect(yes);
    Statistics.label("planned").coverage(c -> c.check(true).percentage(p -> p > 15));
    Statistics.label("planned").coverage(c -> c.check(false).percentage(p -> p > 15));
  }

  private static LocalDate dayAfter(LocalDate day) {
    return day.equals(LocalDate.MAX) ? day : day.plusDays(1);
  }

  /** The day on which everything stands at its target; far away where it does not. */
  private static LocalDate last(PracticePlan plan, PlanRequest request) {
    return plan.atTarget().size() < request.goals().size()
        ? LocalDate.MAX
        : plan.atTarget().values().stream().max(LocalDate::compareTo).orElseThrow();
  }
}
