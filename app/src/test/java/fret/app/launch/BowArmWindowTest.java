package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.Stroke;
import fret.session.BowVersions;
import fret.session.Session;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/**
 * The bow arm by keys: what is decided shows at once, is undone by name, is kept and comes back.
 */
class BowArmWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private Session s() {
    return studio.shown();
  }

  private Stroke stroke(int moment) {
    return s().bowing().strokeAt(moment).orElseThrow();
  }

  private void press(FxRobot robot, KeyCode... keys) throws Exception {
    robot.push(keys);
    until(() -> !studio.isBehind());
  }

  @Test
  void aStrokeIsTurnedHookedPlacedAndKept(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.F5);
    robot.interact(() -> studio.select(0));
    until(() -> !studio.isBehind());
    boolean down = stroke(0).down();
    press(robot, KeyCode.T);
    assertThat(stroke(0).down()).isNotEqualTo(down);
    press(robot, KeyCode.CONTROL, KeyCode.Z);
    assertThat(stroke(0).down()).isEqualTo(down);
    robot.interact(() -> studio.select(4));
    press(robot, KeyCode.V);
    assertThat(stroke(4).startCm()).isLessThan(2);
    press(robot, KeyCode.UP);
    assertThat(stroke(4).at(4).level()).isGreaterThan(5);
    press(robot, KeyCode.R);
    assertThat(stroke(4).retake()).isPresent();
    press(robot, KeyCode.F);
    TextField name = robot.lookup("#bowing-name").query();
    robot.interact(() -> name.setText("mine"));
    robot.interact(() -> robot.lookup("#bowing-keep").<Button>query().fire());
    until(() -> !studio.isBehind());
    assertThat(BowVersions.versions(s())).containsExactly("mine");
    String spoken = robot.lookup("#bow-strip").query().getAccessibleText();
    assertThat(spoken).contains("bow", "cm");
  }

  @Test
  void theCommittedBowingIsTheSameAfterTheLibraryIsOpenedAgain(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.push(KeyCode.F5);
    robot.interact(() -> studio.select(3));
    press(robot, KeyCode.K);
    var before = s().bowing();
    long id = s().passage().id();
    var stored = library.passages().stream().filter(p -> p.id() == id).findFirst().orElseThrow();
    Session again = Session.of(stored, s().page());
    assertThat(again.bowing()).isEqualTo(before);
  }
}
