package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.fingering.FingerAhead;
import fret.instrument.Instrument;
import fret.session.Session;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The finger before the bow: what must be down on the next string, from when on, and how long. */
final class CrossingPane extends Cards {
  private final Studio studio;
  private final LeftHandModel model;
  private final ListView<FingerAhead> list = new ListView<>();

  CrossingPane(Studio studio, LeftHandModel model) {
    this.studio = studio;
    this.model = model;
    list.setId("crossings");
    list.setPlaceholder(Parts.label(Sentences.of("crossing.no-crossing"), "quiet"));
    list.setCellFactory(v -> new Cell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, c) -> {
              if (c != null) {
                studio.select(c.note());
              }
            });
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox card =
        Parts.card(
            Sentences.of("crossing.the-finger"),
            Parts.label(Sentences.of("crossing.at-each"), "quiet"),
            list);
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    studio.shownProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
  }

  private void show() {
    Session b = studio.shown();
    if (b != null) {
      list.getItems().setAll(FingerAhead.of(b.task(), model.shown()));
    }
  }

  private final class Cell extends ListCell<FingerAhead> {
    @Override
    protected void updateItem(FingerAhead c, boolean empty) {
      super.updateItem(c, empty);
      setText(empty || c == null ? "" : text(c));
    }

    private String text(FingerAhead c) {
      Session b = studio.shown();
      Instrument on = b.task().hand().instrument();
      var note = b.resolved().notes().get(c.note());
      String when;
      if (c.timeMs() == 0) {
        when = Sentences.of("crossing.no-time");
      } else {
        var free = b.resolved().slices().get(c.freeFromSlice()).starting().get(0);
        when =
            Sentences.of(
                "crossing.when", Math.round(c.timeMs()), b.resolved().notes().get(free).pitch());
      }
      return Sentences.of(
          "crossing.row",
          note.bar(),
          on.stringName(c.fromString()),
          on.stringName(c.string()),
          note.pitch(),
          c.finger().digit(),
          when);
    }
  }
}
