package fret.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.pitch.Pitch;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class PositionNamesTest {
  /** First finger on a note of a string, and what the position is called (common practice). */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, A, Bb4, half",
    "VIOLIN, A, B4, first",
    "VIOLIN, A, C#5, second",
    "VIOLIN, A, D5, third",
    "VIOLIN, A, E5, fourth",
    "VIOLIN, A, F#5, fifth",
    "VIOLIN, A, A5, seventh",
    "VIOLA, C, D3, first",
    "VIOLA, D, G4, third",
    "CELLO, A, B3, first",
    "CELLO, A, D4, third",
    "CELLO, A, E4, fourth",
    "CELLO, D, A3, fourth",
    "BASS, G, Ab2, half",
    "BASS, G, A2, first",
    "BASS, G, Bb2, second",
    "BASS, G, C3, third",
    "BASS, G, D3, fourth"
  })
  void positionsAreNamedByStringAndNote(
      InstrumentType type, String string, String note, String name) {
    Instrument on = Instrument.standard(type);
    int base = on.semitones(on.stringNamed(string), Pitch.parse(note));
    assertThat(PositionNames.of(type, base, false)).isEqualTo(name);
  }

  /** On a page there is room for a few letters. */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, 1, ½",
    "VIOLIN, 2, 1st",
    "VIOLIN, 5, 3rd",
    "VIOLIN, 6, raised 3rd",
    "VIOLIN, 12, 7th",
    "CELLO, 3, low 2nd",
    "CELLO, 7, 4th",
    "BASS, 4, 2nd/3rd",
    "BASS, 5, 3rd"
  })
  void namesAreShortOnThePage(InstrumentType type, int base, String name) {
    assertThat(PositionNames.shortOf(type, base, false)).isEqualTo(name);
    assertThat(PositionNames.shortOf(type, base, true)).isEqualTo("thumb");
  }

  /** F. Simandl, "New Method for the Double Bass", the positions of the G string (from memory). */
  @ParameterizedTest
  @CsvSource({
    "G#2, half",
    "A2, first",
    "Bb2, second",
    "B2, between second and third",
    "C3, third",
    "C#3, between third and fourth",
    "D3, fourth",
    "Eb3, fifth",
    "E3, between fifth and sixth",
    "F3, sixth",
    "F#3, between sixth and seventh",
    "G3, seventh",
  })
  void theBassHasPositionsInBetween(String first, String name) {
    Instrument bass = Instrument.standard(InstrumentType.BASS);
    int base = bass.semitones(1, Pitch.parse(first));
    assertThat(PositionNames.of(InstrumentType.BASS, base, false)).isEqualTo(name);
  }

  /** Lowered positions (common practice, no source). */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, E, G5, low second",
    "VIOLIN, E, D6, low sixth",
    "CELLO, A, C4, low second",
    "CELLO, A, Eb4, low fourth",
  })
  void loweredPositionsAreSaid(InstrumentType type, String string, String note, String name) {
    Instrument on = Instrument.standard(type);
    int base = on.semitones(on.stringNamed(string), Pitch.parse(note));
    assertThat(PositionNames.of(type, base, false)).isEqualTo(name);
  }

  @ParameterizedTest
  @CsvSource({"VIOLIN, 60", "CELLO, 60", "BASS, 60", "CELLO, -3"})
  void everyPlaceHasAName(InstrumentType type, int base) {
    assertThat(PositionNames.of(type, base, false)).isNotBlank();
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void higherIsNeverNamedLower(InstrumentType type) {
    String before = "";
    for (int base = 1; base <= 14; base++) {
      String name = PositionNames.of(type, base, false);
      assertThat(name).isNotBlank();
      if (name.equals("first")) {
        assertThat(before).doesNotContain("second");
      }
      before = name;
    }
    assertThat(PositionNames.of(type, 12, true)).isEqualTo("thumb");
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void everyTuningStringsTheInstrument(InstrumentType type) {
    for (Tuning tuning : Tuning.choices(type)) {
      Instrument on = Instrument.of(type, tuning, 0);
      assertThat(on.stringCount()).isGreaterThanOrEqualTo(4);
      for (int s = 1; s <= on.stringCount(); s++) {
        assertThat(on.stringNamed(on.stringName(s))).isEqualTo(s);
        assertThat(on.semitones(s, on.open(s))).isZero();
      }
      assertThat(Tuning.parse(tuning.text(), tuning.partFollows()).strings())
          .isEqualTo(tuning.strings());
    }
  }

  @Test
  void impossibleInstrumentsAreRefused() {
    List<Pitch> upsideDown = List.of(Pitch.parse("G3"), Pitch.parse("D4"));
    assertThatThrownBy(() -> new Instrument(InstrumentType.VIOLIN, 328, upsideDown, 29, 0))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("order");
    List<Pitch> one = List.of(Pitch.parse("G3"));
    assertThatThrownBy(() -> new Instrument(InstrumentType.VIOLIN, Double.NaN, one, 29, 0))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Tuning.parse("X4 D4", false))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** Nodes divide the string: the octave at a half, the twelfth at a third (acoustics). */
  @Test
  void harmonicsSoundTheirPartials() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    assertThat(cello.harmonic(1, 2)).isEqualTo(Pitch.parse("A4"));
    assertThat(cello.harmonic(1, 3)).isEqualTo(Pitch.parse("E5"));
    assertThat(cello.harmonic(1, 4)).isEqualTo(Pitch.parse("A5"));
    assertThat(cello.harmonic(1, 5)).isEqualTo(Pitch.parse("C#6"));
    assertThatThrownBy(() -> cello.harmonic(1, 6)).isInstanceOf(IllegalArgumentException.class);
  }
}
