package fret.app.view;

import fret.app.command.WritingKey;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.Look;
import fret.app.words.Sentences;
import fret.score.Event;
import fret.score.NoteValue;
import fret.writing.BarCure;
import fret.writing.Draft;
import fret.writing.Pen;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What stands over the strip while writing: the note values with their keys, what other keys do at
 * the pen, and what to do with a bar that is too long.
 */
final class WritingBanner extends VBox {
  private static final PseudoClass ON = PseudoClass.getPseudoClass("on");
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double SPACE = 3.6;

  /**
   * A note value that is written.
   *
   * @param glyph its drawn note, as the standard music font layout has it
   */
  private record Value(WritingKey key, int denominator, String glyph) {}

  private static final List<Value> VALUES =
      List.of(
          new Value(WritingKey.WHOLE, 1, "\uE1D2"),
          new Value(WritingKey.HALF, 2, "\uE1D3"),
          new Value(WritingKey.QUARTER, 4, "\uE1D5"),
          new Value(WritingKey.EIGHTH, 8, "\uE1D7"),
          new Value(WritingKey.SIXTEENTH, 16, "\uE1D9"),
          new Value(WritingKey.THIRTY_SECOND, 32, "\uE1DB"),
          new Value(WritingKey.SIXTY_FOURTH, 64, "\uE1DD"));

  private final WritingModel writing;
  private final Button write = new Button();
  private final HBox row = Parts.row(10);
  private final HBox pens = Parts.row(3);
  private final Label where = Parts.line("", "strong");
  private final Label hint = Parts.line(Sentences.of("writing.hint"), "quiet");
  private final FlowPane bar = new FlowPane(8, 4);
  private final TextField answer = new TextField();
  private final Map<WritingKey, Button> tiles = new LinkedHashMap<>();
  private final Runnable back;
  private Consumer<String> asked = t -> {};

