package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The tour goes on when what it asks for was really done, and is left at once. */
class TourWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
    setsAreOverAtOnce();
  }

  private static String step(FxRobot robot) {
    return robot
        .from(robot.lookup("#tour").queryAs(Node.class))
        .lookup(".card-title")
        .queryAs(Labeled.class)
        .getText();
  }

  private void at(FxRobot robot, int step) throws Exception {
    until(() -> step(robot).equals("Step " + step + " of 5") && !studio.isBehind());
  }

  @Test
  void eachStepIsDoneForReal(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.SHIFT, KeyCode.F1);
    at(robot, 1);
    robot.type(KeyCode.RIGHT);
    at(robot, 2);
    robot.type(KeyCode.DIGIT3);
    at(robot, 3);
    robot.push(KeyCode.CONTROL, KeyCode.U);
    at(robot, 4);
    robot.clickOn("#tour-next");
    at(robot, 5);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    int tries = studio.journal().size();
    robot.type(KeyCode.SPACE, KeyCode.C);
    until(() -> studio.journal().size() > tries && !robot.lookup("#tour").query().isVisible());
  }

  @Test
  void escapeLeavesIt(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.SHIFT, KeyCode.F1);
    at(robot, 1);
    robot.type(KeyCode.ESCAPE);
    assertThat(robot.lookup("#tour").query().isVisible()).isFalse();
  }
}
