package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.harmony.Harmony;
import fret.harmony.Key;
import fret.intonation.Tuned;
import fret.session.Session;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The chords of the bars with their numerals; each can be named by the player. */
final class HarmonyPane extends Cards {
  private final Studio studio;
  private final TuningModel model;
  private final FlowPane bars = new FlowPane(6, 6);
  private final TextField own = new TextField();

  HarmonyPane(Studio studio, TuningModel model) {
    this.studio = studio;
    this.model = model;
    own.setId("own-chord");
    own.setPrefWidth(110);
    own.setPromptText(Sentences.of("tuning.chord.prompt"));
    own.setAccessibleText(Sentences.of("tuning.chord.name"));
    own.setOnAction(e -> named());
    Parts.onEscape(own, own::clear);
    VBox card =
        Parts.card(
            Sentences.of("tuning.chords"),
            Parts.row(
                8,
                Parts.line(Sentences.of("tuning.chord.of-bar"), "quiet"),
                own,
                Parts.line(Sentences.of("tuning.chord.how"), "quiet")),
            Parts.scroll(bars));
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.tunedProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
  }

  private void named() {
    model.chord(own.getText());
    own.clear();
  }

  private void show() {
    bars.getChildren().clear();
    Session s = studio.shown();
    Optional<Tuned> tuned = model.tunedProperty().get();
    if (s == null || tuned.isEmpty()) {
      return;
    }
    Harmony h = tuned.get().harmony();
    Optional<Harmony.ChordSpan> selected = model.selectedChord();
    for (Harmony.ChordSpan c : h.chords()) {
      if (c.bar() < s.score().bars().size()) {
        bars.getChildren().add(button(s, h, c, selected.filter(c::equals).isPresent()));
      }
    }
  }

  private Button button(Session s, Harmony h, Harmony.ChordSpan c, boolean selected) {
    String number = s.score().bars().get(c.bar()).number();
    Key key = h.keyAt(c.bar()).orElse(new Key(0, false));
    String text = text(number, h, c, key);
    Button b =
        Parts.button(
            text,
            "chord-" + bars.getChildren().size(),
            () -> studio.selectFrom(c.onset()),
            "small");
    if (selected) {
      b.getStyleClass().add("strong");
    }
    return b;
  }

  private static String text(String number, Harmony h, Harmony.ChordSpan c, Key key) {
    if (c.chord().isEmpty()) {
      return Sentences.of("tuning.chord.unclear", number);
    }
    String chord = c.chord().get().text(key);
    if (c.own()) {
      return Sentences.of("tuning.chord.own", number, h.numeral(c), chord);
    }
    if (c.second().isPresent()) {
      return Sentences.of(
          "tuning.chord.two",
          number,
          h.numeral(c),
          chord,
          h.secondNumeral(c).orElseThrow(),
          c.second().get().chord().text(key));
    }
    String bass = h.bassName(c).orElse(chord);
    boolean root = c.figures().isEmpty() && c.bass().filter(Harmony.Bass::over).isEmpty();
    return Sentences.of(
        root
            ? "tuning.chord.at"
            : c.figures().isEmpty() ? "tuning.chord.over" : "tuning.chord.inverted",
        number,
        h.numeral(c),
        chord,
        Words.shown("%.0f", 100 * c.confidence()),
        bass);
  }
}
