package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.commons.math3.stat.regression.SimpleRegression;
import org.junit.jupiter.api.Test;

/** When it will be ready, by the record. */
class ForecastTest {
  private static final LocalDate DAY = LocalDate.of(2026, 1, 5);

  private static Goal goal(int units) {
    List<Unit> all = new ArrayList<>();
    for (int i = 0; i < units; i++) {
      all.add(
          new Unit(
              "u" + i,
              Unit.Kind.CHUNK,
              Set.of("u" + i),
              Map.of(DrillKind.STRAIGHT, List.of(3.0)),
              1));
    }
    return new Goal(
        Goal.Id.of(1),
        1,
        DAY.plusDays(90),
        DAY.plusDays(100),
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        all,
        9,
        0);
  }

  /** Tries of a unit: at each level so many plays, the last three clean. */
  private static void play(List<JournalEntry> journal, String unit, int... plays) {
    List<Double> tempos = Ladder.toTarget(120).tempos();
    for (int level = 0; level < plays.length; level++) {
      for (int i = 0; i < plays[level]; i++) {
        boolean clean = i >= plays[level] - 3;
        journal.add(
            new JournalEntry(
                0,
                1,
                DAY.plusDays(level),
                unit,
                DrillKind.STRAIGHT,
                tempos.get(level),
                tempos.get(level),
                20,
                clean ? Verdict.CLEAN : Verdict.NEARLY,
                Breakage.NONE,
                ""));
      }
    }
  }

  /** Against a reference library's least squares, on levels that follow the power law. */
  @Test
  void theExponentIsThatOfTheRecord() {
    List<JournalEntry> journal = new ArrayList<>();
    // Plays until each level is closed grow as tempo to the power of 1 / 0.25.
    int[] plays = new int[6];
    int before = 0;
    for (int level = 0; level < 6; level++) {
      int reached = (int) Math.round(12 * Math.pow((60 + 10 * level) / 60.0, 4)) - 6;
      plays[level] = Math.max(6, reached - before);
      before += plays[level];
    }
    for (int i = 0; i < 12; i++) {
      play(journal, "u" + i, plays);
    }
    SimpleRegression reference = new SimpleRegression();
    int sum = 0;
    for (int level = 0; level < 6; level++) {
      sum += plays[level];
      reference.addData(Math.log(6 + sum), Math.log(60.0 / (60 + 10 * level)));
    }
    Goal g = goal(12);
    Pace pace = Pace.of(g, journal, 3);
    assertThat(pace.exponent()).isCloseTo(-reference.getSlope(), within(0.02));
    double[] next = pace.plays(g, g.units().get(0), 1);
    double predicted =
        Math.exp((Math.log(60.0 / 120) - reference.getIntercept()) / reference.getSlope());
    assertThat(next[0]).isZero();
    assertThat(next[6]).isCloseTo(predicted - 6 - sum, within(0.25 * predicted));
  }

  @Test
  void tooEarlyToTell() {
    PlanRequest nothing =
        new PlanRequest(
            List.of(goal(3)), Budget.of(30), DAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    assertThat(Forecast.of(at(nothing))).isEmpty();
    List<JournalEntry> journal = new ArrayList<>();
    play(journal, "u0", 4, 6, 9);
    PlanRequest little =
        new PlanRequest(
            List.of(goal(3)),
            Budget.of(30),
            DAY.plusDays(8),
            PlanRequest.Rules.USUAL,
            journal,
            List.of());
    assertThat(Forecast.of(at(little))).as("a third of the levels is not closed").isEmpty();
  }

  @Test
  void theBandHoldsTheExpectedDayAndSlowerLearnersAreReadyLater() {
    Forecast quick = forecast(4, 5, 6, 8);
    Forecast slow = forecast(8, 14, 22, 34);
    assertThat(quick.earliest().orElseThrow()).isBeforeOrEqualTo(quick.expected().orElseThrow());
    assertThat(quick.expected().orElseThrow())
        .isBeforeOrEqualTo(quick.latest().orElse(LocalDate.MAX));
    assertThat(slow.expected().orElse(LocalDate.MAX)).isAfter(quick.expected().orElseThrow());
  }

  /** Each help does what it says: with it the forecast is in time, with a step less it is not. */
  @Test
  void whatIsSaidToMakeItFitDoes() {
    List<JournalEntry> journal = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      play(journal, "u" + i, 9, 14, 20, 30);
    }
    journal.sort(java.util.Comparator.comparing(JournalEntry::date));
    Goal g = goal(3);
    Goal soon =
        new Goal(
            g.id(), 1, DAY.plusDays(9), DAY.plusDays(12), g.target(), g.ladder(), g.units(), 3, 0);
    PlanRequest request =
        new PlanRequest(
            List.of(soon),
            Budget.of(10),
            DAY.plusDays(6),
            PlanRequest.Rules.USUAL,
            journal,
            List.of());
    Fit fit = Fit.of(at(request), soon).orElseThrow();
    assertThat(fit.by()).isEqualTo(soon.ready());
    assertThat(fit.units()).isBetween(0, 3);
    assertThat(fit.of()).isEqualTo(3);
    Level level = fit.tempo().orElseThrow();
    assertThat(level.perMinute()).isLessThan(soon.target().perMinute());
    int at = soon.ladder().levels().indexOf(level);
    assertThat(inTime(request, soon.upTo(at + 1))).isTrue();
    assertThat(inTime(request, soon.upTo(at + 2))).isFalse();
    if (fit.moreMinutes() > 0) {
      Budget more = request.budget().plus(fit.moreMinutes());
      assertThat(Fit.of(at(request.with(more)), soon)).isEmpty();
    }
  }

