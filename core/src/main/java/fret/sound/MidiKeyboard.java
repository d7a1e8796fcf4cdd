package fret.sound;

import java.util.function.IntConsumer;

/** A keyboard that notes can be entered with. */
public interface MidiKeyboard {
  /**
   * Listens from now on.
   *
   * @param onKey called on a thread of its own with the number of each key that goes down
   */
  void start(IntConsumer onKey);

  void stop();

  /** What it is, for the player; says so when there is none. */
  String description();
}
