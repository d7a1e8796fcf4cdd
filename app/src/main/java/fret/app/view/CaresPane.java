package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.fingering.WeightRange;
import fret.instrument.Instrument;
import fret.passage.Setup;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.search.Explanation;
import fret.session.Session;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** What the player cares about: the hand, and every weight, with what it does on this passage. */
final class CaresPane extends Cards {
  private final Studio studio;
  private final LeftHandModel model;
  private final Label about = Parts.label("", "plain");
  private final ComboBox<HandSize> size = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final TextField span = new TextField();
  private final CheckBox caution = new CheckBox("never stretch the fourth finger");
  private final ComboBox<Thumb> thumb = new ComboBox<>();
  private final GridPane weights = new GridPane();
  private boolean narrow;
  private final Map<EffortKind, Row> rows = new EnumMap<>(EffortKind.class);
  private boolean showing;

  /** Where the thumb may come up. */
  private enum Thumb {
    USUAL("usual place", 0),
    EARLY("from the fifth on", 7),
    OCTAVE("from the octave on", 12),
    NEVER("never", Hand.NO_THUMB);

    private final String words;
    private final int semitone;

    Thumb(String words, int semitone) {
      this.words = words;
      this.semitone = semitone;
    }
  }

  /** Below this width what a weight does stands under its slider. */
  private static final double NARROW = 800;

  private record Row(Label name, Slider slider, Label weight, Label effect, Label range) {}

  CaresPane(Studio studio, LeftHandModel model) {
    this.studio = studio;
    this.model = model;
    VBox hand = Parts.card("My hand", Parts.scroll(new VBox(8, about, handGrid())));
    hand.setMinWidth(360);
    hand.setPrefWidth(380);
    weights.setHgap(10);
    weights.setVgap(3);
    for (EffortKind kind : EffortKind.values()) {
      rows.put(kind, row(kind));
    }
    layOut(false);
    Button ranges = Parts.button("How firm is it?", "ranges", model::findRanges, "small");
    ranges.setTooltip(new Tooltip("Between which weights this fingering stays the best"));
    Button reset =
        Parts.button(
            "Weights of the preset",
            "reset-weights",
            () ->
                studio.changeSettings(
                    Said.of("set.weights-of-the-preset"),
                    s -> s.withSetup(s.setup().withWeights(Map.of()))),
            "small");
    VBox card =
        Parts.card(
            "",
            Parts.flow(8, Parts.line("Weights", "card-title"), ranges, reset),
            Parts.scroll(weights));
    card.widthProperty().addListener(o -> Platform.runLater(() -> fit(card.getWidth())));
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().addAll(hand, card);
    studio.shownProperty().addListener(o -> show());
    model.rangesProperty().addListener(o -> showRanges());
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
    span.setAccessibleText("Measured span from first to fourth finger at half position, in mm");
    Parts.onCommit(span, this::saveSpan);
    caution.setId("fourth-caution");
    caution
        .selectedProperty()
        .addListener(
            o ->
                changeHand(
                    Said.of("set.care-for-the-fourth-finger"),
                    h -> h.withFourthCaution(caution.isSelected())));
    thumb.getItems().setAll(Thumb.values());
    thumb.setConverter(Parts.named(t -> t.words));
    thumb.setId("thumb-from");
    thumb.setOnAction(
        e ->
            changeHand(
                Said.of("set.where-the-thumb-comes-up"),
                h -> h.withThumbFrom(thumb.getValue().semitone)));
    grid.addRow(0, Parts.line("Size"), Parts.row(8, size, Parts.line("school"), school));
    grid.addRow(
        1, Parts.line("Span"), Parts.row(8, span, Parts.line("mm, 1 to 4 low down", "quiet")));
    grid.addRow(2, Parts.line("Thumb"), thumb);
    grid.add(caution, 0, 3, 2, 1);
    return grid;
  }

  private void changeHand(Said what, java.util.function.UnaryOperator<Hand> edit) {
    if (!showing && studio.shown() != null) {
      model.changeHand(what, edit);
    }
  }

  private void saveSpan() {
    if (showing || studio.shown() == null) {
      return;
    }
    String text = span.getText().strip().replace(',', '.');
    try {
      double mm = text.isEmpty() ? 0 : Double.parseDouble(text);
      changeHand(Said.of("set.span-of-the-hand"), h -> h.withSpanMm(mm));
    } catch (IllegalArgumentException e) {
      studio.tell("A span is 40 to 250 mm; leave it empty to go by the size");
      show();
    }
  }

  private void fit(double width) {
    boolean now = width < NARROW;
    if (now != narrow) {
      layOut(now);
    }
  }

