package fret.app.device;

import fret.sound.NotePlayer;
import fret.sound.Tone;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** Sounds notes on the sound card; without one it keeps silent and says so. */
public final class StreamNotePlayer implements NotePlayer {
  private static final int BLOCK = 1024;

  private final ExecutorService executor =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread t = new Thread(r, "notes");
            t.setDaemon(true);
            return t;
          });
  private final AtomicInteger newest = new AtomicInteger();
  private volatile boolean silent;

  @Override
  public void play(double hertz) {
    int mine = newest.incrementAndGet();
    if (!silent) {
      executor.execute(() -> sound(hertz, mine));
    }
  }

  private void sound(double hertz, int mine) {
    float[] samples = Tone.render(hertz);
    byte[] bytes = Pcm.bytes(samples);
    try (SourceDataLine line = AudioSystem.getSourceDataLine(Pcm.FORMAT)) {
      line.open(Pcm.FORMAT, BLOCK * 4);
      line.start();
      for (int at = 0; at < bytes.length && newest.get() == mine; at += BLOCK) {
        line.write(bytes, at, Math.min(BLOCK, bytes.length - at));
      }
      line.drain();
    } catch (LineUnavailableException | IllegalArgumentException e) {
      silent = true; // There is no sound device, or another program holds it.
    }
  }

  @Override
  public String description() {
    return silent || !Pcm.hasOutput() ? "no sound device: typed notes are silent" : "sound card";
  }
}
