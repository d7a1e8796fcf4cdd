package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.passage.Passage;
import fret.session.Ear;
import fret.session.Session;
import fret.store.SqliteLibrary;
import fret.take.Expected;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The first hour of docs/first-hour.md is pressed as it stands there. */
class FirstHourTest extends RealWindow {
  private static final Path PAGE = Path.of("../docs/first-hour.md");
  private static final Pattern KEY = Pattern.compile("`([^`]+)`");
  private static final int MOST_TO_THE_FIRST_PLAY = 25;

  /** A row of the table. */
  private record Step(String name, List<String> keys) {}

  @Start
  void start(Stage stage) throws Exception {
    show(stage);
    setsAreOverAtOnce();
  }

  private static List<Step> steps() throws Exception {
    List<Step> steps = new ArrayList<>();
    for (String line : Files.readAllLines(PAGE)) {
      String[] cells = line.split("\\|");
      if (line.startsWith("| ") && cells.length > 3 && !cells[1].strip().equals("step")) {
        List<String> keys = KEY.matcher(cells[2]).results().map(FirstHourTest::key).toList();
        steps.add(new Step(cells[1].strip(), keys));
      }
    }
    return steps;
  }

  private static String key(MatchResult found) {
    return found.group(1);
  }

  private void press(FxRobot robot, String keys) throws Exception {
    List<KeyCode> codes = new ArrayList<>();
    for (String part : keys.split("\\+")) {
      codes.add(
          switch (part) {
            case "Ctrl" -> KeyCode.CONTROL;
            case "Shift" -> KeyCode.SHIFT;
            case "Esc" -> KeyCode.ESCAPE;
            default ->
                part.matches("[0-9]")
                    ? KeyCode.valueOf("DIGIT" + part)
                    : KeyCode.valueOf(part.toUpperCase(Locale.ROOT));
          });
    }
    robot.push(codes.toArray(new KeyCode[0]));
    until(() -> !studio.isBehind());
  }

  private void open(FxRobot robot) throws Exception {
    byte[] file;
    try (InputStream in = FirstHourTest.class.getResourceAsStream("/the-weir.musicxml")) {
      file = in.readAllBytes();
    }
    Path part = Files.createTempDirectory(dir, "first").resolve("the-weir.musicxml");
    Files.write(part, file);
    robot.interact(() -> main.openFile(part.toFile()));
    until(
        () ->
            studio.shown() != null
                && studio.shown().passage().sourceName().equals("the-weir.musicxml")
                && !studio.isBehind());
  }

  private Expected expected() {
    Session s = studio.shown();
    return Ear.expected(s, Ear.harmony(s, List.of()));
  }

  private Passage passage() {
    return studio.session().passage();
  }

  /** What a step is for is there after it. */
  private void happened(Step step, long id, int tries) throws Exception {
    switch (step.name()) {
      case "finger" ->
          assertThat(
                  passage()
                      .marks()
                      .at(FingerLayer.PINNED, studio.shown().resolved().notes().get(1).key()))
              .isPresent();
      case "bow" ->
          assertThat(
                  passage()
                      .marks()
                      .at(BowLayer.BOW, studio.shown().resolved().notes().get(1).key()))
              .isPresent();
      case "plan" -> until(() -> studio.plans().plannedProperty().get().passages().contains(id));
      case "play" -> until(() -> practice.stand().onProperty().get() != null);
      case "judge" -> until(() -> studio.journal().size() > tries && !studio.isBehind());
      case "record" -> until(() -> !library.takes().of(id).isEmpty() && !studio.isBehind());
      default -> assertThat(List.of("bring in", "read", "set", "look back")).contains(step.name());
    }
  }

  @Test
  void theStepsDoWhatThePageSays(FxRobot robot) throws Exception {
    open(robot);
    long id = passage().id();
    int tries = studio.journal().size();
    int pressed = 0;
    boolean played = false;
    for (Step step : steps()) {
      if (step.name().equals("record")) {
        microphone.hear(SimulatedPlayer.play(expected(), List.of(), Style.USUAL).samples());
      }
      for (String keys : step.keys()) {
        pressed += played ? 0 : 1;
        press(robot, keys);
      }
      happened(step, id, tries);
      played |= step.name().equals("play");
    }
    assertThat(played).isTrue();
    assertThat(pressed).isLessThanOrEqualTo(MOST_TO_THE_FIRST_PLAY);
    assertThat(Files.readString(PAGE)).contains("it is " + pressed + " presses");

    // Opened again from the file, all of it is there.
    try (SqliteLibrary again = SqliteLibrary.open(file)) {
      Passage stored =
          again.passages().stream().filter(p -> p.id() == id).findFirst().orElseThrow();
      assertThat(stored.marks()).isEqualTo(passage().marks());
      assertThat(again.journal().size()).isEqualTo(studio.journal().size());
      assertThat(again.takes().of(id)).isNotEmpty();
    }
  }
}
