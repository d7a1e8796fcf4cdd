package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.passage.TempoEdits;
import fret.player.HandSize;
import fret.player.School;
import fret.score.Score;
import fret.session.Session;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** The instrument, the target and what of the page is asked for, each in a field of its own. */
final class SetupPane extends VBox {
  private final Studio studio;
  private final ComboBox<InstrumentType> instrument = new ComboBox<>();
  private final ComboBox<Tuning> tuning = new ComboBox<>();
  private final ComboBox<HandSize> hand = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final Spinner<Integer> tempo = Parts.number(2, 1000, 80, 1);
  private final TextField title = new TextField();
  private final TextField fromBar = new TextField();
  private final TextField toBar = new TextField();
  private final TextField ownTuning = new TextField();
  private final Spinner<Integer> a4 = Parts.number(415, 446, 440, 1);
  private final TextField length = new TextField();
  private final Spinner<Integer> octaves = Parts.number(-3, 3, 0, 1);
  private final Label facts = Parts.label("", "quiet");
  private boolean showing;

  SetupPane(Studio studio, Runnable bringInAgain) {
    super(10);
    this.studio = studio;
    fillChoices();
    wire();
    getChildren()
        .addAll(
            fields(),
            Parts.flow(
                12,
                Parts.button(
                    Sentences.of("setup.bring-the"), "bring-in-again", bringInAgain, "small"),
                facts));
  }

  /** Each field with its name over it, in as many columns as there is room for. */
  private FlowPane fields() {
    return new FlowPane(
        18,
        10,
        field(Sentences.of("setup.title"), title),
        field(Sentences.of("setup.instrument"), instrument),
        field(Sentences.of("setup.target-tempo"), tempo),
        field(
            Sentences.of("setup.bars-asked"),
            Parts.row(8, fromBar, Parts.line(Sentences.of("setup.to"), "quiet"), toBar)),
        field(
            Sentences.of("setup.hand"),
            Parts.row(8, hand, Parts.line(Sentences.of("setup.school"), "quiet"), school)),
        field(Sentences.of("setup.strings"), tuning),
        field(Sentences.of("setup.tuning-of"), ownTuning),
        field(Sentences.of("setup.a"), a4),
        field(Sentences.of("setup.string-length"), length),
        field(Sentences.of("setup.octaves-moved"), octaves));
  }

