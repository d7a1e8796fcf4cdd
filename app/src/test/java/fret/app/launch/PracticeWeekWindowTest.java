package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.Budget;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.shelf.Planning;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Set;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** A week practised by keys, on a clock that goes by as the test says, and the plan follows. */
class PracticeWeekWindowTest extends RealWindow {
  /** Each key takes its time in a real window: some items of a day are enough. */
  private static final int ITEMS_A_DAY = 5;

  private final StandingClock moved = new StandingClock();

  @Start
  void start(Stage stage) throws Exception {
    clock = moved;
    show(stage);
    setsAreOverAtOnce();
  }

  /** One passage, so that no time goes into opening others. */
  @Override
  void prepare() {
    for (int i = 1; i < 5; i++) {
      library.remove(library.passages().get(1).id());
    }
  }

  private Planning planned() {
    return studio.plans().plannedProperty().get();
  }

  private int closed() {
    return planned().entries().values().stream()
        .flatMap(e -> e.goal().units().stream().map(u -> closed(e, u.ids())))
        .mapToInt(Integer::intValue)
        .sum();
  }

  private int closed(Planning.Entry e, Set<String> ids) {
    return fret.journal.Progress.of(studio.journal(), e.learning().passageId(), ids, e.ladder(), 3)
        .closed();
  }

  @Test
  void aWeekIsPractisedByKeysAndThePlanFollows(FxRobot robot) throws Exception {
    robot.interact(() -> studio.plans().saveBudget(Said.of("deed.habits"), Budget.of(5)));
    robot.type(KeyCode.F2);
    until(() -> planned() != null && !studio.isBehind());
    int before = closed();
    LocalDate first = studio.today();
    Set<LocalDate> days = new HashSet<>();
    for (int day = 0; day < 7; day++) {
      LocalDate today = first.plusDays(day);
      assertThat(studio.today()).isEqualTo(today);
      practise(robot);
      days.add(today);
      assertThat(planned().today()).isEqualTo(today);
      assertThat(planned().plan().days().get(0).minutes()).isLessThanOrEqualTo(5);
      moved.forward(Duration.ofDays(1));
      robot.type(KeyCode.F10, KeyCode.F2);
      LocalDate next = today.plusDays(1);
      until(() -> planned().today().equals(next) && !studio.isBehind());
    }
    Set<LocalDate> recorded = new HashSet<>();
    studio.journal().stream()
        .map(JournalEntry::date)
        .filter(d -> !d.isBefore(first))
        .forEach(recorded::add);
    assertThat(recorded).isEqualTo(days);
    assertThat(closed()).as("levels closed").isGreaterThanOrEqualTo(before + 7);
    // What was closed is not asked for again at the same level.
    for (Item i : planned().plan().days().get(0).items()) {
      if (i.drill() == DrillKind.STRAIGHT) {
        Planning.Entry e = planned().of(i.passageId()).orElseThrow();
        Set<String> ids = e.learning().learned(i.unit()).orElseThrow().ids();
        int at = e.ladder().levels().indexOf(i.level());
        assertThat(at).isGreaterThanOrEqualTo(closed(e, ids) - 1);
      }
    }
  }

  /** Today's session: each straight item one set of three plays, judged by one key. */
  private void practise(FxRobot robot) throws Exception {
    until(
        () ->
            robot.lookup("#start-session").tryQuery().filter(b -> b.isVisible()).isPresent()
                && !studio.isBehind());
    robot.interact(
        () -> robot.lookup("#start-session").<javafx.scene.control.Button>query().fire());
    int items = Math.min(ITEMS_A_DAY, practice.items().size());
    for (int i = 0; i < items; i++) {
      int at = i;
      until(() -> practice.indexProperty().get() == at);
      Item item = practice.items().get(i);
      if (item.kind() != Kind.BREAK && item.drill() == DrillKind.STRAIGHT) {
        until(() -> practice.stand().onProperty().get() != null);
        int tries = studio.journal().size();
        robot.type(KeyCode.SPACE);
        robot.type(KeyCode.C);
        until(() -> studio.journal().size() == tries + 3);
        assertThat(studio.journal().get(tries).verdict()).isEqualTo(Verdict.CLEAN);
      }
      if (i + 1 < items) {
        robot.type(KeyCode.DOWN);
      }
    }
  }
}
