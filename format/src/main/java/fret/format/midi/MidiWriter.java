package fret.format.midi;

import fret.score.Bar;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Writes a passage as a Standard MIDI File of type 0: sounding pitches, repeats played out, and the
 * tempo as planned, told anew at each eighth of a gradual change.
 */
public final class MidiWriter {
  private static final int RESOLUTION = 480;
  private static final int GRACE_TICKS = 60;

  private MidiWriter() {}

  /**
   * The file.
   *
   * @param program General MIDI program number from 0, such as 40 for a violin
   */
  public static byte[] write(ResolvedPassage passage, TempoMap tempo, int program) {
    try {
      Sequence sequence = new Sequence(Sequence.PPQ, RESOLUTION);
      Track track = sequence.createTrack();
      byte[] title = passage.score().title().getBytes(StandardCharsets.UTF_8);
      track.add(new MidiEvent(new MetaMessage(0x03, title, title.length), 0));
      track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, program, 0), 0));
      List<Bar> bars = passage.score().bars();
      long tick = 0;
      double told = -1;
      for (int index : Repeats.playingOrder(passage.score())) {
        Bar bar = bars.get(index);
        for (Fraction at = bar.start();
            at.compareTo(bar.end()) < 0;
            at = at.add(Fraction.of(1, 8))) {
          double perWhole = tempo.at(at).wholeNoteMs();
          if (Math.abs(perWhole - told) > 1e-6) {
            told = perWhole;
            track.add(tempo(perWhole, tick + ticks(at.subtract(bar.start()))));
          }
        }
        for (SoundingNote note : passage.notes()) {
          if (note.key().barIndex() == bar.index()) {
            add(track, note, tick + ticks(note.onset().subtract(bar.start())));
          }
        }
        tick += ticks(bar.length());
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      MidiSystem.write(sequence, 0, out);
      return out.toByteArray();
    } catch (InvalidMidiDataException e) {
      throw new IllegalStateException(e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static long ticks(Fraction wholeNotes) {
    return Math.round(wholeNotes.doubleValue() * 4 * RESOLUTION);
  }

  private static MidiEvent tempo(double wholeNoteMs, long tick) throws InvalidMidiDataException {
    int micros = (int) Math.round(wholeNoteMs * 250);
    byte[] data = {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros};
    return new MidiEvent(new MetaMessage(0x51, data, 3), tick);
  }

  private static void add(Track track, SoundingNote note, long tick)
      throws InvalidMidiDataException {
    int midi = Math.max(0, Math.min(127, note.pitch().midi()));
    long from = note.isGrace() ? Math.max(0, tick - (long) GRACE_TICKS * note.key().grace()) : tick;
    long to = note.isGrace() ? from + GRACE_TICKS : tick + ticks(note.duration());
    track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, midi, 80), from));
    track.add(
        new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, midi, 0), Math.max(from + 1, to)));
  }
}
