package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.Beating;
import fret.app.viewmodel.DaySummary;
import fret.app.viewmodel.Lead;
import fret.app.viewmodel.OnStand;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.Verdict;
import fret.plan.Gate;
import fret.plan.Pedal;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.ResolvedPassage;
import fret.session.BounceSwitch;
import fret.sound.Click;
import fret.sound.PassagePlayer;
import fret.sound.PlaySet;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.event.EventHandler;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** Practise: a music stand. Notation, tempo, tries, minutes left; sets with no key between. */
final class PractiseView extends VBox implements AreaView {
  private static final double LEAST_DAY = 214;
  private static final double MOST_DAY = 300;
  private static final double DAY_SHARE = 0.19;

  private final Studio studio;
  private final PracticeModel practice;
  private final Look look;
  private final SetRun run;
  private final StandMusic music;
  private final Consumer<Boolean> awake;
  private final PassagePlayer hearing;
  private final Beating beating;
  private final Label title = Parts.line("", "title");
  private final Label hint = Parts.label("", "quiet");
  private final Label left = Parts.line("", "quiet");
  private final Label bounce = Parts.label("", "warning");
  private final TodayList list;
  private final Ledge ledge;
  private final WhatBroke broke;
  private final PainPane pain;
  private final StandHabits habits;
  private final StandDrawer drawer;
  private final StandTools tools;
  private final Label focusOn = Parts.line("", "focus");
  private final PauseTransition tapSettles = new PauseTransition(Duration.millis(Pedal.LONG_MS));
  private final String silence;
  private Pedal pedal;

