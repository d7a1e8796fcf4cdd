package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.DaySummary;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.OnStand;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Skipped;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.drill.DrillKind;
import fret.passage.TempoPlan;
import fret.score.LongRests;
import fret.score.SoundingNote;
import fret.session.Learning;
import fret.session.NoteRange;
import fret.session.Session;
import fret.sound.PassagePlayer;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What stands beside a set: one thing to judge by, a loop, hearing it, a skip, a word, the day. */
final class StandTools {
  private static final double IN_TUNE_CENTS = 3;

  private final Studio studio;
  private final PracticeModel practice;
  private final LeftHandModel selection;
  private final PassagePlayer hearing;
  private final Node stand;
  private final Runnable stop;
  private final Runnable loop;
  private final Consumer<String> after;
  private final FlowPane node = Parts.flow(6);
  private final ComboBox<DrillKind> drills = new ComboBox<>();
  private final FlowPane skips = Parts.flow(6);
  private final TextField note = new TextField();
  private final TakesModel takes;
  private final Button recording;
  private final Button holding;
  private final Label held = Parts.line("", "strong");
  private final TextField runBars = new TextField();
  private final TextField runTempo = new TextField();
  private final Label runCounted = Parts.line("", "quiet");
  private final CheckBox runRepeats = new CheckBox(Sentences.of("practise.run.repeats"));
  private final CheckBox runRests = new CheckBox(Sentences.of("practise.run.rests"));
  private final FlowPane running =
      Parts.flow(
          6,
          Parts.line(Sentences.of("practise.run.what"), "quiet"),
          runBars,
          runRepeats,
          runRests,
          Parts.line(Sentences.of("practise.run.at"), "quiet"),
          runCounted,
          runTempo,
          Parts.button(Sentences.of("practise.run.go"), "run-go", this::runIt, "small"));
  private final VBox asked = new VBox(skips, note, running);
  private boolean mockRuns;

  /**
   * @param stop ends a set; {@code loop} starts one that goes round
   * @param after tells what was done
   */
  StandTools(Areas.Room room, Node stand, Runnable stop, Runnable loop, Consumer<String> after) {
    this.studio = room.studio();
    this.practice = room.practice();
    this.selection = room.leftHand();
    this.hearing = room.devices().passage();
    this.stand = stand;
    this.stop = stop;
    this.loop = loop;
    this.after = after;
    this.takes = room.takes();
    this.recording = Parts.button("", "stand-record", takes.input()::record, "small");
    this.holding = Parts.button("", "stand-held", takes.input()::toggleHeld, "small");
    held.setId("held-pitch");
    build();
    close();
    PractiseView.shown(skips, false);
    PractiseView.shown(note, false);
    PractiseView.shown(running, false);
    runBars.setId("run-bars");
    runBars.setPrefWidth(110);
    runBars.setPromptText(Sentences.of("practise.run.all"));
    runBars.setAccessibleText(Sentences.of("practise.run.what"));
    runTempo.setId("run-tempo");
    runTempo.setPrefWidth(64);
    runTempo.setAccessibleText(Sentences.of("practise.run.at"));
    runBars.textProperty().addListener(o -> proposeTempo());
    runRepeats.setId("run-repeats");
    runRepeats.setSelected(true);
    runRests.setId("run-rests");
    runRests.setOnAction(e -> studio.plans().cutRests(runRests.isSelected()));
    for (TextField f : List.of(runBars, runTempo)) {
      f.setOnAction(e -> runIt());
      Parts.onEscape(f, () -> PractiseView.shown(running, false));
    }
  }

  /** Asks what is to be run through: the selected notes, or all, at the target. */
  private void askRun() {
    Session s = studio.shown();
    if (s == null || s.resolved().notes().isEmpty()) {
      return;
    }
    stop.run();
    PractiseView.shown(running, !running.isVisible());
    if (running.isVisible()) {
      PractiseView.shown(runRests, LongRests.areIn(s.score()));
      runRests.setSelected(Learning.setup(s.passage()).restsCut());
      boolean range = selection.hasRange();
      List<SoundingNote> notes = s.resolved().notes();
      runBars.setText(
          range
              ? notes.get(selection.firstSelected()).bar()
                  + "-"
                  + notes.get(selection.lastSelected()).bar()
              : "");
      proposeTempo();
      runBars.requestFocus();
    }
  }

