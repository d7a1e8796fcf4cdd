package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.bowing.Stroke;
import fret.drill.BowDrillKind;
import fret.drill.BowDrills;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Drills of the bow for the selected notes, or for their strokes and the next ones. */
final class BowDrillPane extends Cards {
  /** Strokes that a drill is made of where one note is selected. */
  private static final int STROKES = 4;

  private final Studio studio;
  private final BowModel model;
  private final LeftHandModel selection;
  private final ShiftPane.Stand stand;
  private final StripView strip;
  private final Label purpose = Parts.label("", "plain");
  private final Label none = Parts.label(Sentences.of("bow.drill.none"), "quiet");
  private final Button practise;
  private final ListView<BowDrillKind> kinds = new ListView<>();
  private List<BowDrillKind> asked = List.of();
  private Optional<Score> shown = Optional.empty();

  BowDrillPane(
      Studio studio, BowModel model, LeftHandModel selection, Look look, ShiftPane.Stand stand) {
    this.studio = studio;
    this.model = model;
    this.selection = selection;
    this.stand = stand;
    this.strip = StripView.small(look, 8);
    practise =
        Parts.button(
            Sentences.of("shift.practise-it"), "practise-bow-drill", this::practise, "small");
    kinds.setId("bow-drills");
    kinds.setAccessibleText(Sentences.of("bow.drills"));
    kinds.setCellFactory(v -> new Named());
    kinds.getItems().setAll(BowDrillKind.values());
    kinds.getSelectionModel().select(0);
    kinds.getSelectionModel().selectedItemProperty().addListener(o -> show());
    VBox list = Parts.card("", kinds);
    VBox.setVgrow(kinds, Priority.ALWAYS);
    list.setPrefWidth(230);
    list.setMinWidth(190);
    VBox told = Parts.card("", purpose, practise);
    told.setPrefWidth(240);
    told.setMinWidth(190);
    VBox notes = Parts.card("", none, strip);
    VBox.setVgrow(strip, Priority.ALWAYS);
    HBox.setHgrow(notes, Priority.ALWAYS);
    for (VBox card : List.of(list, told, notes)) {
      card.setMinHeight(0);
      getChildren().add(card);
    }
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
    selection.anchorProperty().addListener(o -> show());
  }

  /** A drill; what the stretch asks for is marked. */
  private final class Named extends ListCell<BowDrillKind> {
    @Override
    protected void updateItem(BowDrillKind kind, boolean empty) {
      super.updateItem(kind, empty);
      String name = empty ? "" : Sentences.of("bow.drill." + kind);
      setText(asked.contains(kind) ? Sentences.of("bow.drill.asked", name) : name);
    }
  }

  private BowDrillKind kind() {
    BowDrillKind chosen = kinds.getSelectionModel().getSelectedItem();
    return chosen == null ? BowDrillKind.OPEN_STRINGS : chosen;
  }

  private void show() {
    Session s = studio.shown();
    int moment = model.moment();
    if (s == null || moment < 0) {
      return;
    }
    purpose.setText(Sentences.of("bow.drill." + kind() + ".how"));
    shown = drill(s, moment);
    none.setVisible(shown.isEmpty());
    none.setManaged(shown.isEmpty());
    practise.setDisable(shown.isEmpty());
    strip.setVisible(shown.isPresent());
    shown.ifPresent(
        d -> {
          ResolvedPassage resolved = Resolver.resolve(d);
          strip.show(StripView.Music.of(resolved, List.of()));
        });
  }

  private Optional<Score> drill(Session s, int moment) {
    int from = moment;
    int to = moment;
    if (selection.hasRange()) {
      from = s.resolved().notes().get(selection.firstSelected()).slice();
      to = s.resolved().notes().get(selection.lastSelected()).slice();
    } else {
      int index = s.bowing().indexAt(moment);
      if (index < 0) {
        return Optional.empty();
      }
      List<Stroke> strokes = s.bowing().strokes();
      from = strokes.get(index).fromMoment();
      to = strokes.get(Math.min(strokes.size() - 1, index + STROKES - 1)).toMoment();
    }
    asked = BowDrills.askedFor(s.bowing(), s.arm().report(), from, to);
    kinds.refresh();
    return BowDrills.notation(
        s.resolved(), s.bowing(), s.arm().report(), s.bowTask().instrument(), from, to, kind());
  }

  private void practise() {
    int moment = model.moment();
    shown.ifPresent(
        d ->
            stand.put(
                moment,
                Sentences.of(
                    "bow.drill.title",
                    Sentences.of("bow.drill." + kind()),
                    studio.shown().bowing().moments().get(moment).bar()),
                d));
  }
}
