package fret.app.view;

import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.engraving.Page;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** What goes out on paper, and the photo or scan of the page that came in on it. */
final class PaperPane {
  private static final long LARGEST_PICTURE = 30_000_000;
  private static final double ZOOM_STEP = 1.25;

  private final Studio studio;
  private final CheckBox lanes = new CheckBox(Sentences.of("paper.the-hand"));
  private final ComboBox<Page.Paper> size = new ComboBox<>();
  private final ImageView image = new ImageView();
  private final Label empty = Parts.label(Sentences.of("paper.a-photo"), "quiet");
  private int page;
  private double zoom = 1;

  PaperPane(Studio studio) {
    this.studio = studio;
    size.getItems().setAll(Page.Paper.values());
    size.setValue(Page.Paper.A4);
    size.setId("paper-size");
    size.setConverter(Parts.named(p -> p == Page.Paper.A4 ? "A4" : Sentences.of("paper.letter")));
    image.setPreserveRatio(true);
    image.setId("page-picture");
  }

  /** Files and prints. */
  Node out() {
    lanes.setId("paper-lanes");
    lanes.setOnAction(e -> studio.paper().setWithLanes(lanes.isSelected()));
    return new VBox(
        12,
        Parts.flow(8, Parts.line(Sentences.of("paper.paper")), size, lanes),
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
    FileChooser chooser = new FileChooser();
    chooser.setInitialFileName(studio.session().passage().settings().title() + " " + kind.ending());
    Optional.ofNullable(chooser.showSaveDialog(size.getScene().getWindow()))
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

  /** The photo or scan. */
  Node picture() {
    ScrollPane scroll = new ScrollPane(image);
    scroll.getStyleClass().add("plain-scroll");
    scroll.setPannable(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    return new VBox(
        8,
        Parts.flow(
            8,
            Parts.button(
                Sentences.of("paper.choose-a"), "choose-picture", this::choosePicture, "small"),
            Parts.button(
                Sentences.of("paper.larger"), "picture-larger", () -> scale(ZOOM_STEP), "small"),
            Parts.button(
                Sentences.of("paper.smaller"),
                "picture-smaller",
                () -> scale(1 / ZOOM_STEP),
                "small"),
            Parts.button(
                Sentences.of("paper.page-before"), "picture-before", () -> turn(-1), "small"),
            Parts.button(Sentences.of("paper.next-page"), "picture-next", () -> turn(1), "small")),
        empty,
        scroll);
  }

  private void choosePicture() {
    if (studio.session() == null) {
      return;
    }
    FileChooser chooser = new FileChooser();
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                Sentences.of("paper.pictures-and"), "*.png", "*.jpg", "*.jpeg", "*.pdf"));
    Optional.ofNullable(chooser.showOpenDialog(size.getScene().getWindow())).ifPresent(this::take);
  }

  /** Keeps a file as the picture of the page. */
  void take(File file) {
    try {
      if (file.length() > LARGEST_PICTURE) {
        studio.report(
            new Problem(
                file.getName(), Sentences.of("paper.the-picture"), Sentences.of("paper.make-it")));
        return;
      }
      page = 0;
      studio.paper().keepPicture(file.getName(), Files.readAllBytes(file.toPath()), this::show);
    } catch (IOException e) {
      studio.report(
          new Problem(
              file.getName(), Sentences.of("paper.the-file"), Sentences.of("paper.check-that")));
    }
  }

  /** Another passage was opened. */
  void opened() {
    page = 0;
    studio.paper().picture(0, this::show);
  }

  private void turn(int by) {
    int wanted = Math.max(0, page + by);
    studio
        .paper()
        .picture(
            wanted,
            png -> {
              page = wanted;
              show(png);
            });
  }

  private void scale(double by) {
    zoom = Math.max(0.2, Math.min(5, zoom * by));
    fit();
  }

  private void fit() {
    if (image.getImage() != null) {
      image.setFitWidth(image.getImage().getWidth() * zoom);
    }
  }

  private void show(byte[] png) {
    boolean any = png.length > 0;
    empty.setVisible(!any);
    empty.setManaged(!any);
    image.setImage(any ? new Image(new ByteArrayInputStream(png)) : null);
    fit();
  }
}
