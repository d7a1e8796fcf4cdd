package fret.app.view;

import static fret.app.command.Action.command;
import static fret.app.command.Action.key;
import static fret.app.command.Action.shift;

import fret.app.command.Action;
import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.StrokeDecisions;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.bowing.BowPreset;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.PhraseMark;
import fret.bowing.Stroke;
import fret.bowing.Swell;
import fret.engraving.StripStyle;
import fret.session.Arm;
import fret.session.Digits;
import fret.session.Session;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Bow arm: the strip with its plane and bow lanes, and below it six ways of looking at them. */
final class BowArmView extends StripArea {
  /** What is looked at below the strip. */
  enum Tab {
    STROKE,
    BAR,
    WATCH,
    BOWINGS,
    DRILLS,
    CARES
  }

  private final BowModel model;
  private final StrokeDecisions decide;
  private final ComboBox<BowPreset> preset = new ComboBox<>();
  private final ComboBox<BowRules.Slurs> slurs = new ComboBox<>();
  private final Label summary = Parts.line("", "quiet");
  private final Map<Tab, Button> tabs = new EnumMap<>(Tab.class);
  private final StrokePane stroke;
  private boolean showing;

  BowArmView(Areas.Room room) {
    super(room, "bow-arm", "bow-strip");
    this.model = room.bow();
    this.decide = model.decisions();
    decide.over(selection);
    strip.setOnDraw(
        (lane, slice, value) -> {
          if (lane.equals("bow")) {
            decide.drawEnd(slice, value);
          } else {
            decide.drawLevel(slice, value);
          }
        });
    stroke = new StrokePane(studio, model, selection);
    ShiftPane.Stand stand =
        (slice, title, drill) -> {
          room.practice().own().putOnStand(slice, title, drill);
          room.main().go("practise");
        };
    put(Tab.STROKE, stroke);
    put(Tab.BAR, new BarPane(studio));
    put(Tab.WATCH, new BowWatchPane(studio, model));
    put(Tab.BOWINGS, new BowingsPane(studio, model, selection, room.look()));
    put(Tab.DRILLS, new BowDrillPane(studio, model, selection, room.look(), stand));
    put(Tab.CARES, new BowCaresPane(studio, model));
    compose(tools());
    show(Tab.STROKE);
    actions.addAll(keys(room));
    studio.shownProperty().addListener(o -> paint());
    model.triedProperty().addListener(o -> paint());
  }

  private void put(Tab tab, Region content) {
    String name = tab.name().toLowerCase(Locale.ROOT);
    tabs.put(tab, tab(name, "tab-bow-" + name, content));
  }

  @Override
  public void shown() {
    model.setComparing(true);
  }

  @Override
  public void left() {
    model.setComparing(false);
  }

  private static Action on(String id, KeyCombination keys, Runnable handler) {
    return Action.of(id, "bow-arm", keys, handler);
  }

  private List<Action> keys(Areas.Room room) {
    List<Action> all = new ArrayList<>();
    all.add(on("bow-turn", key(KeyCode.T), decide::turn));
    all.add(on("bow-turn-second", shift(KeyCode.T), decide::turnSecondTime));
    all.add(on("bow-slur", key(KeyCode.S), this::slur));
    all.add(on("bow-break", key(KeyCode.K), () -> decide.joint(BowRules.Joint.BREAK)));
    all.add(on("bow-hook", key(KeyCode.H), () -> decide.joint(BowRules.Joint.HOOK)));
    all.add(on("bow-retake", key(KeyCode.R), () -> decide.joint(BowRules.Joint.RETAKE)));
    all.add(on("bow-kind", key(KeyCode.J), decide::nextKind));
    all.add(on("bow-place", key(KeyCode.V), decide::nextPlace));
    all.add(on("bow-shorter", key(KeyCode.Z), () -> decide.longer(-1)));
    all.add(on("bow-longer", key(KeyCode.X), () -> decide.longer(1)));
    all.add(on("bow-louder", key(KeyCode.UP), () -> decide.louder(1)));
    all.add(on("bow-softer", key(KeyCode.DOWN), () -> decide.louder(-1)));
    all.add(on("bow-grow", command(KeyCode.UP), () -> levelABar(1)));
    all.add(on("bow-fall", command(KeyCode.DOWN), () -> levelABar(-1)));
    all.add(on("bow-swell", shift(KeyCode.UP), () -> decide.swell(Swell.GROWS)));
    all.add(on("bow-swell-down", shift(KeyCode.DOWN), () -> decide.swell(Swell.FADES)));
    all.add(on("bow-contact", key(KeyCode.G), decide::nextContact));
    all.add(on("bow-sound", shift(KeyCode.G), decide::nextSound));
    all.add(on("bow-lay", key(KeyCode.P), decide::nextHair));
    all.add(on("bow-mover", key(KeyCode.I), decide::nextMover));
    all.add(on("bow-save", key(KeyCode.A), () -> decide.amount(false)));
    all.add(on("bow-spend", key(KeyCode.E), () -> decide.amount(true)));
    all.add(on("bow-vibrato", key(KeyCode.Y), decide::nextVibrato));
    all.add(on("bow-phrase-top", key(KeyCode.M), () -> decide.phrase(PhraseMark.TOP)));
    all.add(on("bow-phrase-end", shift(KeyCode.M), () -> decide.phrase(PhraseMark.END)));
    all.add(on("bow-alike", key(KeyCode.O), this::alike));
    all.add(on("bow-clear", key(KeyCode.BACK_SPACE), this::clear));
    all.add(on("bow-adopt", shift(KeyCode.A), model::adopt));
    all.add(on("bow-stop-trying", key(KeyCode.ESCAPE), model::stopTrying));
    all.add(on("show-stroke", key(KeyCode.N), () -> show(Tab.STROKE)));
    all.add(on("show-bow-bar", key(KeyCode.B), () -> show(Tab.BAR)));
    all.add(on("show-watch", key(KeyCode.W), () -> show(Tab.WATCH)));
    all.add(on("show-bowings", key(KeyCode.F), () -> show(Tab.BOWINGS)));
    all.add(on("show-bow-drills", key(KeyCode.D), () -> show(Tab.DRILLS)));
    all.add(on("show-bow-cares", key(KeyCode.C), () -> show(Tab.CARES)));
    all.addAll(StripKeys.on(studio, selection, room.hearing(), () -> strip, stroke::typeWord));
    return all;
  }

