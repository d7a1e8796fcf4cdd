package fret.app.launch;

import fret.app.batch.ShippedFonts;
import fret.app.device.StreamClickPlayer;
import fret.app.device.StreamNotePlayer;
import fret.app.device.SystemMidiKeyboard;
import fret.app.view.Devices;
import fret.app.view.MainView;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.MusicFont;
import fret.format.page.PagePrinter;
import fret.passage.Printer;
import fret.store.SqliteLibrary;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;

/** The window, wired together. */
public final class FretApplication extends Application {
  static final Formats FORMATS = new Formats();
  static final Supplier<Printer> PRINTER = new Lazy();

  /** The printer, made once when it is first needed. */
  private static final class Lazy implements Supplier<Printer> {
    private Printer made;

    @Override
    public synchronized Printer get() {
      if (made == null) {
        made = new PagePrinter(ShippedFonts.load());
      }
      return made;
    }
  }

  private SqliteLibrary library;
  private Studio studio;

  static void open(String[] args) {
    launch(FretApplication.class, args);
  }

  @Override
  public void start(Stage stage) {
    List<String> args = getParameters().getRaw();
    boolean shots = args.contains("--screenshots");
    boolean frames = args.contains("--frames");
    boolean demo = args.contains("--demo") || shots || frames;
    library = SqliteLibrary.open(demo ? throwaway() : libraryFile(args));
    if (demo) {
      Demo.fill(library, FORMATS, LocalDate.now());
    }
    studio = new Studio(library, FORMATS, FORMATS, PRINTER, Clock.systemDefaultZone());
    PracticeModel practice = new PracticeModel(studio, Instant::now);
    MainView[] main = new MainView[1];
    Runnable showDemo =
        () -> {
          try {
            studio.finish();
            library.close();
            SqliteLibrary demoLibrary = SqliteLibrary.open(throwaway());
            Demo.fill(demoLibrary, FORMATS, LocalDate.now());
            library = demoLibrary;
            studio = new Studio(demoLibrary, FORMATS, FORMATS, PRINTER, Clock.systemDefaultZone());
            show(stage, studio, main, () -> {});
          } catch (RuntimeException e) {
            throw new IllegalStateException(e);
          }
        };
    show(stage, studio, practice, main, showDemo);
    if (frames) {
      new FrameMeasure(stage, main[0], studio).run(Platform::exit);
    }
    if (shots) {
      Path folder = Path.of(args.get(args.indexOf("--screenshots") + 1));
      new Screenshots(stage, main[0], studio, practice, folder).take(Platform::exit);
    }
  }

  private static void show(Stage stage, Studio on, MainView[] main, Runnable demo) {
    show(stage, on, new PracticeModel(on, Instant::now), main, demo);
  }

  private static void show(
      Stage stage, Studio studio, PracticeModel practice, MainView[] main, Runnable demo) {
    main[0] =
        new MainView(
            studio,
            practice,
            new Devices(
                StreamClickPlayer.forThisMachine(),
                new StreamNotePlayer(),
                new SystemMidiKeyboard()),
            new Look(MusicFont.load()),
            demo);
    Scene scene = new Scene(main[0], 1280, 800);
    scene
        .getStylesheets()
        .add(FretApplication.class.getResource("/fret/app/fret.css").toExternalForm());
    stage.setTitle("Fret");
    stage.setScene(scene);
    stage.setMinWidth(1024);
    stage.setMinHeight(700);
    stage.show();
  }

  @Override
  public void stop() {
    if (studio != null) {
      studio.finish();
    }
    if (library != null) {
      library.close();
    }
  }

  private static Path throwaway() {
    try {
      Path folder = Files.createTempDirectory("fret-demo");
      folder.toFile().deleteOnExit();
      return folder.resolve("library.sqlite");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The player's own library: {@code --data FOLDER}, or the user's data folder. */
  private static Path libraryFile(List<String> args) {
    int at = args.indexOf("--data");
    if (at >= 0 && at + 1 < args.size()) {
      return Path.of(args.get(at + 1), "library.sqlite");
    }
    String data = System.getenv("XDG_DATA_HOME");
    Path root =
        data == null || data.isEmpty()
            ? Path.of(System.getProperty("user.home"), ".local", "share")
            : Path.of(data);
    return root.resolve("fret").resolve("library.sqlite");
  }
}
