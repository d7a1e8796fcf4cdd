package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.UnusableInput;
import fret.format.midi.MidiReader;
import fret.format.midi.MidiWriter;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is written reads back the same, whatever was written: made-up pages from fixed seeds. */
class RoundTripTest {
  private static final Fraction[] LENGTHS = {
    Fraction.of(1, 16),
    Fraction.of(1, 8),
    Fraction.of(3, 16),
    Fraction.of(1, 4),
    Fraction.of(3, 8),
    Fraction.of(1, 2)
  };
  private static final String[] DYNAMICS = {"pp", "p", "mf", "f", "ff"};

  private static Score page(long seed) {
    Random random = new Random(seed);
    KeySignature key = new KeySignature(random.nextInt(9) - 4);
    TimeSignature time = TimeSignature.of(2 + random.nextInt(3), 4);
    Clef clef = List.of(Clef.TREBLE, Clef.ALTO, Clef.TENOR, Clef.BASS).get(random.nextInt(4));
    LineBuilder line = new LineBuilder(time, key, clef);
    boolean slurred = false;
    for (int i = 0; i < 40; i++) {
      Fraction length = LENGTHS[random.nextInt(LENGTHS.length)];
      if (random.nextInt(8) == 0 && !slurred) {
        line.add(length);
        continue;
      }
      boolean starts = !slurred && random.nextInt(4) == 0 && i < 36;
      boolean stops = slurred && random.nextInt(2) == 0 || slurred && i == 39;
      slurred = starts || slurred && !stops;
      Signs signs =
          Signs.PLAIN
              .withSlurs(starts ? List.of(1) : List.of(), stops ? List.of(1) : List.of())
              .withArticulations(articulations(random))
              .withBow(random.nextInt(9) == 0 ? Signs.Bow.UP : Signs.Bow.NONE)
              .withFermata(random.nextInt(20) == 0);
      line.add(length, heads(random, key), signs);
    }
    line.fillBar();
    Score plain = line.build("Seed " + seed, Interval.UNISON);
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : plain.bars()) {
      bars.add(
          random.nextInt(3) == 0
              ? bar.withDirections(
                  List.of(
                      new Direction(
                          bar.start(),
                          Direction.Kind.DYNAMIC,
                          DYNAMICS[random.nextInt(DYNAMICS.length)],
                          0)))
              : bar);
    }
    return plain.withBars(bars);
  }

  private static Set<Signs.Articulation> articulations(Random random) {
    Set<Signs.Articulation> all = EnumSet.noneOf(Signs.Articulation.class);
    if (random.nextInt(4) == 0) {
      all.add(Signs.Articulation.values()[random.nextInt(4)]);
    }
    return all;
  }

  private static List<Head> heads(Random random, KeySignature key) {
    int low = 48 + random.nextInt(30);
    Head first = Head.of(Pitch.ofMidi(low, key));
    if (random.nextInt(6) > 0) {
      return List.of(first.withPrintedFinger(random.nextInt(5) == 0 ? "2" : ""));
    }
    return List.of(first, Head.of(Pitch.ofMidi(low + 3 + random.nextInt(9), key)));
  }

  private static String sounding(Score score) {
    StringBuilder text = new StringBuilder();
    for (SoundingNote n : Resolver.resolve(score).notes()) {
      text.append(n.onset()).append(':').append(n.pitch().midi()).append(':');
      text.append(n.duration()).append(' ');
    }
    return text.toString();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
  void musicXmlReadsBackEqual(long seed) throws UnusableInput {
    Score page = page(seed);
    byte[] file = MusicXmlWriter.write(page);
    Score read = MusicXmlReader.read("seed", MusicXmlFile.open("seed", file), "").value();
    assertThat(read.bars()).hasSameSizeAs(page.bars());
    for (int i = 0; i < page.bars().size(); i++) {
      Bar a = page.bars().get(i);
      Bar b = read.bars().get(i);
      assertThat(b.key()).isEqualTo(a.key());
      assertThat(b.time()).isEqualTo(a.time());
      assertThat(b.clef()).isEqualTo(a.clef());
      assertThat(b.directions()).isEqualTo(a.directions());
      assertThat(texts(b)).isEqualTo(texts(a));
    }
    assertThat(sounding(read)).isEqualTo(sounding(page));
    String again = new String(MusicXmlWriter.write(read), StandardCharsets.UTF_8);
    assertThat(again).as("written twice").isEqualTo(new String(file, StandardCharsets.UTF_8));
  }

  /** Events without what the writer adds: printed accidentals and beams. */
  private static List<String> texts(Bar bar) {
    return bar.events().stream().map(RoundTripTest::text).toList();
  }

  private static String text(Event e) {
    String heads =
        e.heads().stream()
            .map(
                h ->
                    h.pitch()
                        + (h.tieStart() ? "-" : "")
                        + (h.tieStop() ? "~" : "")
                        + h.printedFinger())
            .reduce("", String::concat);
    Signs s = e.signs();
    return e.onset()
        + " "
        + e.duration()
        + " "
        + heads
        + " "
        + s.slurStarts().size()
        + "/"
        + s.slurStops().size()
        + s.articulations()
        + s.bow()
        + s.fermata();
  }

  /** MIDI keeps what sounds; notes that touch at the same pitch stay two notes. */
  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28})
  void midiKeepsWhatSounds(long seed) throws UnusableInput {
    Score page = page(seed);
    byte[] file =
        MidiWriter.write(Resolver.resolve(page), TempoMap.steady(new Tempo(Beat.QUARTER, 72)), 40);
    Score read = MidiReader.read("seed.mid", file, "").value();
    assertThat(onsets(read)).isEqualTo(onsets(page));
  }

  private static List<String> onsets(Score score) {
    return Resolver.resolve(score).notes().stream()
        .map(n -> n.onset() + " " + n.pitch().midi())
        .toList();
  }
}
