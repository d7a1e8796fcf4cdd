package fret.app.view;

import static fret.app.command.Action.key;
import static fret.app.command.Action.shift;

import fret.app.command.Action;
import fret.app.viewmodel.Inputs;
import fret.app.viewmodel.TakesModel;
import fret.app.viewmodel.TakesModel.Checked;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.lane.LaneInput;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.shelf.Take;
import fret.take.TakeReport;
import java.util.List;
import java.util.Optional;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.value.ChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** Takes: recordings of the passage, what they tell, and what follows from it. */
final class TakesView extends StripArea {
  private static final List<Double> SPEEDS = List.of(1.0, 1.33, 2.0);
  private static final int COUNTDOWN = 3;

  private final TakesModel model;
  private final Label summary = Parts.label("", "quiet");
  private final ComboBox<Take> which = new ComboBox<>();
  private final ComboBox<Double> speed = new ComboBox<>();
  private final CheckBox reference = new CheckBox(Sentences.of("take.reference"));
  private final ProgressBar bar = new ProgressBar(0);
  private final Button record;
  private final Button cancel;
  private final Timeline countdown = new Timeline();
  private boolean showing;
  private int left;

  TakesView(Areas.Room room) {
    super(room, "takes", "takes-strip");
    this.model = room.takes();
    this.record = Parts.button(Sentences.of("take.record"), "take-record", this::record, "strong");
    this.cancel = Parts.button(Sentences.of("take.cancel"), "take-cancel", model::cancel, "small");
    Button found =
        tab("found", "tab-takes-found", new FoundPane(studio, model, room.practice(), room.main()));
    Button note = tab("note", "tab-takes-note", new HeardNotePane(studio, model));
    Button bars = tab("bars", "tab-takes-bars", new TakeBarsPane(studio, model));
    Button all = tab("all", "tab-takes-all", new TakeListPane(studio, model));
    LandingPane landing = new LandingPane(studio, model);
    Button over = tab("over", "tab-takes-over", landing);
    Button player =
        tab("player", "tab-takes-player", new SimulatedPane(studio, model, room.main()));
    compose(tools());
    found.fire();
    over.addEventHandler(javafx.event.ActionEvent.ACTION, e -> model.lookOver());
    actions.add(on("take-record", KeyCode.R, this::record));
    actions.add(on("take-hear", KeyCode.H, model::hear));
    actions.add(on("take-previous", KeyCode.COMMA, () -> step(-1)));
    actions.add(on("take-next", KeyCode.PERIOD, () -> step(1)));
    actions.add(on("take-baseline", KeyCode.C, model::compareWithFirst));
    actions.add(on("take-slower", KeyCode.S, this::nextSpeed));
    actions.add(Action.of("take-reference", "takes", shift(KeyCode.H), () -> reference.fire()));
    actions.add(on("show-take-found", KeyCode.F, found::fire));
    actions.add(on("show-take-note", KeyCode.N, note::fire));
    actions.add(on("show-take-bars", KeyCode.B, bars::fire));
    actions.add(on("show-take-all", KeyCode.L, all::fire));
    actions.add(on("show-take-over", KeyCode.O, over::fire));
    actions.add(on("show-take-player", KeyCode.P, player::fire));
    actions.addAll(StripKeys.moving(studio, selection, () -> strip));
    studio.shownProperty().addListener(o -> paint());
    model.checkedProperty().addListener(o -> paint());
    model.besideProperty().addListener(o -> paint());
    model.takesProperty().addListener(o -> list());
    model.chosenProperty().addListener(o -> list());
    ChangeListener<Number> moves = (o, a, b) -> progress();
    model.progressProperty().addListener(moves);
    model.input().levelProperty().addListener(moves);
  }

  private static Action on(String id, KeyCode code, Runnable handler) {
    return Action.of(id, "takes", key(code), handler);
  }

  /** Where a take is recorded from. */
  private ComboBox<Inputs.Source> input() {
    ComboBox<Inputs.Source> from = new ComboBox<>();
    from.getItems().setAll(Inputs.Source.values());
    from.setConverter(Parts.named(s -> Sentences.of("take.input." + s)));
    from.setValue(model.inputs().source());
    from.setId("take-input");
    summary.setId("take-summary");
    from.setAccessibleText(Sentences.of("take.input"));
    from.setMinWidth(120);
    from.setPrefWidth(150);
    from.valueProperty().addListener((o, a, s) -> model.inputs().use(s));
    return from;
  }

