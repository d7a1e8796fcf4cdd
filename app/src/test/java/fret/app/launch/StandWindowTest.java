package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.widget.LinesView;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.Spinner;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The stand: the music, the tempo, the count and the stair; everything else when asked for. */
class StandWindowTest extends RealWindow {
  /** Beside the list of the day. */
  private static final int MOST_CONTROLS = 12;

  private Stage stage;

  @Start
  void start(Stage window) throws Exception {
    stage = window;
    show(window);
  }

  private void begin(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.F8);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    robot.type(KeyCode.DOWN, KeyCode.DOWN);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    until(() -> music(robot).space() > 0);
  }

  private static LinesView music(FxRobot robot) {
    return robot.lookup("#drill-strip").queryAs(LinesView.class);
  }

  private static boolean isSeen(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible()) {
        return false;
      }
    }
    return node.getScene() != null;
  }

  private Bounds place(Node node) {
    return node.localToScene(node.getLayoutBounds());
  }

  @ParameterizedTest
  @CsvSource({"1024, 640", "1280, 800", "1920, 1080"})
  void theWholeStandIsSeenAndKeepsItsPlaceWhilePlaying(int width, int height, FxRobot robot)
      throws Exception {
    size(robot, width, height, 100);
    begin(robot);
    assertThat(music(robot).space()).isGreaterThanOrEqualTo(11);
    List<Node> all =
        List.of(
            music(robot),
            robot.lookup(".ledge").query(),
            robot.lookup(".day-column").query(),
            robot.lookup("#verdict-clean").query(),
            robot.lookup("#verdict-hurts").query());
    List<Bounds> before = all.stream().map(this::place).toList();
    for (Bounds b : before) {
      assertThat(b.getMaxX()).isLessThanOrEqualTo(stage.getScene().getWidth() + 0.5);
      assertThat(b.getMaxY()).isLessThanOrEqualTo(stage.getScene().getHeight() + 0.5);
    }
    robot.type(KeyCode.SPACE);
    robot.interact(() -> stage.getScene().getRoot().layout());
    assertThat(all.stream().map(this::place).toList()).isEqualTo(before);
    robot.type(KeyCode.SPACE);
  }

  @Test
  void fewControlsStandBesideTheMusicAndTheRestIsBehindTwoKeys(FxRobot robot) throws Exception {
    begin(robot);
    Set<Node> controls =
        robot
            .from(robot.lookup(".centre").queryAs(Region.class))
            .lookup(
                (Node n) ->
                    n instanceof ButtonBase || n instanceof Spinner || n instanceof ComboBoxBase)
            .queryAll();
    long seen =
        controls.stream().filter(StandWindowTest::isSeen).filter(n -> !isOfTheDay(n)).count();
    assertThat(seen).isLessThanOrEqualTo(MOST_CONTROLS);
    robot.push(KeyCode.SHIFT, KeyCode.M);
    assertThat(isSeen(robot.lookup("#drill-choice").query())).isTrue();
    robot.push(KeyCode.SHIFT, KeyCode.M);
    assertThat(isSeen(robot.lookup("#drill-choice").query())).isFalse();
  }

  private static boolean isOfTheDay(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n.getStyleClass().contains("day-column")) {
        return true;
      }
    }
    return false;
  }

  @Test
  void theDrawerOpensByEnterAndWhatIsSetThereStays(FxRobot robot) throws Exception {
    begin(robot);
    robot.type(KeyCode.ENTER);
    assertThat(isSeen(robot.lookup("#drawer").query())).isTrue();
    robot.interact(
        () -> robot.lookup("#silent-bars").queryAs(Spinner.class).getValueFactory().increment(2));
    until(() -> practice.stand().style().silent() == 2 && !studio.isBehind());
    assertThat(library.settings()).containsEntry("click", practice.stand().style().text());
    robot.type(KeyCode.ESCAPE);
    assertThat(isSeen(robot.lookup("#drawer").query())).isFalse();
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> practice.stand().style().silent() == 0 && !studio.isBehind());
    until(
        () ->
            robot
                .lookup("#silent-bars")
                .queryAs(Spinner.class)
                .getValue()
                .equals(Integer.valueOf(0)));
  }

  @Test
  void aPressOnTheStairIsAVerdict(FxRobot robot) throws Exception {
    begin(robot);
    int before = studio.journal().size();
    robot.clickOn("#verdict-nearly");
    until(() -> studio.journal().size() > before && !studio.isBehind());
    assertThat(isSeen(robot.lookup("#broke").query())).as("and asks what broke").isTrue();
    robot.clickOn("#take-back");
    until(() -> studio.journal().size() == before && !studio.isBehind());
    assertThat(robot.lookup("#start").queryAs(Labeled.class).getText()).contains("Space");
  }
}
