package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.intonation.Temperament;
import fret.intonation.TuningSetup;
import fret.mark.Strand;
import fret.session.Ear;
import fret.session.Session;
import fret.session.Strands;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentMatchers;
import org.mockito.Mockito;
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

  private static float[] tone(double hertz) {
    float[] x = new float[66_150];
    for (int i = 0; i < x.length; i++) {
      double at = 2 * Math.PI * hertz * i / 44_100;
      x[i] = (float) (0.3 * Math.sin(at) + 0.15 * Math.sin(2 * at) + 0.08 * Math.sin(3 * at));
    }
    return x;
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

    // The same by microphone: the G string, 4 cents low, is bowed for a second.
    double hertz = s().passage().settings().setup().a4Hz() * Math.pow(2, -2600 / 1200.0);
    microphone.hear(tone(hertz * Math.pow(2, -4 / 1200.0)));
    robot.interact(() -> robot.lookup("#strings-listen").queryAs(Button.class).fire());
    until(() -> Ear.setup(s()).own().get(3) < -3 && !studio.isBehind());
    assertThat(Ear.setup(s()).own().get(3)).isBetween(-4.5, -3.5);
    assertThat(Ear.setup(s()).own().get(1)).isEqualTo(-3.5);
    robot.interact(() -> robot.lookup("#high-leading").queryAs(CheckBox.class).fire());
    until(() -> Ear.setup(s()).highLeading() && !studio.isBehind());

    // The drone follows the chords, and stops.
    robot.push(KeyCode.SHIFT, KeyCode.D);
    until(() -> studio.messageProperty().get().contains("follows"));
    Mockito.verify(drone).play(ArgumentMatchers.any(), ArgumentMatchers.eq(true));
    press(robot, KeyCode.L);
    assertThat(studio.messageProperty().get()).contains("75 %");
    robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    until(() -> studio.messageProperty().get().contains("Ctrl+T stops it"));
    Mockito.verify(drone, Mockito.times(2)).play(ArgumentMatchers.any(), ArgumentMatchers.eq(true));

    press(robot, KeyCode.P);
    until(() -> !robot.lookup("#pairs").<ListView<?>>query().getItems().isEmpty());
  }

  @Test
  void aLineIsMarkedByKeyHeardPractisedAndMadeSofter(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.F6);
    until(() -> text(robot, "#tune-note").contains("cents from equal"));
    press(robot, KeyCode.S);
    robot.interact(() -> robot.lookup("#strand-hear-PEDAL").queryAs(Button.class).fire());
    until(() -> studio.messageProperty().get().contains("No note"));
    for (int note : new int[] {1, 3, 5}) {
      robot.interact(() -> studio.select(note));
      press(robot, KeyCode.DIGIT2);
    }
    assertThat(Strands.of(s())).containsOnlyKeys(1, 3, 5).containsValue(Strand.PEDAL);
    until(() -> text(robot, "#strand-here").contains("Pedal"));

    double before = s().bowing().moments().get(3).fromLevel();
    robot.interact(
        () ->
            robot
                .lookup("#strand-level-PEDAL")
                .<Spinner<Double>>query()
                .getValueFactory()
                .setValue(-1.0));
    until(() -> Strands.levels(s()).pedal() == -1 && !studio.isBehind());
    assertThat(s().bowing().moments().get(3).fromLevel()).isEqualTo(before - 1);

    robot.interact(() -> robot.lookup("#strand-hear-PEDAL").queryAs(Button.class).fire());
    until(() -> studio.messageProperty().get().startsWith("Pedal"));
    Mockito.verify(passage).play(ArgumentMatchers.any(), ArgumentMatchers.eq(false));
    robot.interact(() -> robot.lookup("#strands-practise").queryAs(Button.class).fire());
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    assertThat(practice.stand().onProperty().get().drill().kind()).isEqualTo(DrillKind.STRANDS);

    robot.push(KeyCode.F6);
    press(robot, KeyCode.CONTROL, KeyCode.Z);
    assertThat(Strands.levels(s()).pedal()).isZero();
    assertThat(Strands.of(s())).hasSize(3);
  }
}
