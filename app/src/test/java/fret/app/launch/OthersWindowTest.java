package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.widget.OtherStaves;
import fret.passage.Reading;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** A score of a violin and a cello: the other part is seen under one's own. */
class OthersWindowTest extends RealWindow {
  @Start
  void start(Stage window) throws Exception {
    show(window);
  }

  private void open(FxRobot robot, String part) throws Exception {
    open(robot, part, Reading.PLAIN);
  }

  private void open(FxRobot robot, String part, Reading how) throws Exception {
    byte[] file;
    try (var in = OthersWindowTest.class.getResourceAsStream("/duo.musicxml")) {
      file = in.readAllBytes();
    }
    robot.interact(() -> studio.importFile("duo.musicxml", file, part, how));
    until(
        () ->
            studio.shown() != null
                && studio.shown().passage().partName().equals(part)
                && !studio.isBehind());
    robot.interact(() -> main.go("part"));
  }

  @Test
  void theOtherPartAndNotOnesOwnStandsUnderTheStave(FxRobot robot) throws Exception {
    open(robot, "P1");
    OtherStaves staves = robot.lookup("#other-staves").queryAs(OtherStaves.class);
    assertThat(staves.isVisible()).isFalse();
    robot.type(KeyCode.O);
    until(() -> staves.isVisible() && "Cello".equals(staves.getAccessibleText()));
    until(() -> staves.getHeight() > 40);
    robot.type(KeyCode.O);
    until(() -> !staves.isVisible());
    robot.type(KeyCode.O);
    open(robot, "P2");
    until(() -> "Violin".equals(staves.getAccessibleText()));
  }

  /** Of bars asked for alone the same bars of the other part are seen. */
  @Test
  void barsThatAreAskedForHaveTheirOtherPart(FxRobot robot) throws Exception {
    open(robot, "P1", Reading.PLAIN.withBars("3", "5"));
    robot.type(KeyCode.O);
    OtherStaves staves = robot.lookup("#other-staves").queryAs(OtherStaves.class);
    until(() -> staves.isVisible() && "Cello".equals(staves.getAccessibleText()));
  }

  @Test
  void whereThereIsNoOtherPartThatIsSaid(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F3, KeyCode.O);
    until(() -> studio.messageProperty().get().contains("no other parts"));
    assertThat(robot.lookup("#other-staves").queryAs(OtherStaves.class).isVisible()).isFalse();
  }
}
