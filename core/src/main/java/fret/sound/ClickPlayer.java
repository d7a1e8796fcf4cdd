package fret.sound;

import java.util.function.IntConsumer;

/** Plays a click. */
public interface ClickPlayer {
  /**
   * Starts from the beginning; a click that already plays stops first.
   *
   * @param onClick called on a thread of its own with the place in the track of each click as it
   *     sounds
   * @param onEnd called there when the track is over; not when it is stopped
   */
  void start(ClickTrack track, IntConsumer onClick, Runnable onEnd);

  void stop();

  /** What it is, for the player: the sound card, or a silent stand-in. */
  String description();
}
