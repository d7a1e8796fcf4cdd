package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakeInput;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.instrument.Instrument;
import fret.intonation.OpenStrings;
import fret.intonation.Tuned;
import fret.intonation.TuningSetup;
import fret.session.Session;
import fret.take.Expected.Tone;
import fret.take.HeldPitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** How the open strings are tuned: in pure fifths, tempered, or as the player measured them. */
final class StringsPane extends Cards {
  /** Readings in a row that lie so near to each other are one held string. */
  private static final double STILL = 3;

  private static final int READINGS = 6;

  /** Further off, it is another note than an open string. */
  private static final double MOST = 50;

  private final Studio studio;
  private final TuningModel model;
  private final FlowPane strings = Parts.flow(14);
  private final TakeInput input;
  private final Button listen;
  private final Label now = Parts.line("", "plain");
  private final Label heard = Parts.line("", "strong");
  private final CheckBox high = new CheckBox(Sentences.of("tuning.high-leading"));
  private final CheckBox seven = new CheckBox(Sentences.of("tuning.septimal"));
  private final CheckBox alone = new CheckBox(Sentences.of("tuning.alone"));
  private final CheckBox top = new CheckBox(Sentences.of("tuning.from-top"));
  private final List<HeldPitch.Reading> steady = new ArrayList<>();
  private boolean measured;

  StringsPane(Studio studio, TuningModel model, TakeInput input) {
    this.studio = studio;
    this.model = model;
    this.input = input;
    this.listen = Parts.button("", "strings-listen", this::listen, "small");
    FlowPane ways = Parts.flow(8);
    for (TuningSetup.Strings how :
        List.of(TuningSetup.Strings.PURE, TuningSetup.Strings.TEMPERED)) {
      ways.getChildren()
          .add(
              Parts.button(
                  Sentences.of("tuning.strings." + how),
                  "strings-" + how.name().toLowerCase(Locale.ROOT),
                  () -> use(how),
                  "small"));
    }
    ways.getChildren().add(listen);
    Label why = Parts.label(Sentences.of("tuning.strings.why"), "quiet");
    VBox card =
        Parts.card(
            Sentences.of("tuning.strings"),
            ways,
            Parts.scroll(new VBox(8, strings, Parts.row(14, now, heard), why)));
    HBox.setHgrow(card, Priority.ALWAYS);
    List.of(high, seven, alone, top).forEach(b -> b.setWrapText(true));
    high.setId("high-leading");
    high.setOnAction(e -> model.use(model.setup().withHighLeading(high.isSelected())));
    seven.setId("tritone-seven");
    seven.setOnAction(e -> model.use(model.setup().withSeptimal(seven.isSelected())));
    alone.setId("tuning-alone");
    alone.setOnAction(e -> model.use(model.setup().withAlone(alone.isSelected())));
    top.setId("chords-from-top");
    top.setOnAction(
        e ->
            model.use(
                model
                    .setup()
                    .with(top.isSelected() ? Tuned.School.FROM_TOP : Tuned.School.FIFTH_FIRST)));
    VBox texts = new VBox(6, high, seven, alone, top);
    for (String id : List.of("just", "pythagorean", "equal", "comma")) {
      texts.getChildren().add(Parts.label(Sentences.of("tuning.which." + id), "plain"));
    }
    VBox which = Parts.card(Sentences.of("tuning.which"), Parts.scroll(texts));
    HBox.setHgrow(which, Priority.ALWAYS);
    card.setPrefWidth(400);
    which.setPrefWidth(400);
    getChildren().addAll(card, which);
    model.tunedProperty().addListener(o -> show());
    input.heldProperty().addListener(o -> hear());
    input.levelProperty().addListener(o -> listening());
    listening();
  }

  // ---- measured by ear of the machine
  // ------------------------------------------------------------

  /** Each string that is bowed for a moment is measured; again to stop. */
  private void listen() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Instrument on = s.task().hand().instrument();
    double a4 = s.passage().settings().setup().a4Hz();
    List<Tone> tones = new ArrayList<>();
    for (int i = 1; i <= on.stringCount(); i++) {
      tones.add(new Tone(i, on.open(i), on.open(i).hertz(a4)));
    }
    steady.clear();
    measured = !input.isHolding();
    input.toggleHeld(tones);
    listening();
  }

  private void listening() {
    listen.setText(
        Sentences.of(
            measured && input.isHolding() ? "tuning.strings.listening" : "tuning.strings.listen"));
  }

  private void hear() {
    listening();
    Optional<HeldPitch.Reading> now = input.heldProperty().get();
    if (!measured || now.isEmpty() || model.tunedProperty().get().isEmpty()) {
      steady.clear();
      return;
    }
    HeldPitch.Reading r = now.get();
    boolean another = !steady.isEmpty() && steady.get(0).nearest().note() != r.nearest().note();
    boolean moves =
        !steady.isEmpty() && Math.abs(steady.get(steady.size() - 1).cents() - r.cents()) > STILL;
    if (another || moves || Math.abs(r.cents()) > MOST) {
      steady.clear();
    }
    steady.add(r);
    heard.setText(
        Sentences.of("tuning.strings.heard", r.nearest().pitch(), Words.shown("%+.1f", r.cents())));
    if (steady.size() == READINGS) {
      double cents = steady.stream().mapToDouble(HeldPitch.Reading::cents).average().orElseThrow();
      keep(r.nearest().note(), Math.round(cents * 10) / 10.0);
    }
  }

  private void keep(int string, double cents) {
    List<Double> own = new ArrayList<>(model.tunedProperty().get().get().strings().cents());
    own.set(string - 1, cents);
    model.use(model.setup().withStrings(TuningSetup.Strings.OWN, own));
  }

  private void use(TuningSetup.Strings how) {
    model.use(model.setup().withStrings(how, List.of()));
  }

  private void show() {
    strings.getChildren().clear();
    Session s = studio.shown();
    if (s == null || model.tunedProperty().get().isEmpty()) {
      return;
    }
    high.setSelected(model.setup().highLeading());
    seven.setSelected(model.setup().septimal());
    alone.setSelected(model.setup().isChosen());
    alone.setDisable(model.setup().isChosen() && !model.setup().alone());
    top.setSelected(model.setup().school() == Tuned.School.FROM_TOP);
    OpenStrings open = model.tunedProperty().get().get().strings();
    Instrument on = s.task().hand().instrument();
    now.setText(
        Sentences.of(
            "tuning.strings.now",
            Sentences.of("tuning.strings." + model.setup().strings()),
            Words.one(open.a4())));
    for (int i = 1; i <= on.stringCount(); i++) {
      int string = i;
      TextField cents = new TextField(Words.shown("%+.1f", open.of(string)));
      cents.setPrefWidth(70);
      cents.setId("string-" + string);
      cents.setAccessibleText(Sentences.of("tuning.strings.cents", on.stringName(string)));
      cents.setOnAction(e -> typed(string, cents.getText()));
      double hertz = open.hertz(on.open(string), open.of(string));
      strings
          .getChildren()
          .add(
              Parts.row(
                  8,
                  Parts.line(on.stringName(string), "strong"),
                  cents,
                  Parts.line(
                      Sentences.of("tuning.strings.hertz", Words.shown("%.2f", hertz)), "quiet")));
    }
  }

  private void typed(int string, String text) {
    try {
      double cents = Double.parseDouble(text.replace('−', '-').strip());
      if (!(Math.abs(cents) <= MOST)) {
        throw new NumberFormatException(text);
      }
      keep(string, cents);
    } catch (NumberFormatException e) {
      studio.tell(Sentences.of("tuning.strings.wrong", text));
    }
  }
}
