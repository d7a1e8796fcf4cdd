package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.session.NoteRange;
import fret.session.Session;
import java.util.Optional;
import javafx.scene.control.TextField;

/** A field at the head of the window that goes to a bar or a mark; it is there while asked for. */
final class GoTo extends TextField {
  private final Studio studio;
  private final Runnable after;

  /**
   * @param after gives the keys back
   */
  GoTo(Studio studio, Runnable after) {
    this.studio = studio;
    this.after = after;
    setId("go-to");
    setPrefWidth(130);
    setPromptText(Sentences.of("main.go-to"));
    setAccessibleText(Sentences.of("main.go-to"));
    setOnAction(e -> go());
    Parts.onEscape(this, this::close);
    PractiseView.shown(this, false);
  }

  void open() {
    if (studio.shown() != null && !studio.shown().resolved().notes().isEmpty()) {
      clear();
      PractiseView.shown(this, true);
      requestFocus();
    }
  }

  private void close() {
    PractiseView.shown(this, false);
    after.run();
  }

  private void go() {
    Session s = studio.shown();
    Optional<NoteRange> to = NoteRange.of(getText(), s.resolved());
    if (to.isPresent()) {
      studio.select(to.get().from());
      close();
    } else {
      boolean doubt = NoteRange.isInDoubt(getText(), s.resolved());
      studio.tell(Sentences.of(doubt ? "excerpts.doubt" : "main.go-to.none"));
    }
  }
}
