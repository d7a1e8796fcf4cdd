package fret.app.device;

import fret.sound.ClickTrack;
import fret.sound.PassagePlayer;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** Sounds samples on the sound card; without one it keeps time in silence and says so. */
public final class StreamPassagePlayer implements PassagePlayer {
  private static final int BLOCK = 2048;

  private final ExecutorService executor =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "passage");
            t.setDaemon(true);
            return t;
          });
  private final AtomicInteger newest = new AtomicInteger();
  private volatile int playing;
  private volatile boolean silent;

  @Override
  public void play(float[] samples, boolean loop) {
    int mine = newest.incrementAndGet();
    playing = mine;
    byte[] bytes = Pcm.bytes(samples);
    executor.execute(() -> sound(bytes, loop, mine));
  }

  private boolean isWanted(int mine) {
    return newest.get() == mine;
  }

  private void sound(byte[] bytes, boolean loop, int mine) {
    try (SourceDataLine line = AudioSystem.getSourceDataLine(Pcm.FORMAT)) {
      line.open(Pcm.FORMAT, BLOCK * 4);
      line.start();
      do {
        for (int at = 0; at < bytes.length && isWanted(mine); at += BLOCK) {
          line.write(bytes, at, Math.min(BLOCK, bytes.length - at));
        }
      } while (loop && isWanted(mine));
      line.drain();
    } catch (LineUnavailableException | IllegalArgumentException e) {
      silent = true; // There is no sound device, or another program holds it.
      keepTime(bytes.length / 2, loop, mine);
    }
    if (playing == mine) {
      playing = 0;
    }
  }

  private void keepTime(int samples, boolean loop, int mine) {
    try {
      do {
        for (int at = 0; at < samples && isWanted(mine); at += BLOCK) {
          Thread.sleep(1000L * BLOCK / ClickTrack.SAMPLE_RATE);
        }
      } while (loop && isWanted(mine));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void stop() {
    newest.incrementAndGet();
    playing = 0;
  }

  @Override
  public boolean isPlaying() {
    return playing != 0;
  }

  @Override
  public String description() {
    return silent || !Pcm.hasOutput() ? "no sound device: it plays in silence" : "sound card";
  }
}
