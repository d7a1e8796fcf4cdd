package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.score.ResolvedPassage;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The frames that every violinist and violist has in first position: a semitone or a tone between
 * any two neighbouring fingers, low and high (common practice, no source; teachers' rows from
 * memory, written before the prices).
 */
class FramesTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // all four fingers low
        "VIOLIN | A4 Bb4 C5 Db5 Eb5 Db5 C5 Bb4 A4 | 0 1 2 3 4 3 2 1 0",
        "VIOLIN | D4 Eb4 F4 Gb4 Ab4 Gb4 F4 Eb4 D4 | 0 1 2 3 4 3 2 1 0",
        "VIOLA | G3 Ab3 Bb3 Cb4 Db4 Cb4 Bb3 Ab3 G3 | 0 1 2 3 4 3 2 1 0",
        // low, then as usual, without a slide
        "VIOLIN | Bb4 C5 Db5 C5 Bb4 A4 B4 C5 D5 C5 B4 | 1 2 3 2 1 0 1 2 3 2 1",
        "VIOLA | Eb4 F4 Gb4 F4 Eb4 D4 E4 F4 G4 F4 E4 | 1 2 3 2 1 0 1 2 3 2 1",
        // a second finger close to a first one that is drawn back
        "VIOLIN | Eb5 F5 Gb5 F5 Eb5 | 4 1 2 1 4",
        "VIOLIN | D5 Eb5 F5 Gb5 Ab5 Gb5 F5 Eb5 | 3 4 1 2 3 2 1 4",
        "VIOLA | Ab4 Bb4 Cb5 Bb4 Ab4 G4 | 4 1 2 1 4 3",
        // high: a third finger a tone over a high second one
        "VIOLIN | A4 B4 C#5 D#5 E5 D#5 C#5 B4 A4 | 0 1 2 3 0 3 2 1 0",
        "VIOLIN | D4 E4 F#4 G#4 A4 G#4 F#4 E4 D4 | 0 1 2 3 0 3 2 1 0",
        // and as it always was
        "VIOLIN | A4 B4 C#5 D5 E5 D5 C#5 B4 A4 | 0 1 2 3 0 3 2 1 0",
        "VIOLIN | A4 B4 C5 D5 E5 D5 C5 B4 A4 | 0 1 2 3 0 3 2 1 0"
      })
  void lowAndHighFingersStandWhereTheyAreTaught(InstrumentType type, String notes, String fingers) {
    ResolvedPassage line = Exercises.line(notes.strip(), Fraction.of(1, 8));
    Fingering f = new FingeringSolver(Exercises.task(type, line, 80)).best();
    String found =
        f.notes().stream().map(n -> n.orElseThrow().digit()).collect(Collectors.joining(" "));
    // Where an open string and a fourth finger are the same note, either is right.
    assertThat(found.replace("4", "0")).isEqualTo(fingers.strip().replace("4", "0"));
    assertThat(f.shifts()).isEmpty();
  }
}
