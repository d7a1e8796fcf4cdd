package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.player.EffortKind;
import fret.search.Explanation;
import java.util.List;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What no practised player throws is never asked where there is another way. */
class ThrownShiftsTest {
  private static final String[] LETTERS = {"C", "D", "E", "F", "G", "A", "B"};

  private static String line(Random random, int lowest, int highest) {
    StringBuilder notes = new StringBuilder();
    int at = lowest + random.nextInt(highest - lowest);
    for (int i = 0; i < 10; i++) {
      at += random.nextInt(13) - 6;
      at = Math.max(lowest, Math.min(highest, at));
      notes.append(i == 0 ? "" : " ").append(LETTERS[at % 7]).append(at / 7);
    }
    return notes.toString();
  }

  private static boolean isBeyond(Fingering f) {
    return f.shifts().stream()
        .anyMatch(s -> !s.creep() && s.bitsPerSecond() > Shift.MOST_BITS_PER_S * 1.001);
  }

  private static double thrown(Fingering f) {
    return f.explanation().shares().stream()
        .filter(s -> s.id().equals(EffortKind.THROWN.id()))
        .mapToDouble(Explanation.Share::effort)
        .sum();
  }

  /**
   * Sixteenths at 100 to 170, with leaps: of the first five, none that costs less than 1 more is
   * without.
   */
  @Test
  void theFirstChoiceIsWithinThemWhereAnotherIs() {
    int beyond = 0;
    for (int seed = 0; seed < 120; seed++) {
      Random random = new Random(seed);
      boolean violin = random.nextBoolean();
      InstrumentType type = violin ? InstrumentType.VIOLIN : InstrumentType.CELLO;
      String notes = violin ? line(random, 32, 46) : line(random, 18, 32);
      FingeringTask task =
          Exercises.task(type, Exercises.line(notes, Fraction.of(1, 16)), 100 + random.nextInt(71));
      List<Fingering> ways = new FingeringSolver(task).alternatives(5);
      Fingering first = ways.get(0);
      if (isBeyond(first)) {
        beyond++;
        double without = first.effort() - thrown(first);
        boolean another =
            ways.stream().skip(1).anyMatch(w -> !isBeyond(w) && w.effort() < without + 1);
        assertThat(another).as("%s: %s", seed, notes).isFalse();
      }
    }
    assertThat(beyond).as("lines that ask too much anyway").isLessThan(60);
  }
}
