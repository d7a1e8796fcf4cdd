package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.intonation.Check;
import fret.intonation.Tuned;
import fret.score.SoundingNote;
import fret.session.Session;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The neighbours that can be held as double stops: how many there are, and each of them. */
final class PairsPane extends Cards {
  private final Studio studio;
  private final Label count = Parts.label("", "plain");
  private final ListView<Tuned.Pair> list = new ListView<>();
  private final TuningModel model;

  PairsPane(Studio studio, TuningModel model) {
    this.studio = studio;
    this.model = model;
    list.setId("pairs");
    list.setCellFactory(v -> new Cell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, pair) -> {
              if (pair != null) {
                studio.select(pair.second());
              }
            });
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox card = Parts.card(Sentences.of("tuning.pairs"), count, list);
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.tunedProperty().addListener(o -> show());
  }

  private void show() {
    Optional<Tuned> tuned = model.tunedProperty().get();
    list.getItems().setAll(tuned.map(Tuned::pairs).orElse(java.util.List.of()));
    count.setText(Sentences.of("tuning.pairs.count", list.getItems().size()));
  }

  private final class Cell extends ListCell<Tuned.Pair> {
    @Override
    protected void updateItem(Tuned.Pair pair, boolean empty) {
      super.updateItem(pair, empty);
      setText(empty || pair == null || studio.shown() == null ? "" : text(pair));
    }

    private String text(Tuned.Pair pair) {
      Session s = studio.shown();
      if (pair.second() >= s.resolved().notes().size()) {
        return "";
      }
      SoundingNote a = s.resolved().notes().get(pair.first());
      SoundingNote b = s.resolved().notes().get(pair.second());
      String sounds =
          model
              .tunedProperty()
              .get()
              .flatMap(t -> t.notes().get(pair.second()))
              .flatMap(
                  p ->
                      p.checks().stream()
                          .filter(c -> c.kind() == Check.Kind.NEIGHBOUR)
                          .filter(c -> c.against().equals(a.pitch()))
                          .findFirst())
              .map(c -> Sentences.of("tuning.pair.rings", c.ratio(), Words.shown("%+.1f", c.mm())))
              .orElse(Sentences.of("tuning.pair.rough"));
      return Sentences.of("tuning.pair", b.bar(), a.pitch(), b.pitch(), sounds);
    }
  }
}
