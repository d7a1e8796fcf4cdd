package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Away;
import java.util.concurrent.Callable;
import java.util.function.Consumer;

/** Engraving on the studio's computing thread, where it comes before all else. */
record StudioAway(Studio studio) implements Away {
  @Override
  public <T> void work(Object kind, Callable<T> work, Consumer<T> then) {
    studio.elsewhere(kind, work, then);
  }
}
