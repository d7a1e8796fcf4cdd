package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** At every size of the window, in every area: no button is cut, and none lies outside. */
class RoomWindowTest extends RealWindow {
  private static final List<String> AREAS =
      List.of(
          "shelf",
          "part",
          "left-hand",
          "bow-arm",
          "tuning",
          "plan",
          "practise",
          "takes",
          "journal");

  private Stage stage;

  @Start
  void start(Stage window) throws Exception {
    stage = window;
    show(window);
  }

  @ParameterizedTest
  @CsvSource({
    "1024, 640, 100",
    "1024, 640, 150",
    "1280, 800, 100",
    "1280, 800, 125",
    "1920, 1080, 100",
    "1920, 1080, 150"
  })
  void everyButtonHasItsRoom(int width, int height, int letters, FxRobot robot) throws Exception {
    size(robot, width, height, letters);
    openFirst(robot);
    until(() -> Math.abs(stage.getScene().getWidth() - width) < 2);
    List<String> faults = new ArrayList<>();
    for (String area : AREAS) {
      robot.interact(() -> main.go(area));
      until(() -> !studio.isBehind());
      look(robot, area, faults);
      List<Button> tabs =
          robot.lookup(".tab").queryAllAs(Button.class).stream()
              .filter(RoomWindowTest::isSeen)
              .toList();
      for (Button tab : tabs) {
        robot.interact(tab::fire);
        until(() -> !studio.isBehind());
        look(robot, area + ", " + tab.getText(), faults);
      }
    }
    assertThat(faults).isEmpty();
  }

  /** In a usual window the tools of the hands stand in the one head line. */
  @ParameterizedTest
  @CsvSource({"1280, 800, left-hand, #adopt", "1280, 800, bow-arm, #bow-preset"})
  void oneHeadLineHoldsTheToolsWhereThereIsRoom(
      int width, int height, String area, String tool, FxRobot robot) throws Exception {
    size(robot, width, height, 100);
    openFirst(robot);
    robot.interact(() -> main.go(area));
    Node head = robot.lookup("#head-line").query();
    until(() -> !studio.isBehind() && head.lookup(tool) != null);
    assertThat(robot.lookup("#undo").<Node>query().getParent()).isSameAs(head);
    size(robot, 1024, 640, 150);
    until(() -> head.lookup(tool) == null);
    assertThat(isSeen(robot.lookup(tool).query())).isTrue();
  }

  private static boolean isSeen(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible()) {
        return false;
      }
    }
    return node.getScene() != null;
  }

  /** Whether it can be scrolled to, up or down, or is seen when a drawer is open. */
  private static boolean scrolls(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n instanceof ScrollPane || n instanceof ListView || n.getClip() != null) {
        return true;
      }
    }
    return false;
  }

  private static <T> boolean isBlank(ComboBox<T> box) {
    String prompt = box.getPromptText();
    boolean prompts = prompt != null && !prompt.isBlank();
    return box.getValue() == null
        ? !prompts
        : box.getConverter().toString(box.getValue()).isBlank();
  }

  private void look(FxRobot robot, String where, List<String> faults) {
    robot.interact(
        () -> {
          stage.getScene().getRoot().applyCss();
          stage.getScene().getRoot().layout();
        });
    for (ComboBox<?> box : robot.lookup(n -> n instanceof ComboBox).queryAllAs(ComboBox.class)) {
      if (isSeen(box) && !box.isEditable() && isBlank(box)) {
        faults.add(where + ": the choice \"" + box.getId() + "\" shows nothing");
      }
    }
    for (Labeled button : robot.lookup(n -> n instanceof ButtonBase).queryAllAs(Labeled.class)) {
      if (!isSeen(button) || button.getText() == null || button.getText().isEmpty()) {
        continue;
      }
      String told = where + ": \"" + button.getText() + "\"";
      boolean cut =
          button.lookupAll(".text").stream()
              .map(Text.class::cast)
              .noneMatch(t -> t.getText().equals(button.getText()));
      if (cut) {
        faults.add(told + " is cut");
      }
      Bounds at = button.localToScene(button.getLayoutBounds());
      boolean beside = at.getMinX() < -0.5 || at.getMaxX() > stage.getScene().getWidth() + 0.5;
      boolean over = at.getMinY() < -0.5 || at.getMaxY() > stage.getScene().getHeight() + 0.5;
      if (beside || over && !scrolls(button)) {
        faults.add(told + " lies outside the window");
      }
    }
  }
}
