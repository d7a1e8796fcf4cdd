package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

/** Files that are asked for, read and saved; what cannot be read is told. */
final class FileDesk {
  /** What a file is taken for. */
  enum Sort {
    PART(40_000_000, "*.musicxml", "*.xml", "*.mxl", "*.mid", "*.midi", "*.abc"),
    /** A photo or scan of a page. */
    PICTURE(30_000_000, "*.png", "*.jpg", "*.jpeg", "*.pdf"),
    TABLE(50_000_000, "*.csv", "*.json"),
    /** A recording: ten minutes at the finest that is usual. */
    RECORDING(
        400_000_000,
        "*.wav",
        "*.wave",
        "*.flac",
        "*.ogg",
        "*.oga",
        "*.opus",
        "*.mp3",
        "*.m4a",
        "*.mp4",
        "*.aac",
        "*.aif",
        "*.aiff");

    private final long largest;
    private final List<String> endings;

    Sort(long largest, String... endings) {
      this.largest = largest;
      this.endings = List.of(endings);
    }

    /** Whether a file has an ending of the sort. */
    boolean has(File file) {
      String name = file.getName().toLowerCase(Locale.ROOT);
      return endings.stream().anyMatch(e -> name.endsWith(e.substring(1)));
    }

    private ExtensionFilter filter() {
      return new ExtensionFilter(Sentences.of("file.sort." + this), endings);
    }
  }

  private final Studio studio;
  private final Supplier<Window> window;

  FileDesk(Studio studio, Supplier<Window> window) {
    this.studio = studio;
    this.window = window;
  }

  /** Asks for a file of some sorts. */
  Optional<File> ask(String title, Sort... sorts) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    studio.paper().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    for (Sort s : sorts) {
      chooser.getExtensionFilters().add(s.filter());
    }
    return Optional.ofNullable(chooser.showOpenDialog(window.get()));
  }

  /** Asks where to put a file: first beside the one that the open passage came from. */
  Optional<File> askWhereTo(String title, String name) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    studio.paper().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    chooser.setInitialFileName(name);
    return Optional.ofNullable(chooser.showSaveDialog(window.get()));
  }

  /** A name for a copy of the open passage that nothing beside it has yet. */
  String copyName() {
    String beside = studio.paper().nameBeside();
    String name = Sentences.of("file.copy", beside);
    Optional<Path> folder = studio.paper().folder();
    for (int n = 2; folder.isPresent() && Files.exists(folder.get().resolve(name)); n++) {
      name = Sentences.of("file.copy.next", beside, n);
    }
    return name;
  }

  /** Writes a file where the player says. */
  void save(String name, byte[] bytes) {
    askWhereTo("", name).ifPresent(f -> studio.paper().write(f.toPath(), bytes));
  }

  /** What a file holds; one that is too large is not read. */
  Optional<byte[]> bytes(File file, Sort sort) {
    try {
      if (file.length() > sort.largest) {
        studio.report(
            new Problem(
                Said.words(file.getName()),
                Said.of("file.large", sort.largest / 1_000_000),
                Said.of("file.large." + sort)));
        return Optional.empty();
      }
      return Optional.of(Files.readAllBytes(file.toPath()));
    } catch (IOException e) {
      studio.report(
          new Problem(
              Said.words(file.getName()), Said.of("main.the-file"), Said.of("main.check-that")));
      return Optional.empty();
    }
  }
}
