package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.search.Token;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TempoRangeTest {
  /** The ends are those of solving anew at every whole tempo from 40 to 200. */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, D5 E5 F#5 G5 A5 B5 D6 C#6 B5 A5 F#5 D5, 8, 90",
    "CELLO, A3 B3 C4 D4 E4 F4 E4 D4 C4 B3 A3 E3, 8, 76",
    "CELLO, G2 D3 B3 C4 D4 F4 E4 C4, 16, 110"
  })
  void itIsWhatEveryTempoSays(InstrumentType type, String notes, int denominator, int target) {
    var passage = Exercises.line(notes, Fraction.of(1, denominator));
    FingeringTask task = Exercises.task(type, passage, target);
    Fingering chosen = new FingeringSolver(task).consistent();
    TempoRange range = TempoRange.of(task, chosen, target, Token.NEVER);
    int lowest = target;
    while (lowest > 40 && same(type, notes, denominator, lowest - 1, chosen)) {
      lowest--;
    }
    int highest = target;
    while (highest < 200 && same(type, notes, denominator, highest + 1, chosen)) {
      highest++;
    }
    assertThat(range.lowest()).isEqualTo(lowest);
    assertThat(range.highest()).isEqualTo(highest);
    assertThat(range.above().isPresent()).isEqualTo(highest < 200);
    assertThat(range.below().isPresent()).isEqualTo(lowest > 40);
  }

  private static boolean same(
      InstrumentType type, String notes, int denominator, int tempo, Fingering chosen) {
    var passage = Exercises.line(notes, Fraction.of(1, denominator));
    Fingering best = new FingeringSolver(Exercises.task(type, passage, tempo)).consistent();
    return best.notesUnlike(chosen) == 0;
  }

  @Test
  void aChoiceOfOnesOwnIsTold() {
    var passage = Exercises.line("B4 C5 D5 E5", Fraction.of(1, 4));
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, passage, 80);
    Fingering dear =
        new FingeringSolver(task.withRules(java.util.List.of(NoteRule.onString(1, 3)))).best();
    TempoRange range = TempoRange.of(task, dear, 80, Token.NEVER);
    assertThat(range.other()).isPresent();
    assertThat(range.lowest()).isEqualTo(range.highest()).isEqualTo(80);
  }
}
