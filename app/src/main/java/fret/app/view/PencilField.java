package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.session.Decisions;
import java.util.List;
import javafx.scene.control.TextField;

/** Where a word of one's own is typed that is pencilled over the selected note. */
final class PencilField extends TextField {
  private final Studio studio;
  private final LeftHandModel selection;

  /**
   * @param selection the notes over which words are written one after the other
   */
  PencilField(Studio studio, LeftHandModel selection) {
    this.studio = studio;
    this.selection = selection;
    showPrompt();
    selection.anchorProperty().addListener(o -> showPrompt());
    studio.selectedProperty().addListener(o -> showPrompt());
    setAccessibleText(Sentences.of("note.a-word-of"));
    Parts.onEscape(this, this::clear);
    setOnAction(
        e -> {
          String text = getText().strip();
          if (!text.isEmpty()) {
            write(text);
            clear();
          }
        });
  }

  private void showPrompt() {
    setPromptText(Sentences.of(selection.hasRange() ? "note.words" : "note.a-word"));
  }

  private void write(String text) {
    if (selection.hasRange()) {
      int from = selection.firstSelected();
      int to = selection.lastSelected();
      studio.decide(s -> Decisions.words(s, from, to, List.of(text.split("\\s+"))));
    } else {
      studio.decisions().toggle(ReminderLayer.REMINDER, Reminder.word(text));
    }
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
