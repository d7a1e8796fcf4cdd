package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.passage.Reading;
import fret.passage.ScoreReader.PartChoice;
import fret.score.Divided;
import fret.score.Resolver;
import fret.score.Score;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Asks which part of a file is meant, and which bars, with a look at its notes. */
final class PickPart extends VBox {
  private final Studio studio;
  private final String name;
  private final byte[] bytes;
  private final Runnable close;
  private final StripView preview;
  private final ListView<PartChoice> list = new ListView<>();
  private final TextField from = new TextField();
  private final TextField to = new TextField();
  private Score shown;

  PickPart(
      Studio studio, Look look, String name, byte[] bytes, List<PartChoice> parts, Runnable close) {
    this.studio = studio;
    this.name = name;
    this.bytes = bytes;
    this.close = close;
    preview = StripView.small(look, 8);
    getStyleClass().add("picker");
    setId("pick-part");
    list.getItems().setAll(parts);
    list.setId("parts");
    list.setCellFactory(v -> new PartCell());
    list.getSelectionModel().selectedItemProperty().addListener((o, before, part) -> look(part));
    list.setPrefHeight(260);
    VBox.setVgrow(list, Priority.ALWAYS);
    from.setPrefWidth(80);
    to.setPrefWidth(80);
    from.setId("pick-from");
    to.setId("pick-to");
    from.setPromptText("first");
    to.setPromptText("last");
    HBox bars =
        Parts.row(
            10,
            Parts.line(Sentences.of("pick.bars")),
            from,
            Parts.line(Sentences.of("pick.to"), "quiet"),
            to);
    HBox buttons =
        Parts.row(
            10,
            bars,
            Parts.spring(),
            Parts.button(Sentences.of("pick.cancel"), "pick-cancel", close),
            Parts.button(Sentences.of("pick.open-this"), "pick-open", this::take, "primary"));
    getChildren()
        .add(
            Parts.page(
                Parts.line(Sentences.of("pick.which", name), "title"), list, preview, buttons));
    list.getSelectionModel().select(0);
  }

  private void look(PartChoice part) {
    if (part != null) {
      studio.preview(name, bytes, part.id(), this::show);
    }
  }

  private void show(Score score) {
    shown = score;
    preview.show(StripView.Music.of(Resolver.resolve(score), List.of()));
  }

  private void take() {
    PartChoice part = list.getSelectionModel().getSelectedItem();
    if (part == null || shown == null) {
      return;
    }
    Optional<String> wrong =
        List.of(from.getText().trim(), to.getText().trim()).stream()
            .filter(n -> !n.isEmpty() && shown.barNumbered(n).isEmpty())
            .findFirst();
    if (wrong.isPresent()) {
      studio.report(
          new Problem(Said.words(name), Said.of("no.bar", wrong.get()), Said.of("pick.leave-the")));
      return;
    }
    Reading reading =
        new Reading(false, Divided.UNDECIDED, from.getText().trim(), to.getText().trim(), 0);
    studio.importFile(name, bytes, part.id(), reading);
    close.run();
  }

  private static final class PartCell extends javafx.scene.control.ListCell<PartChoice> {
    @Override
    protected void updateItem(PartChoice part, boolean empty) {
      super.updateItem(part, empty);
      setText(
          empty || part == null
              ? ""
              : Sentences.of(
                  part.name().isEmpty() ? "pick.part.nameless" : "pick.part",
                  part.name().isEmpty() ? part.id() : part.name(),
                  part.bars()));
    }
  }
}
