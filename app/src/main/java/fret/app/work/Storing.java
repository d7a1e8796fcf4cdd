package fret.app.work;

import fret.shelf.StoreFailure;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.function.Supplier;

/**
 * Stores what was decided, first in first out. Where something cannot be stored, all that follows
 * in the same lane waits behind it, in order, until it is tried again or given up; other lanes go
 * on. Nothing is dropped without being asked for.
 */
public final class Storing {
  /**
   * Something that cannot be stored.
   *
   * @param lane of it
   * @param waiting how many pieces of work wait there, itself included
   */
  public record Trouble(Object lane, StoreFailure failure, int waiting) {}

  private final Executor worker;
  private final Executor publish;
  private final Consumer<Trouble> told;
  private final IntConsumer pendingChanged;
  private final List<Job<?>> queue = new ArrayList<>();
  private final List<Job<?>> unanswered = new ArrayList<>();
  private final Deque<Runnable> answers = new ArrayDeque<>();
  private final Map<Object, StoreFailure> stalled = new HashMap<>();
  private boolean working;

  private static final class Job<T> {
    private final Object lane;
    private final Supplier<T> write;
    private final Consumer<T> then;
    private boolean givenUp;

    Job(Object lane, Supplier<T> write, Consumer<T> then) {
      this.lane = lane;
      this.write = write;
      this.then = then;
    }
  }

  /**
   * @param worker runs each piece of work, one at a time
   * @param publish runs what follows
   * @param told when something cannot be stored
   * @param pendingChanged told how much is not stored yet
   */
  public Storing(
      Executor worker, Executor publish, Consumer<Trouble> told, IntConsumer pendingChanged) {
    this.worker = worker;
    this.publish = publish;
    this.told = told;
    this.pendingChanged = pendingChanged;
  }

  /**
   * Stores something.
   *
   * @param lane what depends on each other: a passage, the settings
   * @param then gets the answer when it is stored
   */
  public <T> void store(Object lane, Supplier<T> write, Consumer<T> then) {
    synchronized (this) {
      Job<T> job = new Job<>(lane, write, then);
      queue.add(job);
      unanswered.add(job);
      changed();
    }
    worker.execute(this::next);
  }

  private void changed() {
    int now = queue.size();
    publish.execute(() -> pendingChanged.accept(now));
  }

  /** Tries again what could not be stored. */
  public void retry() {
    int waiting;
    synchronized (this) {
      stalled.clear();
      waiting = queue.size();
    }
    for (int i = 0; i < waiting; i++) {
      worker.execute(this::next);
    }
  }

  /** Drops all that waits in a lane; what is stored of it by then is not answered any more. */
  public synchronized void giveUp(Object lane) {
    unanswered.stream().filter(j -> j.lane.equals(lane)).forEach(j -> j.givenUp = true);
    queue.removeIf(j -> j.lane.equals(lane));
    unanswered.removeIf(j -> j.givenUp);
    stalled.remove(lane);
    changed();
  }

  /** What cannot be stored now, by lane. */
  public synchronized Map<Object, StoreFailure> stalled() {
    return Map.copyOf(stalled);
  }

  /** How much is not stored yet. */
  public synchronized int waiting() {
    return queue.size();
  }

  /** Whether something is to be stored, or is stored and what follows from it is not done yet. */
  public synchronized boolean isBehind() {
    return unanswered.stream().anyMatch(j -> !stalled.containsKey(j.lane));
  }

  /**
   * Waits until all that can be stored is stored, also what follows from it: called where answers
   * are published.
   *
   * @param mostMs how long at most
   * @return whether nothing is left
   */
  public boolean finish(long mostMs) throws InterruptedException {
    long end = System.nanoTime() + mostMs * 1_000_000;
    boolean goesOn = true;
    while (goesOn) {
      synchronized (this) {
        while (isUnderWay() && System.nanoTime() < end) {
          wait(Math.max(1, (end - System.nanoTime()) / 1_000_000));
        }
      }
      goesOn = answer() && System.nanoTime() < end;
    }
    synchronized (this) {
      return queue.isEmpty();
    }
  }

  private boolean isUnderWay() {
    return working || queue.stream().anyMatch(j -> !stalled.containsKey(j.lane));
  }

  private void next() {
    Job<?> job = null;
    synchronized (this) {
      for (Iterator<Job<?>> all = queue.iterator(); all.hasNext() && job == null; ) {
        Job<?> first = all.next();
        job = stalled.containsKey(first.lane) ? null : first;
      }
      working = job != null;
    }
    if (job != null) {
      run(job);
    }
    synchronized (this) {
      working = false;
      notifyAll();
    }
  }

  private <T> void run(Job<T> job) {
    try {
      T answer = job.write.get();
      synchronized (this) {
        queue.remove(job);
        answers.add(() -> stored(job, answer));
        publish.execute(this::answer);
        changed();
      }
    } catch (Throwable t) { // Whatever it was, what was decided is not stored yet.
      StoreFailure failure =
          t instanceof StoreFailure f ? f : new StoreFailure(StoreFailure.Cause.OTHER, t);
      int waiting;
      synchronized (this) {
        if (!queue.contains(job)) {
          return; // Given up meanwhile.
        }
        stalled.put(job.lane, failure);
        waiting = (int) queue.stream().filter(j -> j.lane.equals(job.lane)).count();
      }
      publish.execute(() -> told.accept(new Trouble(job.lane, failure, waiting)));
    }
  }

  /** What follows from the oldest that was stored; false where there is none. */
  private boolean answer() {
    Runnable oldest;
    synchronized (this) {
      oldest = answers.poll();
    }
    if (oldest == null) {
      return false;
    }
    oldest.run();
    return true;
  }

  /** What follows is to be stored before this counts as answered. */
  private <T> void stored(Job<T> job, T answer) {
    boolean wanted;
    synchronized (this) {
      wanted = !job.givenUp;
    }
    try {
      if (wanted) {
        job.then.accept(answer);
      }
    } finally {
      synchronized (this) {
        unanswered.remove(job);
      }
    }
  }
}
