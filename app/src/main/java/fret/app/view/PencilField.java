package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import javafx.scene.control.TextField;

/** Where a word of one's own is typed that is pencilled over the selected note. */
final class PencilField extends TextField {
  private final Studio studio;

  PencilField(Studio studio) {
    this.studio = studio;
    setPromptText(Sentences.of("note.a-word"));
    setAccessibleText(Sentences.of("note.a-word-of"));
    Parts.onEscape(this, this::clear);
    setOnAction(
        e -> {
          String text = getText().strip();
          if (!text.isEmpty()) {
            studio.decisions().toggle(ReminderLayer.REMINDER, Reminder.word(text));
            clear();
          }
        });
  }

  /** Begins with the word that stands there. */
  void type() {
    int note = studio.selectedProperty().get();
    boolean any = studio.shown() != null && note >= 0;
    setText(
        any ? studio.shown().at(ReminderLayer.REMINDER, note).map(Reminder::text).orElse("") : "");
    requestFocus();
  }
}
