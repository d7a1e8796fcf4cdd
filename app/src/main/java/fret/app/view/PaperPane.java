package fret.app.view;

import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.engraving.Page;
import fret.session.MarkedFileWriter.Proposed;
import java.io.File;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What goes out on paper. */
final class PaperPane {
  private final Studio studio;
  private final FileDesk files;
  private final CheckBox lanes = new CheckBox(Sentences.of("paper.the-hand"));
  private final CheckBox proposed = new CheckBox(Sentences.of("paper.proposed"));
  private final CheckBox strings = new CheckBox(Sentences.of("paper.strings"));
  private final ComboBox<Page.Paper> size = new ComboBox<>();

  PaperPane(Studio studio, FileDesk files) {
    this.studio = studio;
    this.files = files;
    size.getItems().setAll(Page.Paper.values());
    size.setValue(Page.Paper.A4);
    size.setId("paper-size");
    size.setConverter(Parts.named(p -> p == Page.Paper.A4 ? "A4" : Sentences.of("paper.letter")));
  }

  /** Files and prints. */
  Node out() {
    lanes.setId("paper-lanes");
    proposed.setId("paper-proposed");
    strings.setId("paper-strings");
    strings.disableProperty().bind(proposed.selectedProperty().not());
    proposed.setOnAction(e -> choose());
    strings.setOnAction(e -> choose());
    lanes.setOnAction(e -> studio.paper().setWithLanes(lanes.isSelected()));
    return new VBox(
        12,
        Parts.flow(8, Parts.line(Sentences.of("paper.paper")), size, lanes, proposed, strings),
        row(
            Sentences.of("paper.the-part"),
            button("Save PDF", PaperModel.Kind.PART_PDF),
            print(PaperModel.Kind.PART_PDF)),
        row(
            Sentences.of("paper.a-sheet"),
            button("Save PDF", PaperModel.Kind.PRACTICE_PDF),
            print(PaperModel.Kind.PRACTICE_PDF)),
        row(
            Sentences.of("paper.the-bars"),
            button("Save SVG", PaperModel.Kind.SVG),
            button("Save PNG", PaperModel.Kind.PNG)),
        row(Sentences.of("paper.as-it"), button("Save MIDI", PaperModel.Kind.MIDI)),
        Parts.label(Sentences.of("paper.ctrl-s"), "quiet"));
  }

  private void choose() {
    studio
        .paper()
        .setWithProposed(
            !proposed.isSelected()
                ? Proposed.LEFT_OUT
                : strings.isSelected() ? Proposed.EVERY_STRING : Proposed.MARKED);
  }

  private static HBox row(String text, Node... buttons) {
    Label label = Parts.label(text);
    label.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(label, Priority.ALWAYS);
    HBox row = Parts.row(8, label);
    row.getChildren().addAll(buttons);
    return row;
  }

  private Node button(String text, PaperModel.Kind kind) {
    return Parts.button(
        text,
        "save-" + kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
        () -> choose(kind),
        "small");
  }

  private Node print(PaperModel.Kind kind) {
    return Parts.button(
        Sentences.of("paper.print"),
        "",
        () -> studio.paper().print(kind, size.getValue()),
        "small");
  }

  private void choose(PaperModel.Kind kind) {
    if (studio.shown() == null) {
      return;
    }
    files
        .askWhereTo("", studio.paper().nameBeside() + " " + kind.ending())
        .ifPresent(f -> save(kind, f));
  }

  /** Makes a file and writes it. */
  void save(PaperModel.Kind kind, File file) {
    studio.paper().make(kind, size.getValue(), bytes -> write(file, bytes));
  }

  /** Writes a file, and says so or why not. */
  void write(File file, byte[] bytes) {
    studio.paper().write(file.toPath(), bytes);
  }
}
