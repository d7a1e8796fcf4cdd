package fret.app.device;

import fret.sound.Microphone;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Consumer;

/** A stand-in for a microphone: hears what it is given, at once. */
public final class SimulatedMicrophone implements Microphone {
  private static final int BLOCK = 4096;

  private Optional<float[]> heard = Optional.empty();

  /** What it hears when it is started next; until then there is no input. */
  public synchronized void hear(float[] samples) {
    heard = Optional.of(samples);
  }

  @Override
  public synchronized boolean start(Consumer<float[]> block, Runnable ended) {
    if (heard.isEmpty()) {
      return false;
    }
    float[] samples = heard.get();
    Thread thread =
        new Thread(
            () -> {
              for (int at = 0; at < samples.length; at += BLOCK) {
                block.accept(Arrays.copyOfRange(samples, at, Math.min(samples.length, at + BLOCK)));
              }
              ended.run();
            },
            "simulated microphone");
    thread.setDaemon(true);
    thread.start();
    return true;
  }

  @Override
  public void stop() {
    // It has ended by itself.
  }

  @Override
  public String description() {
    return "simulated input";
  }
}
