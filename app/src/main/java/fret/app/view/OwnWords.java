package fret.app.view;

import fret.app.words.Sentences;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** A sentence that the player may put into words of their own: read whole, typed on request. */
final class OwnWords extends HBox {
  private final Supplier<String> words;
  private final UnaryOperator<String> keep;
  private final Label told = Parts.label("");
  private final Button change;

  /**
   * @param words as they stand
   * @param keep stores other words and gives those that stand then
   */
  OwnWords(String id, String about, Supplier<String> words, UnaryOperator<String> keep) {
    super(6);
    this.words = words;
    this.keep = keep;
    this.change = Parts.button(Sentences.of("own-words"), id, () -> type(about), "small");
    change.setAccessibleText(about);
    change.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(told, Priority.ALWAYS);
    told.setMaxWidth(Double.MAX_VALUE);
    read();
  }

  private void read() {
    told.setText(words.get());
    getChildren().setAll(told, change);
  }

  private void type(String about) {
    TextField field = new TextField(words.get());
    field.setAccessibleText(about);
    HBox.setHgrow(field, Priority.ALWAYS);
    getChildren().setAll(field);
    field.requestFocus();
    Parts.onCommit(field, () -> done(field));
  }

  /** Once: by Enter, or by leaving the field. */
  private void done(TextField field) {
    if (getChildren().contains(field)) {
      told.setText(keep.apply(field.getText()));
      read();
    }
  }
}
