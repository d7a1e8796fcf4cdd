package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.Place;
import fret.mark.VibratoRule;
import fret.mark.VibratoRuleLayer;
import fret.passage.Setup;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandHabit;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.session.Decisions;
import fret.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the player cares about: the hand, and every weight, with what it does on this passage. */
final class CaresPane extends Cards {
  private final Studio studio;
  private final LeftHandModel model;
  private final Label about = Parts.label("", "plain");
  private final ComboBox<HandSize> size = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final TextField span = new TextField();
  private final CheckBox creeps = new CheckBox(Sentences.of("cares.creeps"));
  private final ComboBox<VibratoRule> vibrato = new ComboBox<>();
  private final CheckBox across = new CheckBox(Sentences.of("cares.across"));
  private final CheckBox caution = new CheckBox(Sentences.of("cares.never-stretch"));
  private final ComboBox<Thumb> thumb = new ComboBox<>();
  private final WeightRows<EffortKind> weights;
  private final LeaningRows<HandHabit> habits;
  private final LimitRows limits;
  private boolean showing;

  /** Where the thumb may come up. */
  private enum Thumb {
    USUAL(Sentences.of("cares.usual-place"), 0),
    EARLY(Sentences.of("cares.from-the"), 7),
    OCTAVE(Sentences.of("cares.from-the-octave"), 12),
    NEVER(Sentences.of("cares.never"), Hand.NO_THUMB);

    private final String words;
    private final int semitone;

    Thumb(String words, int semitone) {
      this.words = words;
      this.semitone = semitone;
    }
  }

  CaresPane(Studio studio, LeftHandModel model) {
    this.studio = studio;
    this.model = model;
    this.limits = new LimitRows(studio);
    VBox cares = new VBox(8, about, handGrid(), limits);
    cares.setPadding(new Insets(0, 8, 0, 0));
    VBox hand = Parts.card(Sentences.of("cares.my-hand"), Parts.scroll(cares));
    hand.setMinWidth(360);
    hand.setPrefWidth(380);
    weights =
        new WeightRows<>(
            List.of(EffortKind.values()),
            EffortKind::id,
            "effort.",
            this::usual,
            model::weigh,
            "weight-");
    Button ranges =
        Parts.button(Sentences.of("cares.how-firm"), "ranges", model::findRanges, "small");
    ranges.setTooltip(new Tooltip(Sentences.of("cares.between-which")));
    Button reset =
        Parts.button(
            Sentences.of("cares.weights-of"),
            "reset-weights",
            () ->
                studio.changeSettings(
                    Said.of("set.weights-of-the-preset"),
                    s -> s.withSetup(s.setup().withWeights(Map.of()))),
            "small");
    habits = new LeaningRows<>(List.of(HandHabit.values()), "hand-habit.", model::lean);
    WeightsCard card = new WeightsCard("", habits, weights, List.of(ranges, reset));
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().addAll(hand, card);
    studio.shownProperty().addListener(o -> show());
    model.rangesProperty().addListener((o, a, found) -> weights.showRanges(found));
  }

