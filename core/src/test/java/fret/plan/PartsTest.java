package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan.Item;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Run-throughs that are longer than a day. */
class PartsTest {
  /** A Monday. */
  private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

  /** A work of 40 minutes at its target, learned, with its audition in two weeks. */
  private static Goal work() {
    return new Goal(
        Goal.Id.of(1),
        1,
        DAY.minusDays(1),
        DAY.plusDays(14),
        new Tempo(Beat.QUARTER, 120),
        Ladder.toTarget(120),
        List.of(
            new Unit(
                "a", Unit.Kind.CHUNK, Set.of("a"), Map.of(DrillKind.STRAIGHT, List.of(4.0)), 1)),
        1200,
        0);
  }

  /** It was tried before, so that no first reading comes. */
  private static final JournalEntry TRIED =
      new JournalEntry(
          0,
          1,
          DAY.minusDays(3),
          "a",
          DrillKind.CHECKS,
          60,
          60,
          20,
          Verdict.CLEAN,
          Breakage.NONE,
          "");

  private static List<Item> runs(Budget budget, List<JournalEntry> played) {
    List<JournalEntry> journal = new ArrayList<>(played);
    journal.add(0, TRIED);
    PlanRequest request =
        new PlanRequest(List.of(work()), budget, DAY, PlanRequest.Rules.USUAL, journal, List.of());
    List<Item> all = new ArrayList<>();
    PracticePlan plan = Planner.bare(request, Token.NEVER);
    plan.days().forEach(d -> assertThat(d.minutes()).isLessThanOrEqualTo(d.budget() + 1e-6));
    plan.days().forEach(d -> all.addAll(d.items()));
    return all.stream().filter(i -> PracticePlan.isRun(i.unit())).toList();
  }

  @Test
  void oneThatIsLongerThanItsDayIsPlayedInPartsOnTheDaysThatFollow() {
    List<Item> runs = runs(Budget.of(30), List.of());
    assertThat(runs)
        .extracting(Item::unit)
        .startsWith("whole:1of2", "whole:2of2", "whole:1of2", "whole:2of2");
    assertThat(runs.get(0).minutes()).isCloseTo(20.1, within(0.01));
    assertThat(runs.get(0).why().id()).isEqualTo("plan.why.run-part");
    assertThat(runs).as("the last two days have half: shorter parts").hasSizeGreaterThan(13);
  }

  /** A part that was played counts: the next day goes on behind it. */
  @Test
  void whatWasPlayedIsNotPlayedAgain() {
    JournalEntry first =
        new JournalEntry(
            0,
            1,
            DAY.minusDays(1),
            "whole:1of2",
            DrillKind.RUN_THROUGH,
            120,
            120,
            1200,
            Verdict.CLEAN,
            Breakage.NONE,
            "");
    assertThat(runs(Budget.of(30), List.of(first)).get(0).unit()).isEqualTo("whole:2of2");
  }

  /** Where a long day follows a short one, nothing is left out between the parts. */
  @Test
  void partsOfUnlikeDaysLeaveNoGap() {
    Budget budget = Budget.of(30).with(DayOfWeek.TUESDAY, 18);
    double played = 0;
    for (Item i : runs(budget, List.of())) {
      Part part = Part.of(i.unit());
      assertThat((part.part() - 1.0) / part.of()).isLessThanOrEqualTo(played + 1e-9);
      played = part.isLast() ? 0 : part.end();
    }
    assertThat(runs(Budget.of(60), List.of()).get(0).unit()).as("it fits").isEqualTo("whole");
  }

  @Test
  void idsAreReadBack() {
    for (Part p :
        List.of(new Part("whole", 1, 1), new Part("whole", 2, 3), new Part("whole-x1", 12, 12))) {
      assertThat(Part.of(p.id())).isEqualTo(p);
      assertThat(PracticePlan.isRun(p.id())).isTrue();
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "wholes", "bars-1-2", "bars-1-2:3of2", "own-1:0of2", "own-1:1of", "own-1:"})
  void whatIsNoRunThroughIsNone(String id) {
    assertThat(PracticePlan.isRun(id)).isFalse();
    assertThat(Part.of(id)).isEqualTo(new Part(id, 1, 1));
  }
}
