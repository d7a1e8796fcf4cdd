package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import javafx.animation.PauseTransition;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.util.Duration;

/**
 * What was done, over the lower edge of the window while there is something to say: it takes no
 * room from what is below it, and goes when it was there to be read or another passage is open.
 */
final class StatusLine extends HBox {
  private static final double READ_S = 12;

  private final Studio studio;
  private final PauseTransition read = new PauseTransition(Duration.seconds(READ_S));
  private long passage = -1;

  StatusLine(Studio studio) {
    super(10);
    this.studio = studio;
    getStyleClass().add("status");
    setMouseTransparent(true);
    setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
    Label message = Parts.line("", "quiet");
    message.setId("message");
    message.textProperty().bind(studio.messageProperty());
    Label working = Parts.line("", "quiet");
    working
        .textProperty()
        .bind(
            Bindings.when(Bindings.greaterThan(studio.pendingProperty(), 0))
                .then(Sentences.of("main.working"))
                .otherwise(""));
    Label waiting = Parts.line("", "quiet");
    waiting.setId("not-stored-yet");
    waiting
        .textProperty()
        .bind(
            Bindings.when(Bindings.greaterThan(studio.notStoredProperty(), 0))
                .then(Sentences.of("main.not-stored"))
                .otherwise(""));
    getChildren().addAll(message, waiting, working);
    for (Label l : java.util.List.of(message, waiting, working)) {
      l.visibleProperty().bind(l.textProperty().isNotEmpty());
      l.managedProperty().bind(l.visibleProperty());
    }
    visibleProperty()
        .bind(
            message.visibleProperty().or(waiting.visibleProperty()).or(working.visibleProperty()));
    read.setOnFinished(e -> studio.tell(""));
    studio.messageProperty().addListener((o, before, now) -> said(now));
    studio.shownProperty().addListener(o -> another());
  }

  private void said(String now) {
    read.stop();
    passage = open();
    if (!now.isEmpty()) {
      read.playFromStart();
    }
  }

  private long open() {
    return studio.shown() == null ? -1 : studio.shown().passage().id();
  }

  /** What was said of one passage is not said under another. */
  private void another() {
    if (passage >= 0 && open() != passage) {
      studio.tell("");
    }
  }
}
