package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.instrument.Instrument;
import fret.intonation.OpenStrings;
import fret.intonation.TuningSetup;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** How the open strings are tuned: in pure fifths, tempered, or as the player measured them. */
final class StringsPane extends Cards {
  private final Studio studio;
  private final TuningModel model;
  private final VBox strings = new VBox(6);

  StringsPane(Studio studio, TuningModel model) {
    this.studio = studio;
    this.model = model;
    Button pure =
        Parts.button(
            Sentences.of("tuning.strings.PURE"),
            "strings-pure",
            () -> use(TuningSetup.Strings.PURE),
            "small");
    Button tempered =
        Parts.button(
            Sentences.of("tuning.strings.TEMPERED"),
            "strings-tempered",
            () -> use(TuningSetup.Strings.TEMPERED),
            "small");
    VBox card =
        Parts.card(
            Sentences.of("tuning.strings"),
            Parts.label(Sentences.of("tuning.strings.why"), "quiet"),
            Parts.row(8, pure, tempered),
            Parts.scroll(strings));
    HBox.setHgrow(card, Priority.ALWAYS);
    VBox which = Parts.card(Sentences.of("tuning.which"));
    for (String id : List.of("just", "pythagorean", "equal", "comma")) {
      which.getChildren().add(Parts.label(Sentences.of("tuning.which." + id), "plain"));
    }
    HBox.setHgrow(which, Priority.ALWAYS);
    card.setPrefWidth(400);
    which.setPrefWidth(400);
    getChildren().addAll(card, which);
    model.tunedProperty().addListener(o -> show());
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
    OpenStrings open = model.tunedProperty().get().get().strings();
    Instrument on = s.task().hand().instrument();
    strings
        .getChildren()
        .add(
            Parts.label(
                Sentences.of(
                    "tuning.strings.now",
                    Sentences.of("tuning.strings." + model.setup().strings()),
                    Words.one(open.a4())),
                "plain"));
    for (int i = 1; i <= on.stringCount(); i++) {
      int string = i;
      TextField cents = new TextField(Words.shown("%+.1f", open.of(string)));
      cents.setPrefWidth(80);
      cents.setId("string-" + string);
      cents.setAccessibleText(Sentences.of("tuning.strings.cents", on.stringName(string)));
      cents.setOnAction(e -> measured(open, string, cents.getText()));
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

  private void measured(OpenStrings open, int string, String text) {
    List<Double> own = new ArrayList<>(open.cents());
    try {
      double cents = Double.parseDouble(text.replace('−', '-').strip());
      if (!(Math.abs(cents) <= 50)) {
        throw new NumberFormatException(text);
      }
      own.set(string - 1, cents);
    } catch (NumberFormatException e) {
      studio.tell(Sentences.of("tuning.strings.wrong", text));
      return;
    }
    model.use(model.setup().withStrings(TuningSetup.Strings.OWN, own));
  }
}
