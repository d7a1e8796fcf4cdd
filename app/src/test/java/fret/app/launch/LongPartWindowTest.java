package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.app.viewmodel.LeftHandModel;
import fret.app.widget.LinesView;
import fret.app.widget.StripView;
import fret.care.BodyPart;
import fret.drill.DrillKind;
import fret.passage.MarksForm;
import fret.passage.Passage;
import fret.plan.PracticePlan.Kind;
import fret.shelf.Planning;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** What is decided holds on a part of fifty-eight bars: saved, priced, undone, and left alone. */
class LongPartWindowTest extends RealWindow {
  @Start
  void start(Stage window) throws Exception {
    show(window);
  }

  private void open(FxRobot robot) throws Exception {
    byte[] file;
    try (InputStream in = LongPartWindowTest.class.getResourceAsStream("/the-weir.musicxml")) {
      file = in.readAllBytes();
    }
    Path part = Files.createTempDirectory(dir, "long").resolve("the-weir.musicxml");
    Files.write(part, file);
    int had = studio.passages().size();
    robot.interact(() -> main.openFile(part.toFile()));
    until(() -> studio.passages().size() > had && isOpen("the-weir.musicxml"));
    until(() -> !studio.isBehind());
  }

  private boolean isOpen(String source) {
    return studio.shown() != null && studio.shown().passage().sourceName().equals(source);
  }

  private void press(FxRobot robot, KeyCode... keys) throws Exception {
    robot.push(keys);
    until(() -> !studio.isBehind());
  }

  private void select(FxRobot robot, int note) {
    robot.interact(() -> studio.select(note));
  }

  /** In lines beside the cards, then as the whole page; what is selected is so in both. */
  @Test
  void thePartIsReadAsAPageByOneKey(FxRobot robot) throws Exception {
    open(robot);
    press(robot, KeyCode.F3);
    press(robot, KeyCode.G);
    LinesView lines = robot.lookup("#part-lines").queryAs(LinesView.class);
    until(() -> lines.lineCount() > 0 && !studio.isBehind());
    assertThat(lines.isVisible()).isTrue();
    assertThat(robot.lookup("#part-strip").query().isVisible()).isFalse();
    press(robot, KeyCode.G);
    until(lines::isWhole);
    assertThat(lines.lineCount()).as("58 bars are one page").isBetween(4, 10);
    int before = studio.selectedProperty().get();
    robot.clickOn(lines, MouseButton.PRIMARY);
    assertThat(studio.selectedProperty().get()).isNotEqualTo(before);
    press(robot, KeyCode.G);
    assertThat(lines.isVisible()).isFalse();
    assertThat(robot.lookup("#part-strip").query().isVisible()).isTrue();
  }

  /** A press on the map goes there, and shows which of the part is in sight. */
  @Test
  void theMapGoesThere(FxRobot robot) throws Exception {
    open(robot);
    press(robot, KeyCode.F4);
    Node map = robot.from(main).lookup("#part-map").query();
    assertThat(map.isVisible()).isTrue();
    robot.clickOn(map);
    int bars = studio.shown().score().bars().size();
    int bar =
        studio.shown().resolved().notes().get(studio.selectedProperty().get()).key().barIndex();
    assertThat(bar).isBetween(bars / 3, 2 * bars / 3);
  }

  /** The lane that one came for has its room, wherever in the part; nothing below it is cut. */
  @ParameterizedTest
  @CsvSource({"1024, 640", "1024, 700", "1280, 800", "1920, 1080"})
  void theLaneOfTheAreaIsWhole(int width, int height, FxRobot robot) throws Exception {
    size(robot, width, height, 100);
    open(robot);
    int last = studio.shown().resolved().notes().size() - 1;
    Map<String, String> lanes = Map.of("left-hand", "hand", "bow-arm", "bow", "tuning", "ring");
    for (String area : lanes.keySet()) {
      robot.interact(() -> main.go(area));
      StripView strip = robot.from(main).lookup(".strip").query();
      for (int note : new int[] {0, last / 3, last / 2, last}) {
        select(robot, note);
        until(() -> !studio.isBehind() && strip.isOpen(lanes.get(area)));
        until(() -> isWhole(robot, strip));
      }
      robot.interact(() -> strip.zoom(3));
      until(() -> !studio.isBehind() && isWhole(robot, strip));
    }
  }

