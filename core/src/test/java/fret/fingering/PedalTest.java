package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.score.ResolvedPassage;
import java.util.Arrays;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a line swings round a pedal: p a pedal, m a melody note, a stroke neither. */
class PedalTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "A4 B4 A4 C5 A4 D5 A4 B4 | 0.1 | pmpmpm p-",
        // three times is none, neither a trill nor a note repeated
        "A4 B4 A4 C5 A4 B4 C5 D5 | 0.1 | --------",
        "A4 B4 A4 B4 A4 B4 A4 B4 | 0.1 | --------",
        "A4 A4 A4 A4 A4 A4 A4 A4 | 0.1 | --------",
        // in unison too
        "E5 E5 E5 D5 E5 E5 E5 C5 | 0.1 | pmpmpmp-",
        // played one by one
        "A4 B4 A4 C5 A4 D5 A4 B4 | 0.3 | --------",
        "A4 B4 A4 - C5 A4 D5 A4 B4 | 0.1 | --------",
        "A4 B4 A4 C5 A4 D5 A4+E5 B4 | 0.1 | --------"
      })
  void aPedalComesBackFourTimes(String notes, double seconds, String marks) {
    ResolvedPassage p = Exercises.line(notes, Fraction.of(1, 16));
    double[] times = new double[p.slices().size()];
    Arrays.fill(times, seconds);
    String found =
        Arrays.stream(Pedal.of(p, times))
            .map(x -> x.midi() == 0 ? "-" : x.melody() ? "m" : "p")
            .collect(Collectors.joining());
    assertThat(found).isEqualTo(marks.replace(" ", ""));
  }
}