  private void slur() {
    decide.slur(selection.firstSelected(), selection.lastSelected());
  }

  private void levelABar(int direction) {
    decide.levelABar(selection.firstSelected(), selection.lastSelected(), direction);
  }

  private void alike() {
    decide.alike(selection.firstSelected(), selection.lastSelected());
  }

  private void clear() {
    decide.clear(selection.firstSelected(), selection.lastSelected());
  }

  private HBox tools() {
    preset.getItems().setAll(BowPreset.all());
    preset.setConverter(Parts.named(p -> Sentences.of("bow.preset." + p.id())));
    preset.setAccessibleText(Sentences.of("bow.care"));
    preset.setId("bow-preset");
    preset.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            String id = preset.getValue().id();
            decide.change(Said.of("preset", Said.of("bow.preset." + id)), b -> b.withPreset(id));
          }
        });
    slurs.getItems().setAll(BowRules.Slurs.values());
    slurs.setConverter(Parts.named(s -> Sentences.of("bow.slurs." + s)));
    slurs.setAccessibleText(Sentences.of("bow.slurs"));
    slurs.setId("bow-slurs");
    slurs.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            BowRules.Slurs value = slurs.getValue();
            decide.change(Said.of("bow.slurs." + value), b -> b.withSlurs(value));
          }
        });
    return Parts.row(
        10,
        summary,
        Parts.spring(),
        slurs,
        preset,
        Parts.button(Sentences.of("bow.adopt"), "bow-adopt", model::adopt, "primary"));
  }

  /** Looks at something else below the strip. */
  void show(Tab tab) {
    tabs.get(tab).fire();
  }

  private void paint() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    showing = true;
    preset.setValue(
        BowPreset.named(s.passage().settings().bow().presetId()).orElse(BowPreset.SURE));
    slurs.setValue(s.passage().settings().bow().slurs());
    showing = false;
    Arm arm = model.shown();
    strip.show(
        new StripView.Music(
            arm.page(),
            Digits.of(s, s.fingering(), s.passage().settings().fullDigits()),
            StripStyle.PLAIN,
            Optional.of(s.laneInput(s.fingering(), arm))));
    summary.setText(summary(arm.bowing()));
    follow();
  }

  private String summary(Bowing bowing) {
    String state =
        Sentences.of(
            model.triedProperty().get().isPresent() ? "hand.trying-another" : "bow.stands");
    long lifts = bowing.strokes().stream().filter(s -> s.retake().isPresent()).count();
    long out = bowing.strokes().stream().filter(s -> s.missingCm() > 0).count();
    return Sentences.of(
        out == 0 ? "bow.summary" : "bow.summary.out",
        state,
        Words.count(bowing.strokes().size(), "stroke"),
        Words.count((int) lifts, "retake"),
        out);
  }

  private void follow() {
    if (showSelection()) {
      String spoken = model.stroke().map(this::spoken).orElse("");
      strip.setAccessibleText((spoken + " " + strip.spoken(model.moment())).strip());
    }
  }

  private String spoken(Stroke s) {
    return Sentences.of(
        "stroke.spoken",
        Sentences.of(s.down() ? "bow.down" : "bow.up"),
        Sentences.of("stroke." + s.kind().id()),
        s.bar());
  }
}
