package fret.sound;

/** Sounds stretches of a passage. */
public interface PassagePlayer {
  /**
   * Sounds samples; what still sounds ends first.
   *
   * @param samples -1 to 1 at {@link ClickTrack#SAMPLE_RATE}
   * @param loop again and again until {@link #stop}
   */
  void play(float[] samples, boolean loop);

  void stop();

  boolean isPlaying();

  /** What it is, for the player: the sound card, or a silent stand-in. */
  String description();
}
