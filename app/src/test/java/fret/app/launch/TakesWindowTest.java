package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyBoolean;

import fret.app.viewmodel.Inputs;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.format.sound.RecordingFiles;
import fret.journal.Breakage;
import fret.session.Ear;
import fret.session.Session;
import fret.shelf.Take;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.Planting;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

class TakesWindowTest extends RealWindow {
  @Start
  void start(Stage stage) throws Exception {
    show(stage);
  }

  private TakesModel takes() {
    return main.takes();
  }

  /** A slow passage of the cello, in the takes. */
  private void openTakes(FxRobot robot) throws Exception {
    robot.interact(() -> studio.open(studio.passages().get(1)));
    until(() -> studio.shown() != null && !studio.isBehind());
    robot.type(KeyCode.F9);
    until(() -> !studio.isBehind());
  }

  private Expected expected() {
    Session s = studio.shown();
    return Ear.expected(s, Ear.harmony(s, List.of()));
  }

  /** What is told of the take that is looked at, as kind and bar. */
  private List<String> told() {
    return takes().checkedProperty().get().orElseThrow().findings().stream()
        .map(f -> f.finding().kind() + " " + f.bar())
        .toList();
  }

  private void fire(FxRobot robot, String id) {
    robot.interact(() -> robot.lookup(id).queryAs(Button.class).fire());
  }

  private void ask(FxRobot robot, Fault.Kind kind, String bar, int amount) {
    robot.interact(
        () -> {
          robot.lookup("#simulated-kind").<ComboBox<Fault.Kind>>query().setValue(kind);
          robot.lookup("#simulated-bar").<ComboBox<String>>query().setValue(bar);
          robot
              .lookup("#simulated-amount")
              .<Spinner<Integer>>query()
              .getValueFactory()
              .setValue(amount);
        });
    fire(robot, "#simulated-add");
  }

  @Test
  void theSimulatedPlayersFaultsAreToldHeardDrilledAndNeverRecorded(FxRobot robot)
      throws Exception {
    openTakes(robot);
    robot.type(KeyCode.P);
    ask(robot, Fault.Kind.RUSH, "4", 9);
    ask(robot, Fault.Kind.FLAT, "7", 22);
    fire(robot, "#simulated-play");
    until(() -> takes().checkedProperty().get().isPresent() && !studio.isBehind());
    assertThat(told()).containsExactlyInAnyOrder("RUSH 4", "FLAT 7");

    // The worst stand first, each with its drill; nothing of it enters the record.
    robot.type(KeyCode.F);
    VBox found = robot.lookup("#take-findings").query();
    assertThat(found.getChildren()).hasSize(2);
    int before = studio.journal().size();
    fire(robot, "#found-journal-0");
    until(() -> studio.messageProperty().get().contains("your own"));
    assertThat(studio.journal()).hasSize(before);
    fire(robot, "#found-drill-0");
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
  }

  /** Without a microphone the simulated player is recorded from, as long as it sounds. */
  @Test
  void theSimulatedPlayerCanBeChosenAsTheInput(FxRobot robot) throws Exception {
    openTakes(robot);
    robot.interact(() -> takes().input().record());
    assertThat(studio.messageProperty().get()).contains("no sound input", "simulated player");
    ComboBox<Inputs.Source> from = robot.lookup("#take-input").query();
    robot.interact(() -> from.setValue(Inputs.Source.SIMULATED));
    robot.interact(() -> takes().input().record());
    until(() -> takes().input().levelProperty().get() > 0.05);
    Thread.sleep(1500); // It is heard as it sounds.
    robot.interact(() -> takes().input().stop());
    until(() -> takes().takesProperty().get().size() == 1 && !studio.isBehind());
    Take take = takes().takesProperty().get().get(0);
    assertThat(take.whose()).isEqualTo(Take.Whose.SIMULATED);
    assertThat(take.seconds()).isGreaterThan(1);
  }

  /** The violin's dance laid against the cello's tide. */
  @Test
  void aRecordingOfSomethingElseIsSaidAndNotJudged(FxRobot robot) throws Exception {
    robot.interact(() -> studio.open(studio.passages().get(0)));
    until(() -> studio.shown() != null && !studio.isBehind());
    var played = SimulatedPlayer.play(expected(), List.of(), Style.USUAL);
    Path wav = Files.createTempFile(dir, "other", ".wav");
    Files.write(wav, new RecordingFiles().wav(played.samples(), 44_100));
    openTakes(robot);
    robot.interact(() -> main.openFile(wav.toFile()));
    until(() -> takes().checkedProperty().get().isPresent() && !studio.isBehind());
    assertThat(told()).isEmpty();
    Label summary = robot.lookup("#take-summary").query();
    until(() -> summary.getText().contains("like bars 1 to 10"));
  }

