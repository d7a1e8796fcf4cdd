package fret.app.device;

import fret.sound.Microphone;
import java.util.function.Consumer;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;

/** The sound input of this computer. */
public final class LineMicrophone implements Microphone {
  private static final int BLOCK = 2048;

  private volatile TargetDataLine line;

  @Override
  public synchronized boolean start(Consumer<float[]> block, Runnable ended) {
    stop();
    try {
      TargetDataLine open = AudioSystem.getTargetDataLine(Pcm.FORMAT);
      open.open(Pcm.FORMAT, BLOCK * 8);
      open.start();
      line = open;
      Thread thread = new Thread(() -> read(open, block, ended), "microphone");
      thread.setDaemon(true);
      thread.start();
      return true;
    } catch (LineUnavailableException | IllegalArgumentException e) {
      return false; // There is no input, or another program holds it.
    }
  }

  private void read(TargetDataLine open, Consumer<float[]> block, Runnable ended) {
    byte[] bytes = new byte[BLOCK * 2];
    int read;
    while (line == open && (read = open.read(bytes, 0, bytes.length)) > 0) {
      block.accept(Pcm.samples(bytes, read));
    }
    open.close();
    ended.run();
  }

  @Override
  public synchronized void stop() {
    TargetDataLine open = line;
    line = null;
    if (open != null) {
      open.stop();
    }
  }

  @Override
  public String description() {
    return "sound input";
  }
}
