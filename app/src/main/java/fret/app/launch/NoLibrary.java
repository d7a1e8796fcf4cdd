package fret.app.launch;

import fret.app.words.Sentences;
import fret.shelf.StoreFailure;
import fret.store.LibraryFile;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Stage;

/** What the window shows when a library cannot be opened: why, where, and what can be done. */
final class NoLibrary extends VBox {
  private final Path file;
  private final Label said = new Label();

  /**
   * @param open tries a library, which may be the same
   * @param share opens the library although another window has it
   */
  NoLibrary(Stage stage, Path file, StoreFailure why, Consumer<Path> open, Runnable share) {
    super(14);
    this.file = file;
    getStyleClass().addAll("fret", "no-library");
    setPadding(new Insets(48));
    setId("no-library");
    Label title = label(Sentences.of("store." + why.why()), "title");
    Label where = label(Sentences.of("store.open.where", file.toAbsolutePath()), "quiet");
    where.setId("no-library-folder");
    Label next = label(Sentences.of("store.open.do." + why.why()), "lead");
    FlowPane buttons = new FlowPane(10, 10);
    if (why.why() == StoreFailure.Cause.IN_USE) {
      buttons.getChildren().add(button("store.open.share", "no-library-share", share));
    }
    buttons
        .getChildren()
        .addAll(
            button("store.open.again", "no-library-again", () -> open.accept(file)),
            button("store.open.other", "no-library-other", () -> choose(stage, open)));
    getChildren().addAll(title, where, next, buttons, said);
    List<Path> copies = LibraryFile.copies(file);
    if (why.why() == StoreFailure.Cause.DAMAGED && !copies.isEmpty()) {
      Path newest = copies.get(0);
      getChildren().add(label(Sentences.of("store.open.copy", newest, date(newest)), "quiet"));
      buttons
          .getChildren()
          .add(0, button("store.open.restore", "no-library-restore", () -> restore(newest, open)));
    }
    said.getStyleClass().add("problem");
    said.setWrapText(true);
  }

  private static String date(Path copy) {
    return DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
        .format(Instant.ofEpochMilli(copy.toFile().lastModified()).atZone(ZoneId.systemDefault()));
  }

  private static Label label(String text, String style) {
    Label label = new Label(text);
    label.setWrapText(true);
    label.getStyleClass().add(style);
    return label;
  }

  private static Button button(String words, String id, Runnable action) {
    Button button = new Button(Sentences.of(words));
    button.setId(id);
    button.setOnAction(e -> action.run());
    return button;
  }

  private void choose(Stage stage, Consumer<Path> open) {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(Sentences.of("store.open.other"));
    File folder = chooser.showDialog(stage);
    if (folder != null) {
      open.accept(folder.toPath().resolve(file.getFileName()));
    }
  }

  private void restore(Path copy, Consumer<Path> open) {
    try {
      LibraryFile.restore(file, copy);
      open.accept(file);
    } catch (IOException e) {
      said.setText(Sentences.of("store.open.not-restored", String.valueOf(e.getMessage())));
    }
  }
}