  PractiseView(Areas.Room room) {
    this.studio = room.studio();
    this.practice = room.practice();
    this.look = room.look();
    hint.setMinHeight(Region.USE_PREF_SIZE); // It is read whole.
    this.silence = room.devices().click().description();
    this.run = new SetRun(room.devices().click(), Platform::runLater, watcher());
    this.music = new StandMusic(room);
    this.awake = room.devices().awake();
    this.hearing = room.devices().passage();
    this.beating = room.beating();
    beating.setOnTake(this::stop);
    this.list = new TodayList(practice);
    this.ledge = new Ledge(this::judge, this::toggle, this::takeBack);
    this.tools = new StandTools(room, this, this::stop, this::loop, ledge::tell);
    focusOn.setId("focus-on");
    this.pedal = new Pedal(studio.preferences().pedal());
    left.setId("minutes-left");
    left.setMinWidth(Region.USE_PREF_SIZE);
    this.broke = new WhatBroke(practice, music, this::stop, ledge::tell);
    pain = new PainPane(studio);
    habits = new StandHabits(studio, practice, this::habitsChanged);
    drawer = new StandDrawer(practice.stand(), habits, this::drawn, studio::tell);
    getChildren().add(composed());
    shown(focusOn, false);
    studio.plans().plannedProperty().addListener(o -> showPain());
    practice.stand().notationProperty().addListener(o -> show());
    practice.stand().onProperty().addListener(o -> changed());
    practice.stand().gateProperty().addListener(o -> showGate());
    practice.indexProperty().addListener(o -> changed());
    practice.itemsProperty().addListener(o -> showList());
    // Whatever has the focus: a pedal is no key of a field.
    EventHandler<KeyEvent> up = this::released;
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (before != null) {
                before.removeEventFilter(KeyEvent.KEY_RELEASED, up);
              }
              if (now != null) {
                now.addEventFilter(KeyEvent.KEY_RELEASED, up);
              }
            });
    tapSettles.setOnFinished(e -> pedal.settled(ms()).ifPresent(this::byPedal));
    show();
    showList();
  }

  /** The music over the ledge, the day beside it; the drawer comes over both. */
  private Node composed() {
    HBox head =
        Parts.row(
            10,
            title,
            Parts.spring(),
            Parts.button(
                Sentences.of("practise.rare"), "stand-more", tools::toggle, "small", "rare"),
            Parts.button(
                Sentences.of("practise.habits"), "stand-habits", drawer::toggle, "small", "rare"));
    VBox.setVgrow(broke, Priority.ALWAYS);
    VBox desk = new VBox(6, head, pain, hint, focusOn, tools.asked(), tools.node(), broke, bounce);
    desk.setPadding(new Insets(10, 12, 8, 16));
    // What is said of a drill may be long: it wraps, and does not take the room of the day.
    desk.setPrefWidth(560);
    desk.setMinWidth(0);
    HBox.setHgrow(desk, Priority.ALWAYS);
    HBox over = new HBox(desk, day());
    StackPane all = new StackPane(over, drawer);
    StackPane.setAlignment(drawer, Pos.CENTER_RIGHT);
    VBox.setVgrow(all, Priority.ALWAYS);
    VBox stand = new VBox(all, ledge);
    VBox.setVgrow(stand, Priority.ALWAYS);
    return stand;
  }

  /** Today's visits: a quiet column that keeps its width, whatever is on the stand. */
  private Node day() {
    ScrollPane today = Parts.scroll(list);
    HBox heading =
        Parts.row(
            6, Parts.line(Sentences.of("practise.today"), "card-title"), Parts.spring(), left);
    VBox side = new VBox(8, heading, today);
    side.getStyleClass().add("day-column");
    side.prefWidthProperty()
        .bind(
            look.lettersProperty()
                .multiply(
                    Bindings.max(
                        LEAST_DAY, Bindings.min(MOST_DAY, widthProperty().multiply(DAY_SHARE)))));
    side.setMinWidth(Region.USE_PREF_SIZE);
    side.setMaxWidth(Region.USE_PREF_SIZE);
    VBox.setVgrow(today, Priority.ALWAYS);
    return side;
  }

  private void showList() {
    list.show();
    left.setText(Sentences.of("practise.left", Math.round(practice.minutesLeft())));
  }

  static void shown(Region what, boolean is) {
    what.setVisible(is);
    what.setManaged(is);
  }

  private static long ms() {
    return System.nanoTime() / 1_000_000;
  }

  @Override
  public void shown() {
    practice.ask();
  }

  private void habitsChanged() {
    pedal = new Pedal(studio.preferences().pedal());
    showGate();
  }

  // ---- a set ---------------------------------------------------------------------------------

  void toggle() {
    if (run.isMoving()) {
      stop();
    } else {
      play();
    }
  }

  private void play() {
    if (hurts()) {
      ledge.tell(Sentences.of("practise.stopped-and"));
      return;
    }
    practice.stand().set(studio.preferences().setPlays()).ifPresent(made -> play(made, false));
  }

  /** What hurt is over for now: nothing plays it on. */
  private boolean hurts() {
    Gate g = practice.stand().gateProperty().get();
    return g != null && g.hurt();
  }

  /** Again and again without a pause; it is judged once, as one play. */
  private void loop() {
    stop();
    if (hurts()) {
      return;
    }
    practice.stand().loop().ifPresent(made -> play(made, true));
  }

  private void play(PlaySet made, boolean round) {
    hearing.stop();
    beating.stopClick();
    broke.ask(false);
    ledge.tell("");
    tools.setStarts();
    beating.following().ready(practice.stand().under(), round);
    practice.stand().ready(made, set -> run.start(set, round));
  }

  private SetRun.Watcher watcher() {
    return new SetRun.Watcher() {
      @Override
      public void phase(SetRun.Phase now) {
        showPhase(now);
      }

      @Override
      public void click(Click c, double inPlay) {
        showClick(c, inPlay);
      }
    };
  }

  /** What sounds now says how far the set has come. */
  private void showClick(Click c, double inPlay) {
    if (c.strength() == Click.Strength.COUNT_IN) {
      ledge.count(String.valueOf(c.count()), Sentences.of("practise.count-in"));
      turn(0); // Where it begins is seen while it is counted in.
      return;
    }
    if (c.count() > 0) {
      ledge.count(String.valueOf(c.count()), "");
    }
    ledge.play(
        run.isLooping()
            ? Sentences.of("practise.round", c.play() + 1)
            : Sentences.of("practise.play-of", c.play() + 1, run.plays()));
    turn(inPlay);
  }

  /** The notation turns by itself: the note that sounds stays in sight. */
  private void turn(double seconds) {
    ResolvedPassage shown = practice.stand().notationProperty().get();
    Gate g = practice.stand().gateProperty().get();
    if (shown == null || g == null || studio.shown() == null) {
      return;
    }
    music.turnTo(shown, practice.stand().wholesAfter(seconds));
  }

  void stop() {
    run.stop();
    ledge.count("", "");
  }

  private void showPhase(SetRun.Phase now) {
    boolean moving = run.isMoving();
    awake.accept(moving);
    practice.stand().plays(now == SetRun.Phase.PLAYING);
    beating.following().playing(now == SetRun.Phase.PLAYING);
    if (now == SetRun.Phase.ASKED || now == SetRun.Phase.STILL) {
      tools.setEnds();
    }
    if (now == SetRun.Phase.ASKED) {
      ledge.count("?", Sentences.of("practise.how"));
    }
    ledge.moves(moving);
    showLedge();
    // While it plays there is nothing but the music; nothing changes its place for that.
    hint.setVisible(!moving);
    if (moving) {
      drawer.close();
      tools.close();
    }
  }

  // ---- judging -------------------------------------------------------------------------------

  void judge(Verdict verdict) {
    Gate before = practice.stand().gateProperty().get();
    if (before == null) {
      return;
    }
    boolean moving = run.isMoving();
    int over = run.unjudged();
    int cleanBefore = run.cleanBefore();
    boolean goesOn = moving && verdict == Verdict.MISSED;
    stop();
    if (verdict == Verdict.CLEAN) {
      practice.stand().judge(Verdict.CLEAN, Breakage.NONE, Math.max(1, over));
    } else {
      if (moving && cleanBefore > 0) {
        practice.stand().judge(Verdict.CLEAN, Breakage.NONE, cleanBefore);
      }
      practice.stand().judge(verdict, Breakage.NONE);
    }
    broke.judged();
    practice.judged();
    showList();
    showGate();
    Gate now = practice.stand().gateProperty().get();
    boolean reads = practice.stand().stepTitle().isPresent();
    ledge.tell(now == null || reads ? "" : told(verdict, before, now));
    broke.ask(verdict == Verdict.MISSED || verdict == Verdict.NEARLY);
    if (now != null && now.hurt() && !before.stopped()) {
      pain.ask();
    }
    if (goesOn && now != null && !now.stopped()) {
      play();
      broke.ask(true);
    }
  }

  private void takeBack() {
    ledge.tell(
        Sentences.of(
            practice.stand().takeBack() ? "practise.taken-back" : "practise.nothing-to-take"));
    pain.forget();
    broke.ask(false);
    practice.judged();
    showList();
  }

  private static String told(Verdict verdict, Gate before, Gate now) {
    if (verdict == Verdict.HURTS) {
      return Sentences.of("practise.stopped-and");
    }
    if (now.stopped()) {
      return Sentences.of("practise.the-target");
    }
    return Sentences.of(
        now.perMinute() > before.perMinute()
            ? "practise.up"
            : now.perMinute() < before.perMinute() ? "practise.slower" : "practise.again",
        Words.level(now.ladder(), now.level()));
  }

  // ---- pedal ---------------------------------------------------------------------------------

  private void pedalDown() {
    pedal.down(ms());
  }

  private void released(KeyEvent e) {
    if (e.getCode() == KeyCode.PAGE_DOWN) {
      pedal.up(ms()).ifPresent(this::byPedal);
      tapSettles.playFromStart();
      e.consume();
    }
  }

  /** While it plays a pedal turns the page; in the pause it judges; else it starts. */
  private void byPedal(Verdict verdict) {
    switch (run.phase()) {
      case PLAYING, COUNT_IN -> music.turn();
      case PAUSE -> {
        if (verdict == Verdict.MISSED) {
          judge(verdict);
        }
      }
      case ASKED -> judge(verdict);
      default -> play();
    }
  }

  // ---- what is shown -------------------------------------------------------------------------

  private void changed() {
    stop();
    ledge.tell("");
    broke.forget();
    show();
    showList();
  }

  private void show() {
    ResolvedPassage drill = practice.stand().notationProperty().get();
    OnStand s = practice.stand().onProperty().get();
    boolean any = drill != null && s != null;
    shown(music, any);
    ledge.judges(any);
    if (!any) {
      Optional<Item> rest = practice.item().filter(i -> i.kind() == Kind.BREAK);
      title.setText(
          rest.isPresent()
              ? Sentences.of("practise.break", Words.one(rest.get().minutes()))
              : Sentences.of(
                  studio.passages().isEmpty()
                      ? "practise.open-a"
                      : practice.items().isEmpty() && practice.isPlanned()
                          ? "practise.nothing-is"
                          : practice.isDayDone() ? "practise.day-is-done" : "practise.opens"));
      hint.setText(
          rest.isPresent()
              ? Sentences.of("practise.break.how")
              : practice.isDayDone() ? String.join(" ", DaySummary.of(studio)) : "");
      showGate();
      return;
    }
    String name = Sentences.of("drill." + s.drill().kind().id());
    int parts = s.drill().parts().size();
    String which =
        parts == 1
            ? ""
            : Sentences.of("practise.part", practice.stand().partProperty().get() + 1, parts);
    boolean same = s.title().startsWith(name);
    title.setText(
        Texts.capital(s.title()) + (same ? "" : ": " + name.toLowerCase(Locale.ROOT)) + which);
    String id = "drill." + s.drill().kind().id();
    // A layer is practised in its own way, whatever the drill.
    Optional<String> layer = practice.layer().map(w -> "way." + w);
    hint.setText(
        Sentences.of(
            "practise.hint",
            Sentences.of(layer.map(w -> w + ".how").orElse(id + ".purpose")),
            Sentences.of(layer.map(w -> w + ".listen").orElse(id + ".listen")),
            Sentences.of(id + ".stop")));
    music.show(s, drill);
    showGate();
  }

  /** That one thing alone is judged, or that a first play is the cold one. */
  private void showFocus() {
    OnStand s = practice.stand().onProperty().get();
    boolean one = s != null && DrillKind.FOCUS.contains(s.drill().kind());
    boolean cold = practice.stand().stepTitle().isEmpty() && practice.stand().isColdAsked();
    if (one) {
      focusOn.setText(
          Sentences.of("practise.focus-on", Sentences.of("drill." + s.drill().kind().id())));
    } else if (cold) {
      focusOn.setText(Sentences.of("practise.cold"));
    }
    shown(focusOn, one || cold);
  }

  private void showGate() {
    showFocus();
    Gate g = practice.stand().gateProperty().get();
    showLedge();
    String string =
        g == null
            ? ""
            : practice.stand().notYetBouncing().stream()
                .map(b -> told(b, g.level().text()))
                .collect(Collectors.joining(" "));
    bounce.setText(string);
    shown(bounce, !string.isEmpty());
    ledge.tellUsually(usual());
    // What hurt is over: how to go on with it is no question now.
    shown(hint, g == null || !g.hurt());
    left.setText(Sentences.of("practise.left", Math.round(practice.minutesLeft())));
  }

  /** The stair says where a verdict leads that is given now, of all plays that went by. */
  private void showLedge() {
    boolean between = run.isMoving();
    int plays = Math.max(1, run.unjudged());
    ledge.show(
        practice.stand(),
        studio.shown() != null,
        v ->
            v == Verdict.CLEAN
                ? Lead.of(practice.stand(), v, 0, plays)
                : Lead.of(practice.stand(), v, between ? run.cleanBefore() : 0, 1));
  }

  /**
   * Which chunk of a first reading is judged next, or how long the joins of a chain may take; else
   * that no click is heard.
   */
  private String usual() {
    Optional<String> step = practice.stand().stepTitle();
    if (step.isPresent()) {
      int now = practice.stand().stepProperty().get() + 1;
      return Sentences.of("practise.reads", step.get(), now, practice.stand().steps());
    }
    List<Long> joins = practice.stand().joinsMs();
    if (!joins.isEmpty()) {
      String ms = joins.stream().map(String::valueOf).collect(Collectors.joining(", "));
      return Sentences.of("practise.joins", ms);
    }
    return silence.startsWith("no") ? Texts.capital(silence) + "." : "";
  }

  private static String told(BounceSwitch b, String now) {
    return Sentences.of(
        "practise.no-bounce", now, Sentences.of("stroke." + b.kind().id()), b.perMinute());
  }

  private void showPain() {
    pain.show();
    showGate();
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
    List<Action> all = new ArrayList<>(pain.actions());
    all.add(on("start-stop", KeyCode.SPACE, this::toggle));
    all.add(on("clean", KeyCode.C, () -> judge(Verdict.CLEAN)));
    all.add(on("nearly", KeyCode.N, () -> judge(Verdict.NEARLY)));
    all.add(on("missed", KeyCode.M, () -> judge(Verdict.MISSED)));
    all.add(on("hurts", KeyCode.H, () -> judge(Verdict.HURTS)));
    all.add(on("take-back", KeyCode.BACK_SPACE, this::takeBack));
    all.addAll(broke.actions());
    all.add(on("next-item", KeyCode.DOWN, practice::next));
    all.add(on("previous-item", KeyCode.UP, practice::previous));
    all.add(on("stand-habits", KeyCode.ENTER, drawer::toggle));
    all.add(on("pedal", KeyCode.PAGE_DOWN, this::pedalDown));
    all.add(on("faster", KeyCode.PERIOD, () -> faster(1)));
    all.add(on("slower-tempo", KeyCode.COMMA, () -> faster(-1)));
    all.add(on("tap", KeyCode.A, habits::tap));
    all.add(Action.of("item-done", "practise", Action.shift(KeyCode.ENTER), practice::done));
    all.add(Action.of("stand-more", "practise", Action.shift(KeyCode.M), tools::toggle));
    all.add(Action.of("stand-along", "practise", Action.shift(KeyCode.X), drawer::toggleAlong));
    all.add(Action.of("stand-bow", "practise", Action.shift(KeyCode.W), drawer::toggleBow));
    all.addAll(tools.actions());
    for (int n = 1; n <= 9; n++) {
      int plays = n;
      all.add(
          new Action(
              "set-of-" + n,
              "practise",
              Sentences.of("key.set-of", n),
              Action.key(KeyCode.valueOf("DIGIT" + n)),
              () -> true,
              () -> habits.plays(plays)));
    }
    return all;
  }

  /** Something was switched in the drawer that is seen with the music. */
  private void drawn() {
    music.again();
    if (practice.stand().isBowBelow() && practice.stand().bow().isEmpty()) {
      studio.tell(Sentences.of("practise.no-bow"));
    }
  }

  private void faster(int by) {
    Gate g = practice.stand().gateProperty().get();
    if (g != null) {
      practice.stand().tempo(g.perMinute() + by);
    }
  }
}
