package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.base.Leanings;
import fret.bowing.ShortPlaces;
import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.passage.Setup;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandHabit;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.shelf.Planning;
import fret.tempo.LadderKind;
import java.time.LocalDate;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** What is particular to a player: the hand, the weights, the days, the practice. */
class HabitsWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private void does(FxRobot robot, Runnable action) throws Exception {
    robot.interact(action);
    until(() -> !studio.isBehind());
  }

  private Hand hand() {
    return studio.session().passage().settings().setup().hand();
  }

  private <T> void choose(FxRobot robot, String box, T value) throws Exception {
    ComboBox<T> choice = robot.lookup(box).query();
    does(robot, () -> choice.setValue(value));
  }

  private double highestShare() {
    return studio.shown().load().moments().stream()
        .flatMap(java.util.List::stream)
        .mapToDouble(fret.load.Load.Share::share)
        .max()
        .orElse(0);
  }

  /** In a field Ctrl+A is the field's own; a wrong number changes nothing. */
  @Test
  void shortStrokesLiveWhereThePlayerSays(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F5).type(KeyCode.C);
    TextField soft = robot.lookup("#places-soft").query();
    does(robot, soft::requestFocus);
    robot.push(KeyCode.CONTROL, KeyCode.A);
    robot.write("75").type(KeyCode.ENTER);
    until(() -> places().soft() == 0.75 && !studio.isBehind());
    does(
        robot,
        () -> {
          soft.requestFocus();
          soft.setText("95");
        });
    robot.type(KeyCode.ENTER);
    until(() -> studio.messageProperty().get().contains("15 to 85"));
    assertThat(places().soft()).isEqualTo(0.75);
  }

  private ShortPlaces places() {
    return studio.session().passage().settings().bow().habits().places();
  }

  @Test
  void theHandIsMeasuredAndSpared(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.C);
    choose(robot, "#hand-size", HandSize.SMALL);
    assertThat(hand().size()).isEqualTo(HandSize.SMALL);
    TextField span = robot.lookup("#hand-span").query();
    does(
        robot,
        () -> {
          span.requestFocus();
          span.setText("84,5");
        });
    robot.type(KeyCode.ENTER);
    until(() -> hand().spanMm() == 84.5 && !studio.isBehind());
    does(
        robot,
        () -> {
          span.requestFocus();
          span.setText("12");
        });
    robot.type(KeyCode.ENTER);
    until(() -> studio.messageProperty().get().contains("40 to 250"));
    assertThat(hand().spanMm()).isEqualTo(84.5);
    TextField bits = robot.lookup("#limit-shift").query();
    double before = highestShare();
    does(
        robot,
        () -> {
          bits.requestFocus();
          bits.setText("5");
        });
    robot.type(KeyCode.ENTER);
    until(() -> studio.session().limits().shiftBits() == 5 && !studio.isBehind());
    assertThat(highestShare()).isGreaterThanOrEqualTo(before);
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> studio.session().limits().shiftBits() == 80 && !studio.isBehind());
    CheckBox caution = robot.lookup("#fourth-caution").query();
    does(robot, () -> caution.setSelected(true));
    assertThat(hand().fourthCaution()).isTrue();
    choose(robot, "#hand-school", School.ONE_TWO_THREE_FOUR);
    assertThat(studio.session().passage().settings().setup().school())
        .isEqualTo(School.ONE_TWO_THREE_FOUR);
    while (hand().fourthCaution() || hand().spanMm() > 0 || hand().size() == HandSize.SMALL) {
      robot.push(KeyCode.CONTROL, KeyCode.Z);
      until(() -> !studio.isBehind());
    }
    assertThat(hand()).isEqualTo(Hand.MEDIUM);
  }

  @Test
  void aWeightIsMovedAndThePassageFollows(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.C);
    does(robot, () -> robot.lookup("#every-weight").queryAs(ToggleButton.class).fire());
    Slider fourth = robot.lookup("#weight-fourth").query();
    double usual = Preset.SURE.weight(EffortKind.FOURTH);
    long before = fourths();
    does(robot, () -> fourth.setValue(3));
    until(
        () ->
            studio.session().passage().settings().setup().preset().weight(EffortKind.FOURTH)
                    > 8 * usual
                && !studio.isBehind()
                && fourths() < before);
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> fourths() == before && !studio.isBehind());
  }

  /** A habit is said in words and moves its weights; a weight moved after it stands over it. */
  @Test
  void aHabitLeansAndThePassageFollows(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.C);
    Slider spared = robot.lookup("#lean-hand-habit-fourth").query();
    double usual = Preset.SURE.weight(EffortKind.FOURTH);
    long before = fourths();
    does(robot, () -> spared.setValue(2));
    until(() -> leaning() == 2 && !studio.isBehind() && fourths() <= before);
    assertThat(setup().preset().weight(EffortKind.FOURTH))
        .isCloseTo(usual * Leanings.factor(2), within(1e-9));
    assertThat(setup().weights()).as("no weight of the player's own").isEmpty();
    does(robot, () -> robot.lookup("#every-weight").queryAs(ToggleButton.class).fire());
    Slider fourth = robot.lookup("#weight-fourth").query();
    assertThat(fourth.getValue()).as("the middle is what the habit says").isEqualTo(1);
    does(robot, () -> fourth.setValue(2));
    until(() -> !setup().weights().isEmpty() && !studio.isBehind());
    assertThat(setup().preset().weight(EffortKind.FOURTH))
        .isCloseTo(4 * usual * Leanings.factor(2), within(1e-9));
    while (!setup().habits().isNone()) {
      robot.push(KeyCode.CONTROL, KeyCode.Z);
      until(() -> !studio.isBehind());
    }
    assertThat(fourths()).isEqualTo(before);
  }

  private Setup setup() {
    return studio.session().passage().settings().setup();
  }

  private int leaning() {
    return setup().habits().of(HandHabit.FOURTH);
  }

  private long fourths() {
    return studio.shown().fingering().notes().stream()
        .flatMap(Optional::stream)
        .filter(n -> n.finger() == Finger.FOURTH)
        .count();
  }

  @Test
  void datesMinutesAndTheLadderChangeThePlan(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F7);
    until(() -> studio.plans().plannedProperty().get() != null && !studio.isBehind());
    LocalDate today = studio.today();
    DatePicker audition = robot.lookup("#audition-date").query();
    DatePicker ready = robot.lookup("#ready-date").query();
    does(robot, () -> audition.setValue(today.plusDays(100)));
    assertThat(entry().audition().date()).isEqualTo(today.plusDays(100));
    // three weeks before, as the date is more than twelve weeks away (common practice)
    assertThat(ready.getValue()).isEqualTo(today.plusDays(79));
    does(robot, () -> audition.setValue(today.minusDays(1)));
    assertThat(entry().audition().date()).as("no date in the past").isEqualTo(today.plusDays(100));
    does(robot, () -> ready.setValue(today.plusDays(200)));
    assertThat(entry().audition().readyDate())
        .as("ready by the date itself at the latest")
        .isEqualTo(today.plusDays(100));
    javafx.scene.control.TextField monday = robot.lookup("#minutes-monday").query();
    does(
        robot,
        () -> {
          monday.setText("12");
          monday.fireEvent(new javafx.event.ActionEvent());
        });
    assertThat(planned().budget().usual()).containsEntry(java.time.DayOfWeek.MONDAY, 12);
    assertThat(planned().plan().days())
        .filteredOn(d -> d.date().getDayOfWeek() == java.time.DayOfWeek.MONDAY)
        .allMatch(d -> d.minutes() <= 12);
    robot.interact(() -> robot.lookup("#weeks").query().requestFocus());
    robot.type(KeyCode.RIGHT);
    robot.type(KeyCode.O);
    until(() -> planned().plan().days().get(1).items().isEmpty() && !studio.isBehind());
    robot.type(KeyCode.U);
    until(() -> !planned().plan().days().get(1).items().isEmpty() && !studio.isBehind());
    int levels = entry().ladder().size();
    choose(robot, "#ladder-kind", LadderKind.METRONOME);
    assertThat(entry().ladder().levels()).hasSizeGreaterThan(levels);
    choose(robot, "#ladder-kind", LadderKind.EVEN);
    Spinner<Integer> start = robot.lookup("#ladder-start").query();
    does(robot, () -> start.getValueFactory().setValue(66));
    assertThat(entry().ladder().start()).isEqualTo(66);
    assertThat(robot.lookup("#advice").<Label>query().getText()).isNotBlank();
  }

  private Planning.Entry entry() {
    return studio.plans().ofOpen().orElseThrow();
  }

  private Planning planned() {
    return studio.plans().plannedProperty().get();
  }

  @Test
  void theGateFollowsTheHabitsOfThePlayer(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F8);
    Spinner<Integer> needed = robot.lookup("#clean-needed").query();
    CheckBox slower = robot.lookup("#slower").query();
    does(robot, () -> needed.getValueFactory().setValue(1));
    does(robot, () -> slower.setSelected(true));
    until(() -> practice.stand().gateProperty().get() != null && !studio.isBehind());
    does(robot, () -> practice.own().practise(0, 6, DrillKind.STRAIGHT));
    robot.type(KeyCode.PAGE_DOWN);
    Mockito.verify(player, Mockito.timeout(5000))
        .start(Mockito.any(), Mockito.any(), Mockito.any());
    robot.type(KeyCode.SPACE);
    double first = practice.stand().gateProperty().get().perMinute();
    robot.type(KeyCode.C);
    until(() -> practice.stand().gateProperty().get().perMinute() > first && !studio.isBehind());
    double higher = practice.stand().gateProperty().get().perMinute();
    robot.type(KeyCode.M);
    until(() -> practice.stand().gateProperty().get().perMinute() < higher && !studio.isBehind());
    robot.type(KeyCode.H);
    until(() -> told(robot, "#pain-told").contains("Where does it hurt?"));
    robot.type(KeyCode.DIGIT3); // The fourth finger,
    until(() -> told(robot, "#pain-told").contains("How much (fourth finger)?"));
    robot.type(KeyCode.DIGIT2); // clearly.
    until(
        () ->
            told(robot, "#pain-told").startsWith("Fourth finger: it hurts clearly (today)")
                && planned().held() > 0
                && practice.items().isEmpty()
                && !studio.isBehind());
    assertThat(told(robot, "#pain-told"))
        .contains("run-throughs and mock auditions of their bars", "asked first", "teacher");
    assertThat(told(robot, "#clean-row")).isEqualTo("stopped: it hurts");
    robot.type(KeyCode.SPACE);
    assertThat(told(robot, "#tempo")).isNotEmpty();
    Mockito.verify(player, Mockito.times(1)).start(Mockito.any(), Mockito.any(), Mockito.any());
    robot.interact(() -> robot.lookup("#pain-light").<javafx.scene.control.Button>query().fire());
    until(() -> planned().care().light() && !studio.isBehind());
    assertThat(planned().plan().days().get(0).minutes())
        .isLessThanOrEqualTo(planned().budget().on(studio.today()) / 3.0);
    robot.interact(() -> robot.lookup("#lift-pain").<javafx.scene.control.Button>query().fire());
    until(() -> planned().held() == 0 && !studio.isBehind());
    assertThat(robot.lookup("#pain").query().isVisible()).isFalse();
  }

  private static String told(FxRobot robot, String id) {
    return robot.lookup(id).<javafx.scene.control.Label>query().getText();
  }
}
