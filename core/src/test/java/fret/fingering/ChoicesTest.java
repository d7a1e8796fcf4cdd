package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.score.ResolvedPassage;
import java.util.List;
import java.util.Random;
import java.util.function.IntUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * How many hands and ways between them the search has to weigh a note: what is remembered of a hand
 * must not make it slow. Started with {@code -Dfret.choices=true} it prints them.
 */
class ChoicesTest {
  private static final int NOTES = 400;

  /**
   * The walk may have half again as many as before shapes, pasts and held voices were remembered
   * (33 hands, 1,080 ways). Held voices take more: what is let go is a choice.
   */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, walk, 50, 1620",
    "CELLO, walk, 50, 1620",
    "VIOLIN, swing, 35, 1000",
    "CELLO, swing, 35, 1000",
    "VIOLIN, voices, 70, 2000",
    "CELLO, voices, 70, 2000",
    "VIOLIN, pedal, 55, 1900",
    "CELLO, pedal, 55, 1900",
  })
  void aNoteHasNoMoreThan(InstrumentType type, String music, double states, double ways) {
    FingeringTask task = Exercises.task(Exercises.hand(type, Hand.MEDIUM), music(type, music), 96);
    double[][][] weights = new FingeringSolver(task).weights();
    long hands = 0;
    long between = 0;
    for (double[][] layer : weights) {
      hands += layer[0].length;
      for (double[] from : layer) {
        for (double way : from) {
          between += way < Double.POSITIVE_INFINITY ? 1 : 0;
        }
      }
    }
    double statesEach = (double) hands / weights.length;
    double waysEach = (double) between / weights.length;
    if (Boolean.getBoolean("fret.choices")) {
      System.out.printf("%s %s: %.1f hands, %.0f ways a note%n", type, music, statesEach, waysEach);
    }
    assertThat(statesEach).as("hands").isLessThanOrEqualTo(states);
    assertThat(waysEach).as("ways").isLessThanOrEqualTo(ways);
  }

  private static ResolvedPassage music(InstrumentType type, String music) {
    int lowest = Instrument.standard(type).open(4).midi();
    Random random = new Random(42);
    return switch (music) {
      case "walk" -> {
        int[] at = {lowest + 14};
        yield line(
            i -> at[0] = Math.max(lowest, Math.min(lowest + 34, at[0] + random.nextInt(9) - 4)));
      }
      // The second string, open, under a line on the first.
      case "pedal" ->
          line(i -> i % 2 == 0 ? lowest + 14 : lowest + 21 + new int[] {2, 4, 5, 7}[i / 2 % 4]);
      // Three strings, up and down.
      case "swing" -> line(i -> lowest + 9 + new int[] {0, 7, 16, 7}[i % 4] + i / 16 % 3);
      case "voices" ->
          Exercises.line(
              IntStream.range(0, NOTES / 2)
                  .mapToObj(i -> lowest + 14 + (i % 4))
                  .map(m -> name(m) + "*2+" + name(m + 5 + m % 3) + " " + name(m + 7))
                  .collect(Collectors.joining(" ")),
              Fraction.of(1, 8));
      default -> throw new IllegalArgumentException(music);
    };
  }

  private static ResolvedPassage line(IntUnaryOperator midi) {
    List<String> notes = IntStream.range(0, NOTES).map(midi).mapToObj(ChoicesTest::name).toList();
    return Exercises.line(String.join(" ", notes), Fraction.of(1, 16));
  }

  private static String name(int midi) {
    return Pitch.ofMidi(midi, KeySignature.NONE).toString();
  }
}
