package fret.app.view;

import static fret.app.command.Action.key;
import static fret.app.command.Action.shift;

import fret.app.command.Action;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.NoteDecisions;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.engraving.StripStyle;
import fret.fingering.Fingering;
import fret.fingering.Shift;
import fret.fingering.Unkept;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.mark.FingerLayer;
import fret.mark.Place;
import fret.mark.SupportLayer;
import fret.mark.SupportWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.player.Preset;
import fret.session.Digits;
import fret.session.Session;
import fret.session.Sheets;
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

/** Left hand: the strip with its hand lane, and below it seven ways of looking at it. */
final class LeftHandView extends StripArea {
  /** What is looked at below the strip. */
  enum Tab {
    NOTE,
    BAR,
    SHIFTS,
    CROSSINGS,
    FINGERINGS,
    ORNAMENTS,
    CARES
  }

  private final LeftHandModel model;
  private final ComboBox<Preset> preset = new ComboBox<>();
  private final Label summary = Parts.line("", "quiet");
  private final Map<Tab, Button> tabs = new EnumMap<>(Tab.class);
  private final NotePane note;
  private final OrnamentPane ornaments;
  private final Button unkept = Parts.button("", "unkept", this::nextUnkept, "small", "warning");
  private final Button better = Parts.button("", "better", () -> show(Tab.FINGERINGS), "small");
  private boolean showing;

  LeftHandView(Areas.Room room) {
    super(room, "left-hand", "strip");
    this.model = room.leftHand();
    ShiftPane.Stand stand =
        (slice, title, drill) -> {
          room.practice().own().putOnStand(slice, title, drill);
          room.main().go("practise");
        };
    note = new NotePane(studio, model);
    ornaments =
        new OrnamentPane(
            studio,
            (at, title, parts) -> {
              room.practice().own().putOnStand(at, title, parts);
              room.main().go("practise");
            });
    tabs.put(Tab.NOTE, tab("note", "tab-note", note));
    tabs.put(Tab.BAR, tab("bar", "tab-bar", new BarPane(studio)));
    tabs.put(
        Tab.SHIFTS, tab("shifts", "tab-shifts", new ShiftPane(studio, model, room.look(), stand)));
    tabs.put(Tab.CROSSINGS, tab("crossings", "tab-crossings", new CrossingPane(studio, model)));
    tabs.put(
        Tab.FINGERINGS,
        tab("fingerings", "tab-fingerings", new FingeringsPane(studio, model, room.look())));
    tabs.put(Tab.ORNAMENTS, tab("ornaments", "tab-ornaments", ornaments));
    tabs.put(Tab.CARES, tab("cares", "tab-cares", new CaresPane(studio, model)));
    compose(tools());
    show(Tab.NOTE);
    actions.addAll(keys(room.hearing()));
    studio.shownProperty().addListener(o -> paint());
    model.triedProperty().addListener(o -> paint());
    model.betterProperty().addListener(o -> showBetter());
    showBetter();
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
    return Action.of(id, "left-hand", keys, handler);
  }

