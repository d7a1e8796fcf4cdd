package fret.format.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.UnusableInput;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class MidiTest {
  private static final int RESOLUTION = 480;

  private static Track track(Sequence sequence, int... timeAndKey) throws Exception {
    Track track = sequence.createTrack();
    track.add(new MidiEvent(new MetaMessage(0x03, "Solo".getBytes("UTF-8"), 4), 0));
    track.add(new MidiEvent(new MetaMessage(0x51, new byte[] {0x07, (byte) 0xA1, 0x20}, 3), 0));
    track.add(
        new MidiEvent(new MetaMessage(0x58, new byte[] {(byte) timeAndKey[0], 2, 24, 8}, 4), 0));
    track.add(new MidiEvent(new MetaMessage(0x59, new byte[] {(byte) timeAndKey[1], 0}, 2), 0));
    return track;
  }

  private static void note(Track track, double from, double to, int midi) throws Exception {
    track.add(
        new MidiEvent(
            new ShortMessage(ShortMessage.NOTE_ON, 0, midi, 80), Math.round(from * RESOLUTION)));
    track.add(
        new MidiEvent(
            new ShortMessage(ShortMessage.NOTE_OFF, 0, midi, 0), Math.round(to * RESOLUTION)));
  }

  private static byte[] bytes(Sequence sequence) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    MidiSystem.write(sequence, 1, out);
    return out.toByteArray();
  }

  private static String written(Score score) {
    return Resolver.resolve(score).notes().stream()
        .map(n -> n.pitch() + "=" + n.duration())
        .collect(Collectors.joining(" "))
        .replace(" / ", "/");
  }

  @Test
  void unevenPlayingIsSetOnTheGridAndSpelledInTheKey() throws Exception {
    Sequence sequence = new Sequence(Sequence.PPQ, RESOLUTION);
    Track t = track(sequence, 3, -3);
    Random random = new Random(5);
    double[] onsets = {0, 0.5, 1, 1.25, 1.5, 1.75, 2, 3, 3 + 1 / 3.0, 3 + 2 / 3.0, 4, 5};
    int[] midi = {75, 77, 79, 80, 79, 77, 75, 70, 72, 74, 75, 63};
    for (int i = 0; i < midi.length; i++) {
      double next = i + 1 < onsets.length ? onsets[i + 1] : 6;
      double shake = i == 0 ? 0 : (random.nextDouble() - 0.5) * 0.05;
      note(t, onsets[i] + shake, onsets[i] + (next - onsets[i]) * 0.9, midi[i]);
    }
    var read = MidiReader.read("solo.mid", bytes(sequence), "");
    Score score = read.value();
    assertThat(written(score))
        .isEqualTo(
            "Eb5=1/8 F5=1/8 G5=1/16 Ab5=1/16 G5=1/16 F5=1/16 Eb5=1/4 "
                + "Bb4=1/12 C5=1/12 D5=1/12 Eb5=1/4 Eb4=1/4");
    assertThat(score.bars()).hasSize(2).allMatch(b -> b.time().beats() == 3);
    assertThat(score.bars().get(1).events().get(0).signs().tuplet().starts()).isTrue();
    assertThat(score.bars().get(1).events().get(2).signs().tuplet().stops()).isTrue();
    assertThat(read.problems().get(0).message().id()).isEqualTo("read.moved");
    assertThat(MidiReader.tracks("solo.mid", bytes(sequence)))
        .singleElement()
        .matches(c -> c.name().equals("Solo") && c.notes() == 12);
  }

  @Test
  void chordsAndNotesOverTheBarLineAreTied() throws Exception {
    Sequence sequence = new Sequence(Sequence.PPQ, RESOLUTION);
    Track t = track(sequence, 2, 0);
    note(t, 0, 1, 62);
    note(t, 0, 1, 69);
    note(t, 1, 3, 67);
    note(t, 3, 4, 64);
    Score score = MidiReader.read("x.mid", bytes(sequence), "").value();
    assertThat(written(score)).isEqualTo("D4=1/4 A4=1/4 G4=1/2 E4=1/4");
    assertThat(score.bars().get(0).events().get(1).heads().get(0).tieStart()).isTrue();
  }

  /** Written as MIDI and read again, a line is the same. */
  @Test
  void whatIsWrittenReadsBackTheSame() throws Exception {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(0), Clef.TREBLE);
    Random random = new Random(8);
    for (int i = 0; i < 40; i++) {
      int sixteenths = new int[] {1, 2, 3, 4, 6, 8}[random.nextInt(6)];
      line.add(
          Fraction.of(sixteenths, 16), Pitch.ofMidi(60 + random.nextInt(24), KeySignature.NONE));
    }
    Score score = line.fillBar().build("line", Interval.UNISON);
    var passage = Resolver.resolve(score);
    byte[] bytes = MidiWriter.write(passage, TempoMap.steady(new Tempo(Beat.QUARTER, 90)), 40);
    Score again = MidiReader.read("line.mid", bytes, "").value();
    List<Fraction> onsets = passage.notes().stream().map(n -> n.onset()).toList();
    assertThat(Resolver.resolve(again).notes()).extracting(n -> n.onset()).isEqualTo(onsets);
    assertThat(Resolver.resolve(again).notes())
        .extracting(n -> n.pitch().midi())
        .isEqualTo(passage.notes().stream().map(n -> n.pitch().midi()).toList());
  }

  @Test
  void repeatsArePlayedOutAndAChangingTempoIsTold() throws Exception {
    LineBuilder line = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.TREBLE);
    for (String p : "C5 D5 E5 F5".split(" ")) {
      line.add(Fraction.of(1, 4), Pitch.parse(p));
    }
    Score score = line.build("", Interval.UNISON);
    List<Bar> bars = new ArrayList<>(score.bars());
    Bar last = bars.get(1);
    bars.set(
        1,
        new Bar(
            1,
            "2",
            last.start(),
            last.length(),
            last.time(),
            last.key(),
            last.clef(),
            List.of(),
            last.events(),
            List.of(),
            false,
            true,
            List.of(),
            Bar.Line.PLAIN));
    Tempo slow = new Tempo(Beat.QUARTER, 60);
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Section(Fraction.ZERO, slow, slow.at(120)),
                new TempoMap.Section(Fraction.ONE, slow.at(120), slow.at(120))),
            List.of());
    Sequence read =
        MidiSystem.getSequence(
            new ByteArrayInputStream(
                MidiWriter.write(Resolver.resolve(score.withBars(bars)), map, 40)));
    Track t = read.getTracks()[0];
    int notes = 0;
    int tempos = 0;
    for (int i = 0; i < t.size(); i++) {
      var m = t.get(i).getMessage();
      notes += m instanceof ShortMessage s && s.getCommand() == ShortMessage.NOTE_ON ? 1 : 0;
      tempos += m instanceof MetaMessage x && x.getType() == 0x51 ? 1 : 0;
    }
    assertThat(notes).isEqualTo(8);
    assertThat(tempos).isGreaterThanOrEqualTo(16);
  }

  @Test
  void badFilesAreNamed() {
    assertThatThrownBy(() -> MidiReader.read("x.mid", new byte[] {'M', 'T', 'h', 'd', 0}, ""))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("x.mid");
    assertThatThrownBy(
            () -> {
              Sequence silent = new Sequence(Sequence.PPQ, 480);
              track(silent, 4, 0);
              MidiReader.read("e.mid", bytes(silent), "");
            })
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.midi-empty,");
  }
}
