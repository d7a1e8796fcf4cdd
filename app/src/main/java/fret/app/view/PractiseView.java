package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.journal.Breakage;
import fret.journal.Verdict;
import fret.passage.Details;
import fret.plan.Gate;
import fret.plan.PracticePlan;
import fret.score.ResolvedPassage;
import fret.session.BounceSwitch;
import fret.shelf.Planning;
import fret.sound.ClickPlayer;
import fret.sound.ClickTrack;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Practise: one drill on the stand, a click, one key for each verdict. */
final class PractiseView extends VBox implements AreaView {
  private static final int COUNT_IN_BARS = 1;

  private final Studio studio;
  private final PracticeModel practice;
  private final ClickPlayer player;
  private final StripView strip;
  private final Label title = Parts.line("", "title");
  private final Label hint = Parts.label("", "quiet");
  private final Label tempo = Parts.line("", "tempo");
  private final Label beat = Parts.line("", "beat");
  private final Label row = Parts.line("", "quiet");
  private final Label bounce = Parts.label("", "warning");
  private final Label after = Parts.label("", "lead");
  private final javafx.scene.layout.FlowPane list = new javafx.scene.layout.FlowPane(8, 6);
  private final ComboBox<Breakage> broke = new ComboBox<>();
  private final Button start;
  private final Button subdivide;
  private int subdivision = 1;
  private int runningHeard;
  private boolean playing;

  PractiseView(Areas.Room room) {
    this.studio = room.studio();
    this.practice = room.practice();
    this.player = room.devices().click();
    this.strip = StripView.small(room.look(), 14.5);
    strip.setId("drill-strip");
    broke.getItems().setAll(Breakage.values());
    broke.setValue(Breakage.NONE);
    broke.setId("broke");
    broke.setAccessibleText(Sentences.of("practise.what-broke"));
    broke.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Breakage b) {
            return b == null ? "" : b.displayName();
          }

