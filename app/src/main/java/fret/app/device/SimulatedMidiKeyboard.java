package fret.app.device;

import fret.sound.MidiKeyboard;
import java.util.function.IntConsumer;

/** A keyboard without keys: it plays what it is told to, in place of a real one. */
public final class SimulatedMidiKeyboard implements MidiKeyboard {
  private IntConsumer listener = k -> {};

  @Override
  public synchronized void start(IntConsumer onKey) {
    listener = onKey;
  }

  @Override
  public synchronized void stop() {
    listener = k -> {};
  }

  /** A key goes down. */
  public synchronized void press(int midi) {
    listener.accept(midi);
  }

  @Override
  public String description() {
    return "simulated keyboard";
  }
}
