package fret.app.view;

import fret.app.command.Shortcut;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;

/** All keys, made from the one table, in columns; while writing those of writing alone. */
final class KeysPage extends GridPane {
  private static final String WRITING = "Writing";

  /** Places in the order in which they are told; any other comes after them. */
  private static final List<String> ORDER =
      List.of("Everywhere", "Strip", "Left hand", "Part", "Practise");

  private int column;
  private int row;

  KeysPage() {
    getStyleClass().setAll("help");
    setHgap(16);
    setVgap(2);
    setMaxHeight(Region.USE_PREF_SIZE);
  }

  /** Shows the keys that count now. */
  void fill(boolean writing) {
    getChildren().clear();
    column = 0;
    row = 0;
    int rows = writing ? 26 : 24;
    for (String place : writing ? List.of(WRITING) : places()) {
      startNear(rows - 2);
      add(Parts.line(place, "card-title"), column, row++, 2, 1);
      for (Shortcut s : Shortcut.in(place)) {
        if (!isToldByAnother(s)) {
          startNear(rows);
          add(unclipped(Parts.line(keys(s), "figure")), column, row);
          add(unclipped(Parts.line(text(s), "plain")), column + 1, row++);
        }
      }
    }
  }

  private static List<String> places() {
    List<String> all = Stream.of(Shortcut.values()).map(Shortcut::place).distinct().toList();
    return Stream.concat(ORDER.stream(), all.stream().filter(p -> !ORDER.contains(p)))
        .filter(p -> !p.equals(WRITING))
        .toList();
  }

  /** Goes to the next column when this one is full. */
  private void startNear(int end) {
    if (row >= end) {
      column += 2;
      row = 0;
    }
  }

  /** One line stands for all letters, and one for all fingers. */
  private static boolean isToldByAnother(Shortcut s) {
    return s.name().matches("W_(NOTE|CHORD)_[B-G]") || s.name().matches("W_FINGER_[1-4]");
  }

  private static String keys(Shortcut s) {
    String keys = s.keys().getDisplayText();
    if (s.name().matches("W_(NOTE|CHORD)_A")) {
      return keys + "-G";
    }
    return s == Shortcut.W_FINGER_0 ? keys + "-4" : keys;
  }

  private static String text(Shortcut s) {
    return s == Shortcut.W_FINGER_0
        ? "Printed finger"
        : s.name().matches("W_(NOTE|CHORD)_A")
            ? s.text().replace("Note A", "A note").replace("Add A", "Add a note")
            : s.text();
  }

  private static Label unclipped(Label label) {
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }
}
