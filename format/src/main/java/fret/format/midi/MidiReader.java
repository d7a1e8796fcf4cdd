package fret.format.midi;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.pitch.KeySignature;
import fret.score.Score;
import fret.score.TimeSignature;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Reads Standard MIDI Files ("Standard MIDI Files 1.0", MIDI Manufacturers Association, 1996). Each
 * track with notes is a part; notes are set on a grid, and how far they were moved is told.
 */
public final class MidiReader {
  private static final int LARGEST_BYTES = 10_000_000;
  private static final int MOST_NOTES = 40_000;
  private static final int LONGEST_QUARTERS = 40_000;
  private static final int TRACK_NAME = 0x03;
  private static final int SET_TEMPO = 0x51;
  private static final int TIME_SIGNATURE = 0x58;
  private static final int KEY_SIGNATURE = 0x59;
  private static final Said NEXT = Said.of("read.midi.do");

  /** A note in quarters from the file's start. */
  record Played(double onset, double end, int midi) {}

  /** What holds from a quarter on. */
  record Metre(double quarter, TimeSignature time) {}

  private final String file;
  private final Sequence sequence;
  private final List<Metre> metres = new ArrayList<>();
  private final TreeMap<Double, KeySignature> keys = new TreeMap<>();

  /** Quarters a minute by the quarter from which they count; 120 where nothing is said. */
  private final NavigableMap<Double, Double> tempos = new TreeMap<>(Map.of(0.0, 120.0));

  private MidiReader(String file, Sequence sequence) {
    this.file = file;
    this.sequence = sequence;
  }

  /** Whether bytes look like a MIDI file. */
  public static boolean isMidi(byte[] bytes) {
    return bytes.length > 4
        && bytes[0] == 'M'
        && bytes[1] == 'T'
        && bytes[2] == 'h'
        && bytes[3] == 'd';
  }

  /** A track with notes. */
  public record TrackChoice(String id, String name, int notes) {}

  /**
   * The tracks with notes.
   *
   * @throws UnusableInput if the bytes are no MIDI file, or one without notes
   */
  public static List<TrackChoice> tracks(String file, byte[] bytes) throws UnusableInput {
    MidiReader reader = open(file, bytes);
    List<TrackChoice> choices = new ArrayList<>();
    for (int i = 0; i < reader.sequence.getTracks().length; i++) {
      Track track = reader.sequence.getTracks()[i];
      int notes = reader.played(track).size();
      if (notes > 0) {
        choices.add(new TrackChoice(String.valueOf(i), name(track), notes));
      }
    }
    if (choices.isEmpty()) {
      throw new UnusableInput(file, Said.of("read.midi-empty"), NEXT);
    }
    return choices;
  }

  /**
   * Reads a track.
   *
   * @param trackId of {@link #tracks}; empty for the first with notes
   */
  public static Outcome<Score> read(String file, byte[] bytes, String trackId)
      throws UnusableInput {
    List<TrackChoice> tracks = tracks(file, bytes);
    TrackChoice choice =
        trackId.isEmpty()
            ? tracks.get(0)
            : tracks.stream()
                .filter(t -> t.id().equals(trackId) || t.name().equals(trackId))
                .findFirst()
                .orElseThrow(
                    () ->
                        new UnusableInput(
                            file, Said.of("read.no-track", trackId), Said.of("read.no-track.do")));
    MidiReader reader = open(file, bytes);
    reader.readMeta();
    List<Played> played = reader.played(reader.sequence.getTracks()[Integer.parseInt(choice.id())]);
    Quantizer quantizer = new Quantizer(reader.metres, reader.keys);
    Score score = quantizer.score(choice.name(), played, reader.tempos);
    double msPerQuarter = 60_000 / reader.tempos.firstEntry().getValue();
    Said moved =
        Said.of(
            "read.moved",
            Math.round(quantizer.meanError() * msPerQuarter),
            Math.round(quantizer.worstError() * msPerQuarter));
    return new Outcome<>(score, List.of(Problem.of(moved, Said.of("read.moved.do"))));
  }

  private static MidiReader open(String file, byte[] bytes) throws UnusableInput {
    if (bytes.length > LARGEST_BYTES) {
      throw new UnusableInput(file, Said.of("read.midi-large"), NEXT);
    }
    try {
      Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
      if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() < 1) {
        throw new UnusableInput(file, Said.of("read.midi-frames"), NEXT);
      }
      return new MidiReader(file, sequence);
    } catch (InvalidMidiDataException | IOException e) {
      throw new UnusableInput(file, Said.of("read.no-midi"), NEXT);
    } catch (RuntimeException e) {
      // The platform's reader answers some broken files with exceptions of its own.
      throw new UnusableInput(file, Said.of("read.midi-damaged"), NEXT);
    }
  }

  private static String name(Track track) {
    for (int i = 0; i < track.size(); i++) {
      if (track.get(i).getMessage() instanceof MetaMessage m && m.getType() == TRACK_NAME) {
        return new String(m.getData(), java.nio.charset.StandardCharsets.ISO_8859_1).trim();
      }
    }
    return "";
  }

  private double quarters(MidiEvent event) {
    return event.getTick() / (double) sequence.getResolution();
  }

  private List<Played> played(Track track) throws UnusableInput {
    Map<Integer, Double> sounding = new HashMap<>();
    List<Played> notes = new ArrayList<>();
    for (int i = 0; i < track.size(); i++) {
      MidiMessage message = track.get(i).getMessage();
      if (!(message instanceof ShortMessage s)) {
        continue;
      }
      boolean on = s.getCommand() == ShortMessage.NOTE_ON && s.getData2() > 0;
      boolean off =
          s.getCommand() == ShortMessage.NOTE_OFF
              || s.getCommand() == ShortMessage.NOTE_ON && s.getData2() == 0;
      double at = quarters(track.get(i));
      if (at > LONGEST_QUARTERS || notes.size() > MOST_NOTES) {
        throw new UnusableInput(file, Said.of("read.track-long"), Said.of("read.track-long.do"));
      }
      int key = s.getData1() + 128 * s.getChannel();
      if (on || off) {
        Double started = sounding.remove(key);
        if (started != null && at > started) {
          notes.add(new Played(started, at, s.getData1()));
        }
      }
      if (on) {
        sounding.put(key, at);
      }
    }
    notes.sort(Comparator.comparingDouble(Played::onset).thenComparingInt(Played::midi));
    return notes;
  }

  private void readMeta() {
    for (Track track : sequence.getTracks()) {
      for (int i = 0; i < track.size(); i++) {
        if (track.get(i).getMessage() instanceof MetaMessage m) {
          meta(m, quarters(track.get(i)));
        }
      }
    }
    metres.sort(Comparator.comparingDouble(Metre::quarter));
  }

  private void meta(MetaMessage m, double at) {
    byte[] data = m.getData();
    switch (m.getType()) {
      case SET_TEMPO -> {
        if (data.length >= 3) {
          int micros = (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
          double quarters = Math.round(600e6 / Math.max(1, micros)) / 10.0;
          tempos.put(at, Math.max(10, Math.min(400, quarters)));
        }
      }
      case TIME_SIGNATURE -> {
        boolean usable = data.length >= 2 && data[0] >= 1 && data[0] <= 32 && data[1] <= 5;
        if (usable && data[1] >= 0) {
          metres.add(new Metre(at, TimeSignature.of(data[0], 1 << data[1])));
        }
      }
      case KEY_SIGNATURE -> {
        if (data.length >= 2 && data[0] >= -7 && data[0] <= 7) {
          keys.put(at, new KeySignature(data[0]));
        }
      }
      default -> {}
    }
  }
}
