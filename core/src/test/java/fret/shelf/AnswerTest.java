package fret.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import fret.base.Said;
import fret.care.Care;
import fret.plan.Budget;
import fret.plan.Fit;
import fret.plan.Forecast;
import fret.plan.Goal;
import fret.plan.PlanRequest;
import fret.plan.PracticePlan;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The headline over a plan: what it intends, and what the record says so far. */
class AnswerTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 3, 2);
  private static final LocalDate PLANNED = TODAY.plusDays(12);
  private static final Goal.Id FIRST = Goal.Id.of(1);
  private static final Goal.Id SECOND = Goal.Id.of(2);

  private final Map<Goal.Id, Planning.Entry> entries = new LinkedHashMap<>();
  private final PracticePlan plan = mock(PracticePlan.class);

  AnswerTest() {
    when(plan.feasible()).thenReturn(true);
    when(plan.atTarget()).thenReturn(Map.of(FIRST, PLANNED, SECOND, PLANNED.minusDays(3)));
  }

  private void passage(Goal.Id id, int atTarget, int of) {
    Goal goal = mock(Goal.class);
    when(goal.ready()).thenReturn(TODAY.plusDays(21));
    Planning.Entry e = mock(Planning.Entry.class);
    when(e.goal()).thenReturn(goal);
    when(e.readiness()).thenReturn(new Planning.Readiness(atTarget, of, 60, 120, 2, Map.of()));
    entries.put(id, e);
  }

  private List<Said> told(Map<Goal.Id, Forecast> forecasts, Optional<Said> remedy) {
    PlanRequest request =
        new PlanRequest(
            List.of(), Budget.of(30), TODAY, PlanRequest.Rules.USUAL, List.of(), List.of());
    Care nothing = Care.of(List.of(), Planning.Habits.USUAL.told(), TODAY);
    Planning planning = new Planning(entries, plan, request, Planning.Habits.USUAL, nothing, TODAY);
    Map<Goal.Id, Fit> none = Map.of();
    return planning.answer(new Planning.Outlook(forecasts, none, remedy));
  }

  /** What the record says, within the sentence of the plan. */
  private Said record(Map<Goal.Id, Forecast> forecasts) {
    Said planned = told(forecasts, Optional.empty()).get(0);
    assertThat(planned.id()).isEqualTo("answer.planned");
    assertThat(planned.args()).startsWith(Said.of("day", PLANNED), 9L);
    return (Said) planned.args().get(2);
  }

  private static Forecast on(LocalDate day) {
    return new Forecast(Optional.of(day), Optional.of(day), Optional.of(day));
  }

  @Test
  void ofNothingNothingIsSaid() {
    assertThat(told(Map.of(), Optional.empty())).isEmpty();
  }

  @Test
  void whatStandsAtItsTargetIsReady() {
    passage(FIRST, 4, 4);
    assertThat(told(Map.of(), Optional.empty())).containsExactly(Said.of("answer.ready"));
  }

  /** A day is the plan's alone while the record is too young to tell one. */
  @Test
  void aPageJustBegunIsPlannedAndTooEarlyToTell() {
    passage(FIRST, 0, 15);
    passage(SECOND, 3, 15);
    assertThat(record(Map.of())).isEqualTo(Said.of("answer.early"));
    assertThat(record(Map.of(SECOND, on(PLANNED)))).isEqualTo(Said.of("answer.early-of", 1, 2));
  }

  @Test
  void theRecordAgreesOrIsLater() {
    passage(FIRST, 5, 15);
    passage(SECOND, 7, 15);
    assertThat(record(Map.of(FIRST, on(PLANNED), SECOND, on(TODAY.plusDays(2)))))
        .isEqualTo(Said.of("answer.as-planned", Said.of("day", PLANNED)));
    LocalDate late = PLANNED.plusDays(1);
    assertThat(record(Map.of(FIRST, on(PLANNED), SECOND, on(late))))
        .isEqualTo(Said.of("answer.later", Said.of("day", late)));
  }

  /** One that is not in sight is not hidden by another that is. */
  @Test
  void oneThatIsNotInSightIsSaid() {
    passage(FIRST, 5, 15);
    passage(SECOND, 7, 15);
    Forecast never = new Forecast(Optional.empty(), Optional.of(PLANNED), Optional.empty());
    assertThat(record(Map.of(FIRST, on(PLANNED), SECOND, never)))
        .isEqualTo(Said.of("answer.not-in-sight"));
  }

  /** What stands at its target already needs no forecast. */
  @Test
  void aReadyPassageIsNotAskedForItsForecast() {
    passage(FIRST, 15, 15);
    passage(SECOND, 7, 15);
    assertThat(record(Map.of(SECOND, on(PLANNED))))
        .isEqualTo(Said.of("answer.as-planned", Said.of("day", PLANNED)));
  }

  @Test
  void whatDoesNotFitComesWithItsRemedyAndWithWhatWaits() {
    passage(FIRST, 0, 15);
    when(plan.feasible()).thenReturn(false);
    Said waiting = Said.of("plan.waiting", 2);
    when(plan.advice()).thenReturn(List.of(Said.of("plan.other"), waiting));
    Said remedy = Said.of("plan.remedy", 10);
    assertThat(told(Map.of(), Optional.of(remedy)))
        .containsExactly(Said.of("plan.fits-not"), remedy, waiting);
  }
}