  private List<Action> keys(Hearing hearing) {
    NoteDecisions decide = studio.decisions();
    List<Action> all = new ArrayList<>();
    Finger[] fingers = Finger.values();
    KeyCode[] digits = {
      KeyCode.DIGIT0, KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.T
    };
    for (int i = 0; i < digits.length; i++) {
      Finger finger = fingers[i];
      String id = "finger-" + finger.digit().toLowerCase(Locale.ROOT);
      all.add(on(id, key(digits[i]), () -> decide.pinFinger(finger)));
    }
    all.add(on("string-up", key(KeyCode.UP), () -> decide.pinString(-1)));
    all.add(on("string-down", key(KeyCode.DOWN), () -> decide.pinString(1)));
    all.add(on("unpin", key(KeyCode.BACK_SPACE), decide::unpin));
    all.add(on("adopt", shift(KeyCode.A), model::adopt));
    all.add(on("stop-trying", key(KeyCode.ESCAPE), model::stopTrying));
    all.add(on("exchange", key(KeyCode.E), model::exchange));
    all.add(
        on(
            "vibrato",
            key(KeyCode.V),
            () -> decide.toggle(VibratoLayer.VIBRATO, VibratoWish.USUAL)));
    all.add(
        on(
            "support",
            shift(KeyCode.V),
            () -> decide.toggle(SupportLayer.SUPPORT, SupportWish.BEHIND)));
    all.add(on("damp", shift(KeyCode.X), decide::nextDamp));
    all.add(on("length", shift(KeyCode.H), decide::nextLength));
    all.add(on("chord", shift(KeyCode.C), model.chords()::next));
    all.add(on("slide", key(KeyCode.Z), decide::nextSlide));
    all.add(on("guide", key(KeyCode.Y), decide::nextGuide));
    all.add(on("slides-hidden", shift(KeyCode.Z), decide::hideSlides));
    all.add(on("digits", key(KeyCode.D), decide::toggleDigits));
    all.add(on("positions", shift(KeyCode.D), decide::namePositions));
    all.add(on("show-note", key(KeyCode.N), () -> show(Tab.NOTE)));
    all.add(on("show-bar", key(KeyCode.B), () -> show(Tab.BAR)));
    all.add(on("show-shifts", key(KeyCode.S), () -> show(Tab.SHIFTS)));
    all.add(on("show-crossings", key(KeyCode.X), () -> show(Tab.CROSSINGS)));
    all.add(on("show-fingerings", key(KeyCode.F), () -> show(Tab.FINGERINGS)));
    all.add(on("show-ornaments", key(KeyCode.M), () -> show(Tab.ORNAMENTS)));
    all.add(on("ornament-start", key(KeyCode.U), ornaments::nextStart));
    all.add(on("ornament-ending", key(KeyCode.J), ornaments::nextEnding));
    all.add(on("ornament-beats", key(KeyCode.K), ornaments::nextBeats));
    all.add(on("ornament-slower", shift(KeyCode.J), () -> ornaments.faster(-1)));
    all.add(on("ornament-faster", shift(KeyCode.K), () -> ornaments.faster(1)));
    all.add(on("show-cares", key(KeyCode.C), () -> show(Tab.CARES)));
    all.add(wish("wish-string", KeyCode.G, Wish.Kind.ON_STRING));
    all.add(wish("wish-position", KeyCode.P, Wish.Kind.POSITION));
    all.add(wish("wish-stays", KeyCode.H, Wish.Kind.IN_POSITION));
    all.add(wish("wish-no-open", KeyCode.O, Wish.Kind.NO_OPEN));
    all.add(wish("wish-no-fourth", KeyCode.DIGIT4, Wish.Kind.NO_LONG_FOURTH));
    all.add(wish("wish-printed", KeyCode.R, Wish.Kind.AS_PRINTED));
    all.add(wish("not-finger", KeyCode.F, Wish.Kind.NOT_FINGER));
    all.add(wish("not-string", KeyCode.S, Wish.Kind.NOT_STRING));
    all.addAll(StripKeys.on(studio, selection, hearing, () -> strip, this::word));
    return all;
  }

  private Action wish(String id, KeyCode code, Wish.Kind kind) {
    return on(id, shift(code), () -> model.wish(kind));
  }

  /** A word over the selected note is typed where it stands. */
  private void word() {
    note.typeWord();
    show(Tab.NOTE);
  }

