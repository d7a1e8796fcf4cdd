package fret.app.view;

import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.Studio;
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
  private final CheckBox lanes = new CheckBox("the hand lane under each line of the part");
  private final ComboBox<Page.Paper> size = new ComboBox<>();
  private final ImageView image = new ImageView();
  private final Label empty =
      Parts.label(
          "A photo or scan of the page can stand here, to type from. PNG, JPEG or PDF.", "quiet");
  private int page;
  private double zoom = 1;

  PaperPane(Studio studio) {
    this.studio = studio;
    size.getItems().setAll(Page.Paper.values());
    size.setValue(Page.Paper.A4);
    size.setId("paper-size");
    size.setConverter(Parts.named(p -> p == Page.Paper.A4 ? "A4" : "Letter"));
    image.setPreserveRatio(true);
    image.setId("page-picture");
  }

  /** Files and prints. */
  Node out() {
    lanes.setId("paper-lanes");
    lanes.setOnAction(e -> studio.paper().setWithLanes(lanes.isSelected()));
    return new VBox(
        12,
        Parts.flow(8, Parts.line("Paper"), size, lanes),
        row(
            "The part, with fingering, shift marks and chunks",
            button("Save PDF", PaperModel.Kind.PART_PDF),
            print(PaperModel.Kind.PART_PDF)),
        row(
            "A sheet to practise from, with ladder and drills",
            button("Save PDF", PaperModel.Kind.PRACTICE_PDF),
            print(PaperModel.Kind.PRACTICE_PDF)),
        row(
            "The bars asked for, as a picture",
            button("Save SVG", PaperModel.Kind.SVG),
            button("Save PNG", PaperModel.Kind.PNG)),
        row("As it sounds, repeats played out", button("Save MIDI", PaperModel.Kind.MIDI)),
        Parts.label(
            "Ctrl+S saves MusicXML with the fingering written into your own file.", "quiet"));
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
    return Parts.button("Print", "", () -> studio.paper().print(kind, size.getValue()), "small");
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
            Parts.button("Choose a picture", "choose-picture", this::choosePicture, "small"),
            Parts.button("Larger", "picture-larger", () -> scale(ZOOM_STEP), "small"),
            Parts.button("Smaller", "picture-smaller", () -> scale(1 / ZOOM_STEP), "small"),
            Parts.button("Page before", "picture-before", () -> turn(-1), "small"),
            Parts.button("Next page", "picture-next", () -> turn(1), "small")),
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
                "Pictures and PDF", "*.png", "*.jpg", "*.jpeg", "*.pdf"));
    Optional.ofNullable(chooser.showOpenDialog(size.getScene().getWindow())).ifPresent(this::take);
  }

  /** Keeps a file as the picture of the page. */
  void take(File file) {
    try {
      if (file.length() > LARGEST_PICTURE) {
        studio.report(
            new Problem(file.getName(), "The picture is larger than 30 MB.", "Make it smaller."));
        return;
      }
      page = 0;
      studio.paper().keepPicture(file.getName(), Files.readAllBytes(file.toPath()), this::show);
    } catch (IOException e) {
      studio.report(
          new Problem(file.getName(), "The file cannot be read.", "Check that it is there."));
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
