package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Broken chords of the bass go up the string: 1-2-4 (common practice, no source). */
class BassArpeggiosTest {
  private static final Instrument BASS = Instrument.standard(InstrumentType.BASS);
  private static final int LOWEST = 28;
  private static final int OCTAVE_AND_A_HALF = 19;
  private static final String[] NAMES = {
    "C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };
  private static final List<List<Integer>> CHORDS =
      List.of(
          List.of(0, 4, 7),
          List.of(0, 3, 7),
          List.of(0, 4, 7, 10),
          List.of(0, 4, 7, 11),
          List.of(0, 3, 7, 10));

  static Stream<Arguments> chords() {
    return IntStream.range(LOWEST, LOWEST + 12)
        .boxed()
        .flatMap(root -> CHORDS.stream().map(chord -> Arguments.of(root, chord)));
  }

  private static List<String> upAndDown(int root, List<Integer> chord) {
    List<String> notes = new ArrayList<>();
    for (int octave = 0; octave < 24; octave += 12) {
      for (int step : chord) {
        int midi = root + octave + step;
        if (midi <= root + OCTAVE_AND_A_HALF) {
          notes.add(NAMES[midi % 12] + (midi / 12 - 1));
        }
      }
    }
    for (int i = notes.size() - 2; i >= 0; i--) {
      notes.add(notes.get(i));
    }
    return notes;
  }

  private static Fingering best(List<String> notes, boolean across) {
    FingeringTask task =
        Exercises.task(
            InstrumentType.BASS, Exercises.line(String.join(" ", notes), Fraction.of(1, 8)), 80);
    HandModel hand = Exercises.hand(InstrumentType.BASS, Hand.MEDIUM.withAcross(across));
    FingeringTask own = new FingeringTask(task.passage(), task.tempo(), hand, task.preset());
    return new FingeringSolver(own).best();
  }

  private static long highOnLowStrings(List<String> notes, Fingering f) {
    return IntStream.range(0, notes.size())
        .filter(
            i -> {
              int string = f.notes().get(i).orElseThrow().string();
              int semitone = Pitch.parse(notes.get(i)).midi() - BASS.open(string).midi();
              return string > 1 && semitone > 7;
            })
        .count();
  }

  @ParameterizedTest
  @MethodSource("chords")
  void noneGoesAcrossHighPlacesOnLowStrings(int root, List<Integer> chord) {
    List<String> notes = upAndDown(root, chord);
    Fingering f = best(notes, false);
    assertThat(highOnLowStrings(notes, f)).as(notes + " " + Exercises.digits(f)).isZero();
  }

  /** Teachers' first answers (from memory). */
  @ParameterizedTest
  @CsvSource({
    "D2 F#2 A2 D3 A2 F#2 D2, 0414140",
    "E1 B1 E2 G#2 B2 E3, 022144",
    "A1 C2 E2 A2 C3, 02114",
    "G1 B1 D2 G2 B2 D3, 210044"
  })
  void asTaught(String notes, String digits) {
    assertThat(Exercises.digits(best(List.of(notes.split(" ")), false))).isEqualTo(digits);
  }

  @Test
  void whoPlaysThemAcrossSaysSo() {
    long across =
        chords()
            .mapToLong(
                a -> {
                  @SuppressWarnings("unchecked")
                  List<Integer> chord = (List<Integer>) a.get()[1];
                  List<String> notes = upAndDown((int) a.get()[0], chord);
                  return highOnLowStrings(notes, best(notes, true));
                })
            .sum();
    assertThat(across).isPositive();
  }
}