  @Test
  void aFileIsBroughtInHeardFromANoteAndGoesIntoTheJournal(FxRobot robot) throws Exception {
    openTakes(robot);
    Expected e = expected();
    List<Fault> faults = new ArrayList<>();
    Planting.inBar(e, Fault.Kind.SHARP, 2, 25).ifPresent(faults::add);
    var played = SimulatedPlayer.play(e, faults, Style.USUAL);
    Path wav = Files.createTempFile(dir, "mine", ".wav");
    Files.write(wav, new RecordingFiles().wav(played.samples(), 44_100));
    robot.interact(() -> main.openFile(wav.toFile()));
    until(() -> takes().checkedProperty().get().isPresent() && !studio.isBehind());
    assertThat(told()).containsExactly("SHARP 3");
    Take take = takes().chosenProperty().get().orElseThrow();
    assertThat(takes().isBaseline(take)).isTrue();

    int before = studio.journal().size();
    fire(robot, "#found-journal-0");
    until(() -> studio.journal().size() > before && !studio.isBehind());
    assertThat(studio.journal().get(studio.journal().size() - 1).breakage())
        .isEqualTo(Breakage.INTONATION);

    // From the selected note, half as fast.
    robot.type(KeyCode.S, KeyCode.S);
    robot.interact(() -> studio.select(studio.shown().resolved().notes().size() - 2));
    robot.type(KeyCode.H);
    until(() -> !studio.isBehind());
    var heard = org.mockito.ArgumentCaptor.forClass(float[].class);
    Mockito.verify(passage).play(heard.capture(), anyBoolean());
    double rest = played.samples().length / 44_100.0 - played.notes().get(24).onsetS();
    assertThat(heard.getValue().length / 44_100.0).isBetween(2.0, 2 * rest + 2);

    // Renamed and deleted; a take that is deleted is asked for.
    robot.type(KeyCode.L);
    TextField name = robot.lookup("#take-name-" + take.id()).query();
    robot.interact(
        () -> {
          name.setText("after the lesson");
          name.fireEvent(new javafx.event.ActionEvent());
        });
    until(() -> takes().takesProperty().get().get(0).name().equals("after the lesson"));
    until(() -> !studio.isBehind());
    robot.interact(
        () ->
            javafx.application.Platform.runLater(
                () -> robot.lookup("#take-delete-" + take.id()).queryAs(Button.class).fire()));
    until(() -> robot.lookup(".dialog-pane").tryQuery().isPresent());
    robot.type(KeyCode.ENTER);
    until(() -> takes().takesProperty().get().isEmpty() && !studio.isBehind());
    assertThat(library.takes().of(studio.shown().passage().id())).isEmpty();
  }

  @Test
  void whatIsRecordedIsKeptAndWithoutAnInputThatIsTold(FxRobot robot) throws Exception {
    openTakes(robot);
    robot.interact(() -> takes().input().record());
    until(() -> studio.messageProperty().get().contains("no sound input"));
    assertThat(takes().input().isRecording()).isFalse();

    microphone.hear(SimulatedPlayer.play(expected(), List.of(), Style.USUAL).samples());
    robot.type(KeyCode.R);
    until(() -> takes().checkedProperty().get().isPresent() && !studio.isBehind());
    assertThat(told()).isEmpty();
    assertThat(takes().chosenProperty().get().orElseThrow().whose()).isEqualTo(Take.Whose.OWN);
    Mockito.verify(passage, Mockito.never()).play(any(), anyBoolean());
  }

  @Test
  void aBrokenFileIsToldAndNothingIsKept(FxRobot robot) throws Exception {
    openTakes(robot);
    Path wav = Files.createTempFile(dir, "broken", ".wav");
    Files.writeString(wav, "not a sound");
    robot.interact(() -> main.openFile(wav.toFile()));
    until(() -> studio.errorProperty().get() != null && !studio.isBehind());
    assertThat(Sentences.of(studio.errorProperty().get()))
        .contains("no recording that can be read");
    assertThat(takes().takesProperty().get()).isEmpty();
  }

  @Test
  void aRunIsRecordedFromThePracticeRoomAndAHeldToneIsTold(FxRobot robot) throws Exception {
    openTakes(robot);
    long passageId = studio.shown().passage().id();
    robot.type(KeyCode.F8);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
    microphone.hear(SimulatedPlayer.play(expected(), List.of(), Style.USUAL).samples());
    fire(robot, "#stand-record");
    until(() -> library.takes().of(passageId).size() == 1 && !studio.isBehind());

    // A mock audition is recorded by itself, once, unless the player does not want it.
    robot.interact(() -> practice.own().drill(fret.drill.DrillKind.MOCK));
    until(() -> practice.stand().onProperty().get().drill().kind() == fret.drill.DrillKind.MOCK);
    until(() -> !studio.isBehind());
    robot.type(KeyCode.SPACE);
    until(() -> library.takes().of(passageId).size() == 2 && !studio.isBehind());
    assertThat(library.takes().of(passageId).get(1).name()).isEqualTo("Mock audition");
    robot.type(KeyCode.SPACE);
    robot.interact(() -> studio.setRecordsMocks(false));
    robot.type(KeyCode.SPACE);
    robot.type(KeyCode.SPACE);
    until(() -> !studio.isBehind());
    assertThat(library.takes().of(passageId)).hasSize(2);

    float[] tone = new float[44_100];
    for (int i = 0; i < tone.length; i++) {
      tone[i] = (float) (0.3 * Math.sin(2 * Math.PI * 222 * i / 44_100));
    }
    List<String> said = new ArrayList<>();
    robot.interact(
        () ->
            takes()
                .input()
                .heldProperty()
                .addListener((o, a, r) -> r.ifPresent(x -> said.add(x.nearest().pitch() + ""))));
    microphone.hear(tone);
    fire(robot, "#stand-held");
    until(() -> !said.isEmpty() && !takes().input().isHolding());
    assertThat(said).containsOnly("A3");
  }

  /** The sound comes in while another passage is opened: it stays with the one it was played of. */
  @Test
  void aRecordingBelongsToThePassageThatWasOpenWhenItBegan(FxRobot robot) throws Exception {
    openTakes(robot);
    long played = studio.shown().passage().id();
    microphone.hear(SimulatedPlayer.play(expected(), List.of(), Style.USUAL).samples());
    robot.interact(
        () -> {
          takes().input().record();
          studio.open(studio.passages().get(0));
        });
    until(() -> library.takes().of(played).size() == 1 && !studio.isBehind());
    assertThat(studio.shown().passage().id()).isNotEqualTo(played);
    assertThat(library.takes().of(studio.shown().passage().id())).isEmpty();
  }
}
