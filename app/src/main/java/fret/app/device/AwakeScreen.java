package fret.app.device;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/** Keeps the screen awake while somebody plays, where the desktop has a command for it. */
public final class AwakeScreen {
  private static final int EVERY_S = 45;

  private final List<String> command;
  private ScheduledExecutorService running;
  private volatile boolean works = true;

  AwakeScreen(List<String> command) {
    this.command = List.copyOf(command);
  }

  /** The command of this desktop: one call keeps its screen awake for a minute. */
  public static AwakeScreen ofDesktop() {
    String system = System.getProperty("os.name", "").toLowerCase(Locale.ROOT);
    return new AwakeScreen(
        system.contains("mac")
            ? List.of("caffeinate", "-u", "-t", "60")
            : system.contains("win") ? List.of() : List.of("xdg-screensaver", "reset"));
  }

  /** Whether the desktop takes it; true until a call has failed. */
  public boolean works() {
    return works && !command.isEmpty();
  }

  /** From now on, or no more. */
  public synchronized void keep(boolean awake) {
    if (awake && running == null && works()) {
      running =
          Executors.newSingleThreadScheduledExecutor(
              r -> {
                Thread t = new Thread(r, "awake");
                t.setDaemon(true);
                return t;
              });
      running.scheduleAtFixedRate(this::call, 0, EVERY_S, TimeUnit.SECONDS);
    } else if (!awake && running != null) {
      running.shutdownNow();
      running = null;
    }
  }

  private void call() {
    try {
      Process p =
          new ProcessBuilder(command)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      boolean over = p.waitFor(5, TimeUnit.SECONDS);
      works = works && (!over || p.exitValue() == 0);
    } catch (IOException e) {
      works = false; // The desktop has no such command: its own settings hold.
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
