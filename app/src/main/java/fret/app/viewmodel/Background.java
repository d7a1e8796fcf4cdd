package fret.app.viewmodel;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;

/** Runs work off the interface thread and publishes its result on it. */
public final class Background {
  private static final int LONGEST_WAIT_S = 20;

  private final ExecutorService executor =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "background");
            t.setDaemon(true);
            return t;
          });
  private final ReadOnlyIntegerWrapper pending = new ReadOnlyIntegerWrapper();
  private final Consumer<Throwable> onFailure;
  private volatile boolean finishing;

  public Background(Consumer<Throwable> onFailure) {
    this.onFailure = onFailure;
  }

  /** How many pieces of work are under way. */
  public ReadOnlyIntegerProperty pendingProperty() {
    return pending.getReadOnlyProperty();
  }

  /**
   * Runs work that must be done whatever follows, such as storing; in order with all other work.
   */
  public <T> void always(Callable<T> work, Consumer<T> publish) {
    execute(work, () -> true, publish);
  }

  /** Runs work; its result is dropped when {@code isCurrent} says that it has been overtaken. */
  public <T> void run(Callable<T> work, BooleanSupplier isCurrent, Consumer<T> publish) {
    if (!finishing) {
      execute(work, () -> !finishing && isCurrent.getAsBoolean(), publish);
    }
  }

  /**
   * Waits until all that must be done is done, and leaves out the rest. Nothing can be run any
   * more.
   */
  public void finish() {
    finishing = true;
    executor.shutdown();
    try {
      if (!executor.awaitTermination(LONGEST_WAIT_S, TimeUnit.SECONDS)) {
        System.getLogger("fret").log(System.Logger.Level.ERROR, "work was left undone at the end");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private <T> void execute(Callable<T> work, BooleanSupplier isCurrent, Consumer<T> publish) {
    pending.set(pending.get() + 1);
    executor.execute(
        () -> {
          try {
            T result = isCurrent.getAsBoolean() ? work.call() : null;
            Platform.runLater(
                () -> {
                  // What follows from the result is asked for before this work counts as done.
                  try {
                    if (result != null && !finishing && isCurrent.getAsBoolean()) {
                      publish.accept(result);
                    }
                  } finally {
                    pending.set(pending.get() - 1);
                  }
                });
          } catch (Exception e) {
            Platform.runLater(
                () -> {
                  onFailure.accept(e);
                  pending.set(pending.get() - 1);
                });
          }
        });
  }
}