  /** The target of the section in which the notes begin, in its own counted value. */
  private void proposeTempo() {
    Session s = studio.shown();
    if (s == null || s.resolved().notes().isEmpty()) {
      return;
    }
    int from =
        runBars.getText().isBlank()
            ? 0
            : NoteRange.of(runBars.getText(), s.resolved()).map(NoteRange::from).orElse(0);
    Tempo tempo = TempoPlan.at(s.tempos(), s.resolved().notes().get(from).onset()).start();
    runTempo.setText(Level.text(tempo.perMinute()));
    runCounted.setText(Sentences.of("beat." + tempo.beat().displayName()));
  }

  private void runIt() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    int last = s.resolved().notes().size() - 1;
    Optional<NoteRange> notes =
        runBars.getText().isBlank()
            ? Optional.of(new NoteRange(0, last))
            : NoteRange.of(runBars.getText(), s.resolved());
    double tempo = tempo();
    if (notes.isEmpty() || tempo < 0) {
      after.accept(
          Sentences.of(
              NoteRange.isInDoubt(runBars.getText(), s.resolved())
                  ? "excerpts.doubt"
                  : notes.isEmpty() ? "practise.run.no-bars" : "practise.run.no-tempo"));
      return;
    }
    PractiseView.shown(running, false);
    practice.own().run(notes.get(), runRepeats.isSelected(), tempo);
    stand.requestFocus();
  }

  private double tempo() {
    try {
      double t = Parts.decimal(runTempo.getText());
      return t >= 10 && t <= 400 ? t : -1;
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  /** A mock audition is recorded as a take, where the player wants it. */
  void setStarts() {
    OnStand on = practice.stand().onProperty().get();
    boolean mock = on != null && on.drill().kind() == DrillKind.MOCK;
    mockRuns = mock && studio.preferences().recordsMocks();
    if (mockRuns) {
      takes.input().recordAs(Optional.of(Sentences.of("take.mock-name")));
    }
  }

  void setEnds() {
    if (mockRuns) {
      mockRuns = false;
      takes.input().stop();
    }
  }

  Node node() {
    return node;
  }

  /** Opens the row of what is seldom needed, or closes it. */
  void toggle() {
    PractiseView.shown(node, !node.isVisible());
    if (node.isVisible()) {
      node.getChildren().get(1).requestFocus();
    }
  }

  void close() {
    PractiseView.shown(node, false);
  }

  /** What is asked, while it is. */
  Node asked() {
    return asked;
  }

  private void showTakes() {
    recording.setText(
        Sentences.of(takes.input().isRecording() ? "practise.record.stop" : "practise.record"));
    holding.setText(
        Sentences.of(takes.input().isHolding() ? "practise.held.stop" : "practise.held"));
    held.setText(
        takes
            .input()
            .heldProperty()
            .get()
            .map(
                r ->
                    Sentences.of(
                        Math.abs(r.cents()) < IN_TUNE_CENTS
                            ? "practise.held.good"
                            : r.cents() > 0 ? "practise.held.high" : "practise.held.low",
                        r.nearest().pitch(),
                        Math.round(Math.abs(r.cents()))))
            .orElse(""));
  }

  /** What a set is judged by alone, what is left out and why, a word to the last try. */
  private void build() {
    node.getChildren().add(Parts.line(Sentences.of("practise.focus"), "quiet"));
    for (DrillKind k : DrillKind.FOCUS) {
      node.getChildren()
          .add(
              Parts.button(
                  Sentences.of("drill." + k.id()), "stand-" + k.id(), () -> focus(k), "small"));
    }
    node.getChildren()
        .addAll(
            Parts.button(Sentences.of("practise.loop"), "loop", loop, "small"),
            Parts.button(Sentences.of("practise.hear"), "hear-drill", this::hear, "small"),
            Parts.button(Sentences.of("practise.run"), "run", this::askRun, "small"),
            Parts.button(Sentences.of("practise.skip"), "skip", this::askSkip, "small"),
            Parts.button(Sentences.of("practise.note"), "note-to", this::askNote, "small"),
            Parts.button(Sentences.of("practise.summary"), "summary", this::summary, "small"),
            recording,
            holding,
            held);
    takes.input().levelProperty().addListener(o -> showTakes());
    takes.input().heldProperty().addListener(o -> showTakes());
    showTakes();
    drills.setId("drill-choice");
    drills.setPromptText(Sentences.of("practise.another-drill"));
    drills.setAccessibleText(Sentences.of("practise.another-drill"));
    drills.setConverter(Parts.named(k -> Sentences.of("drill." + k.id())));
    for (DrillKind k : DrillKind.values()) {
      boolean offered =
          k == DrillKind.SKILLS
              || k.isRun()
              || k.of() != DrillKind.Of.PASSAGE
                  && k.of() != DrillKind.Of.NOTHING
                  && !DrillKind.FOCUS.contains(k);
      if (offered) {
        drills.getItems().add(k);
      }
    }
    drills.setOnAction(e -> chosen());
    node.getChildren().add(drills);
    for (Skipped.Why w : Skipped.Why.values()) {
      skips
          .getChildren()
          .add(
              Parts.button(
                  Sentences.of("skip." + w),
                  "skip-" + w.name().toLowerCase(Locale.ROOT),
                  () -> skip(w),
                  "small"));
    }
    note.setId("try-note");
    note.setPromptText(Sentences.of("practise.note.prompt"));
    note.setOnAction(
        e -> {
          practice.stand().note(note.getText());
          after.accept(Sentences.of("practise.noted"));
          closeNote();
        });
    note.focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (!now) {
                closeNote();
              }
            });
  }

  private void choose() {
    PractiseView.shown(node, true);
    drills.show();
  }

  private void chosen() {
    DrillKind kind = drills.getValue();
    if (kind != null) {
      stop.run();
      practice.own().drill(kind);
      // The next one may be the same again.
      Platform.runLater(() -> drills.setValue(null));
      stand.requestFocus();
    }
  }

  private void focus(DrillKind kind) {
    stop.run();
    practice.own().focus(kind);
  }

  private void hear() {
    stop.run();
    practice.stand().hear(hearing);
  }

  private void askSkip() {
    stop.run();
    PractiseView.shown(skips, !skips.isVisible());
    if (skips.isVisible()) {
      skips.getChildren().get(0).requestFocus();
    }
  }

  private void skip(Skipped.Why why) {
    PractiseView.shown(skips, false);
    practice.skip(why);
    after.accept(Sentences.of("practise.skipped", Sentences.of("skip." + why)));
  }

  private void askNote() {
    PractiseView.shown(note, true);
    note.clear();
    note.requestFocus();
  }

  private void closeNote() {
    PractiseView.shown(note, false);
    stand.requestFocus();
  }

  private void summary() {
    after.accept(String.join(" ", DaySummary.of(studio)));
  }

  List<Action> actions() {
    List<Action> all = new ArrayList<>();
    all.add(on("loop", KeyCode.G, loop));
    all.add(on("hear-drill", KeyCode.V, this::hear));
    all.add(on("skip", KeyCode.J, this::askSkip));
    all.add(on("note-to", KeyCode.E, this::askNote));
    all.add(on("summary", KeyCode.Z, this::summary));
    List<KeyCode> one = List.of(KeyCode.T, KeyCode.S, KeyCode.B, KeyCode.R);
    for (int i = 0; i < one.size(); i++) {
      DrillKind kind = DrillKind.FOCUS.get(i);
      all.add(
          new Action(
              kind.id(),
              "practise",
              Sentences.of("key.focus", Sentences.of("drill." + kind.id())),
              Action.shift(one.get(i)),
              () -> true,
              () -> focus(kind)));
    }
    all.add(on("drill-choice", KeyCode.Q, this::choose));
    all.add(Action.of("run-stretch", "practise", Action.shift(KeyCode.Q), this::askRun));
    all.add(Action.of("record-run", "practise", Action.shift(KeyCode.G), takes.input()::record));
    all.add(
        Action.of("held-pitch", "practise", Action.shift(KeyCode.V), takes.input()::toggleHeld));
    return all;
  }

  private static Action on(String id, KeyCode code, Runnable handler) {
    return Action.of(id, "practise", Action.key(code), handler);
  }
}
