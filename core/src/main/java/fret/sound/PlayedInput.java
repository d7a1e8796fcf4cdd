package fret.sound;

import java.util.Arrays;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.function.Consumer;

/** A microphone that hears something that is played for it, as fast as it sounds. */
public final class PlayedInput implements Microphone {
  private static final int BLOCK = 2048;

  private final Callable<float[]> played;
  private final String description;
  private Thread thread;

  /**
   * @param played makes what is heard, at {@link ClickTrack#SAMPLE_RATE}, on the thread that hears
   *     it; nothing is heard where it fails
   */
  public PlayedInput(Callable<float[]> played, String description) {
    this.played = Objects.requireNonNull(played);
    this.description = Objects.requireNonNull(description);
  }

  @Override
  public synchronized boolean start(Consumer<float[]> block, Runnable ended) {
    stop();
    thread = new Thread(() -> hear(block, ended), "played input");
    thread.setDaemon(true);
    thread.start();
    return true;
  }

  private void hear(Consumer<float[]> block, Runnable ended) {
    try {
      float[] samples = played.call();
      long start = System.nanoTime();
      for (int at = 0; at < samples.length; at += BLOCK) {
        int to = Math.min(samples.length, at + BLOCK);
        long due = start + to * 1_000_000_000L / ClickTrack.SAMPLE_RATE;
        Thread.sleep(Math.max(0, (due - System.nanoTime()) / 1_000_000));
        block.accept(Arrays.copyOfRange(samples, at, to));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt(); // It was stopped: what was heard so far counts.
    } catch (Exception e) {
      throw new IllegalStateException("nothing can be played for the input", e);
    } finally {
      ended.run();
    }
  }

  @Override
  public synchronized void stop() {
    if (thread != null) {
      thread.interrupt();
      thread = null;
    }
  }

  @Override
  public String description() {
    return description;
  }
}
