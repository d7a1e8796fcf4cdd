package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import java.util.Optional;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All takes of the passage: their names and notes, and what is done with them. */
final class TakeListPane extends Cards {
  private final Studio studio;
  private final TakesModel model;
  private final VBox rows = new VBox(10);

  TakeListPane(Studio studio, TakesModel model) {
    this.studio = studio;
    this.model = model;
    VBox card =
        Parts.card(
            Sentences.of("take.all"),
            Parts.label(Sentences.of("take.privacy"), "quiet"),
            Parts.scroll(rows));
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.takesProperty().addListener(o -> show());
    model.chosenProperty().addListener(o -> show());
    model.besideProperty().addListener(o -> show());
  }

  private void show() {
    rows.getChildren().clear();
    for (Take t : model.takesProperty().get()) {
      rows.getChildren().add(row(t));
    }
  }

  private VBox row(Take t) {
    TextField name = new TextField(t.name());
    name.setPrefWidth(200);
    name.setId("take-name-" + t.id());
    name.setAccessibleText(Sentences.of("take.rename"));
    Parts.onCommit(
        name,
        () -> {
          if (!name.getText().isBlank() && !name.getText().equals(t.name())) {
            model.change(t.named(name.getText().strip()));
          }
        });
    TextField note = new TextField(t.note());
    note.setPrefWidth(260);
    note.setPromptText(Sentences.of("take.note"));
    note.setAccessibleText(Sentences.of("take.note"));
    note.setId("take-note-" + t.id());
    Parts.onCommit(
        note,
        () -> {
          if (!note.getText().equals(t.note())) {
            model.change(t.noted(note.getText()));
          }
        });
    boolean beside = model.besideProperty().get().filter(c -> c.take().id() == t.id()).isPresent();
    FlowPane does =
        Parts.flow(
            8,
            name,
            note,
            Parts.button(
                Sentences.of("take.look"), "take-look-" + t.id(), () -> model.choose(t), "small"),
            Parts.button(
                Sentences.of(beside ? "take.no-beside" : "take.beside"),
                "take-beside-" + t.id(),
                () -> model.compare(t),
                "small"),
            Parts.button(
                Sentences.of(t.whose() == Whose.MODEL ? "take.is-own" : "take.is-model"),
                "take-whose-" + t.id(),
                () -> model.change(t.by(t.whose() == Whose.MODEL ? Whose.OWN : Whose.MODEL)),
                "small"),
            Parts.button(
                Sentences.of("take.delete"), "take-delete-" + t.id(), () -> delete(t), "small"));
    Label made = Parts.line(TakesView.name(t), "quiet");
    String whose = Sentences.of("take.whose." + t.whose());
    String more = model.isBaseline(t) ? whose + ". " + Sentences.of("take.baseline") : whose;
    return new VBox(4, does, Parts.row(12, made, Parts.line(more, "quiet")));
  }

  private void delete(Take t) {
    ButtonType delete = new ButtonType(Sentences.of("take.delete"));
    Alert alert =
        new Alert(
            Alert.AlertType.CONFIRMATION,
            Sentences.of("take.delete.sure", t.name()),
            delete,
            ButtonType.CANCEL);
    alert.initOwner(getScene().getWindow());
    alert.setHeaderText(null);
    Optional<ButtonType> answer = alert.showAndWait();
    if (answer.filter(delete::equals).isPresent()) {
      model.remove(t);
    } else {
      studio.tell(Sentences.of("take.stays", t.name()));
    }
  }
}