  /**
   * @param runs a key of writing
   * @param toggle starts or ends writing
   * @param back gives the keys back to the music
   * @param beside what stands in the row while nothing is written
   */
  WritingBanner(
      WritingModel writing,
      Look look,
      Consumer<WritingKey> runs,
      Runnable toggle,
      Runnable back,
      Node... beside) {
    super(4);
    setAlignment(Pos.CENTER_LEFT);
    this.writing = writing;
    this.back = back;
    getStyleClass().add("writing");
    setId("writing-banner");
    write.setId("write");
    write.setOnAction(e -> toggle.run());
    write.setMinWidth(USE_PREF_SIZE);
    VALUES.forEach(v -> tiles.put(v.key(), tile(look, v.key(), v.glyph(), runs)));
    tiles.put(WritingKey.DOT, tile(look, WritingKey.DOT, "\uE1E7", runs));
    tiles.put(WritingKey.TUPLET, tile(look, WritingKey.TUPLET, "\uE883", runs));
    tiles.put(WritingKey.REST, tile(look, WritingKey.REST, "\uE4E5", runs));
    pens.getChildren().setAll(tiles.values());
    pens.setMinWidth(USE_PREF_SIZE);
    where.setMinWidth(USE_PREF_SIZE);
    answer.setId("writing-answer");
    answer.setPrefWidth(260);
    answer.setVisible(false);
    answer.managedProperty().bind(answer.visibleProperty());
    answer.setOnAction(e -> answered());
    answer.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            closeAnswer();
            e.consume();
          }
        });
    row.getChildren().add(write);
    row.getChildren().addAll(beside);
    row.getChildren().addAll(pens, where, hint, Parts.spring(), answer);
    bar.setAlignment(Pos.CENTER_LEFT);
    bar.setId("bar-cures");
    getChildren().addAll(row, bar);
    show(null);
  }

  private static Button tile(Look look, WritingKey key, String glyph, Consumer<WritingKey> runs) {
    Text note = new Text(glyph);
    note.setFont(look.font().atSpace(SPACE));
    note.getStyleClass().add("pen-note");
    Button tile = new Button(key.keys().getDisplayText(), note);
    tile.setContentDisplay(ContentDisplay.LEFT);
    tile.getStyleClass().addAll("small", "pen-value");
    tile.setId("pen-" + key.name());
    String words = Sentences.of(key.said());
    tile.setAccessibleText(words + ", " + key.keys().getDisplayText());
    tile.setTooltip(new Tooltip(words));
    tile.setFocusTraversable(false);
    tile.setOnAction(e -> runs.accept(key));
    return tile;
  }

  // ---- asking ----------------------------------------------------------------------------------

  /** Asks for a word or a number; what is answered goes to {@code then}. */
  void ask(String question, Consumer<String> then) {
    asked = then;
    answer.setPromptText(question);
    answer.setAccessibleText(question);
    answer.clear();
    answer.setVisible(true);
    answer.requestFocus();
  }

  private void answered() {
    Consumer<String> then = asked;
    String text = answer.getText();
    closeAnswer();
    then.accept(text);
  }

  private void closeAnswer() {
    answer.setVisible(false);
    back.run();
  }

  // ---- showing ---------------------------------------------------------------------------------

  /** Shows the pen of a draft; null while nothing is written. */
  void show(Draft now) {
    boolean on = now != null;
    pseudoClassStateChanged(ON, on);
    write.setText(Sentences.of(on ? "part.done" : "part.write"));
    for (Node n : List.of(pens, where, hint)) {
      n.setVisible(on);
      n.setManaged(on);
    }
    Fraction over = on ? BarCure.over(now) : Fraction.ZERO;
    bar.setVisible(over.signum() > 0);
    bar.setManaged(over.signum() > 0);
    if (!on) {
      return;
    }
    where.setText(where(now, over));
    tiles.forEach((key, tile) -> tile.pseudoClassStateChanged(CHOSEN, isChosen(key, now.pen())));
    if (over.signum() > 0) {
      showCures(now, over);
    }
  }

  /** What is said of the place where is written. */
  String spoken() {
    return where.getText();
  }

  private static String where(Draft now, Fraction over) {
    String pen = now.pen().grace() || now.pen().tuplet().isPresent() ? now.pen().displayName() : "";
    String at = Sentences.of("writing.bar", now.bar().number());
    String missing =
        over.signum() < 0 ? Sentences.of("writing.missing", length(over.negate())) : "";
    List<String> all = new ArrayList<>(List.of(at));
    List.of(missing, pen).stream().filter(t -> !t.isEmpty()).forEach(all::add);
    return String.join(", ", all);
  }

  private static boolean isChosen(WritingKey key, Pen pen) {
    return key == WritingKey.TUPLET && pen.tuplet().isPresent()
        || VALUES.stream()
            .anyMatch(v -> v.key() == key && v.denominator() == pen.value().denominator());
  }

  private void showCures(Draft now, Fraction over) {
    bar.getChildren()
        .setAll(
            Parts.line(
                Sentences.of("writing.too-long", now.bar().number(), length(over)), "warning"));
    List<BarCure> cures = BarCure.of(now);
    for (int i = 0; i < cures.size(); i++) {
      int which = i;
      String words = Sentences.of("writing.cure." + cures.get(i).kind());
      String key =
          i == 0
              ? WritingKey.CURE.keys().getDisplayText()
              : i == 1 ? WritingKey.OTHER_CURE.keys().getDisplayText() : "";
      Button b =
          Parts.button(
              key.isEmpty() ? words : Sentences.of("writing.cure", words, key),
              "cure-" + i,
              () -> writing.cure(which),
              "small");
      b.setFocusTraversable(false);
      bar.getChildren().add(b);
    }
  }

  /** A length as players say it: an eighth, a dotted quarter, else its share of a whole note. */
  private static String length(Fraction length) {
    return NoteValue.ofLength(length)
        .filter(v -> v.dots() <= 1)
        .flatMap(
            v -> Sentences.find("length." + v.denominator() + (v.dots() == 1 ? ".dotted" : "")))
        .orElseGet(() -> Sentences.of("length.share", length.toString().replace(" ", "")));
  }

  /** What stands at the pen, in words. */
  static String spoken(Event e) {
    return e.isRest()
        ? Sentences.of("writing.rest")
        : e.heads().stream()
            .map(h -> h.pitch().toString())
            .reduce((a, b) -> Sentences.of("writing.and", a, b))
            .orElse("");
  }
}