  private static boolean inTime(PlanRequest request, Goal goal) {
    LocalDate day = at(request.with(List.of(goal))).expected().atTarget().get(goal.id());
    return day != null && !day.isAfter(goal.ready());
  }

  private static Forecast forecast(int... plays) {
    List<JournalEntry> journal = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      play(journal, "u" + i, plays);
    }
    journal.sort(java.util.Comparator.comparing(JournalEntry::date));
    return Forecast.of(
            at(
                new PlanRequest(
                    List.of(goal(3)),
                    Budget.of(20),
                    DAY.plusDays(6),
                    PlanRequest.Rules.USUAL,
                    journal,
                    List.of())))
        .get(Goal.Id.of(1));
  }

  private static AtPace at(PlanRequest request) {
    return new AtPace(request, Token.NEVER);
  }

  /** Half a year of days is left at the next one as soon as something else is more urgent. */
  @Test
  void anOutlookThatNobodyWaitsForEndsAtTheNextDay() {
    PlanRequest request =
        new PlanRequest(
            List.of(goal(3)), Budget.of(20), DAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    AtomicInteger asked = new AtomicInteger();
    Token soon = () -> asked.incrementAndGet() > 3;
    assertThatThrownBy(() -> new AtPace(request, soon).expected())
        .isInstanceOf(Token.Cancelled.class);
    assertThat(asked).hasValue(4);
    assertThatThrownBy(() -> Planner.plan(request, () -> true)).isInstanceOf(Token.Cancelled.class);
    PracticePlan tight = Planner.plan(request.with(Budget.of(0)), Token.NEVER);
    assertThatThrownBy(() -> Planner.remedy(request, tight, () -> true))
        .isInstanceOf(Token.Cancelled.class);
  }

  /** More minutes are tried once for all goals, and only as far as their ready dates. */
  @Test
  void whatSeveralGoalsAskIsPlannedOnce() {
    AtomicInteger days = new AtomicInteger();
    Token counting =
        () -> {
          days.incrementAndGet();
          return false;
        };
    PlanRequest request =
        new PlanRequest(
            List.of(goal(3)), Budget.of(20), DAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    AtPace pace = new AtPace(request, counting);
    PracticePlan once = pace.expected();
    int whole = days.get();
    assertThat(pace.expected()).isSameAs(once);
    assertThat(days).hasValue(whole);
    assertThat(pace.expected(5)).isSameAs(pace.expected(5));
    assertThat(days.get() - whole).isPositive().isLessThan(whole);
  }

  /**
   * A short form of the report: simulated learners that the band was not made on. Wide bounds, as
   * few are followed; the whole report is made by the command.
   */
  @Test
  void theBandHoldsForLearnersItWasNotMadeOn() {
    Map<String, ForecastReport.Row> rows = ForecastReport.of(8, 700_000);
    ForecastReport.Row all = rows.get("ALL");
    assertThat(all.told()).isGreaterThan(30);
    assertThat(all.coverage()).isBetween(0.6, 0.95);
    assertThat(all.score()).isLessThan(all.simple());
    assertThat(all.lateEarly()).isLessThan(1.0 / 3);
  }

  /** What waits is still to be learned: no forecast comes earlier because something hurts. */
  @Test
  void aForecastCountsWhatWaitsAndIsNotEarlierForIt() {
    int told = 0;
    for (long seed = 1; seed <= 24; seed++) {
      Learner.Law law = Learner.Law.values()[(int) (seed % Learner.Law.values().length)];
      Learner learner = new Learner(law, seed, DAY);
      LocalDate day = DAY;
      while (learner.closedShare() < 0.4 && day.isBefore(DAY.plusDays(100))) {
        learner.practise(day);
        day = day.plusDays(1);
      }
      PlanRequest free = learner.request(day);
      Forecast before = forecast(free);
      if (before == null || before.expected().isEmpty()) {
        continue;
      }
      told++;
      Forecast after = forecast(hurt(free, seed));
      assertThat(after).as("seed %d", seed).isNotNull();
      after
          .expected()
          .ifPresent(d -> assertThat(d).isAfterOrEqualTo(before.expected().orElseThrow()));
      PlanRequest ever = hurt(free, LocalDate.MAX, Easing.NONE);
      assertThat(forecast(ever).expected()).as("seed %d, no day known", seed).isEmpty();
    }
    assertThat(told).isGreaterThan(12);
  }

  private static Forecast forecast(PlanRequest r) {
    return Forecast.of(new AtPace(r, Token.NEVER)).get(r.goals().get(0).id());
  }

  /** Half of the units wait for some days, and the days are eased meanwhile. */
  private static PlanRequest hurt(PlanRequest r, long seed) {
    LocalDate from = r.from();
    int days = 3 + (int) (seed % 5);
    Map<LocalDate, Double> shares =
        Map.of(from, 0.0, from.plusDays(1), 1 / 3.0, from.plusDays(2), 2 / 3.0);
    return hurt(r, from.plusDays(days), new Easing(shares, from.plusDays(days)));
  }

  private static PlanRequest hurt(PlanRequest r, LocalDate opens, Easing easing) {
    Goal g = r.goals().get(0);
    List<Unit> units = new ArrayList<>();
    for (int i = 0; i < g.units().size(); i++) {
      units.add(i % 2 == 0 ? g.units().get(i).opens(opens) : g.units().get(i));
    }
    PlanRequest.Rules rules =
        new PlanRequest.Rules(r.rules().gate(), r.rules().climb(), r.rules().sessions(), easing);
    return r.with(List.of(g.with(units))).with(rules);
  }
}
