package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.base.Problem;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.passage.Workbench;
import fret.player.HandSize;
import fret.player.School;
import fret.score.Divided;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Part: what is on the page, the instrument and the target. */
final class PartView extends VBox {
  private final Studio studio;
  private final StripView strip;
  private final ComboBox<InstrumentType> instrument = new ComboBox<>();
  private final ComboBox<Tuning> tuning = new ComboBox<>();
  private final ComboBox<HandSize> hand = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final Spinner<Integer> tempo = new Spinner<>(2, 1000, 80);
  private final TextField title = new TextField();
  private final TextField fromBar = new TextField();
  private final TextField toBar = new TextField();
  private final HBox question = Parts.row(10);
  private final VBox problems = new VBox(6);
  private final Label facts = Parts.label("", "quiet");
  private boolean showing;

  PartView(Studio studio, Look look, Runnable bringInAgain) {
    this.studio = studio;
    this.strip = new StripView(look, 0);
    strip.setOnPick(studio::selectSlice);
    strip.setId("part-strip");
    fillChoices();
    wire();
    question.getStyleClass().add("question");
    question.setId("divided-question");
    GridPane grid = new GridPane();
    grid.setHgap(12);
    grid.setVgap(8);
    grid.addRow(0, Parts.line("Title"), title);
    grid.addRow(1, Parts.line("Instrument"), instrument);
    grid.addRow(2, Parts.line("Strings"), tuning);
    grid.addRow(3, Parts.line("Target tempo"), tempo);
    grid.addRow(4, Parts.line("Hand"), Parts.row(8, hand, Parts.line("school", "quiet"), school));
    grid.addRow(
        5, Parts.line("Bars asked for"), Parts.row(8, fromBar, Parts.line("to", "quiet"), toBar));
    VBox settings =
        Parts.card(
            "This passage",
            grid,
            facts,
            Parts.button("Bring the file in again", "bring-in-again", bringInAgain));
    settings.setPrefWidth(420);
    settings.setMinWidth(400);
    VBox noticed = Parts.card("Noticed on the page", question, problems);
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

  private void fillChoices() {
    instrument.getItems().setAll(InstrumentType.values());
    instrument.setConverter(Parts.named(InstrumentType::displayName));
    instrument.setId("instrument");
    tuning.setConverter(
        Parts.named(t -> t.name() + "  (" + t.text() + ")" + (t.extension() > 0 ? " + C" : "")));
    tuning.setId("tuning");
    hand.getItems().setAll(HandSize.values());
    hand.setConverter(Parts.named(h -> h.name().toLowerCase(Locale.ROOT)));
    hand.setId("hand");
    school.getItems().setAll(School.values());
    school.setConverter(Parts.named(School::displayName));
    tempo.setEditable(true);
    tempo.setPrefWidth(90);
    tempo.setId("target-tempo");
    title.setId("title");
    title.setPrefWidth(260);
    fromBar.setId("from-bar");
    toBar.setId("to-bar");
    fromBar.setPrefWidth(64);
    toBar.setPrefWidth(64);
    fromBar.setPromptText("first");
    toBar.setPromptText("last");
  }

  private void wire() {
    instrument.setOnAction(
        e ->
            changeSetup(
                "Play it on the "
                    + Optional.ofNullable(instrument.getValue())
                        .map(InstrumentType::displayName)
                        .orElse(""),
                s -> s.withInstrument(instrument.getValue())));
    tuning.setOnAction(
        e ->
            changeSetup(
                "Other strings",
                s -> s.withStrings(tuning.getValue(), s.stringLengthMm(), s.a4Hz())));
    hand.setOnAction(
        e -> changeSetup("Hand size", s -> s.withHand(hand.getValue(), school.getValue())));
    school.setOnAction(
        e -> changeSetup("School", s -> s.withHand(hand.getValue(), school.getValue())));
    tempo
        .valueProperty()
        .addListener(
            o ->
                change(
                    "Target " + tempo.getValue(),
                    s -> s.withTarget(new Tempo(s.target().beat(), tempo.getValue()))));
    Parts.onCommit(title, () -> change("Title", s -> s.withTitle(title.getText().trim())));
    Parts.onCommit(fromBar, this::changeBars);
    Parts.onCommit(toBar, this::changeBars);
  }

  private void changeBars() {
    String from = fromBar.getText().trim();
    String to = toBar.getText().trim();
    if (showing || studio.page() == null) {
      return;
    }
    for (String number : List.of(from, to)) {
      if (!number.isEmpty() && studio.page().barNumbered(number).isEmpty()) {
        studio.report(
            new Problem(
                "Bars asked for",
                "There is no bar " + number + " on the page.",
                "The bars run from "
                    + studio.page().bars().get(0).number()
                    + " to "
                    + studio.page().bars().get(studio.page().bars().size() - 1).number()
                    + "."));
        return;
      }
    }
    changeReading("Bars asked for", r -> r.withBars(from, to));
  }

  private void change(String name, UnaryOperator<Passage.Settings> edit) {
    if (!showing) {
      studio.changeSettings(name, edit);
    }
  }

  private void changeSetup(String name, UnaryOperator<Setup> edit) {
    change(name, s -> s.withSetup(edit.apply(s.setup())));
  }

  private void changeReading(String name, UnaryOperator<Reading> edit) {
    change(name, s -> s.withReading(edit.apply(s.reading())));
  }

  private void follow() {
    Workbench b = studio.bench();
    int note = studio.selectedProperty().get();
    if (b != null && note >= 0 && note < b.resolved().notes().size()) {
      strip.select(b.resolved().notes().get(note).slice());
    }
  }

  private void show() {
    Workbench b = studio.bench();
    if (b == null) {
      return;
    }
    showing = true;
    Passage.Settings s = b.passage().settings();
    title.setText(s.title());
    instrument.setValue(s.setup().instrument());
    List<Tuning> tunings = new ArrayList<>(Tuning.choices(s.setup().instrument()));
    if (!tunings.contains(s.setup().tuning())) {
      tunings.add(s.setup().tuning());
    }
    tuning.getItems().setAll(tunings);
    tuning.setValue(s.setup().tuning());
    hand.setValue(s.setup().hand());
    school.setValue(s.setup().school());
    tempo.getValueFactory().setValue((int) Math.round(s.target().perMinute()));
    fromBar.setText(s.reading().fromBar());
    toBar.setText(s.reading().toBar());
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
    showQuestion(s.reading().divided());
    showProblems(b);
    follow();
  }

  /** Two voices on the stave: asked once, remembered, changeable. */
  private void showQuestion(Divided now) {
    List<String> bars = Divided.barsWithTwoVoices(studio.page());
    boolean any = !bars.isEmpty();
    question.setVisible(any);
    question.setManaged(any);
    question.getChildren().clear();
    if (!any) {
      return;
    }
    String where = bars.size() == 1 ? "Bar " + bars.get(0) + " has" : bars.size() + " bars have";
    String asked =
        switch (now) {
          case UNDECIDED -> where + " two voices. Is the section divided?";
          case DOUBLE_STOPS -> where + " two voices, played as double stops.";
          case UPPER -> where + " two voices; you play the upper line.";
          case LOWER -> where + " two voices; you play the lower line.";
        };
    question.getChildren().add(Parts.line(asked, now == Divided.UNDECIDED ? "strong" : "quiet"));
    question.getChildren().add(answer("Upper line", "divided-upper", Divided.UPPER, now));
    question.getChildren().add(answer("Lower line", "divided-lower", Divided.LOWER, now));
    question.getChildren().add(answer("Double stops", "divided-both", Divided.DOUBLE_STOPS, now));
  }

  private javafx.scene.control.Button answer(String text, String id, Divided value, Divided now) {
    javafx.scene.control.Button button =
        Parts.button(
            text, id, () -> changeReading(text + " of the two voices", r -> r.withDivided(value)));
    button.setDisable(value == now);
    return button;
  }

  private void showProblems(Workbench b) {
    List<Problem> all = new ArrayList<>(studio.importProblemsProperty().get());
    all.addAll(b.fingering().problems());
    problems.getChildren().clear();
    if (all.isEmpty()) {
      problems
          .getChildren()
          .add(
              Parts.label(
                  "Every bar adds up, and every note can be played on the "
                      + b.passage().settings().setup().instrument().displayName()
                      + ".",
                  "quiet"));
    }
    for (Problem p : all.subList(0, Math.min(8, all.size()))) {
      problems.getChildren().add(Parts.label(p.toString(), "problem"));
    }
    if (all.size() > 8) {
      problems.getChildren().add(Parts.label("and " + (all.size() - 8) + " more", "quiet"));
    }
  }
}
