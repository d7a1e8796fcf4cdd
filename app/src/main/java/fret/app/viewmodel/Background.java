package fret.app.viewmodel;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;

/** Runs work off the interface thread and publishes its result on it. */
public final class Background {
  private final ExecutorService executor =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "background");
            t.setDaemon(true);
            return t;
          });
  private final ReadOnlyIntegerWrapper pending = new ReadOnlyIntegerWrapper();
  private final Consumer<Throwable> onFailure;

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
    run(work, () -> true, publish);
  }

  /** Runs work; its result is dropped when {@code isCurrent} says that it has been overtaken. */
  public <T> void run(
      Callable<T> work, java.util.function.BooleanSupplier isCurrent, Consumer<T> publish) {
    pending.set(pending.get() + 1);
    executor.execute(
        () -> {
          try {
            T result = isCurrent.getAsBoolean() ? work.call() : null;
            Platform.runLater(
                () -> {
                  // What follows from the result is asked for before this work counts as done.
                  try {
                    if (result != null && isCurrent.getAsBoolean()) {
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
