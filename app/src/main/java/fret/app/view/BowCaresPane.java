package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.bowing.ArmPath;
import fret.bowing.BowEffort;
import fret.bowing.BowLeaning;
import fret.bowing.BowPreset;
import fret.bowing.BowSetup;
import fret.bowing.PhraseShape;
import fret.mark.FlagLayer;
import fret.mark.Place;
import fret.session.Session;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The player's bow and arm, and what each reason of a bowing weighs; effects show at once. */
final class BowCaresPane extends Cards {
  private final Studio studio;
  private final BowModel model;
  private final TextField hair = new TextField();
  private final ComboBox<Double> meaning = new ComboBox<>();
  private final ComboBox<PhraseShape> shape = new ComboBox<>();
  private final ComboBox<ArmPath.Manner> arm = new ComboBox<>();
  private final CheckBox rows = new CheckBox(Sentences.of("bow.hairpins.go-on"));
  private final HabitRows habits;
  private final LeaningRows<BowLeaning> leanings;
  private final WeightRows<BowEffort> weights;
  private final PlaceFields places;
  private boolean showing;

  BowCaresPane(Studio studio, BowModel model) {
    this.studio = studio;
    this.model = model;
    this.places = new PlaceFields(studio, model);
    habits = new HabitRows(model.decisions());
    VBox left = Parts.card(Sentences.of("bow.mine"), Parts.scroll(mine()));
    left.setMinWidth(290);
    left.setPrefWidth(480);
    weights =
        new WeightRows<>(
            List.of(BowEffort.values()),
            BowEffort::id,
            "bow-effort.",
            this::usual,
            model.decisions()::weigh,
            "bow-weight-");
    leanings =
        new LeaningRows<>(List.of(BowLeaning.values()), "bow-leaning.", model.decisions()::lean);
    Button reset =
        Parts.button(
            Sentences.of("cares.weights-of"),
            "bow-weights-reset",
            () ->
                model
                    .decisions()
                    .change(Said.of("set.weights-of-the-preset"), b -> b.withPreset(b.presetId())),
            "small");
    Button ranges =
        Parts.button(Sentences.of("cares.how-firm"), "bow-ranges", model::findRanges, "small");
    WeightsCard right = new WeightsCard("bow-", leanings, weights, List.of(ranges, reset));
    right.setMinWidth(370);
    right.setPrefWidth(440);
    for (VBox card : List.of(left, right)) {
      HBox.setHgrow(card, Priority.ALWAYS);
      card.setMinHeight(0);
      getChildren().add(card);
    }
    studio.shownProperty().addListener(o -> show());
    model.rangesProperty().addListener((o, a, found) -> weights.showRanges(found));
  }

  private HabitRows mine() {
    hair.setPrefColumnCount(5);
    hair.setId("bow-hair");
    hair.setAccessibleText(Sentences.of("bow.hair.long"));
    Parts.onCommit(hair, this::changeHair);
    meaning.getItems().setAll(0.7, 0.85, 1.0, 1.2, 1.4);
    meaning.setConverter(Parts.named(v -> Sentences.of("bow.meaning", Math.round(100 * v))));
    meaning.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            double factor = meaning.getValue();
            model.decisions().change(Said.of("bow.meaning.set"), b -> b.withMeaning(factor));
          }
        });
    meaning.setAccessibleText(Sentences.of("bow.meaning.long"));
    shape.getItems().setAll(PhraseShape.values());
    shape.setConverter(Parts.named(v -> Sentences.of("bow.shape." + v)));
    shape.setAccessibleText(Sentences.of("bow.shape"));
    shape.setId("bow-shape");
    shape.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            PhraseShape chosen = shape.getValue();
            model.decisions().change(Said.of("bow.shape.set." + chosen), b -> b.withShape(chosen));
          }
        });
    arm.getItems().setAll(ArmPath.Manner.values());
    arm.setConverter(Parts.named(m -> Sentences.of("bow.arm." + m)));
    arm.setAccessibleText(Sentences.of("bow.arm"));
    arm.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            ArmPath.Manner manner = arm.getValue();
            model.decisions().change(Said.of("bow.arm." + manner), b -> b.withArm(manner));
          }
        });
    rows.setWrapText(true);
    rows.setId("hairpins-go-on");
    rows.setTooltip(new Tooltip(Sentences.of("bow.hairpins.about")));
    rows.setAccessibleHelp(Sentences.of("bow.hairpins.about"));
    rows.selectedProperty()
        .addListener(
            o -> {
              if (!showing && studio.shown() != null) {
                model.decisions().hairpinsGoOn(rows.isSelected());
              }
            });
    habits.addFirst(Sentences.of("bow.places"), places);
    habits.addFirst(Sentences.of("bow.hairpins"), rows);
    habits.addFirst(Sentences.of("bow.arm"), arm);
    habits.addFirst(Sentences.of("bow.shape"), shape);
    habits.addFirst(Sentences.of("bow.forte"), meaning);
    habits.addFirst(
        Sentences.of("bow.hair"), Parts.row(6, hair, Parts.line(Sentences.of("bow.cm"), "quiet")));
    return habits;
  }

  private void changeHair() {
    if (showing || studio.shown() == null) {
      return;
    }
    String text = hair.getText().strip();
    double cm;
    try {
      cm = text.isEmpty() ? 0 : Parts.decimal(text);
    } catch (NumberFormatException e) {
      cm = -1;
    }
    double asked = cm;
    if (cm == 0 || cm >= 20 && cm <= 75) {
      model.decisions().change(Said.of("bow.hair.set"), b -> b.withHair(asked));
    } else {
      studio.tell(Sentences.of("bow.hair.wrong"));
    }
  }

  private BowPreset preset() {
    return BowPreset.named(studio.shown().passage().settings().bow().presetId())
        .orElse(BowPreset.SURE);
  }

  /** As the preset and the leanings have it. */
  private double usual(BowEffort kind) {
    BowSetup bow = studio.shown().passage().settings().bow();
    return preset().weight(kind) * BowLeaning.factor(kind, bow.leanings());
  }

  private void show() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    showing = true;
    BowSetup bow = s.passage().settings().bow();
    hair.setText(bow.hairCm() > 0 ? Words.one(bow.hairCm()) : "");
    hair.setPromptText(Words.one(s.bowTask().bow().hairCm()));
    meaning.setValue(bow.meaning());
    shape.setValue(bow.shape());
    arm.setValue(bow.arm());
    rows.setSelected(s.passage().marks().at(FlagLayer.HAIRPINS_GO_ON, Place.WHOLE).isPresent());
    habits.show(s);
    places.show(s);
    leanings.show(bow.leanings(), h -> true);
    weights.show(k -> bow.preset().weight(k), s.bowing().explanation().shares());
    weights.showRanges(model.rangesProperty().get());
    showing = false;
  }
}
