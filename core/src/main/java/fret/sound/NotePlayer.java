package fret.sound;

/** Sounds single notes, as when they are typed. */
public interface NotePlayer {
  /**
   * Sounds a note for a short while; one that still sounds ends first.
   *
   * @param hertz 20 to 8000
   */
  void play(double hertz);

  /** What it is, for the player: the sound card, or a silent stand-in. */
  String description();
}
