package fret.sound;

import java.util.function.LongConsumer;

/** Plays a click. */
public interface ClickPlayer {
  /**
   * Starts from the first click; a click that already plays stops first.
   *
   * @param onBeat called on a thread of its own with the number of each beat as it sounds, from 0
   */
  void start(ClickTrack track, LongConsumer onBeat);

  void stop();

  /** What it is, for the player: the sound card, or a silent stand-in. */
  String description();
}
