package fret.app.device;

import fret.sound.MidiKeyboard;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.Sequencer;
import javax.sound.midi.ShortMessage;

/** Every MIDI input of this computer. */
public final class SystemMidiKeyboard implements MidiKeyboard {
  private final List<MidiDevice> open = new ArrayList<>();

  @Override
  public synchronized void start(IntConsumer onKey) {
    stop();
    for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
      try {
        MidiDevice device = MidiSystem.getMidiDevice(info);
        boolean input = device.getMaxTransmitters() != 0 && !(device instanceof Sequencer);
        if (input) {
          device.open();
          device.getTransmitter().setReceiver(new Keys(onKey));
          open.add(device);
        }
      } catch (MidiUnavailableException | IllegalArgumentException e) {
        System.getLogger("fret").log(System.Logger.Level.DEBUG, "MIDI input not open", e);
      }
    }
  }

  private record Keys(IntConsumer onKey) implements Receiver {
    @Override
    public void send(MidiMessage message, long timeStamp) {
      if (message instanceof ShortMessage s
          && s.getCommand() == ShortMessage.NOTE_ON
          && s.getData2() > 0) {
        onKey.accept(s.getData1());
      }
    }

    @Override
    public void close() {}
  }

  @Override
  public synchronized void stop() {
    open.forEach(MidiDevice::close);
    open.clear();
  }

  @Override
  public synchronized String description() {
    return open.isEmpty() ? "no MIDI keyboard" : open.get(0).getDeviceInfo().getName();
  }
}
