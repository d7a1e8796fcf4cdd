package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.PaperModel;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.journal.Verdict;
import fret.mark.FingerLayer;
import fret.mark.Wish;
import fret.plan.PracticePlan;
import fret.store.SqliteLibrary;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The main jobs, driven by keys in the real window. */
class WindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private Finger fingerAt(int note) {
    return studio.shown().fingering().notes().get(note).orElseThrow().finger();
  }

  @Test
  void oneKeyPinsAFingerAndEverythingFollows(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.RIGHT, 4);
    until(() -> studio.selectedProperty().get() == 4);
    Finger before = fingerAt(4);
    Finger wanted = before == Finger.FIRST ? Finger.SECOND : Finger.FIRST;
    robot.type(wanted == Finger.FIRST ? KeyCode.DIGIT1 : KeyCode.DIGIT2);
    until(() -> fingerAt(4) == wanted);
    assertThat(library.passages().get(0).marks().of(FingerLayer.PINNED).values()).hasSize(1);
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> fingerAt(4) == before);
    robot.push(KeyCode.CONTROL, KeyCode.Y);
    until(() -> fingerAt(4) == wanted);
    robot.type(KeyCode.BACK_SPACE);
    until(() -> library.passages().get(0).marks().of(FingerLayer.PINNED).values().isEmpty());
  }

  @Test
  void theLeftHandIsLookedAtAndDecidedByKey(FxRobot robot) throws Exception {
    openFirst(robot);
    robot.type(KeyCode.S);
    assertThat(robot.lookup("#shift-card").tryQuery()).isPresent();
    assertThat(robot.lookup("#shifts").<javafx.scene.control.ListView<?>>query().getItems())
        .hasSameSizeAs(studio.shown().fingering().shifts());
    robot.interact(
        () -> robot.lookup("#practise-shift").<javafx.scene.control.Button>query().fire());
    until(() -> robot.lookup("#drill-strip").tryQuery().isPresent());
    until(() -> practice.stand().onProperty().get() != null);
    assertThat(practice.stand().onProperty().get().drill().kind())
        .isEqualTo(fret.drill.DrillKind.SHIFT);
    robot.type(KeyCode.C);
    until(() -> studio.journal().stream().anyMatch(e -> e.chunkId().startsWith("shift-")));
    robot.type(KeyCode.F4, KeyCode.X);
    assertThat(robot.lookup("#crossings").tryQuery()).isPresent();
    robot.type(KeyCode.C);
    assertThat(robot.lookup("#hand-school").tryQuery()).isPresent();
    robot.type(KeyCode.F);
    until(() -> robot.lookup("#try-1").tryQuery().isPresent());
    robot.clickOn("#try-1");
    until(() -> main.leftHand().triedProperty().get().isPresent());
    robot.type(KeyCode.ESCAPE);
    until(() -> main.leftHand().triedProperty().get().isEmpty());
    robot.type(KeyCode.N);
    robot.interact(() -> studio.select(4));
    for (int i = 0; i < 3; i++) {
      robot.push(KeyCode.SHIFT, KeyCode.RIGHT);
    }
    assertThat(main.leftHand().lastSelected()).isEqualTo(7);
    robot.push(KeyCode.SHIFT, KeyCode.O);
    until(() -> Wish.all(studio.session().passage().marks()).size() == 1 && !studio.isBehind());
    until(() -> robot.lookup("Take back").tryQuery().isPresent());
    robot.clickOn("Take back");
    until(() -> Wish.all(studio.session().passage().marks()).isEmpty());
  }

  @Test
  void anAreaWithoutAPassageSaysWhatToDo(FxRobot robot) throws Exception {
    robot.type(KeyCode.F4);
    assertThat(robot.lookup("#to-shelf").tryQuery()).isPresent();
    robot.clickOn("#to-shelf");
    until(
        () ->
            robot.lookup("#start-session").tryQuery().filter(b -> b.isVisible()).isPresent()
                && !studio.isBehind());
    robot.clickOn("#start-session");
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    assertThat(practice.stand().onProperty().get().drill().kind())
        .isEqualTo(fret.drill.DrillKind.WARM_UP);
    robot.type(KeyCode.DOWN);
    until(
        () ->
            practice.stand().onProperty().get() != null
                && practice.stand().onProperty().get().passageId()
                    == practice.items().get(1).passageId()
                && !studio.isBehind());
    assertThat(studio.shown().passage().id()).isEqualTo(practice.items().get(1).passageId());
  }

  @Test
  void todaysItemIsPractisedJudgedAndKept(FxRobot robot) throws Exception {
    openFirst(robot);
    int before = studio.journal().size();
    robot.interact(
        () ->
            studio.changeSettings(
                Said.words("It runs in triplets"), p -> p.withDetails(p.details().withRunning(3))));
    until(() -> !studio.isBehind());
    robot.type(KeyCode.F8);
    assertThat(practice.stand().style().between()).isEqualTo(3);
    straightOfThisPassage(robot);
    robot.type(KeyCode.SPACE);
    Mockito.verify(player, Mockito.timeout(5000))
        .start(Mockito.any(), Mockito.any(), Mockito.any());
    robot.type(KeyCode.C);
    until(() -> studio.journal().size() == before + 1 && !studio.isBehind());
    assertThat(studio.shown().isAdopted()).as("practising keeps nothing by itself").isFalse();
    assertThat(robot.lookup("#question").tryQuery()).as("but asks once").isPresent();
    robot.push(KeyCode.CONTROL, KeyCode.ENTER);
    until(() -> studio.shown().isAdopted() && !studio.isBehind());
    robot.type(KeyCode.H);
    until(() -> studio.journal().size() == before + 2);
    robot.type(KeyCode.C);
    assertThat(studio.journal()).as("after pain the item is over").hasSize(before + 2);
    library.close();
    library = SqliteLibrary.open(file);
    assertThat(library.journal())
        .hasSize(before + 2)
        .last()
        .extracting(e -> e.verdict())
        .isEqualTo(Verdict.HURTS);
  }

  /** Goes to an item that one clean play does not close. */
  private void straightOfThisPassage(FxRobot robot) throws Exception {
    long open = studio.shown().passage().id();
    List<PracticePlan.Item> items = practice.items();
    int at =
        IntStream.range(0, items.size())
            .filter(i -> items.get(i).passageId() == open)
            .filter(i -> items.get(i).drill() == DrillKind.STRAIGHT)
            .findFirst()
            .orElseThrow();
    robot.interact(() -> practice.show(at));
    until(() -> practice.indexProperty().get() == at && !studio.isBehind());
  }

  @Test
  void aBrokenFileIsNamedAndTheProgramGoesOn(FxRobot robot) throws Exception {
    openFirst(robot);
    File broken = dir.resolve("broken.musicxml").toFile();
    Files.writeString(broken.toPath(), "<score-partwise>");
    robot.interact(() -> main.openFile(broken));
    until(() -> studio.errorProperty().get() != null);
    assertThat(Sentences.of(studio.errorProperty().get())).contains("broken.musicxml", "line");
    assertThat(robot.lookup("#error").tryQuery()).isPresent();
    robot.clickOn("#close-error");
    assertThat(robot.lookup("#error").tryQuery()).isEmpty();
  }

  @Test
  void aRealPartIsOpenedAndSavedWithItsFingering(FxRobot robot) throws Exception {
    Path part = Files.createTempDirectory(dir, "part").resolve("violone.musicxml");
    Files.copy(WindowTest.class.getResourceAsStream("/violone.musicxml"), part);
    robot.interact(() -> main.openFile(part.toFile()));
    until(
        () ->
            studio.shown() != null
                && studio.shown().passage().sourceName().equals("violone.musicxml")
                && studio.plans().plannedProperty().get() != null);
    assertThat(studio.shown().fingering().problems()).isEmpty();
    Path saved = part.resolveSibling("saved.musicxml");
    robot.interact(() -> main.saveTo(saved.toFile()));
    until(() -> studio.messageProperty().get().startsWith("Saved"));
    assertThat(Files.readString(saved, StandardCharsets.UTF_8))
        .as("what is only proposed is no decision")
        .doesNotContain("<fingering>", "<notations><technical/>", "<technical/>");
    robot.type(KeyCode.F4);
    robot.push(KeyCode.SHIFT, KeyCode.A);
    until(() -> studio.shown().isAdopted() && !studio.isBehind());
    robot.interact(() -> main.saveTo(part.resolveSibling("adopted.musicxml").toFile()));
    until(() -> Files.exists(part.resolveSibling("adopted.musicxml")) && !studio.isBehind());
    assertThat(Files.readString(part.resolveSibling("adopted.musicxml"), StandardCharsets.UTF_8))
        .contains("<fingering>");
  }

  @Test
  void everyAreaIsReachedByItsKey(FxRobot robot) throws Exception {
    openFirst(robot);
    for (KeyCode key :
        new KeyCode[] {
          KeyCode.F2, KeyCode.F3, KeyCode.F4, KeyCode.F7, KeyCode.F8, KeyCode.F10, KeyCode.F1
        }) {
      robot.type(key);
    }
    assertThat(robot.lookup("#journal").tryQuery()).isPresent();
    assertThat(robot.lookup(".help").tryQuery()).isPresent();
  }

  private String written() {
    return studio.shown().resolved().notes().stream()
        .map(n -> n.pitch().toString())
        .collect(java.util.stream.Collectors.joining(" "));
  }

  @Test
  void aPageIsWrittenByKeyHeardMendedAndPrinted(FxRobot robot) throws Exception {
    // The passage that today begins with is open, and the plan follows what is new on the shelf.
    until(() -> studio.plans().plannedProperty().get() != null && !studio.isBehind());
    long due = practice.items().get(0).passageId();
    robot.interact(
        () ->
            studio.open(
                studio.passages().stream().filter(p -> p.id() == due).findFirst().orElseThrow()));
    until(() -> studio.shown() != null && !studio.isBehind());
    robot.interact(() -> main.newPage(fret.instrument.InstrumentType.VIOLA));
    until(() -> robot.lookup("#writing-banner").tryQuery().isPresent());
    until(() -> studio.shown().passage().id() != due && !studio.isBehind());
    robot.type(
        KeyCode.DIGIT8, KeyCode.G, KeyCode.A, KeyCode.B, KeyCode.W, KeyCode.DIGIT4, KeyCode.D);
    until(() -> written().equals("G3 A3 B#3 D4"));
    Mockito.verify(notes, Mockito.atLeast(4)).play(Mockito.anyDouble());
    robot.interact(() -> keyboard.press(64));
    until(() -> written().endsWith("D4 E4"));
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    until(() -> written().endsWith("B#3 D4"));
    robot.type(KeyCode.BACK_SPACE, KeyCode.ENTER, KeyCode.ESCAPE);
    until(
        () ->
            studio.proofing().proofProperty().get().findings().stream()
                .anyMatch(f -> f.bar().equals("1")));
    until(() -> robot.lookup("Fill it with rests").tryQuery().isPresent() && !studio.isBehind());
    robot.clickOn("Fill it with rests");
    until(
        () ->
            studio.session().page().bars().get(0).events().stream()
                .anyMatch(fret.score.Event::isRest));
    until(() -> robot.lookup("#nameless").query().isVisible());
    robot.clickOn("#nameless").write("Small Bells").type(KeyCode.ENTER);
    until(() -> studio.session().passage().settings().title().equals("Small Bells"));
    until(() -> !robot.lookup("#nameless").query().isVisible());
    robot.type(KeyCode.SPACE);
    Mockito.verify(passage, Mockito.timeout(30_000)).play(Mockito.any(), Mockito.eq(false));
    File pdf = dir.resolve("page.pdf").toFile();
    robot.interact(() -> main.savePaper(PaperModel.Kind.PRACTICE_PDF, pdf));
    until(() -> pdf.length() > 1000);
    assertThat(Files.readAllBytes(pdf.toPath())).startsWith("%PDF".getBytes("US-ASCII"));
    robot.interact(() -> main.takePicture(pdf));
    until(() -> !studio.isBehind());
    assertThat(library.picture(studio.session().passage().id())).isPresent();
    assertThat(studio.errorProperty().get()).isNull();
  }
}
