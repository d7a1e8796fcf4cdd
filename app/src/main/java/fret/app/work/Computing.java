package fret.app.work;

import fret.search.Token;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.IntConsumer;

/**
 * Answers questions one at a time, the most urgent first. A newer question of a kind replaces the
 * older one; a more urgent one interrupts what is under way, which is begun again behind it. What a
 * question throws, an {@code Error} too, is told and ends nothing but that question.
 */
public final class Computing {
  /** How urgent a question is, the most urgent first. */
  public enum Rank {
    /** A passage that is to be shown. */
    OPENING,
    /** What stands on the strip. */
    STANDING,
    /** What is looked at beside it. */
    BESIDE,
    /** What can wait. */
    BEHIND
  }

  /** A question. */
  @FunctionalInterface
  public interface Question<T> {
    T answer(Token token) throws Exception;
  }

  private final Executor worker;
  private final Executor publish;
  private final Consumer<Throwable> failed;
  private final IntConsumer pendingChanged;
  private final PriorityQueue<Job<?>> waiting =
      new PriorityQueue<>(
          Comparator.<Job<?>, Rank>comparing(j -> j.rank).thenComparingLong(j -> j.number));
  private final Map<Object, Job<?>> newest = new HashMap<>();
  private Job<?> running;
  private long count;
  private int pending;
  private boolean finished;

  /**
   * @param worker runs each piece of work, one at a time
   * @param publish runs what follows from an answer; so that all calls to this come from there
   * @param failed told what a question threw
   * @param pendingChanged told how many questions are open
   */
  public Computing(
      Executor worker, Executor publish, Consumer<Throwable> failed, IntConsumer pendingChanged) {
    this.worker = worker;
    this.publish = publish;
    this.failed = failed;
    this.pendingChanged = pendingChanged;
  }

  private static final class Job<T> {
    private final Rank rank;
    private final long number;
    private final Question<T> question;
    private final Consumer<T> then;
    private final Runnable otherwise;
    private volatile AtomicBoolean cancelled = new AtomicBoolean();
    private boolean replaced;
    private boolean closed;

    Job(Rank rank, long number, Question<T> question, Consumer<T> then, Runnable otherwise) {
      this.rank = rank;
      this.number = number;
      this.question = question;
      this.then = then;
      this.otherwise = otherwise;
    }
  }

  /**
   * Asks a question.
   *
   * @param kind questions of an equal kind replace each other
   * @param then gets the answer, unless a newer question of the kind was asked meanwhile
   */
  public <T> void ask(Object kind, Rank rank, Question<T> question, Consumer<T> then) {
    ask(kind, rank, question, then, () -> {});
  }

  /**
   * Asks a question that leaves something to be done where it gets no answer.
   *
   * @param otherwise run when it failed, was replaced or was taken back
   */
  public synchronized <T> void ask(
      Object kind, Rank rank, Question<T> question, Consumer<T> then, Runnable otherwise) {
    if (finished) {
      publish.execute(otherwise);
      return;
    }
    Job<T> job = new Job<>(rank, count++, question, then, otherwise);
    drop(newest.put(kind, job));
    waiting.add(job);
    changePending(1);
    if (running != null && rank.compareTo(running.rank) < 0) {
      running.cancelled.set(true);
    }
    worker.execute(this::next);
  }

  /** How many questions are open. */
  public synchronized int pending() {
    return pending;
  }

  /** Takes a question back. */
  public synchronized void forget(Object kind) {
    drop(newest.remove(kind));
  }

  private void drop(Job<?> job) {
    if (job != null && !job.closed && !job.replaced) {
      job.replaced = true;
      publish.execute(job.otherwise);
      job.cancelled.set(true);
      if (waiting.remove(job)) {
        close(job);
      }
    }
  }

  private void close(Job<?> job) {
    if (!job.closed) {
      job.closed = true;
      changePending(-1);
    }
  }

  private void changePending(int by) {
    pending += by;
    int now = pending;
    publish.execute(() -> pendingChanged.accept(now));
  }

  /** No question is answered any more. */
  public synchronized void finish() {
    finished = true;
    newest.values().forEach(this::drop);
  }

  /** After {@link #finish}: questions are answered again. */
  public synchronized void goOn() {
    finished = false;
  }

  private void next() {
    Job<?> job;
    synchronized (this) {
      job = waiting.poll();
      running = job;
    }
    if (job != null) {
      run(job);
    }
  }

  private <T> void run(Job<T> job) {
    AtomicBoolean cancelled = job.cancelled;
    try {
      T answer = job.question.answer(cancelled::get);
      publish.execute(() -> answered(job, answer));
    } catch (Token.Cancelled e) {
      again(job);
    } catch (Throwable t) { // An error in one answer must not end all others.
      publish.execute(() -> failed(job, t));
    } finally {
      synchronized (this) {
        running = null;
      }
    }
  }

  /** Interrupted by something more urgent: begun again, if it is still wanted. */
  private synchronized void again(Job<?> job) {
    if (job.replaced || finished) {
      close(job);
    } else {
      job.cancelled = new AtomicBoolean();
      waiting.add(job);
      worker.execute(this::next);
    }
  }

  /** What follows from the answer is asked before this question counts as closed. */
  private <T> void answered(Job<T> job, T answer) {
    boolean wanted;
    synchronized (this) {
      wanted = !job.replaced && !finished;
    }
    try {
      if (wanted) {
        job.then.accept(answer);
      }
    } catch (RuntimeException e) {
      failed.accept(e);
    } finally {
      synchronized (this) {
        close(job);
      }
    }
  }

  private void failed(Job<?> job, Throwable t) {
    boolean wanted;
    synchronized (this) {
      wanted = !job.replaced && !finished;
      close(job);
    }
    if (wanted) {
      job.otherwise.run();
      failed.accept(t);
    }
  }
}
