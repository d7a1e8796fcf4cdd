package fret.app.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AwakeScreenTest {
  @TempDir Path dir;

  private static void until(java.util.function.BooleanSupplier condition) throws Exception {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
    while (!condition.getAsBoolean() && System.nanoTime() < end) {
      Thread.sleep(20);
    }
    assertThat(condition.getAsBoolean()).isTrue();
  }

  @Test
  void theDesktopsCommandIsCalledWhileSomebodyPlays() throws Exception {
    Path called = dir.resolve("called");
    AwakeScreen screen = new AwakeScreen(List.of("touch", called.toString()));
    screen.keep(true);
    until(() -> Files.exists(called));
    screen.keep(false);
    assertThat(screen.works()).isTrue();
  }

  @Test
  void aDesktopWithoutItIsLeftAlone() throws Exception {
    AwakeScreen screen = new AwakeScreen(List.of(dir.resolve("no such command").toString()));
    screen.keep(true);
    until(() -> !screen.works());
    screen.keep(true);
    screen.keep(false);
    assertThat(new AwakeScreen(List.of()).works()).isFalse();
  }
}
