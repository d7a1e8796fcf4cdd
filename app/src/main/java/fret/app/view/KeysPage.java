package fret.app.view;

import fret.app.command.Action;
import fret.app.words.Sentences;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;

/** All keys that count now, made from the actions themselves, in columns. */
final class KeysPage extends GridPane {
  private static final int ROWS = 27;

  private int column;
  private int row;

  KeysPage() {
    getStyleClass().setAll("help");
    setId("keys-page");
    setHgap(16);
    setVgap(2);
    setMaxHeight(Region.USE_PREF_SIZE);
    setMaxWidth(Region.USE_PREF_SIZE);
  }

  /** Shows actions by their place, in the order in which they come. */
  void fill(List<Action> actions) {
    getChildren().clear();
    column = 0;
    row = 0;
    Map<String, List<Action>> places = new LinkedHashMap<>();
    actions.forEach(
        a -> places.computeIfAbsent(a.place(), p -> new java.util.ArrayList<>()).add(a));
    places.forEach(
        (place, all) -> {
          startNear(ROWS - 2);
          add(Parts.line(title(place), "card-title"), column, row++, 2, 1);
          all.stream().filter(a -> !isToldByAnother(a)).forEach(this::line);
        });
  }

  private static String title(String place) {
    return Sentences.ids().contains("place." + place)
        ? Sentences.of("place." + place)
        : Sentences.of("area." + place);
  }

  private void line(Action a) {
    startNear(ROWS);
    add(unclipped(Parts.line(keys(a), "figure")), column, row);
    add(unclipped(Parts.line(text(a), "plain")), column + 1, row++);
  }

  /** Goes to the next column when this one is full. */
  private void startNear(int end) {
    if (row >= end) {
      column += 2;
      row = 0;
    }
  }

  /** One line stands for all letters, and one for all fingers. */
  private static boolean isToldByAnother(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().matches("(NOTE|CHORD)_[B-G]|FINGER_[1-4]");
  }

  private static boolean isLetter(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().matches("(NOTE|CHORD)_A");
  }

  private static boolean isFinger(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().equals("FINGER_0");
  }

  private static String keys(Action a) {
    String keys = a.keys().getDisplayText();
    return isLetter(a) ? keys + "-G" : isFinger(a) ? keys + "-4" : keys;
  }

  private static String text(Action a) {
    return isFinger(a) || isLetter(a) ? Sentences.of("keys.all." + a.id()) : a.words();
  }

  private static Label unclipped(Label label) {
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }
}
