package fret.app.launch;

import fret.app.viewmodel.Studio;
import fret.store.SqliteLibrary;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** View-models over the demo library in a folder of its own, on a clock that stands still. */
abstract class OnDemoLibrary {
  static final LocalDate TODAY = LocalDate.of(2026, 3, 3);

  @TempDir Path dir;
  SqliteLibrary library;
  Studio studio;

  @BeforeEach
  void openLibrary() throws Exception {
    FxToolkit.registerPrimaryStage();
    library = DemoLibrary.open(dir.resolve("library.sqlite"), TODAY);
    studio = studio(TODAY);
  }

  /** The room over the library on some day, at nine. */
  Studio studio(LocalDate day) {
    return new Studio(
        library,
        FretApplication.FORMATS,
        FretApplication.FORMATS,
        FretApplication.PRINTER,
        Clock.fixed(day.atTime(9, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC));
  }

  @AfterEach
  void closeLibrary() throws Exception {
    until(() -> !studio.isBehind());
    library.close();
  }

  static void until(BooleanSupplier condition) throws Exception {
    WaitForAsyncUtils.waitFor(
        30, TimeUnit.SECONDS, (Callable<Boolean>) () -> condition.getAsBoolean());
    WaitForAsyncUtils.waitForFxEvents();
  }

  /** Does something on the interface thread, and waits for all that follows from it. */
  void does(Runnable action) throws Exception {
    WaitForAsyncUtils.asyncFx(action).get();
    until(() -> !studio.isBehind());
  }

  void openDemo(int index) throws Exception {
    does(() -> studio.open(studio.passages().get(index)));
    until(() -> studio.shown() != null && !studio.isBehind());
  }
}
