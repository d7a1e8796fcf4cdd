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
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** How the player practises at the stand, in groups: the set, the click, the music, the pedal. */
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

  private static final double NUMBER = 66;

  private final Studio studio;
  private final PracticeModel practice;
  private final Runnable changed;
  private final Spinner<Integer> plays = spinner("set-plays", 1, 9);
  private final Spinner<Integer> needed = spinner("clean-needed", 1, 10);
  private final CheckBox slower = box("practise.a-miss", "slower");
  private final ComboBox<Counted> counted = new ComboBox<>();
  private final Spinner<Integer> between = spinner("between", 1, ClickStyle.MOST_BETWEEN);
  private final Spinner<Integer> against = spinner("against", 0, ClickStyle.MOST_BETWEEN);
  private final Spinner<Integer> silent = spinner("silent-bars", 0, 16);
  private final CheckBox off = box("click.off-beat", "off-beat");
  private final ComboBox<Pedal.Way> pedal = new ComboBox<>();
  private final CheckBox mocks = box("practise.mocks", "mocks-recorded");
  private final VBox node = new VBox(6);
  private final VBox music = new VBox(6);
  private boolean following;
  private int runningHeard;
  private long lastTap;

  StandHabits(Studio studio, PracticeModel practice, Runnable changed) {
    this.studio = studio;
    this.practice = practice;
    this.changed = changed;
    counted.getItems().setAll(Counted.values());
    counted.setConverter(Parts.named(c -> Sentences.of("click.counts." + c)));
    counted.setId("counted");
    counted.setAccessibleText(Sentences.of("click.counts"));
    pedal.getItems().setAll(Pedal.Way.values());
    pedal.setConverter(Parts.named(w -> Sentences.of("pedal." + w)));
    pedal.setId("pedal");
    pedal.setAccessibleText(Sentences.of("pedal"));
    follow();
    listen();
    // What was taken back elsewhere is shown as it is.
    studio.deeds().countProperty().addListener(o -> follow());
    studio.shownProperty().addListener(o -> followRunning());
    node.setId("stand-drawer");
    node.getChildren()
        .addAll(
            group("practise.group.set"),
            line("practise.plays", plays),
            line("practise.clean-tries", needed),
            slower,
            group("practise.group.click"),
            line("click.counts", counted),
            line("click.between", between),
            line("click.against", against),
            line("click.silent", silent),
            off,
            group("practise.group.music"),
            music,
            group("practise.group.hands"),
            line("pedal", pedal),
            mocks);
  }

  /** A switch of what is seen or heard with the music. */
  void addMusic(Node tool) {
    music.getChildren().add(tool);
  }

  private void listen() {
    plays.valueProperty().addListener(o -> set(() -> studio.setSetPlays(plays.getValue())));
    Runnable save =
        () ->
            studio
                .plans()
                .saveHabits(
                    studio
                        .plans()
                        .habits()
                        .with(new Gate.Settings(needed.getValue(), slower.isSelected())));
    needed.valueProperty().addListener(o -> set(save));
    slower.selectedProperty().addListener(o -> set(save));
    between.valueProperty().addListener(o -> style(s -> s.withBetween(between.getValue())));
    silent
        .valueProperty()
        .addListener(
            o -> style(s -> s.silentFor(silent.getValue(), Math.max(1, silent.getValue()))));
    off.selectedProperty().addListener(o -> style(s -> s.offBeat(off.isSelected())));
    against.valueProperty().addListener(o -> style(s -> s.withAgainst(against.getValue())));
    counted.setOnAction(e -> style(s -> counted(s, counted.getValue())));
    mocks
        .selectedProperty()
        .addListener(o -> set(() -> studio.setRecordsMocks(mocks.isSelected())));
    pedal.setOnAction(e -> set(() -> studio.setPedal(pedal.getValue())));
  }

  /** Shows what is set, as it is. */
  private void follow() {
    following = true;
    ClickStyle s = practice.stand().style();
    plays.getValueFactory().setValue(studio.preferences().setPlays());
    needed.getValueFactory().setValue(studio.plans().habits().gate().cleanNeeded());
    slower.setSelected(studio.plans().habits().gate().slowerAfterMiss());
    between.getValueFactory().setValue(s.between());
    against.getValueFactory().setValue(s.against());
    silent.getValueFactory().setValue(s.silent());
    off.setSelected(s.offBeat());
    counted.setValue(countedOf(s));
    mocks.setSelected(studio.preferences().recordsMocks());
    pedal.setValue(studio.preferences().pedal());
    following = false;
  }

  private void set(Runnable what) {
    if (!following) {
      what.run();
      changed.run();
    }
  }

  private void style(UnaryOperator<ClickStyle> other) {
    set(() -> practice.stand().setStyle(other.apply(practice.stand().style())));
  }

  private static Label group(String id) {
    Label name = Parts.line(Sentences.of(id), "card-title");
    name.setPadding(new Insets(8, 0, 0, 0));
    return name;
  }

  private static HBox line(String id, Region control) {
    HBox line = Parts.row(8, Parts.label(Sentences.of(id), "quiet"), Parts.spring(), control);
    line.setAlignment(Pos.CENTER_LEFT);
    return line;
  }

  private static CheckBox box(String words, String id) {
    CheckBox box = new CheckBox(Sentences.of(words));
    box.setId(id);
    return box;
  }

  private static Spinner<Integer> spinner(String id, int from, int to) {
    Spinner<Integer> s = Parts.number(from, to, from, 1);
    s.setId(id);
    s.setPrefWidth(NUMBER);
    s.setMinWidth(Region.USE_PREF_SIZE);
    return s;
  }

  private static Counted countedOf(ClickStyle s) {
    if (s.barsOnly()) {
      return Counted.BAR;
    }
    for (Counted c : Counted.values()) {
      if (s.counted().isPresent() && valueOf(c).equals(s.counted())) {
        return c;
      }
    }
    return Counted.FELT;
  }

  private static Optional<Beat> valueOf(Counted what) {
    return switch (what) {
      case FELT, BAR -> Optional.empty();
      case QUARTER -> Optional.of(Beat.QUARTER);
      case EIGHTH -> Optional.of(Beat.EIGHTH);
      case HALF -> Optional.of(Beat.HALF);
      case DOTTED_QUARTER -> Optional.of(Beat.QUARTER.dotted());
    };
  }

  private static ClickStyle counted(ClickStyle s, Counted what) {
    return new ClickStyle(
        valueOf(what),
        s.between(),
        s.offBeat(),
        s.against(),
        s.sounding(),
        s.silent(),
        what == Counted.BAR);
  }

  /** Another passage, or another running value of its accompaniment, sets the click. */
  private void followRunning() {
    int running =
        studio.shown() == null ? 0 : studio.shown().passage().settings().details().running();
    if (running != runningHeard) {
      practice.stand().accompanied(Math.min(running, Details.MOST_RUNNING));
      follow();
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

  /** Where writing or choosing begins when the drawer opens. */
  void focus() {
    plays.requestFocus();
  }
}
