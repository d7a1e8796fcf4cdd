package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.mark.FingerLayer;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** F1: a word finds what can be done, and what it means. */
class FindWindowTest extends RealWindow {
  private Stage stage;

  @Start
  void start(Stage window) throws Exception {
    stage = window;
    show(window);
  }

  @Test
  void aWordFindsAnActionOfAnyAreaAndEnterDoesIt(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F1);
    assertThat(robot.lookup("#find").queryAs(TextField.class).isFocused()).isTrue();
    robot.write("look shifts");
    assertThat(robot.lookup(".found").queryAll()).hasSize(1);
    robot.type(KeyCode.ENTER);
    until(() -> robot.lookup("#keys-page").tryQuery().isEmpty());
    assertThat(robot.lookup("#tab-shifts").query().getPseudoClassStates().toString())
        .contains("current");
    // The second of several, by the arrows, in another area.
    robot.type(KeyCode.F2, KeyCode.F1);
    robot.write("drawer");
    robot.type(KeyCode.DOWN, KeyCode.ENTER);
    until(() -> robot.lookup("#drawer").tryQuery().filter(Node::isVisible).isPresent());
  }

  @Test
  void aWordIsExplainedAndNothingIsSaidOfOthers(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F1);
    robot.write("guide n");
    assertThat(robot.lookup(".term").queryAs(Labeled.class).getText()).startsWith("guide note: ");
    robot.write("xyz");
    assertThat(robot.lookup(".term").tryQuery()).isEmpty();
    robot.type(KeyCode.ESCAPE);
    until(() -> robot.lookup("#keys-page").tryQuery().isEmpty());
  }

  /** The mouse rests on a word. */
  @Test
  void aWordIsExplainedWhereItStands(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F4);
    until(() -> !studio.isBehind());
    robot.moveTo("#tab-shifts");
    until(() -> shown(robot, "#explains").filter(t -> t.startsWith("shift: ")).isPresent());
    robot.moveTo("#tab-note");
    until(() -> shown(robot, "#explains").isEmpty());
  }

  private static Optional<String> shown(FxRobot robot, String id) {
    return robot.listWindows().stream()
        .filter(w -> w instanceof Tooltip t && w.isShowing() && id.equals("#" + t.getId()))
        .map(w -> ((Tooltip) w).getText())
        .findFirst();
  }

  /** What can be done with a note is there by the right button too. */
  @Test
  void theRightButtonOpensWhatCanBeDone(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F4);
    until(() -> !studio.isBehind());
    Node strip = robot.from(main).lookup(".strip").query();
    Bounds at = strip.localToScreen(strip.getLayoutBounds());
    robot.clickOn(at.getMinX() + at.getWidth() / 3, at.getMinY() + 60, MouseButton.SECONDARY);
    until(() -> robot.lookup(".context-menu").tryQuery().isPresent());
    int note = studio.selectedProperty().get();
    assertThat(note).isPositive();
    robot.clickOn("#menu-finger-2");
    until(
        () ->
            studio
                    .session()
                    .passage()
                    .marks()
                    .at(FingerLayer.PINNED, studio.shown().resolved().notes().get(note).key())
                    .isPresent()
                && !studio.isBehind());
  }

  @ParameterizedTest
  @CsvSource({"1024, 640, 100", "1024, 640, 150", "1920, 1080, 100"})
  void thePageFits(int width, int height, int letters, FxRobot robot) throws Exception {
    size(robot, width, height, letters);
    openFirst(robot);
    robot.type(KeyCode.F1);
    robot.interact(() -> stage.getScene().getRoot().layout());
    Node page = robot.lookup("#keys-page").query();
    Bounds at = page.localToScene(page.getLayoutBounds());
    assertThat(at.getMinX()).isGreaterThanOrEqualTo(0);
    assertThat(at.getMaxX()).isLessThanOrEqualTo(width + 0.5);
    assertThat(at.getMaxY()).isLessThanOrEqualTo(height + 0.5);
    assertThat(
            robot.from(page).lookup((Node n) -> n instanceof ScrollBar).queryAllAs(ScrollBar.class))
        .filteredOn(b -> b.getOrientation() == javafx.geometry.Orientation.HORIZONTAL)
        .noneMatch(Node::isVisible);
  }
}