  private static boolean isWhole(FxRobot robot, StripView strip) {
    AtomicBoolean whole = new AtomicBoolean();
    robot.interact(
        () -> {
          StripView.Heights h = strip.heights();
          whole.set(h.lane() >= 80 && h.stave() + h.lanes() <= strip.getHeight() + 1);
        });
    return whole.get();
  }

  /** A, and B: pins, a hook, levels and a word, saved and opened as a new passage. */
  @Test
  void whatIsDecidedIsSavedAndComesBack(FxRobot robot) throws Exception {
    open(robot);
    press(robot, KeyCode.F5);
    Random random = new Random(24);
    KeyCode[] bow = {KeyCode.T, KeyCode.H, KeyCode.R, KeyCode.S, KeyCode.UP, KeyCode.DOWN};
    for (int i = 0; i < 18; i++) {
      select(robot, random.nextInt(studio.shown().resolved().notes().size()));
      press(robot, bow[i % bow.length]);
      assertThat(studio.errorProperty().get()).isNull();
    }
    press(robot, KeyCode.F4);
    press(robot, KeyCode.SHIFT, KeyCode.A);
    until(() -> studio.shown().isAdopted() && !studio.isBehind());
    Passage decided = studio.session().passage();
    Path saved = Files.createTempDirectory(dir, "saved").resolve("the-weir, marked.musicxml");
    robot.interact(() -> main.saveTo(saved.toFile()));
    until(() -> Files.exists(saved) && !studio.isBehind());
    robot.interact(() -> main.openFile(saved.toFile()));
    until(() -> isOpen("the-weir, marked.musicxml") && !studio.isBehind());
    Passage back = studio.session().passage();
    assertThat(back.id()).isNotEqualTo(decided.id());
    assertThat(MarksForm.of(back.marks())).isEqualTo(MarksForm.of(decided.marks()));
    assertThat(studio.shown().isAdopted()).isTrue();
  }

  /** C, and D: the press costs what the list says, and one undo takes back what was last. */
  @Test
  void thePriceIsThatOfTheListAndUndoGoesInOrder(FxRobot robot) throws Exception {
    open(robot);
    press(robot, KeyCode.F4);
    select(robot, 12);
    until(() -> main.leftHand().choicesProperty().get().size() > 2 && !studio.isBehind());
    double before = studio.shown().fingering().effort();
    LeftHandModel.Choice second = main.leftHand().choicesProperty().get().get(1);
    robot.interact(() -> robot.lookup("#choice-1").<Button>query().fire());
    until(() -> studio.shown().fingering().effort() != before && !studio.isBehind());
    assertThat(studio.shown().fingering().effort() - before)
        .isCloseTo(second.extraEffort(), within(0.05));

    // A date, then a verdict: taken back in their order, each shown where it was done.
    int tries = studio.journal().size();
    robot.interact(() -> practice.own().practise(0, 8, DrillKind.STRAIGHT));
    press(robot, KeyCode.F8);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    press(robot, KeyCode.C);
    until(() -> studio.journal().size() > tries && !studio.isBehind());
    int judged = studio.journal().size();
    press(robot, KeyCode.CONTROL, KeyCode.BACK_SPACE); // "Not now" to what is asked.
    press(robot, KeyCode.F4);
    press(robot, KeyCode.CONTROL, KeyCode.Z);
    assertThat(studio.journal()).as("shown first").hasSize(judged);
    press(robot, KeyCode.CONTROL, KeyCode.Z);
    until(() -> studio.journal().size() == tries && !studio.isBehind());
  }

