package fret.pitch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PitchTest {
  /** MIDI numbers as in the MIDI 1.0 specification: 60 is middle C, 69 the A of 440 Hz. */
  @ParameterizedTest
  @CsvSource({"C4, 60", "A4, 69", "B#3, 60", "Cb4, 59", "G3, 55", "E1, 28", "F##5, 79", "Ebb4, 62"})
  void pitchesHaveTheirNumbersWhateverTheirSpelling(String text, int midi) {
    assertThat(Pitch.parse(text).midi()).isEqualTo(midi);
    assertThat(Pitch.parse(text)).hasToString(text);
  }

  @ParameterizedTest
  @ValueSource(strings = {"H4", "C", "", "4C", "C#x4"})
  void otherTextsAreNoPitch(String text) {
    assertThatThrownBy(() -> Pitch.parse(text)).isInstanceOf(IllegalArgumentException.class);
  }

  /** A tone is spelled as a scale of its key spells it. */
  @ParameterizedTest
  @CsvSource({
    "61, 2, C#4",
    "61, -5, Db4",
    "66, 1, F#4",
    "66, -6, Gb4",
    "70, -2, Bb4",
    "70, 5, A#4",
    "63, 0, Eb4",
    "68, 3, G#4"
  })
  void numbersAreSpelledInTheKey(int midi, int fifths, String expected) {
    assertThat(Pitch.ofMidi(midi, new KeySignature(fifths))).hasToString(expected);
  }

  @ParameterizedTest
  @CsvSource({"C4, E4, 2, 4", "E4, C4, -2, -4", "B3, C4, 1, 1", "F4, B4, 3, 6", "C4, C5, 7, 12"})
  void intervalsCountStepsAndSemitones(String from, String to, int steps, int semitones) {
    Interval i = Interval.between(Pitch.parse(from), Pitch.parse(to));
    assertThat(i).isEqualTo(new Interval(steps, semitones));
    assertThat(Pitch.parse(from).plus(i)).isEqualTo(Pitch.parse(to));
    assertThat(Pitch.parse(to).plus(i.negated())).isEqualTo(Pitch.parse(from));
  }

  @Test
  void aPassageTakenUpAndDownIsWhatItWas() {
    Interval third = new Interval(2, 3);
    for (int midi = 40; midi < 90; midi++) {
      Pitch p = Pitch.ofMidi(midi, new KeySignature(-3));
      assertThat(p.plus(third).plus(third.negated())).isEqualTo(p);
    }
  }

  /** Order of sharps F C G D A E B and of flats B E A D G C F (common practice, no source). */
  @ParameterizedTest
  @CsvSource({"3, FCG", "-2, BE", "7, FCGDAEB", "-7, BEADGCF"})
  void keySignaturesAlterTheirStepsInOrder(int fifths, String steps) {
    KeySignature key = new KeySignature(fifths);
    assertThat(key.alteredSteps().stream().map(Enum::name).reduce("", String::concat))
        .isEqualTo(steps);
    for (Step step : key.alteredSteps()) {
      assertThat(key.alterOf(step)).isEqualTo(Integer.signum(fifths));
    }
  }
}
