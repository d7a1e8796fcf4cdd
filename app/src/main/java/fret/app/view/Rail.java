package fret.app.view;

import fret.app.viewmodel.Preferences;
import fret.app.words.Sentences;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;

/**
 * The areas by name. What an area answers stands under its name until it was opened three times;
 * then it stands at the head of the area alone.
 */
final class Rail extends VBox {
  /** A lower rail has its names alone, in px. */
  private static final double ROOM_FOR_QUESTIONS = 690;

  private static final double USUAL = 112;
  private static final double WIDE = 124;
  private static final double WIDE_WINDOW = 1600;
  private static final double QUESTION = 92;
  private static final int KNOWN = 3;

  private final Preferences preferences;
  private final List<Area> areas;
  private double least = ROOM_FOR_QUESTIONS;
  private final Map<Area, Button> buttons = new LinkedHashMap<>();
  private final Map<Area, Text> questions = new LinkedHashMap<>();

  /**
   * @param go opens the area of an id
   * @param help shows all keys
   */
  Rail(List<Area> areas, Preferences preferences, Consumer<String> go, Runnable help) {
    super(4);
    this.preferences = preferences;
    this.areas = areas;
    getStyleClass().add("side");
    getChildren().add(Parts.line("Fret", "brand"));
    for (Area area : areas) {
      Button b = Parts.button("", "area-" + area.id(), () -> go.accept(area.id()), "area");
      Text question = new Text(area.question());
      question.getStyleClass().add("area-question");
      question.setWrappingWidth(QUESTION);
      b.setGraphic(new VBox(1, Parts.line(area.title(), "area-title"), question));
      b.setAccessibleText(area.title() + ": " + area.question());
      b.setMaxWidth(Double.MAX_VALUE);
      buttons.put(area, b);
      questions.put(area, question);
      getChildren().add(b);
      ask(area);
    }
    getChildren().add(Parts.spring());
    getChildren().add(Parts.button(Sentences.of("main.all-keys"), "help", help, "link"));
    fit(0, 1);
    heightProperty().addListener(o -> areas.forEach(this::ask));
  }

  private void ask(Area area) {
    boolean fits = getHeight() == 0 || getHeight() >= least;
    boolean asked = fits && preferences.timesOpened(area.id()) < KNOWN;
    questions.get(area).setVisible(asked);
    questions.get(area).setManaged(asked);
  }

  /** An area was opened. */
  void opened(Area area) {
    preferences.putTimesOpened(area.id(), Math.min(KNOWN, preferences.timesOpened(area.id()) + 1));
    ask(area);
    buttons.forEach(
        (a, b) -> b.pseudoClassStateChanged(PseudoClass.getPseudoClass("current"), a.equals(area)));
  }

  /**
   * Fits it to a window of so many px.
   *
   * @param letters how large they are against the usual size
   */
  void fit(double window, double letters) {
    double width = (window < WIDE_WINDOW ? USUAL : WIDE) * letters;
    questions.values().forEach(q -> q.setWrappingWidth(QUESTION * letters));
    least = ROOM_FOR_QUESTIONS * letters;
    areas.forEach(this::ask);
    setMinWidth(width);
    setPrefWidth(width);
    setMaxWidth(width);
  }
}
