package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.RefusedValue;
import fret.drill.NamedScale.Kind;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.passage.PrintedTempos;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.score.Event;
import fret.score.Score;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Scales by name: their notes and signs are common practice, no source. */
class NamedScaleTest {
  private static Instrument on(InstrumentType type) {
    return Setup.usual(type).strung();
  }

  private static Score violin(String name) {
    return NamedScale.parse(name)
        .score(on(InstrumentType.VIOLIN), Clef.TREBLE, Interval.UNISON, "x");
  }

  private static String notes(Score s) {
    return s.events().stream()
        .filter(e -> !e.isRest())
        .map(
            e -> e.heads().stream().map(h -> h.pitch().toString()).collect(Collectors.joining("+")))
        .collect(Collectors.joining(" "));
  }

  @ParameterizedTest
  @CsvSource({
    "G major, SCALE, false, 2, 1",
    "B-flat minor arpeggio 3 octaves 4 a stroke, ARPEGGIO, true, 3, 4",
    "f# minor thirds in one octave slurred 2, THIRDS, true, 1, 2",
    "Eb, SCALE, false, 2, 1",
    "C sharp minor scale slurs of 8, SCALE, true, 2, 8"
  })
  void namesAreReadAsPlayersSayThem(
      String name, Kind kind, boolean minor, int octaves, int aStroke) {
    NamedScale s = NamedScale.parse(name);
    assertThat(s.kind()).isEqualTo(kind);
    assertThat(s.minor()).isEqualTo(minor);
    assertThat(s.octaves()).isEqualTo(octaves);
    assertThat(s.aStroke()).isEqualTo(aStroke);
  }

  /** With its target the page has a metronome mark, which is the passage's. */
  @Test
  void aTempoIsItsTarget() {
    assertThat(PrintedTempos.of(violin("A major at 96")).first().perMinute()).isEqualTo(96);
    assertThat(NamedScale.parse("A major").perMinute()).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "C major, 0",
    "Eb major, -3",
    "F# major, 6",
    "A minor, 0",
    "B minor, 2",
    "Bb minor, -5",
    "C# minor, 4",
    "F major, -1"
  })
  void aKeyHasItsSigns(String name, int fifths) {
    assertThat(violin(name + " 1 octave").bars().get(0).key().fifths()).isEqualTo(fifths);
  }

  @Test
  void aScaleGoesUpAndDownFromTheLowestTonic() {
    assertThat(notes(violin("G major 1 octave")))
        .isEqualTo("G3 A3 B3 C4 D4 E4 F#4 G4 F#4 E4 D4 C4 B3 A3 G3");
    assertThat(notes(violin("A minor 1 octave")))
        .as("melodic")
        .isEqualTo("A3 B3 C4 D4 E4 F#4 G#4 A4 G4 F4 E4 D4 C4 B3 A3");
    assertThat(notes(violin("Bb major arpeggio 1 octave"))).isEqualTo("Bb3 D4 F4 Bb4 F4 D4 Bb3");
    assertThat(notes(violin("B major thirds 1 octave"))).startsWith("B3+D#4 C#4+E4 D#4+F#4");
    Score bass =
        NamedScale.parse("F major 1 octave")
            .score(on(InstrumentType.BASS), Clef.BASS, Interval.OCTAVE_DOWN, "x");
    assertThat(notes(bass)).as("written an octave above its sound").startsWith("F2 G2 A2");
  }

  @Test
  void notesAStrokeAreSlurredAndTheLastNoteIsAlone() {
    List<Event> notes =
        violin("G major 1 octave 4 a stroke").events().stream().filter(e -> !e.isRest()).toList();
    int open = 0;
    StringBuilder strokes = new StringBuilder();
    for (Event e : notes) {
      open += e.signs().slurStarts().size();
      strokes.append(open > 0 ? "s" : "-");
      open -= e.signs().slurStops().size();
      strokes.append(open == 0 ? "|" : "");
    }
    assertThat(strokes).hasToString("ssss|ssss|ssss|ss|-|");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "H major",
        "the weir",
        "G# major",
        "C major 7 octaves",
        "D 99 a stroke",
        "D major at 900"
      })
  void whatIsNoneIsRefused(String name) {
    assertThatThrownBy(() -> NamedScale.parse(name)).isInstanceOf(RefusedValue.class);
  }

  @Test
  void octavesBeyondTheFingerboardAreRefused() {
    assertThat(notes(violin("G major 4 octaves"))).contains("G7");
    assertThatThrownBy(() -> violin("B major 4 octaves")).isInstanceOf(RefusedValue.class);
  }
}
