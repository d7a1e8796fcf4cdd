package fret.app.launch;

import fret.app.device.SimulatedMicrophone;
import fret.app.device.SimulatedMidiKeyboard;
import fret.app.view.Devices;
import fret.app.view.MainView;
import fret.app.viewmodel.OnStand;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.MusicFont;
import fret.format.sound.RecordingFiles;
import fret.sound.ClickPlayer;
import fret.sound.ClickTrack;
import fret.sound.NotePlayer;
import fret.sound.PassagePlayer;
import fret.store.SqliteLibrary;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** The real window over a real library with the demo in it; sound and keyboard are stand-ins. */
@Tag("window")
@ExtendWith(ApplicationExtension.class)
abstract class RealWindow {
  /** How long a condition is waited for: what a loaded machine may need. */
  private static final int LONGEST_S = 60;

  @TempDir static Path dir;

  final ClickPlayer player = Mockito.mock(ClickPlayer.class);
  final NotePlayer notes = Mockito.mock(NotePlayer.class);
  final PassagePlayer passage = Mockito.mock(PassagePlayer.class);
  final PassagePlayer drone = Mockito.mock(PassagePlayer.class);
  final SimulatedMicrophone microphone = new SimulatedMicrophone();
  final SimulatedMidiKeyboard keyboard = new SimulatedMidiKeyboard();
  Clock clock = Clock.systemDefaultZone();
  SqliteLibrary library;
  Studio studio;
  MainView main;
  private Stage shown;
  PracticeModel practice;
  Path file;

  /** To be called from the start method of each test class, where the toolkit looks for it. */
  void show(Stage stage) throws Exception {
    shown = stage;
    Mockito.when(player.description()).thenReturn("test");
    Mockito.when(passage.description()).thenReturn("test");
    Mockito.when(drone.description()).thenReturn("test");
    file = Files.createTempDirectory(dir, "library").resolve("library.sqlite");
    library = DemoLibrary.open(file, LocalDate.now());
    prepare();
    studio =
        new Studio(
            library,
            FretApplication.FORMATS,
            FretApplication.FORMATS,
            FretApplication.PRINTER,
            clock);
    practice = new PracticeModel(studio, Instant::now);
    main =
        new MainView(
            studio,
            practice,
            new Devices(
                player,
                notes,
                keyboard,
                passage,
                drone,
                microphone,
                new RecordingFiles(),
                on -> {}),
            new Look(MusicFont.load()),
            tour -> {});
    main.furnish(); // Tests act sooner than the window does it by itself.
    Scene scene = new Scene(main, 1280, 800);
    scene
        .getStylesheets()
        .add(FretApplication.class.getResource("/fret/app/fret.css").toExternalForm());
    stage.setScene(scene);
    // The stage outlives a test, and so would another size and place that it was given there.
    stage.setX(0);
    stage.setY(0);
    stage.setWidth(1280);
    stage.setHeight(800);
    stage.show();
  }

  /** Gives the window a size, and its letters so many percent of theirs. */
  void size(FxRobot robot, int width, int height, int letters) {
    robot.interact(
        () -> {
          shown.setWidth(width);
          shown.setHeight(height);
          while (studio.preferences().lettersProperty().get() < letters) {
            studio.preferences().resizeLetters(true);
          }
        });
  }

  /** What is to be different in the library before the window opens. */
  void prepare() {}

  @AfterEach
  void close() throws Exception {
    until(() -> !studio.isBehind());
    studio.finish();
    library.close();
    // The stage and the mocks outlive the test: what they hold would be kept to the last one.
    Platform.runLater(() -> shown.setScene(new Scene(new Group())));
    WaitForAsyncUtils.waitForFxEvents();
    Mockito.framework().clearInlineMocks();
    main = null;
    studio = null;
    practice = null;
    library = null;
  }

  /** Each set is over at once: its plays go by without their time. */
  void setsAreOverAtOnce() {
    Mockito.doAnswer(
            call -> {
              ClickTrack track = call.getArgument(0);
              IntConsumer onClick = call.getArgument(1);
              for (int i = 0; i < track.clicks().size(); i++) {
                onClick.accept(i);
              }
              call.<Runnable>getArgument(2).run();
              return null;
            })
        .when(player)
        .start(Mockito.any(), Mockito.any(), Mockito.any());
  }

  void until(BooleanSupplier condition) throws Exception {
    try {
      WaitForAsyncUtils.waitFor(
          LONGEST_S, TimeUnit.SECONDS, (Callable<Boolean>) () -> condition.getAsBoolean());
    } catch (TimeoutException e) {
      String at =
          String.format(
              "after %d s; behind: %s; item %d of %d; on the stand: %s",
              LONGEST_S,
              studio.isBehind(),
              practice.indexProperty().get(),
              practice.items().size(),
              Optional.ofNullable(practice.stand().onProperty().get()).map(OnStand::title));
      throw new AssertionError(at, e);
    }
    WaitForAsyncUtils.waitForFxEvents(1);
  }

  /** Opens the first passage in the Left hand area. */
  void openFirst(FxRobot robot) throws Exception {
    robot.interact(() -> studio.open(studio.passages().get(0)));
    robot.interact(() -> main.go("left-hand"));
    until(
        () -> studio.shown() != null && studio.selectedProperty().get() == 0 && !studio.isBehind());
  }
}
