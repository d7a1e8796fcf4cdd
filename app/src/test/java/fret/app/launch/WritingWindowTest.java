package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.writing.BarCure;
import fret.writing.Draft;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.stage.Stage;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** What stands at the pen: the values, what is too much in a bar, and what to do with it. */
class WritingWindowTest extends RealWindow {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private Draft draft() {
    return main.writing().draftProperty().get();
  }

  private boolean isChosen(FxRobot robot, String key) {
    return robot
        .lookup("#pen-" + key)
        .queryAs(Button.class)
        .getPseudoClassStates()
        .contains(CHOSEN);
  }

  @Test
  void valuesArePressedAndATooLongBarIsMendedByOneKey(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F3);
    robot.type(KeyCode.W);
    until(() -> draft() != null);
    assertThat(isChosen(robot, "QUARTER")).isTrue();
    robot.interact(() -> robot.lookup("#pen-EIGHTH").queryAs(Button.class).fire());
    assertThat(isChosen(robot, "EIGHTH")).isTrue();
    assertThat(isChosen(robot, "QUARTER")).isFalse();
    assertThat(robot.lookup("#bar-cures").queryAs(Node.class).isVisible()).isFalse();

    // One more in a full bar.
    robot.type(KeyCode.D);
    until(() -> !studio.isBehind());
    assertThat(BarCure.over(draft())).isEqualTo(Fraction.of(1, 8));
    Button first = robot.lookup("#cure-0").queryAs(Button.class);
    assertThat(first.isVisible()).isTrue();
    robot.push(new KeyCodeCombination(KeyCode.ENTER, KeyCombination.SHORTCUT_DOWN));
    until(() -> !studio.isBehind());
    assertThat(robot.lookup("#bar-cures").queryAs(Node.class).isVisible()).isFalse();

    // It is one deed, taken back as such.
    robot.interact(studio::undo);
    until(() -> !studio.isBehind());
    assertThat(BarCure.over(draft())).isEqualTo(Fraction.of(1, 8));
  }
}