  private static VBox field(String name, Node control) {
    return new VBox(3, Parts.line(name, "quiet"), control);
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
    ownTuning.setId("own-tuning");
    ownTuning.setPrefWidth(140);
    ownTuning.setAccessibleText(Sentences.of("setup.open-strings"));
    a4.setId("a4");
    a4.setEditable(true);
    a4.setPrefWidth(84);
    length.setId("string-length");
    length.setPrefWidth(64);
    octaves.setId("octaves");
    octaves.setPrefWidth(70);
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
                Said.of("set.instrument", instrument.getValue().displayName()),
                s -> s.withInstrument(instrument.getValue())));
    tuning.setOnAction(
        e ->
            changeSetup(
                Said.of("set.other-strings"),
                s -> s.withStrings(tuning.getValue(), s.stringLengthMm(), s.a4Hz())));
    hand.setOnAction(
        e ->
            changeSetup(
                Said.of("set.hand-size"),
                s -> s.withHand(s.hand().withSize(hand.getValue()), school.getValue())));
    school.setOnAction(
        e ->
            changeSetup(
                Said.of("set.school"),
                s -> s.withHand(s.hand().withSize(hand.getValue()), school.getValue())));
    tempo
        .valueProperty()
        .addListener(
            o ->
                change(
                    Said.of("set.target", tempo.getValue()),
                    s -> s.withTarget(new Tempo(s.target().beat(), tempo.getValue()))));
    a4.valueProperty()
        .addListener(
            o ->
                changeSetup(
                    Said.of("set.a", a4.getValue()),
                    s -> s.withStrings(s.tuning(), s.stringLengthMm(), a4.getValue())));
    octaves
        .valueProperty()
        .addListener(
            o ->
                changeReading(
                    Said.of("set.moved-by", octaves.getValue() + " octaves"),
                    r -> r.withOctaves(octaves.getValue())));
    Parts.onCommit(ownTuning, this::changeTuning);
    Parts.onCommit(length, this::changeLength);
    Parts.onCommit(
        title, () -> change(Said.of("set.title"), s -> s.withTitle(title.getText().trim())));
    Parts.onCommit(fromBar, this::changeBars);
    Parts.onCommit(toBar, this::changeBars);
  }

  private void changeTuning() {
    String text = ownTuning.getText().trim();
    if (showing || text.isEmpty() || studio.session() == null) {
      return;
    }
    if (text.equals(studio.session().passage().settings().setup().tuning().text())) {
      return;
    }
    try {
      Tuning own = Tuning.parse(text, false);
      changeSetup(
          Said.of("set.tuned", text), s -> s.withStrings(own, s.stringLengthMm(), s.a4Hz()));
    } catch (IllegalArgumentException e) {
      studio.report(
          new Problem(
              Said.of("setup.own-tuning"), Said.of("no.tuning", text), Said.of("setup.give-the")));
    }
  }

  private void changeLength() {
    String text = length.getText().strip();
    if (showing || studio.session() == null) {
      return;
    }
    double mm = text.isEmpty() ? 0 : number(text);
    boolean usual =
        mm == Instrument.usualLengthMm(studio.session().passage().settings().setup().instrument());
    if (mm == 0 || mm >= 150 && mm <= 1400) {
      double asked = usual ? 0 : mm;
      changeSetup(
          Said.of("set.string-length", text + " mm"),
          s -> s.withStrings(s.tuning(), asked, s.a4Hz()));
    } else {
      studio.report(
          new Problem(
              Said.of("setup.string-length-2"),
              Said.of("no.length", text),
              Said.of("setup.measure-from")));
    }
  }

  private static double number(String text) {
    try {
      return Parts.decimal(text);
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  private void changeBars() {
    String from = fromBar.getText().trim();
    String to = toBar.getText().trim();
    if (showing || studio.session() == null) {
      return;
    }
    for (String number : List.of(from, to)) {
      if (!number.isEmpty() && studio.session().page().barNumbered(number).isEmpty()) {
        studio.report(
            new Problem(
                Said.of("setup.bars-asked"),
                Said.of("no.bar", number),
                Said.of(
                    "setup.bars-there",
                    studio.session().page().bars().get(0).number(),
                    studio
                        .session()
                        .page()
                        .bars()
                        .get(studio.session().page().bars().size() - 1)
                        .number())));
        return;
      }
    }
    Score page = studio.session().page();
    change(
        Said.of("set.bars-asked-for"),
        s -> TempoEdits.reading(s, s.reading().withBars(from, to), page));
  }

  private void change(Said name, UnaryOperator<Passage.Settings> edit) {
    if (!showing) {
      studio.changeSettings(name, edit);
    }
  }

  private void changeSetup(Said name, UnaryOperator<Setup> edit) {
    change(name, s -> s.withSetup(edit.apply(s.setup())));
  }

  private void changeReading(Said name, UnaryOperator<Reading> edit) {
    change(name, s -> s.withReading(edit.apply(s.reading())));
  }

  /** Fills the fields. */
  void show(Session b) {
    Passage.Settings s = b.passage().settings();
    showing = true;
    title.setText(s.title());
    instrument.setValue(s.setup().instrument());
    List<Tuning> tunings = new ArrayList<>(Tuning.choices(s.setup().instrument()));
    if (!tunings.contains(s.setup().tuning())) {
      tunings.add(s.setup().tuning());
    }
    tuning.getItems().setAll(tunings);
    tuning.setValue(s.setup().tuning());
    ownTuning.setText(s.setup().tuning().name().equals("own") ? s.setup().tuning().text() : "");
    a4.getValueFactory().setValue((int) Math.round(s.setup().a4Hz()));
    length.setText(DetailsPane.plain(s.setup().strung().stringLengthMm()));
    octaves.getValueFactory().setValue(s.reading().octaves());
    hand.setValue(s.setup().hand().size());
    school.setValue(s.setup().school());
    tempo.getValueFactory().setValue((int) Math.round(s.target().perMinute()));
    fromBar.setText(s.reading().fromBar());
    toBar.setText(s.reading().toBar());
    showing = false;
    ownTuning.setPromptText(Tuning.usual(b.passage().settings().setup().instrument()).text());
    facts.setText(
        Sentences.of(
                "setup.facts",
                b.score().bars().size(),
                b.resolved().notes().size(),
                s.target().beat().displayName())
            + (b.score().transposition().semitones() == -12
                ? " " + Sentences.of("setup.sounds-an")
                : ""));
  }
}
