package fret.app.view;

import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.passage.Details;
import fret.plan.Gate;
import fret.plan.Pedal;
import fret.sound.ClickStyle;
import fret.tempo.Beat;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Spinner;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;

/** How the player practises at the stand: plays of a set, the gate, the click, the pedal. */
final class StandHabits {
  /** What a click counts. */
  private enum Counted {
    FELT,
    QUARTER,
    EIGHTH,
    HALF,
    DOTTED_QUARTER,
    BAR
  }

  private final Studio studio;
  private final PracticeModel practice;
  private final Runnable changed;
  private final Spinner<Integer> plays;
  private final Spinner<Integer> between;
  private final FlowPane node = new FlowPane(12, 6);
  private int runningHeard;
  private long lastTap;

  StandHabits(Studio studio, PracticeModel practice, Runnable changed) {
    this.studio = studio;
    this.practice = practice;
    this.changed = changed;
    plays = spinner("set-plays", 1, 9, studio.preferences().setPlays());
    plays
        .valueProperty()
        .addListener(
            o -> {
              studio.setSetPlays(plays.getValue());
              changed.run();
            });
    Spinner<Integer> needed =
        spinner("clean-needed", 1, 10, studio.plans().habits().gate().cleanNeeded());
    CheckBox slower = new CheckBox(Sentences.of("practise.a-miss"));
    slower.setId("slower");
    slower.setSelected(studio.plans().habits().gate().slowerAfterMiss());
    Runnable save =
        () ->
            studio
                .plans()
                .saveHabits(
                    studio
                        .plans()
                        .habits()
                        .with(new Gate.Settings(needed.getValue(), slower.isSelected())));
    needed.valueProperty().addListener(o -> save.run());
    slower.selectedProperty().addListener(o -> save.run());
    between = spinner("between", 1, ClickStyle.MOST_BETWEEN, 1);
    between
        .valueProperty()
        .addListener(o -> style(practice.stand().style().withBetween(between.getValue())));
    Spinner<Integer> silent = spinner("silent-bars", 0, 16, 0);
    silent
        .valueProperty()
        .addListener(
            o ->
                style(
                    practice
                        .stand()
                        .style()
                        .silentFor(silent.getValue(), Math.max(1, silent.getValue()))));
    CheckBox off = new CheckBox(Sentences.of("click.off-beat"));
    off.setId("off-beat");
    off.selectedProperty()
        .addListener(o -> style(practice.stand().style().offBeat(off.isSelected())));
    Spinner<Integer> against = spinner("against", 0, ClickStyle.MOST_BETWEEN, 0);
    against
        .valueProperty()
        .addListener(o -> style(practice.stand().style().withAgainst(against.getValue())));
    CheckBox mocks = new CheckBox(Sentences.of("practise.mocks"));
    mocks.setId("mocks-recorded");
    mocks.setSelected(studio.preferences().recordsMocks());
    mocks.selectedProperty().addListener(o -> studio.setRecordsMocks(mocks.isSelected()));
    ComboBox<Counted> counted = new ComboBox<>();
    counted.getItems().setAll(Counted.values());
    counted.setConverter(Parts.named(c -> Sentences.of("click.counts." + c)));
    counted.setValue(Counted.FELT);
    counted.setId("counted");
    counted.setAccessibleText(Sentences.of("click.counts"));
    counted.setOnAction(e -> style(counted(counted.getValue())));
    ComboBox<Pedal.Way> pedal = new ComboBox<>();
    pedal.getItems().setAll(Pedal.Way.values());
    pedal.setConverter(Parts.named(w -> Sentences.of("pedal." + w)));
    pedal.setValue(studio.preferences().pedal());
    pedal.setId("pedal");
    pedal.setOnAction(
        e -> {
          studio.setPedal(pedal.getValue());
          changed.run();
        });
    // What was taken back elsewhere is shown as it is.
    studio
        .deeds()
        .countProperty()
        .addListener(
            o -> {
              plays.getValueFactory().setValue(studio.preferences().setPlays());
              needed.getValueFactory().setValue(studio.plans().habits().gate().cleanNeeded());
              slower.setSelected(studio.plans().habits().gate().slowerAfterMiss());
              mocks.setSelected(studio.preferences().recordsMocks());
              pedal.setValue(studio.preferences().pedal());
            });
    node.getChildren()
        .addAll(
            Parts.row(6, plays, quiet("practise.plays")),
            Parts.row(6, needed, quiet("practise.clean-tries")),
            slower,
            Parts.row(6, quiet("click.counts"), counted),
            Parts.row(6, between, quiet("click.between")),
            Parts.row(6, against, quiet("click.against")),
            Parts.row(6, silent, quiet("click.silent")),
            off,
            Parts.row(6, quiet("pedal"), pedal),
            mocks);
    studio.shownProperty().addListener(o -> followRunning());
  }

  private static Node quiet(String id) {
    return Parts.line(Sentences.of(id), "quiet");
  }

  private static Spinner<Integer> spinner(String id, int from, int to, int value) {
    Spinner<Integer> s = Parts.number(from, to, value, 1);
    s.setId(id);
    s.setPrefWidth(66);
    s.setMinWidth(Region.USE_PREF_SIZE);
    return s;
  }

  private void style(ClickStyle style) {
    practice.stand().setStyle(style);
    changed.run();
  }

  private ClickStyle counted(Counted what) {
    ClickStyle s = practice.stand().style();
    Optional<Beat> beat =
        switch (what) {
          case FELT, BAR -> Optional.empty();
          case QUARTER -> Optional.of(Beat.QUARTER);
          case EIGHTH -> Optional.of(Beat.EIGHTH);
          case HALF -> Optional.of(Beat.HALF);
          case DOTTED_QUARTER -> Optional.of(Beat.QUARTER.dotted());
        };
    return new ClickStyle(
        beat, s.between(), s.offBeat(), s.against(), s.sounding(), s.silent(), what == Counted.BAR);
  }

  /** Another passage, or another running value of its accompaniment, sets the click. */
  private void followRunning() {
    int running =
        studio.shown() == null ? 0 : studio.shown().passage().settings().details().running();
    if (running > 0 && running != runningHeard) {
      between.getValueFactory().setValue(Math.min(running, Details.MOST_RUNNING));
    }
    runningHeard = running;
  }

  /** How many plays a set has. */
  void plays(int count) {
    plays.getValueFactory().setValue(count);
  }

  /** Two taps give the tempo. */
  void tap() {
    long now = System.nanoTime() / 1_000_000;
    long since = now - lastTap;
    lastTap = now;
    if (since > 150 && since < 6000) {
      practice.stand().tempo(Math.round(60_000.0 / since));
    }
  }

  Node node() {
    return node;
  }
}
