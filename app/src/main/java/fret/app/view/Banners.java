package fret.app.view;

import fret.app.viewmodel.Asking;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.work.Storing;
import fret.base.Problem;
import fret.shelf.StoreFailure;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What stands above every area until it is answered or mended: trouble, questions, refusals. */
final class Banners extends VBox {
  private final Studio studio;

  Banners(Studio studio) {
    super(4);
    this.studio = studio;
    studio.errorProperty().addListener(o -> show());
    studio.asking().askedProperty().addListener(o -> show());
    studio.troubleProperty().addListener(o -> show());
    show();
  }

  private void show() {
    getChildren().clear();
    studio.troubleProperty().get().ifPresent(t -> getChildren().add(trouble(t)));
    studio.asking().askedProperty().get().ifPresent(q -> getChildren().add(question(q)));
    Problem p = studio.errorProperty().get();
    if (p != null) {
      getChildren()
          .add(
              error(
                  Sentences.of(p),
                  "error",
                  Parts.button(Sentences.of("main.close"), "close-error", studio::dismissError)));
    }
  }

  private HBox question(Asking.Question q) {
    HBox row = Parts.row(12, Parts.label(Sentences.of(q.words()), "question-text"), Parts.spring());
    for (int i = 0; i < q.answers().size(); i++) {
      int which = i;
      row.getChildren()
          .add(
              Parts.button(
                  Sentences.of(q.answers().get(i).words()),
                  "answer-" + i,
                  () -> studio.asking().answer(which)));
    }
    row.getStyleClass().add("question");
    row.setId("question");
    return row;
  }

  private HBox trouble(Storing.Trouble t) {
    StoreFailure.Cause why = t.failure().why();
    String text =
        Sentences.of("store." + why)
            + " "
            + Sentences.of(t.waiting() == 1 ? "store.last" : "store.some")
            + " "
            + Sentences.of(why == StoreFailure.Cause.GONE ? "store.do.GONE" : "store.do");
    return error(
        text,
        "not-stored",
        Parts.button(Sentences.of("store.again"), "store-again", studio::storeAgain),
        Parts.button(Sentences.of("store.give-up"), "store-give-up", studio::giveUpUnstored));
  }

  private static HBox error(String text, String id, Node... buttons) {
    HBox row = Parts.row(12, Parts.label(text, "error-text"), Parts.spring());
    row.getChildren().addAll(buttons);
    row.getStyleClass().add("error");
    row.setId(id);
    return row;
  }
}
