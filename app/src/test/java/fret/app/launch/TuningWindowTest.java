package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.intonation.Temperament;
import fret.intonation.TuningSetup;
import fret.session.Ear;
import fret.session.Session;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The ear by keys: checks of a note, a chord named, strings measured, undone by name. */
class TuningWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private Session s() {
    return studio.shown();
  }

  private void press(FxRobot robot, KeyCode... keys) throws Exception {
    robot.push(keys);
    until(() -> !studio.isBehind());
  }

  private String text(FxRobot robot, String card) {
    StringBuilder all = new StringBuilder();
    robot
        .lookup(card + " .label")
        .queryAllAs(Labeled.class)
        .forEach(l -> all.append(l.getText()).append('\n'));
    return all.toString();
  }

  @Test
  void aNoteIsCheckedAChordNamedAndTheStringsMeasured(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.F6);
    until(() -> text(robot, "#tune-note").contains("cents from equal"));
    robot.interact(() -> studio.select(1));
    until(() -> text(robot, "#tune-checks").contains(":"));
    assertThat(robot.lookup("#tuning-strip").query().getAccessibleText()).contains("cents");

    press(robot, KeyCode.J);
    assertThat(s().passage().marks().of(fret.intonation.TemperamentLayer.TEMPERAMENT)).hasSize(1);
    press(robot, KeyCode.CONTROL, KeyCode.Z);
    assertThat(s().passage().marks().of(fret.intonation.TemperamentLayer.TEMPERAMENT)).isEmpty();

    press(robot, KeyCode.B);
    TextField chord = robot.lookup("#own-chord").query();
    robot.interact(
        () -> {
          chord.setText("X9");
          chord.fireEvent(new javafx.event.ActionEvent());
        });
    until(() -> studio.messageProperty().get().contains("no chord"));
    robot.interact(
        () -> {
          chord.setText("A7");
          chord.fireEvent(new javafx.event.ActionEvent());
        });
    until(() -> !Ear.harmony(s(), java.util.List.of()).chords().isEmpty() && !studio.isBehind());
    assertThat(Ear.harmony(s(), java.util.List.of()).chords())
        .filteredOn(c -> c.own())
        .singleElement()
        .satisfies(c -> assertThat(c.chord().orElseThrow().root()).isEqualTo(9));

    press(robot, KeyCode.C);
    until(() -> robot.lookup("#string-2").tryQuery().isPresent());
    TextField string = robot.lookup("#string-2").query();
    robot.interact(
        () -> {
          string.setText("-3.5");
          string.fireEvent(new javafx.event.ActionEvent());
        });
    until(() -> Ear.setup(s()).strings() == TuningSetup.Strings.OWN && !studio.isBehind());
    assertThat(Ear.setup(s()).own().get(1)).isEqualTo(-3.5);
    assertThat(Ear.setup(s()).temperament()).isEqualTo(Temperament.JUST);

    press(robot, KeyCode.P);
    until(() -> !robot.lookup("#pairs").<ListView<?>>query().getItems().isEmpty());
  }
}
