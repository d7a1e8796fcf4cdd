package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.passage.Passage;
import fret.shelf.Library;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** A shelf with more on it than a window shows. */
class ShelfWindowTest extends RealWindow {
  private static final int COPIES = 33;

  private Passage last;

  @Start
  void start(Stage window) throws Exception {
    show(window);
  }

  @Override
  void prepare() {
    Library.Stored first = library.load(library.passages().get(0).id()).orElseThrow();
    byte[] source = library.source(first.passage().id(), first.passage().source().id());
    for (int i = 1; i <= COPIES; i++) {
      Passage copy =
          first.passage().withSettings(first.passage().settings().withTitle("Echo " + i)).withId(0);
      last = library.add(copy, source, Optional.empty());
    }
  }

  private static Set<String> slips(FxRobot robot) {
    return robot
        .lookup(n -> n.getId() != null && n.getId().startsWith("passage-"))
        .queryAll()
        .stream()
        .map(Node::getId)
        .collect(Collectors.toSet());
  }

  private static String focused(FxRobot robot) {
    Node owner = robot.targetWindow().getScene().getFocusOwner();
    return owner == null ? null : owner.getId();
  }

  @Test
  void slipsAreMadeInSightAndTheArrowsReachTheLast(FxRobot robot) throws Exception {
    until(() -> !slips(robot).isEmpty());
    assertThat(slips(robot)).hasSizeLessThan(16);
    assertThat(slips(robot)).doesNotContain("passage-" + last.id());
    robot.interact(
        () ->
            robot
                .lookup("#passage-" + studio.passages().get(0).id())
                .<Button>query()
                .requestFocus());
    for (int i = 0; i < studio.passages().size(); i++) {
      String before = focused(robot);
      robot.type(KeyCode.RIGHT);
      boolean ends = before.equals("passage-" + last.id());
      until(() -> ends || focused(robot) != null && !focused(robot).equals(before));
    }
    assertThat(focused(robot)).isEqualTo("passage-" + last.id());
    robot.type(KeyCode.SPACE);
    until(() -> studio.shown() != null && studio.shown().passage().id() == last.id());
  }

  @Test
  void aPassageIsFoundByItsWords(FxRobot robot) throws Exception {
    until(() -> !slips(robot).isEmpty());
    robot.clickOn("#shelf-find").write("violin echo 33");
    until(() -> slips(robot).equals(Set.of("passage-" + last.id())));
    robot.type(KeyCode.ESCAPE);
    until(() -> slips(robot).size() > 1);
    robot.clickOn("#shelf-find").write("nowhere");
    until(() -> slips(robot).isEmpty());
  }
}