  private HBox tools() {
    preset.getItems().setAll(Preset.all());
    preset.setConverter(Parts.named(p -> Sentences.of("preset." + p.id())));
    preset.setAccessibleText(Sentences.of("hand.what-you"));
    preset.setId("preset");
    preset.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            model.usePreset(preset.getValue());
          }
        });
    return Parts.row(
        10,
        summary,
        unkept,
        better,
        Parts.spring(),
        Parts.line(Sentences.of("hand.care-for"), "quiet"),
        preset,
        Parts.button(Sentences.of("hand.digits"), "digits", studio.decisions()::toggleDigits),
        Parts.button(Sentences.of("hand.adopt"), "adopt", model::adopt, "primary"));
  }

  /** Looks at something else below the strip. */
  void show(Tab tab) {
    tabs.get(tab).fire();
  }

  private Instrument instrument() {
    return studio.shown().task().hand().instrument();
  }

  private void paint() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showing = true;
    preset.setValue(Preset.named(b.passage().settings().setup().presetId()).orElse(Preset.SURE));
    showing = false;
    Fingering shown = model.shown();
    strip.show(
        new StripView.Music(
            b.resolved(),
            Digits.of(b, shown, b.passage().settings().fullDigits()),
            StripStyle.PLAIN.withShiftMarks(Sheets.shiftMarks(shown)),
            Optional.of(b.laneInput(shown, b.arm()))));
    strip.showStretches(stretches(b));
    summary.setText(summary(b, shown));
    showUnkept(b, shown);
    follow();
  }

  /** How much of what the player asked is not played so; a press leads from one to the next. */
  private void showUnkept(Session b, Fingering shown) {
    List<Unkept> mine = b.unkept(shown).stream().filter(Unkept::isMine).toList();
    unkept.setVisible(!mine.isEmpty());
    unkept.setManaged(!mine.isEmpty());
    unkept.setText(
        mine.isEmpty()
            ? ""
            : Sentences.of(
                mine.size() == 1 ? "hand.unkept.one" : "hand.unkept",
                mine.size(),
                b.resolved().notes().get(mine.get(0).note()).bar()));
  }

  /** Of what was adopted, how many stretches have a better first answer now. */
  private void showBetter() {
    int count = model.betterProperty().get().size();
    better.setVisible(count > 0);
    better.setManaged(count > 0);
    better.setText(Sentences.of(count == 1 ? "better.count.one" : "better.count", count));
  }

  private void nextUnkept() {
    Session b = studio.shown();
    int at = studio.selectedProperty().get();
    List<Integer> notes =
        b.unkept(model.shown()).stream().filter(Unkept::isMine).map(Unkept::note).toList();
    notes.stream()
        .filter(n -> n > at)
        .findFirst()
        .or(() -> notes.stream().findFirst())
        .ifPresent(studio::select);
  }

  private List<StripView.Stretch> stretches(Session b) {
    List<Wish> all = new ArrayList<>(Wish.all(b.passage().marks()));
    all.addAll(b.printedWishes());
    List<StripView.Stretch> found = new ArrayList<>();
    for (Wish w : all) {
      Optional<Integer> from = b.resolved().indexOf(w.from());
      Optional<Integer> to = b.resolved().indexOf(w.to());
      if (from.isPresent() && to.isPresent()) {
        found.add(
            new StripView.Stretch(
                b.resolved().notes().get(from.get()).slice(),
                b.resolved().notes().get(to.get()).slice(),
                Words.wish(instrument(), w)));
      }
    }
    return found;
  }

  private String summary(Session b, Fingering shown) {
    long pins =
        b.passage().marks().of(FingerLayer.PINNED).keySet().stream().filter(Place::counts).count();
    boolean tries = model.triedProperty().get().isPresent();
    String state =
        tries
            ? Sentences.of("hand.trying-another")
            : b.isAdopted() ? Sentences.of("hand.adopted-yours") : Sentences.of("hand.proposed");
    Fingering.Likeness alike = shown.alike();
    int creeps = (int) shown.shifts().stream().filter(Shift::creep).count();
    return Sentences.of("hand.summary", state, Words.count(shown.shifts().size() - creeps, "shift"))
        + (creeps > 0 ? ", " + Words.count(creeps, "creep") : "")
        + (pins > 0 ? ", " + Words.count((int) pins, "pin") : "")
        + (alike.figures() > 0
            ? ", " + Sentences.of("hand.alike", Words.count(alike.figures(), "figure"))
            : "")
        + ".";
  }

  @Override
  void selected() {
    follow();
  }

  private void follow() {
    if (showSelection()) {
      int note = studio.selectedProperty().get();
      String lanes = strip.spoken(studio.shown().resolved().notes().get(note).slice());
      String spoken = this.note.spoken();
      strip.setAccessibleText(lanes.isEmpty() ? spoken : spoken + ". " + lanes);
    }
  }
}
