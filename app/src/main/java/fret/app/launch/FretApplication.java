package fret.app.launch;

import fret.app.batch.ShippedFonts;
import fret.app.device.AwakeScreen;
import fret.app.device.LineMicrophone;
import fret.app.device.StreamClickPlayer;
import fret.app.device.StreamNotePlayer;
import fret.app.device.StreamPassagePlayer;
import fret.app.device.SystemMidiKeyboard;
import fret.app.view.Devices;
import fret.app.view.MainView;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.MusicFont;
import fret.format.page.PagePrinter;
import fret.format.part.PartFiles;
import fret.format.sound.RecordingFiles;
import fret.session.Printer;
import fret.shelf.StoreFailure;
import fret.store.LibraryFile;
import fret.store.SqliteLibrary;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.stage.Stage;

/** The window, wired together. */
public final class FretApplication extends Application {
  private static final double WIDTH = 1280;
  private static final double HEIGHT = 800;
  private static final double LEAST_WIDTH = 1024;
  private static final double LEAST_HEIGHT = 640;

  static final PartFiles FORMATS = new PartFiles();
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

  /** The player's library, opened while the toolkit starts. */
  private static FutureTask<SqliteLibrary> ahead;

  private Stage stage;
  private SqliteLibrary library;
  private Studio studio;
  private MainView main;
  private boolean closing;

  static void open(String[] args) {
    List<String> all = List.of(args);
    if (!isDemo(all)) {
      Path file = libraryFile(all);
      WarningLog.start(file.toAbsolutePath().getParent());
      ahead = new FutureTask<>(() -> opened(file, false));
      new Thread(ahead, "library").start();
    }
    launch(FretApplication.class, args);
  }

  private static boolean isDemo(List<String> args) {
    return Stream.of("--demo", "--screenshots", "--frames").anyMatch(args::contains);
  }

  @Override
  public void start(Stage window) {
    stage = window;
    stage.setTitle("Fret");
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    stage.setOnCloseRequest(
        e -> {
          if (!mayClose()) {
            e.consume();
          }
        });
    List<String> args = getParameters().getRaw();
    boolean shots = args.contains("--screenshots");
    boolean frames = args.contains("--frames");
    if (isDemo(args)) {
      openDemo();
    } else {
      open(libraryFile(args), FretApplication::opened);
    }
    args.stream()
        .filter(a -> !a.startsWith("--"))
        .map(Path::of)
        .filter(Files::isRegularFile)
        .findFirst()
        .filter(f -> main != null)
        .ifPresent(f -> main.openFile(f.toFile()));
    if (args.contains("--size")) {
      size(args.get(args.indexOf("--size") + 1));
    }
    if (frames) {
      new FrameMeasure(stage, main, studio).run(Platform::exit);
    }
    if (shots) {
      Path folder = Path.of(args.get(args.indexOf("--screenshots") + 1));
      new Screenshots(stage, main, studio, practice, folder).take(Platform::exit);
    }
  }

  private PracticeModel practice;

  /** The window's content in px, such as 1024x700. */
  private void size(String text) {
    String[] sides = text.split("x", 2);
    Parent root = stage.getScene().getRoot();
    stage.setMinWidth(0);
    stage.setMinHeight(0);
    Scene old = stage.getScene();
    old.setRoot(new javafx.scene.Group());
    Scene scene = new Scene(root, Double.parseDouble(sides[0]), Double.parseDouble(sides[1]));
    scene.getStylesheets().addAll(old.getStylesheets());
    stage.setScene(scene);
    stage.sizeToScene();
    stage.centerOnScreen();
  }

  private void openDemo() {
    Path file = throwaway();
    WarningLog.start(file.toAbsolutePath().getParent());
    library = SqliteLibrary.open(file);
    Demo.fill(library, FORMATS, LocalDate.now());
    show();
    SqliteLibrary demo = library;
    studio.keepCopies(() -> DemoTakes.fill(demo, FORMATS, LocalDate.now()));
  }

  /** The library that was opened while the toolkit started. */
  private static SqliteLibrary opened() {
    try {
      return ahead.get();
    } catch (ExecutionException e) {
      throw e.getCause() instanceof StoreFailure f ? f : new IllegalStateException(e.getCause());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static SqliteLibrary opened(Path file, boolean shared) {
    if (!LibraryFile.take(file) && !shared) {
      throw new StoreFailure(StoreFailure.Cause.IN_USE, null);
    }
    return SqliteLibrary.open(file);
  }

  /** Shows a library, or says why not and what can be done. */
  private void open(Path file, Supplier<SqliteLibrary> opening) {
    try {
      library = opening.get();
      show();
      studio.keepCopies(library::backUpIfDue);
    } catch (StoreFailure e) {
      System.getLogger("fret").log(System.Logger.Level.WARNING, "cannot open " + file, e);
      scene(
          new NoLibrary(
              stage,
              file,
              e,
              f -> open(f, () -> opened(f, false)),
              () -> open(file, () -> opened(file, true))));
    }
  }

  private void show() {
    studio = new Studio(library, FORMATS, FORMATS, PRINTER, Clock.systemDefaultZone());
    practice = new PracticeModel(studio, Instant::now);
    main =
        new MainView(
            studio,
            practice,
            new Devices(
                StreamClickPlayer.forThisMachine(),
                new StreamNotePlayer(),
                new SystemMidiKeyboard(),
                new StreamPassagePlayer(),
                new StreamPassagePlayer(),
                new LineMicrophone(),
                new RecordingFiles(),
                AwakeScreen.ofDesktop()::keep),
            new Look(MusicFont.load()),
            this::demoInstead);
    scene(main);
    furnish(main);
  }

  private void demoInstead(boolean tour) {
    if (mayClose()) {
      library.close();
      openDemo();
      if (tour) {
        main.takeTour();
      }
    }
  }

  private void scene(Parent root) {
    Scene scene = new Scene(root, WIDTH, HEIGHT);
    scene
        .getStylesheets()
        .add(FretApplication.class.getResource("/fret/app/fret.css").toExternalForm());
    stage.setScene(scene);
    stage.show();
  }

  /** Makes the rest of the window when its first picture has been drawn. */
  private static void furnish(MainView main) {
    new AnimationTimer() {
      private int frames;

      @Override
      public void handle(long now) {
        if (++frames > 1) {
          stop();
          main.furnish();
        }
      }
    }.start();
  }

  /** Everything is stored before the window closes; where that cannot be, the player decides. */
  private boolean mayClose() {
    if (studio == null || closing || studio.finish()) {
      return true;
    }
    closing = Unstored.closeAnyway(stage, studio);
    if (!closing) {
      studio.goOn();
    }
    return closing;
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
      return folder.resolve(SqliteLibrary.FILE_NAME);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The player's own library: {@code --data FOLDER}, or the user's data folder. */
  private static Path libraryFile(List<String> args) {
    int at = args.indexOf("--data");
    if (at >= 0 && at + 1 < args.size()) {
      return Path.of(args.get(at + 1), SqliteLibrary.FILE_NAME);
    }
    String data = System.getenv("XDG_DATA_HOME");
    Path root =
        data == null || data.isEmpty()
            ? Path.of(System.getProperty("user.home"), ".local", "share")
            : Path.of(data);
    return root.resolve("fret").resolve(SqliteLibrary.FILE_NAME);
  }
}