  private Region tools() {
    which.setId("take-which");
    which.setAccessibleText(Sentences.of("take.which"));
    which.setPrefWidth(230);
    which.setMinWidth(130);
    which.setConverter(Parts.named(TakesView::name));
    which
        .valueProperty()
        .addListener(
            (o, a, take) -> {
              if (!showing && take != null) {
                model.choose(take);
              }
            });
    speed.getItems().setAll(SPEEDS);
    speed.setValue(1.0);
    speed.setId("take-speed");
    speed.setMinWidth(Region.USE_PREF_SIZE);
    reference.setMinWidth(Region.USE_PREF_SIZE);
    speed.setAccessibleText(Sentences.of("take.speed"));
    speed.setConverter(Parts.named(x -> Sentences.of("take.speed.at", Math.round(100 / x))));
    speed.valueProperty().addListener((o, a, x) -> model.sound().setSlower(x));
    reference.setId("take-reference");
    reference.selectedProperty().addListener((o, a, on) -> model.sound().setWithReference(on));
    bar.setPrefWidth(110);
    bar.setId("take-progress");
    progress();
    return new VBox(
        6,
        Parts.flow(
            10,
            record,
            input(),
            Parts.button(
                Sentences.of("take.bring-in"),
                "take-bring-in",
                () -> main().askForTake(Take.Whose.OWN),
                "normal"),
            which,
            Parts.button(Sentences.of("take.hear"), "take-hear", model::hear, "normal"),
            speed,
            reference,
            bar,
            cancel),
        summary);
  }

  private MainView main() {
    return (MainView) node().getScene().getRoot();
  }

  static String name(Take t) {
    String day = Words.shown("%02d.%02d.", t.made().getDayOfMonth(), t.made().getMonthValue());
    return Sentences.of("take.name", t.name(), day, Words.shown("%.0f", t.seconds()));
  }

  // ---- recording -------------------------------------------------------------------------------

  /** Counts down, then records; pressed again, stops either. */
  private void record() {
    if (left > 0) {
      countdown.stop();
      left = 0;
      progress();
      return;
    }
    if (model.input().isRecording()) {
      model.input().record();
      return;
    }
    left = COUNTDOWN;
    countdown
        .getKeyFrames()
        .setAll(
            new KeyFrame(
                Duration.seconds(1),
                e -> {
                  left--;
                  if (left == 0) {
                    model.input().record();
                  }
                  progress();
                }));
    countdown.setCycleCount(COUNTDOWN);
    countdown.playFromStart();
    progress();
  }

  private void progress() {
    boolean recording = model.input().isRecording();
    double done = model.progressProperty().get();
    bar.setVisible(recording || done >= 0);
    bar.setProgress(recording ? model.input().levelProperty().get() : Math.max(0, done));
    bar.setAccessibleText(Sentences.of(recording ? "take.level" : "take.listening"));
    cancel.setVisible(done >= 0);
    cancel.setManaged(done >= 0);
    bar.setManaged(bar.isVisible());
    String text =
        left > 0
            ? Sentences.of("take.in", left)
            : Sentences.of(recording ? "take.stop" : "take.record");
    record.setText(text);
  }

  private void step(int by) {
    int at = which.getItems().indexOf(which.getValue()) + by;
    if (at >= 0 && at < which.getItems().size()) {
      which.setValue(which.getItems().get(at));
    }
  }

  private void nextSpeed() {
    speed.setValue(SPEEDS.get((SPEEDS.indexOf(speed.getValue()) + 1) % SPEEDS.size()));
  }

  // ---- showing ---------------------------------------------------------------------------------

  @Override
  public void shown() {
    model.setLooking(true);
  }

  @Override
  public void left() {
    model.setLooking(false);
    countdown.stop();
    left = 0;
    progress();
  }

  private void list() {
    showing = true;
    which.getItems().setAll(model.takesProperty().get());
    which.setValue(model.chosenProperty().get().orElse(null));
    which.setVisible(!which.getItems().isEmpty());
    which.setManaged(which.isVisible());
    showing = false;
    paint();
  }

  private void paint() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Optional<Checked> checked = model.checkedProperty().get();
    Optional<TakeReport> beside = model.besideProperty().get().map(Checked::report);
    LaneInput lanes = s.laneInput();
    music(s, checked.map(c -> lanes.withTake(c.report(), beside)).orElse(lanes));
    summary.setText(
        checked
            .map(c -> told(c))
            .orElse(
                Sentences.of(
                    model.takesProperty().get().isEmpty() ? "take.none" : "take.listening")));
    speakSelected();
  }

  /** What keeps the take from being judged first, then its figures. */
  private static String told(Checked c) {
    List<Said> reserved = TakeFindings.reserved(c.report());
    String all = String.join(" ", reserved.stream().map(Sentences::of).toList());
    boolean other = c.report().reservations().stream().anyMatch(r -> r.isOfSomethingElse());
    return other ? all : (all + " " + figures(c)).strip();
  }

  private static String figures(Checked c) {
    return Sentences.of(
        "take.summary",
        Words.shown("%.0f", 100 * c.report().heard().alignedShare()),
        Words.shown("%.0f", 100 * c.report().tempo().times()),
        Words.shown("%.1f", c.report().a4()),
        Sentences.of("take.whose." + c.take().whose()));
  }
}
