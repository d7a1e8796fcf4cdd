package fret.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Names and numerals of chords in their keys (the usual textbook spelling, as in W. Piston,
 * "Harmony", from memory).
 */
class ChordTest {
  private static Key key(String text) {
    for (int fifths = -7; fifths <= 7; fifths++) {
      for (boolean minor : new boolean[] {false, true}) {
        Key k = new Key(fifths, minor);
        if (k.text().equals(text)) {
          return k;
        }
      }
    }
    throw new IllegalArgumentException(text);
  }

  @ParameterizedTest
  @CsvSource({
    "C, C major, I",
    "Dm, C major, ii",
    "Em, C major, iii",
    "F, C major, IV",
    "G7, C major, V7",
    "Am, C major, vi",
    "Bo, C major, viio",
    "D7, C major, V7/V",
    "E7, C major, V7/vi",
    "C7, C major, V7/IV",
    "F#o7, C major, viio7/V",
    "Dm7, C major, ii7",
    "Bh7, C major, viih7",
    "Am, A minor, i",
    "E7, A minor, V7",
    "Bo, A minor, iio",
    "F, A minor, VI",
    "G#o7, A minor, viio7",
    "Eb, Bb major, IV",
    "F7, Bb major, V7",
    "A, D major, V",
    "F#m, D major, iii"
  })
  void numeralsInTheirKeys(String chord, String key, String numeral) {
    String text =
        Character.isLowerCase(key.charAt(0)) || !key.contains("minor")
            ? key
            : key.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + key.substring(1);
    assertThat(Chord.parse(chord).numeral(key(text))).isEqualTo(numeral);
  }

  @ParameterizedTest
  @CsvSource({
    "C, 0",
    "C#, 1",
    "Db, 1",
    "Ebm, 3",
    "F#m7, 6",
    "Bbmaj7, 10",
    "Cb, 11",
    "B#, 0",
    "Go7, 7"
  })
  void rootsOfAnySpelling(String text, int root) {
    assertThat(Chord.parse(text).root()).isEqualTo(root);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "H", "Xm", "C9", "m", "Gsus4", "7"})
  void whatIsNoChordIsRefused(String text) {
    assertThatThrownBy(() -> Chord.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(text);
  }

  @Test
  void everyChordIsReadAsItIsWrittenInEveryKey() {
    for (int fifths = -7; fifths <= 7; fifths++) {
      for (boolean minor : new boolean[] {false, true}) {
        Key key = new Key(fifths, minor);
        for (int root = 0; root < 12; root++) {
          for (Quality q : Quality.values()) {
            Chord chord = new Chord(root, q);
            assertThat(Chord.parse(chord.text(key))).as("%s in %s", chord, key).isEqualTo(chord);
          }
        }
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "0, false, 0, C major",
    "3, true, 0, a minor",
    "-3, false, -3, Eb major",
    "9, true, 6, d# minor"
  })
  void keysHaveTheirSignatures(int fifths, boolean minor, int signature, String text) {
    Key k = new Key(fifths, minor);
    assertThat(k.signature()).isEqualTo(signature);
    assertThat(k.text()).isEqualTo(text);
  }

  @Test
  void aKeySpellsItsOwnNotes() {
    assertThat(key("D major").nameOf(6)).isEqualTo("F#");
    assertThat(key("Db major").nameOf(6)).isEqualTo("Gb");
    assertThat(key("a minor").nameOf(8)).isEqualTo("G#");
    assertThat(key("F major").nameOf(10)).isEqualTo("Bb");
  }
}
