package fret.app.work;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;

/** A thread that goes on only when it is told to. */
public final class ByHand implements Executor {
  private final Deque<Runnable> waiting = new ArrayDeque<>();

  @Override
  public void execute(Runnable work) {
    waiting.add(work);
  }

  /** Does the next piece of work; false when there is none. */
  public boolean step() {
    Runnable next = waiting.poll();
    if (next != null) {
      next.run();
    }
    return next != null;
  }

  public void all() {
    while (step()) {
      // Whatever follows from it is done too.
    }
  }

  public boolean isIdle() {
    return waiting.isEmpty();
  }
}