          @Override
          public Breakage fromString(String text) {
            throw new UnsupportedOperationException();
          }
        });
    tempo.setId("tempo");
    row.setId("clean-row");
    start = Parts.button(Sentences.of("practise.start-the"), "start", this::toggle, "primary");
    subdivide = Parts.button(Sentences.of("practise.1-click"), "subdivide", this::nextSubdivision);
    HBox click = Parts.row(14, tempo, start, subdivide, beat, Parts.spring(), row);
    HBox verdicts =
        Parts.row(
            10,
            verdict(Verdict.CLEAN, "C"),
            verdict(Verdict.NEARLY, "N"),
            verdict(Verdict.MISSED, "M"),
            Parts.line(Sentences.of("practise.what-broke-2"), "quiet"),
            broke,
            Parts.spring(),
            verdict(Verdict.HURTS, "H"));
    javafx.scene.control.Spinner<Integer> needed =
        new javafx.scene.control.Spinner<>(1, 10, studio.plans().habits().gate().cleanNeeded());
    needed.setId("clean-needed");
    needed.setPrefWidth(70);
    javafx.scene.control.CheckBox slower =
        new javafx.scene.control.CheckBox(Sentences.of("practise.a-miss"));
    slower.setId("slower");
    slower.setSelected(studio.plans().habits().gate().slowerAfterMiss());
    Runnable saveGate =
        () -> {
          Planning.Habits h = studio.plans().habits();
          studio
              .plans()
              .saveHabits(
                  new Planning.Habits(
                      new Gate.Settings(needed.getValue(), slower.isSelected()),
                      h.ladder(),
                      h.ladderStart(),
                      h.painLifted()));
        };
    needed.valueProperty().addListener(o -> saveGate.run());
    slower.selectedProperty().addListener(o -> saveGate.run());
    HBox habits =
        Parts.row(10, needed, Parts.line(Sentences.of("practise.clean-tries"), "quiet"), slower);
    VBox today = Parts.card(Sentences.of("practise.today"), list);
    Label waits = Parts.label("", "warning");
    HBox pain =
        Parts.row(
            10,
            waits,
            Parts.button(
                Sentences.of("practise.nothing-hurts"), "lift-pain", studio.plans()::liftPain));
    pain.setId("pain");
    pain.setVisible(false);
    pain.setManaged(false);
    studio
        .plans()
        .plannedProperty()
        .addListener(
            (o, a, p) -> {
              boolean any = p != null && !p.held().isEmpty();
              pain.setVisible(any);
              pain.setManaged(any);
              waits.setText(
                  any
                      ? Sentences.of(
                          p.held().size() == 1 ? "practise.hurt.one" : "practise.hurt",
                          p.held().size())
                      : "");
            });
    VBox page =
        Parts.page(
            title,
            hint,
            strip,
            click,
            bounce,
            verdicts,
            after,
            pain,
            today,
            habits,
            Parts.label(Sentences.of("practise.warm-up"), "quiet"));
    getChildren().add(page);
    studio.shownProperty().addListener(o -> followRunning());
    practice.notationProperty().addListener(o -> show());
    practice.gateProperty().addListener(o -> showGate());
    practice.indexProperty().addListener(o -> showList());
    showList();
  }

  private Button verdict(Verdict v, String key) {
    return Parts.button(
        v.displayName() + "  (" + key + ")",
        "verdict-" + v.name().toLowerCase(Locale.ROOT),
        () -> judge(v),
        v == Verdict.HURTS ? "danger" : "verdict");
  }

  void judge(Verdict verdict) {
    Breakage what = broke.getValue();
    stop();
    Gate before = practice.gateProperty().get();
    practice.judge(verdict, verdict == Verdict.CLEAN ? Breakage.NONE : what);
    Gate now = practice.gateProperty().get();
    if (before != null && now != null) {
      after.setText(told(verdict, what, before, now));
    }
    broke.setValue(Breakage.NONE);
  }

  private static String told(Verdict verdict, Breakage what, Gate before, Gate now) {
    if (verdict == Verdict.HURTS) {
      return Sentences.of("practise.stopped-and");
    }
    if (now.stopped()) {
      return Sentences.of("practise.the-target");
    }
    String cure = verdict == Verdict.CLEAN ? "" : " " + what.cure();
    return Sentences.of(
            now.perMinute() > before.perMinute()
                ? "practise.up"
                : now.perMinute() < before.perMinute() ? "practise.slower" : "practise.again",
            now.perMinute())
        + cure;
  }

  void toggle() {
    if (playing) {
      stop();
    } else if (practice.gateProperty().get() != null) {
      play();
    }
  }

  private int beatsPerBar() {
    ResolvedPassage shown = practice.notationProperty().get();
    if (shown == null) {
      return 4;
    }
    var time = shown.score().bars().get(0).time();
    double beats =
        time.barLength().doubleValue()
            / studio.shown().passage().settings().target().beat().length().doubleValue();
    return Math.max(1, (int) Math.round(beats));
  }

  private void play() {
    playing = true;
    start.setText(Sentences.of("practise.stop"));
    practice.startTry();
    int beats = beatsPerBar();
    ClickTrack track =
        new ClickTrack(
            studio
                .shown()
                .passage()
                .settings()
                .target()
                .at(practice.gateProperty().get().perMinute()),
            beats,
            subdivision,
            beats * COUNT_IN_BARS);
    player.start(track, b -> Platform.runLater(() -> showBeat(b, beats)));
  }

  private void showBeat(long b, int beats) {
    if (playing) {
      boolean countIn = b < (long) beats * COUNT_IN_BARS;
      long inBar = b % beats + 1;
      beat.setText(countIn ? Sentences.of("practise.count-in", inBar) : String.valueOf(inBar));
    }
  }

  void stop() {
    player.stop();
    playing = false;
    start.setText(Sentences.of("practise.start-the"));
    beat.setText(player.description().startsWith("no") ? player.description() : "");
  }

  void nextSubdivision() {
    subdivideBy(subdivision % Details.MOST_RUNNING + 1);
  }

  private void subdivideBy(int clicks) {
    subdivision = clicks;
    subdivide.setText(
        clicks == 1 ? Sentences.of("practise.click") : Sentences.of("practise.clicks", clicks));
    if (playing) {
      play();
    }
  }

  /** Another passage, or another running value of its accompaniment, sets the click. */
  private void followRunning() {
    int running =
        studio.shown() == null ? 0 : studio.shown().passage().settings().details().running();
    if (running > 0 && running != runningHeard) {
      subdivideBy(running);
    }
    runningHeard = running;
  }

  void nextItem() {
    stop();
    after.setText("");
    practice.show((practice.indexProperty().get() + 1) % Math.max(1, practice.items().size()));
  }

  private void show() {
    ResolvedPassage drill = practice.notationProperty().get();
    Optional<PracticePlan.Item> item = practice.item();
    boolean any = drill != null && item.isPresent();
    strip.setVisible(any);
    strip.setManaged(any);
    if (!any) {
      title.setText(
          studio.shown() == null
              ? Sentences.of("practise.open-a")
              : Sentences.of("practise.nothing-is"));
      hint.setText("");
      showList();
      return;
    }
    title.setText(
        practice.label(item.get())
            + ": "
            + item.get().drill().displayName().toLowerCase(Locale.ROOT));
    hint.setText(item.get().drill().hint() + " " + capital(item.get().why()) + ".");
    strip.show(StripView.Music.of(drill, practice.digits()));
    showList();
    showGate();
  }

  private static String capital(String text) {
    return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
  }

  private void showGate() {
    Gate g = practice.gateProperty().get();
    tempo.setText(
        g == null
            ? ""
            : studio.shown().passage().settings().target().beat().displayName()
                + " = "
                + g.perMinute());
    String string =
        g == null
            ? ""
            : practice.item().stream()
                .flatMap(i -> practice.notYetBouncing(i, g.perMinute()).stream())
                .map(b -> told(b, g.perMinute()))
                .collect(Collectors.joining(" "));
    bounce.setText(string);
    bounce.setVisible(!string.isEmpty());
    bounce.setManaged(!string.isEmpty());
    row.setText(
        g == null
            ? ""
            : Sentences.of("practise.in-row", g.cleanInRow(), g.settings().cleanNeeded()));
  }

  private static String told(BounceSwitch b, int now) {
    return Sentences.of(
        "practise.no-bounce", now, Sentences.of("stroke." + b.kind().id()), b.perMinute());
  }

  private void showList() {
    list.getChildren().clear();
    for (int i = 0; i < practice.items().size(); i++) {
      PracticePlan.Item item = practice.items().get(i);
      int at = i;
      Button b =
          Parts.button(
              practice.label(item)
                  + ", "
                  + item.drill().displayName().toLowerCase(Locale.ROOT)
                  + " at "
                  + item.perMinute()
                  + "   "
                  + Sentences.of("practise.minutes", Words.one(item.minutes())),
              "item-" + i,
              () -> {
                stop();
                after.setText("");
                practice.show(at);
              },
              "choice",
              i == practice.indexProperty().get() ? "current" : "other");
      list.getChildren().add(b);
      if (i >= 17) {
        list.getChildren()
            .add(Parts.line(Sentences.of("practise.more", practice.items().size() - 18), "quiet"));
        break;
      }
    }
    if (practice.items().isEmpty()) {
      list.getChildren().add(Parts.label(Sentences.of("practise.nothing-is-due"), "quiet"));
    }
  }

  @Override
  public Node node() {
    return this;
  }

  private static Action on(String id, KeyCode code, Runnable handler) {
    return Action.of(id, "practise", Action.key(code), handler);
  }

  @Override
  public List<Action> actions() {
    return List.of(
        on("start-stop", KeyCode.SPACE, this::toggle),
        on("clean", KeyCode.C, () -> judge(Verdict.CLEAN)),
        on("nearly", KeyCode.N, () -> judge(Verdict.NEARLY)),
        on("missed", KeyCode.M, () -> judge(Verdict.MISSED)),
        on("hurts", KeyCode.H, () -> judge(Verdict.HURTS)),
        on("next-item", KeyCode.PAGE_DOWN, this::nextItem),
        on("subdivide", KeyCode.S, this::nextSubdivision));
  }
}
