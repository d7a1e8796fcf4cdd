package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.MusicFont;
import fret.app.widget.StripView;
import fret.base.Problem;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Workbench;
import fret.player.HandSize;
import fret.player.School;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Spinner;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Part: what is on the page, the instrument and the target. */
final class PartView extends VBox {
  private final Studio studio;
  private final StripView strip;
  private final ComboBox<InstrumentType> instrument = new ComboBox<>();
  private final ComboBox<HandSize> hand = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final Spinner<Integer> tempo = new Spinner<>(2, 1000, 80);
  private final VBox problems = new VBox(6);
  private final javafx.scene.control.Label facts = Parts.label("", "quiet");
  private boolean showing;

  PartView(Studio studio, MusicFont font) {
    this.studio = studio;
    this.strip = new StripView(font, 0);
    strip.setOnPick(studio::selectSlice);
    strip.setId("part-strip");
    instrument.getItems().setAll(InstrumentType.values());
    instrument.setConverter(named(InstrumentType::displayName));
    instrument.setId("instrument");
    hand.getItems().setAll(HandSize.values());
    hand.setConverter(named(h -> h.name().toLowerCase(java.util.Locale.ROOT)));
    school.getItems().setAll(School.values());
    school.setConverter(named(School::displayName));
    tempo.setEditable(true);
    tempo.setPrefWidth(90);
    tempo.setId("target-tempo");
    instrument.setOnAction(
        e ->
            change(
                "Play it on the "
                    + (instrument.getValue() == null ? "" : instrument.getValue().displayName()),
                s -> s.withInstrument(instrument.getValue())));
    hand.setOnAction(e -> change("Hand size", s -> s.withHand(hand.getValue(), school.getValue())));
    school.setOnAction(e -> change("School", s -> s.withHand(hand.getValue(), school.getValue())));
    tempo
        .valueProperty()
        .addListener(
            o ->
                change(
                    "Target " + tempo.getValue(),
                    s -> s.withTarget(new Tempo(s.target().beat(), tempo.getValue()))));
    GridPane grid = new GridPane();
    grid.setHgap(12);
    grid.setVgap(10);
    grid.addRow(0, Parts.line("Instrument"), instrument);
    grid.addRow(1, Parts.line("Target tempo"), tempo);
    grid.addRow(2, Parts.line("Hand"), hand);
    grid.addRow(3, Parts.line("School (bass)"), school);
    VBox settings = Parts.card("This passage", grid, facts);
    settings.setPrefWidth(420);
    VBox noticed = Parts.card("Noticed on the page", problems);
    HBox.setHgrow(noticed, Priority.ALWAYS);
    HBox cards = new HBox(16, settings, noticed);
    VBox page = Parts.page(strip, cards);
    getChildren().add(page);
    studio.benchProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> follow());
  }

  StripView strip() {
    return strip;
  }

  private static <T> StringConverter<T> named(java.util.function.Function<T, String> name) {
    return new StringConverter<>() {
      @Override
      public String toString(T value) {
        return value == null ? "" : name.apply(value);
      }

      @Override
      public T fromString(String text) {
        throw new UnsupportedOperationException();
      }
    };
  }

  private void change(String name, java.util.function.UnaryOperator<Passage.Settings> edit) {
    if (!showing && studio.bench() != null) {
      studio.changeSettings(name, edit.apply(studio.bench().passage().settings()));
    }
  }

  private void follow() {
    Workbench b = studio.bench();
    if (b != null && studio.selectedProperty().get() >= 0) {
      strip.select(b.resolved().notes().get(studio.selectedProperty().get()).slice());
    }
  }

  private void show() {
    Workbench b = studio.bench();
    if (b == null) {
      return;
    }
    showing = true;
    Passage.Settings s = b.passage().settings();
    instrument.setValue(s.instrument());
    hand.setValue(s.hand());
    school.setValue(s.school());
    tempo.getValueFactory().setValue((int) Math.round(s.target().perMinute()));
    showing = false;
    strip.show(b.resolved(), List.of(), Optional.empty(), b.task().hand().instrument());
    facts.setText(
        b.score().bars().size()
            + " bars, "
            + b.resolved().notes().size()
            + " notes. Counted in "
            + s.target().beat().displayName()
            + " notes."
            + (b.score().transposition().semitones() == -12
                ? " Sounds an octave lower than written."
                : ""));
    List<Problem> all = new ArrayList<>(studio.importProblemsProperty().get());
    all.addAll(b.fingering().problems());
    problems.getChildren().clear();
    if (all.isEmpty()) {
      problems
          .getChildren()
          .add(
              Parts.label(
                  "Every bar adds up, and every note can be played on the "
                      + s.instrument().displayName()
                      + ".",
                  "quiet"));
    }
    for (Problem p : all.subList(0, Math.min(8, all.size()))) {
      problems.getChildren().add(Parts.label(p.toString(), "problem"));
    }
    if (all.size() > 8) {
      problems.getChildren().add(Parts.label("and " + (all.size() - 8) + " more", "quiet"));
    }
    follow();
  }
}
