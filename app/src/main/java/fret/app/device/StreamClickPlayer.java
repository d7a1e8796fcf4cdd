package fret.app.device;

import fret.sound.ClickPlayer;
import fret.sound.ClickTrack;
import java.util.function.IntConsumer;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** Streams a click to the sound card, or to a silent stand-in that takes the same time. */
public final class StreamClickPlayer implements ClickPlayer {
  private static final int BLOCK = 1024;

  /** Takes rendered sound; blocks as long as the sound lasts. */
  interface Sink extends AutoCloseable {
    void write(float[] samples) throws InterruptedException;

    @Override
    void close();
  }

  /** Opens a sink. */
  @FunctionalInterface
  interface SinkSource {
    Sink open();
  }

  private final SinkSource source;
  private final String description;
  private Thread thread;

  StreamClickPlayer(SinkSource source, String description) {
    this.source = source;
    this.description = description;
  }

  /** The sound card when there is one, else the silent stand-in. */
  public static StreamClickPlayer forThisMachine() {
    try (Sink probe = card()) {
      return new StreamClickPlayer(StreamClickPlayer::card, "sound card");
    } catch (IllegalArgumentException | IllegalStateException e) {
      return silent();
    }
  }

  /** Keeps time without a sound. */
  public static StreamClickPlayer silent() {
    return new StreamClickPlayer(SilentSink::new, "no sound device: the click is seen, not heard");
  }

  private static Sink card() {
    try {
      SourceDataLine line = AudioSystem.getSourceDataLine(Pcm.FORMAT);
      line.open(Pcm.FORMAT, BLOCK * 4);
      line.start();
      return new CardSink(line);
    } catch (LineUnavailableException e) {
      throw new IllegalStateException(e);
    }
  }

  private record CardSink(SourceDataLine line) implements Sink {
    @Override
    public void write(float[] samples) {
      byte[] bytes = Pcm.bytes(samples);
      line.write(bytes, 0, bytes.length);
    }

    @Override
    public void close() {
      line.close();
    }
  }

  private static final class SilentSink implements Sink {
    private final long startNanos = System.nanoTime();
    private long samples;

    @Override
    public void write(float[] block) throws InterruptedException {
      samples += block.length;
      long due = startNanos + samples * 1_000_000_000L / ClickTrack.SAMPLE_RATE;
      long wait = (due - System.nanoTime()) / 1_000_000;
      if (wait > 0) {
        Thread.sleep(wait);
      }
    }

    @Override
    public void close() {}
  }

  @Override
  public synchronized void start(ClickTrack track, IntConsumer onClick, Runnable onEnd) {
    stop();
    thread = new Thread(() -> play(track, onClick, onEnd), "click");
    thread.setDaemon(true);
    thread.start();
  }

  private void play(ClickTrack track, IntConsumer onClick, Runnable onEnd) {
    try (Sink sink = source.open()) {
      float[] block = new float[BLOCK];
      int told = -1;
      for (long at = 0; at < track.length(); at += BLOCK) {
        if (Thread.currentThread().isInterrupted()) {
          return;
        }
        track.render(at, block);
        for (int now = track.at(at + BLOCK - 1); told < now; ) {
          told++;
          onClick.accept(told);
        }
        sink.write(block);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return;
    }
    onEnd.run();
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