  private GridPane handGrid() {
    GridPane grid = new GridPane();
    grid.setHgap(8);
    grid.setVgap(6);
    size.getItems().setAll(HandSize.values());
    size.setConverter(Parts.named(s -> s.name().toLowerCase(Locale.ROOT)));
    size.setId("hand-size");
    size.setOnAction(
        e -> changeHand(Said.of("set.hand-size"), h -> h.withSize(size.getValue()).withSpanMm(0)));
    school.getItems().setAll(School.values());
    school.setConverter(Parts.named(School::displayName));
    school.setId("hand-school");
    school.setOnAction(
        e -> {
          if (!showing) {
            studio.changeSettings(
                Said.of("set.school"),
                s -> s.withSetup(s.setup().withHand(s.setup().hand(), school.getValue())));
          }
        });
    span.setId("hand-span");
    span.setPrefWidth(70);
    span.setAccessibleText(Sentences.of("cares.measured-span"));
    Parts.onCommit(span, this::saveSpan);
    caution.setId("fourth-caution");
    caution
        .selectedProperty()
        .addListener(
            o ->
                changeHand(
                    Said.of("set.care-for-the-fourth-finger"),
                    h -> h.withFourthCaution(caution.isSelected())));
    habit(creeps, "creeps", Said.of("set.how-the-hand-moves"), Hand::withCreeping);
    habit(across, "across", Said.of("set.how-broken-chords-go"), Hand::withAcross);
    thumb.getItems().setAll(Thumb.values());
    thumb.setConverter(Parts.named(t -> t.words));
    thumb.setId("thumb-from");
    thumb.setOnAction(
        e ->
            changeHand(
                Said.of("set.where-the-thumb-comes-up"),
                h -> h.withThumbFrom(thumb.getValue().semitone)));
    grid.addRow(
        0,
        Parts.line(Sentences.of("cares.size")),
        Parts.row(8, size, Parts.line(Sentences.of("cares.school")), school));
    grid.addRow(
        1,
        Parts.line(Sentences.of("cares.span")),
        Parts.row(8, span, Parts.line(Sentences.of("cares.mm-1"), "quiet")));
    grid.addRow(2, Parts.line(Sentences.of("cares.thumb")), thumb);
    vibrato.getItems().setAll(VibratoRule.values());
    vibrato.setConverter(Parts.named(r -> Sentences.of("vibrato-rule." + r)));
    vibrato.setId("vibrato-rule");
    vibrato.setAccessibleText(Sentences.of("cares.vibrato"));
    vibrato.setTooltip(new Tooltip(Sentences.of("cares.vibrato.about")));
    vibrato.setOnAction(
        e -> {
          VibratoRule rule = vibrato.getValue();
          if (!showing && rule != null) {
            studio.decide(s -> Decisions.vibratoRule(s, rule));
          }
        });
    grid.addRow(3, Parts.line(Sentences.of("cares.vibrato")), vibrato);
    grid.add(caution, 0, 4, 2, 1);
    grid.add(creeps, 0, 5, 2, 1);
    grid.add(across, 0, 6, 2, 1);
    across.managedProperty().bind(across.visibleProperty());
    return grid;
  }

  private void habit(CheckBox box, String id, Said what, BiFunction<Hand, Boolean, Hand> edit) {
    box.setId("hand-" + id);
    box.setTooltip(new Tooltip(Sentences.of("cares." + id + ".about")));
    box.setAccessibleHelp(Sentences.of("cares." + id + ".about"));
    box.selectedProperty().addListener(o -> changeHand(what, h -> edit.apply(h, box.isSelected())));
  }

  private void changeHand(Said what, UnaryOperator<Hand> edit) {
    if (!showing && studio.shown() != null) {
      model.changeHand(what, edit);
    }
  }

  private void saveSpan() {
    if (showing || studio.shown() == null) {
      return;
    }
    String text = span.getText().strip();
    try {
      double mm = text.isEmpty() ? 0 : Parts.decimal(text);
      changeHand(Said.of("set.span-of-the-hand"), h -> h.withSpanMm(mm));
    } catch (IllegalArgumentException e) {
      studio.tell(Sentences.of("cares.a-span"));
      show();
    }
  }

  private Preset named() {
    Setup setup = studio.shown().passage().settings().setup();
    return Preset.named(setup.presetId()).orElse(Preset.SURE);
  }

  /** As the preset and the habits have it. */
  private double usual(EffortKind kind) {
    Setup setup = studio.shown().passage().settings().setup();
    return named().weight(kind) * HandHabit.factor(kind, setup.habits());
  }

  private void show() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showing = true;
    Setup setup = b.passage().settings().setup();
    about.setText(
        Sentences.of(
            "cares.preset",
            Sentences.of("preset." + named().id()),
            Sentences.of("preset." + named().id() + ".about")));
    size.setValue(setup.hand().size());
    school.setValue(setup.school());
    Instrument on = setup.strung();
    span.setPromptText(
        String.valueOf(Math.round(setup.hand().size().factor() * HandModel.mediumSpanMm(on))));
    span.setText(setup.hand().spanMm() > 0 ? Words.one(setup.hand().spanMm()) : "");
    limits.show(b);
    caution.setSelected(setup.hand().fourthCaution());
    creeps.setSelected(setup.hand().creeps());
    vibrato.setValue(
        b.passage().marks().at(VibratoRuleLayer.RULE, Place.WHOLE).orElse(VibratoRule.USUAL));
    across.setSelected(setup.hand().across());
    across.setVisible(on.type() == InstrumentType.BASS);
    thumb.setValue(
        List.of(Thumb.values()).stream()
            .filter(t -> t.semitone == setup.hand().thumbFrom())
            .findFirst()
            .orElse(Thumb.USUAL));
    habits.show(setup.habits(), h -> h.isOf(setup.instrument()));
    weights.show(k -> setup.preset().weight(k), b.fingering().explanation().shares());
    showing = false;
    weights.showRanges(model.rangesProperty().get());
  }
}
