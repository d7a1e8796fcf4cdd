package fret.sound;

import java.util.function.Consumer;

/** Where a take is recorded from. */
public interface Microphone {
  /**
   * Records until {@link #stop}, handing on what came in, block by block, on a thread of its own.
   *
   * @param block samples from -1 to 1 at {@link ClickTrack#SAMPLE_RATE}
   * @param ended called once at the end, also where it ended by itself
   * @return false where nothing can be recorded from; then nothing is called
   */
  boolean start(Consumer<float[]> block, Runnable ended);

  void stop();

  /** What it is, for the player. */
  String description();
}
