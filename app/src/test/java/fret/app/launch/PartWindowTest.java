package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.Sentences;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** What is said of a part: which one of a file, which bars, which instrument, and all about it. */
class PartWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private void showPart(FxRobot robot, int demo) throws Exception {
    robot.interact(() -> studio.open(studio.passages().get(demo)));
    robot.interact(() -> main.go("part"));
    until(() -> studio.shown() != null && !studio.isBehind());
  }

  private Passage.Settings settings() {
    return studio.session().passage().settings();
  }

  private void type(FxRobot robot, String field, String text) throws Exception {
    TextField into = robot.lookup(field).query();
    robot.interact(
        () -> {
          into.requestFocus();
          into.setText(text);
        });
    robot.type(KeyCode.ENTER);
    until(() -> !studio.isBehind());
  }

  private void fire(FxRobot robot, String button) throws Exception {
    robot.interact(() -> robot.lookup(button).<Button>query().fire());
    until(() -> !studio.isBehind());
  }

  private static Path twoParts() throws IOException {
    String one =
        new String(
            PartWindowTest.class.getResourceAsStream("/around.musicxml").readAllBytes(),
            StandardCharsets.UTF_8);
    String second = one.substring(one.indexOf("<part id="), one.indexOf("</score-partwise>"));
    String both =
        one.replace(
                "</part-list>",
                "<score-part id=\"P2\"><part-name>Second</part-name></score-part></part-list>")
            .replace("</score-partwise>", second.replace("\"P1\"", "\"P2\"") + "</score-partwise>");
    Path file = Files.createTempDirectory(dir, "two").resolve("two.musicxml");
    return Files.writeString(file, both);
  }

  @Test
  void onePartAndItsBarsArePickedFromAFileWithTwo(FxRobot robot) throws Exception {
    robot.interact(() -> main.go("shelf"));
    Path file = twoParts();
    robot.interact(() -> main.openFile(file.toFile()));
    until(() -> robot.lookup("#pick-part").tryQuery().isPresent() && !studio.isBehind());
    ListView<?> parts = robot.lookup("#parts").query();
    assertThat(parts.getItems()).hasSize(2);
    robot.interact(() -> parts.getSelectionModel().select(1));
    until(() -> !studio.isBehind());
    type(robot, "#pick-from", "77");
    fire(robot, "#pick-open");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("no bar \"77\"");
    robot.clickOn("#close-error");
    type(robot, "#pick-from", "1");
    type(robot, "#pick-to", "3");
    fire(robot, "#pick-open");
    until(() -> studio.shown() != null && !studio.isBehind());
    assertThat(studio.session().passage().partName()).isEqualTo("P2");
    assertThat(studio.shown().resolved().notes())
        .extracting(n -> n.bar())
        .containsOnly("1", "2", "3");
  }

  @Test
  void theInstrumentItsStringsAndTheTempoAreChanged(FxRobot robot) throws Exception {
    showPart(robot, 1);
    ComboBox<InstrumentType> instrument = robot.lookup("#instrument").query();
    robot.interact(() -> instrument.setValue(InstrumentType.BASS));
    until(() -> !studio.isBehind());
    assertThat(studio.shown().task().hand().instrument().type()).isEqualTo(InstrumentType.BASS);
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> settings().setup().instrument() == InstrumentType.CELLO && !studio.isBehind());
    type(robot, "#string-length", "660");
    assertThat(studio.shown().task().hand().instrument().stringLengthMm()).isEqualTo(660);
    type(robot, "#string-length", "12");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("150").contains("1400");
    robot.clickOn("#close-error");
    assertThat(studio.shown().task().hand().instrument().stringLengthMm()).isEqualTo(660);
    type(robot, "#own-tuning", "A3 D3 G2 B1");
    assertThat(studio.shown().task().hand().instrument().open(4).toString()).isEqualTo("B1");
    type(robot, "#own-tuning", "A3 nonsense");
    assertThat(studio.errorProperty().get()).isNotNull();
    robot.clickOn("#close-error");
    Spinner<Integer> tempo = robot.lookup("#target-tempo").query();
    robot.interact(() -> tempo.getValueFactory().setValue(60));
    until(() -> !studio.isBehind());
    assertThat(settings().target().perMinute()).isEqualTo(60);
  }

  @Test
  void onlyTheBarsAskedForAreFingered(FxRobot robot) throws Exception {
    showPart(robot, 0);
    int all = studio.shown().resolved().notes().size();
    type(robot, "#from-bar", "2");
    type(robot, "#to-bar", "3");
    assertThat(studio.shown().resolved().notes())
        .hasSizeLessThan(all)
        .extracting(n -> n.bar())
        .containsOnly("2", "3");
    type(robot, "#to-bar", "99");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("99");
    robot.clickOn("#close-error");
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> !studio.isBehind());
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> studio.shown().resolved().notes().size() == all && !studio.isBehind());
  }

  @Test
  void whatIsKnownOfThePieceIsKeptBarByBar(FxRobot robot) throws Exception {
    showPart(robot, 0);
    fire(robot, "#tab-about");
    type(robot, "#note-bar", "3");
    type(robot, "#note-text", "how long is the last note?");
    assertThat(settings().details().barNotes()).containsKey("3");
    type(robot, "#note-bar", "300");
    type(robot, "#note-text", "nowhere");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("300");
    robot.clickOn("#close-error");
    until(() -> robot.lookup("Answered").tryQuery().isPresent());
    fire(robot, "Answered");
    assertThat(settings().details().barNotes()).doesNotContainKey("3");
  }

  @Test
  void aTempoWithItsSectionsSetsTheClockOfTheHand(FxRobot robot) throws Exception {
    showPart(robot, 0);
    fire(robot, "#tab-tempo");
    type(robot, "#performance", "112");
    assertThat(settings().details().performance()).isEqualTo(112);
    fire(robot, "#notch");
    // the next lower number of the classic scale (common practice, from memory)
    assertThat(settings().target().perMinute()).isEqualTo(108);
    double before = hardest();
    type(robot, "#mark-bar", "1");
    type(robot, "#mark-value", "54");
    fire(robot, "#mark-add");
    assertThat(settings().details().tempoMarks()).hasSize(1);
    assertThat(hardest()).as("half the tempo, half the haste").isLessThan(before);
    type(robot, "#mark-value", "fast");
    fire(robot, "#mark-add");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("fast");
    robot.clickOn("#close-error");
    until(() -> robot.lookup("Take away").tryQuery().isPresent());
    fire(robot, "Take away");
    assertThat(settings().details().tempoMarks()).isEmpty();
    type(robot, "#performance", "12 000");
    assertThat(Sentences.of(studio.errorProperty().get())).contains("no tempo");
  }

  private double hardest() {
    return studio.shown().fingering().shifts().stream()
        .mapToDouble(s -> s.bitsPerSecond())
        .max()
        .orElse(0);
  }
}