  private void layOut(boolean inTwoLines) {
    narrow = inTwoLines;
    weights.getChildren().clear();
    int line = 0;
    for (Row row : rows.values()) {
      row.name().setMinWidth(narrow ? 120 : 150);
      row.effect().setMinWidth(narrow ? Region.USE_COMPUTED_SIZE : 170);
      weights.addRow(line++, row.name(), row.slider(), row.weight());
      if (narrow) {
        FlowPane under = Parts.flow(8, row.effect(), row.range());
        under.setPrefWrapLength(300);
        weights.add(under, 0, line++, 3, 1);
      } else {
        weights.add(row.effect(), 3, line - 1);
        weights.add(row.range(), 4, line - 1);
      }
    }
  }

  private Row row(EffortKind kind) {
    Slider slider = new Slider(0, 3, 1);
    slider.setPrefWidth(110);
    slider.setMinWidth(90);
    slider.setId("weight-" + kind.id());
    slider.setAccessibleText("Weight of: " + kind.description());
    slider.setBlockIncrement(0.25);
    PauseTransition pause = new PauseTransition(Duration.millis(180));
    pause.setOnFinished(e -> model.weigh(kind, weightAt(kind, slider.getValue())));
    slider
        .valueProperty()
        .addListener(
            (o, before, now) -> {
              if (!showing && studio.shown() != null) {
                rows.get(kind).weight().setText(times(kind, weightAt(kind, now.doubleValue())));
                pause.playFromStart();
              }
            });
    String[] words = kind.description().split(":", 2);
    Label name = Parts.line(words[0], "plain");
    name.setTooltip(new Tooltip(kind.description()));
    name.setPrefWidth(222);
    Row row =
        new Row(
            name,
            slider,
            Parts.line("", "figure"),
            Parts.line("", "quiet"),
            Parts.line("", "quiet"));
    row.weight().setMinWidth(Region.USE_PREF_SIZE);
    row.range().setMinWidth(Region.USE_PREF_SIZE);
    return row;
  }

  /** In the middle third of the slider stands the preset's weight; a square law above it. */
  private double weightAt(EffortKind kind, double slider) {
    double usual = usual(kind);
    return usual > 0 ? usual * slider * slider : 0.1 * Math.max(0, slider - 1);
  }

  private double sliderAt(EffortKind kind, double weight) {
    double usual = usual(kind);
    return usual > 0 ? Math.sqrt(weight / usual) : 1 + weight / 0.1;
  }

  private double usual(EffortKind kind) {
    return named().weight(kind);
  }

  private Preset named() {
    Setup setup = studio.shown().passage().settings().setup();
    return Preset.named(setup.presetId()).orElse(Preset.SURE);
  }

  private void show() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showing = true;
    Setup setup = b.passage().settings().setup();
    about.setText(named().displayName() + ": " + named().description());
    size.setValue(setup.hand().size());
    school.setValue(setup.school());
    Instrument on = setup.strung();
    span.setPromptText(
        String.valueOf(Math.round(setup.hand().size().factor() * HandModel.mediumSpanMm(on))));
    span.setText(setup.hand().spanMm() > 0 ? Words.one(setup.hand().spanMm()) : "");
    caution.setSelected(setup.hand().fourthCaution());
    thumb.setValue(
        List.of(Thumb.values()).stream()
            .filter(t -> t.semitone == setup.hand().thumbFrom())
            .findFirst()
            .orElse(Thumb.USUAL));
    for (Explanation.Share s : b.fingering().explanation().shares()) {
      for (EffortKind kind : EffortKind.values()) {
        if (kind.id().equals(s.id())) {
          double weight = setup.preset().weight(kind);
          Row row = rows.get(kind);
          row.slider().setValue(sliderAt(kind, weight));
          row.weight().setText(times(kind, weight));
          row.effect()
              .setText(
                  s.quantity() == 0
                      ? "does not occur"
                      : String.format(
                          Locale.ROOT,
                          "%.1f %s, effort %.2f",
                          s.quantity(),
                          s.unit().equals("1/s") ? "per s" : s.unit(),
                          s.effort()));
        }
      }
    }
    showing = false;
    showRanges();
  }

  /** A weight against the preset's own. */
  private String times(EffortKind kind, double weight) {
    double usual = usual(kind);
    boolean same = Math.abs(weight - usual) < 1e-9;
    return same
        ? Sentences.of("weight.as")
        : Sentences.of("weight.times", Words.one(usual > 0 ? weight / usual : weight * 10));
  }

  /** Between which weights what stands stays the best. */
  private String holds(EffortKind kind, WeightRange r) {
    double unit = usual(kind) > 0 ? usual(kind) : 0.1;
    String least = Words.one(r.least() / unit);
    return Double.isInfinite(r.most())
        ? Sentences.of("range.up", least)
        : Sentences.of("range.between", least, Words.one(r.most() / unit));
  }

  private void showRanges() {
    Map<EffortKind, WeightRange> found = model.rangesProperty().get();
    rows.forEach(
        (kind, row) -> {
          WeightRange r = found.get(kind);
          row.range().setText(r == null ? "" : holds(kind, r));
        });
  }
}
