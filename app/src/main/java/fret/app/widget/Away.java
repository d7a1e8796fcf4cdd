package fret.app.widget;

import java.util.concurrent.Callable;
import java.util.function.Consumer;

/** Where a widget has work done that would hold the interface thread up. */
public interface Away {
  /** At once, for small things. */
  Away HERE =
      new Away() {
        @Override
        public <T> void work(Object kind, Callable<T> work, Consumer<T> then) {
          try {
            then.accept(work.call());
          } catch (Exception e) {
            throw new IllegalStateException(e);
          }
        }
      };

  /**
   * Does work elsewhere and hands the result on, on the interface thread.
   *
   * @param kind newer work of an equal kind replaces the older
   */
  <T> void work(Object kind, Callable<T> work, Consumer<T> then);
}
