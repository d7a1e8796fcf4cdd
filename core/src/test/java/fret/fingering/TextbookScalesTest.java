package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Elementary scales: the first choice is the one that is taught. */
class TextbookScalesTest {
  // common practice, from memory
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, G3 A3 B3 C4 D4 E4 F#4 G4 A4 B4 C5 D5 E5 F#5 G5, 012301230123012",
    "VIOLA, C3 D3 E3 F3 G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5, 012301230123012",
    "CELLO, C2 D2 E2 F2 G2 A2 B2 C3 D3 E3 F3 G3 A3 B3 C4, 013401340124012",
    "CELLO, G2 A2 B2 C3 D3 E3 F#3 G3 A3 B3 C4 D4 E4 F#4 G4, 013401340124134",
    "BASS, F1 G1 A1 Bb1 C2 D2 E2 F2, 14014024"
  })
  void firstChoiceIsTheTaughtOne(InstrumentType type, String notes, String expected) {
    for (int tempo : new int[] {60, 80, 100}) {
      Fingering best =
          new FingeringSolver(Exercises.task(type, Exercises.line(notes, Fraction.of(1, 4)), tempo))
              .best();
      assertThat(Exercises.digits(best)).as("%s at %d", notes, tempo).isEqualTo(expected);
    }
  }
}