  /** E: what is painted is what is selected, by keys in every area with a strip. */
  @Test
  void selectionIsOneThingEverywhere(FxRobot robot) throws Exception {
    open(robot);
    for (KeyCode area : new KeyCode[] {KeyCode.F3, KeyCode.F4, KeyCode.F5, KeyCode.F6}) {
      press(robot, area);
      select(robot, 20);
      press(robot, KeyCode.SHIFT, KeyCode.RIGHT);
      press(robot, KeyCode.SHIFT, KeyCode.RIGHT);
      assertThat(main.leftHand().firstSelected()).as("in %s", area).isEqualTo(20);
      assertThat(main.leftHand().lastSelected()).as("in %s", area).isEqualTo(22);
      press(robot, KeyCode.CONTROL, KeyCode.A);
      assertThat(main.leftHand().lastSelected())
          .isEqualTo(studio.shown().resolved().notes().size() - 1);
    }
  }

  @Test
  void theEndsAndABarByItsNumberAreOneKeyAway(FxRobot robot) throws Exception {
    open(robot);
    press(robot, KeyCode.F4);
    int last = studio.shown().resolved().notes().size() - 1;
    press(robot, KeyCode.END);
    assertThat(studio.selectedProperty().get()).isEqualTo(last);
    press(robot, KeyCode.HOME);
    assertThat(studio.selectedProperty().get()).isZero();
    press(robot, KeyCode.SHIFT, KeyCode.END);
    assertThat(main.leftHand().firstSelected()).isZero();
    assertThat(main.leftHand().lastSelected()).isEqualTo(last);
    press(robot, KeyCode.CONTROL, KeyCode.G);
    press(robot, KeyCode.DIGIT3);
    press(robot, KeyCode.DIGIT4);
    press(robot, KeyCode.ENTER);
    int selected = studio.selectedProperty().get();
    assertThat(studio.shown().resolved().notes().get(selected).bar()).isEqualTo("34");
    assertThat(main.leftHand().hasRange()).isFalse();
    press(robot, KeyCode.RIGHT);
    assertThat(studio.selectedProperty().get()).as("keys are back").isEqualTo(selected + 1);
  }

  /** F: it stops the day, is said with two digits, and no mock audition asks for its bars. */
  @Test
  void whatHurtsIsLeftAlone(FxRobot robot) throws Exception {
    open(robot);
    robot.interact(() -> practice.own().practise(0, 8, DrillKind.STRAIGHT));
    press(robot, KeyCode.F8);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    press(robot, KeyCode.H);
    press(robot, KeyCode.DIGIT1);
    press(robot, KeyCode.DIGIT3);
    until(
        () ->
            planned() != null
                && planned().care().parts().stream().anyMatch(p -> p.part() == BodyPart.LEFT_HAND)
                && planned().held() > 0
                && !studio.isBehind());
    assertThat(planned().plan().days().get(0).items()).isEmpty();
    assertThat(planned().plan().days())
        .filteredOn(d -> d.date().isBefore(planned().care().over()))
        .flatExtracting(d -> d.items())
        .noneMatch(
            i ->
                (i.kind() == Kind.MOCK || i.kind() == Kind.RUN_THROUGH)
                    && !planned().of(i.passageId()).orElseThrow().held().isEmpty());
    for (String where : new String[] {"#pain-told", "#plan-pain", "#shelf-pain"}) {
      press(
          robot,
          where.startsWith("#pain")
              ? KeyCode.F8
              : where.startsWith("#plan") ? KeyCode.F7 : KeyCode.F2);
      Label told = robot.lookup(where).query();
      assertThat(told.getText()).startsWith("Left hand: it hurts badly (today)");
      robot.interact(main::layout);
      assertThat(told.getHeight())
          .as("read whole")
          .isGreaterThan(told.prefHeight(told.getWidth()) - 1);
    }
  }

  private Planning planned() {
    return studio.plans().plannedProperty().get();
  }
}
