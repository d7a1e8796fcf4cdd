package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Double stops made of known tones: each note's cents, or silence where it cannot be told. */
class ChordPitchTest {
  private static final double LENGTH_S = 0.8;

  /** Harmonic tones with strengths that fall with the number of the partial. */
  private static Recording sound(double[] hertz, double vibratoCents, double noise) {
    Random random = new Random(7);
    float[] x = new float[(int) (LENGTH_S * Recording.RATE)];
    double[] phase = new double[hertz.length];
    for (int i = 0; i < x.length; i++) {
      double t = i / (double) Recording.RATE;
      double bend = Math.pow(2, vibratoCents * Math.sin(2 * Math.PI * 5.5 * t) / 1200);
      double sum = noise * random.nextGaussian();
      for (int k = 0; k < hertz.length; k++) {
        phase[k] += 2 * Math.PI * hertz[k] * bend / Recording.RATE;
        for (int h = 1; h <= 12 && h * hertz[k] < 9000; h++) {
          sum += 0.1 / Math.pow(h, 0.9) * Math.sin(h * phase[k] + k);
        }
      }
      x[i] = (float) sum;
    }
    return new Recording(x);
  }

  private static List<Double> heard(String notes, double[] cents, double vibrato, double noise) {
    List<Double> expected = new ArrayList<>();
    double[] hertz = new double[cents.length];
    String[] names = notes.split("\\+");
    for (int i = 0; i < names.length; i++) {
      expected.add(Pitch.parse(names[i]).hertz(440));
      hertz[i] = expected.get(i) * Math.pow(2, cents[i] / 1200);
    }
    return new ChordPitch(sound(hertz, vibrato, noise), ChordPitch.LONG)
        .cents(0.05, LENGTH_S - 0.02, expected, expected);
  }

  @ParameterizedTest
  @CsvSource({
    "D4+B4, 0, 0", "D4+B4, 12, -9", "G3+E4, -20, 14", "A4+C#5, 0, -14", "C3+E3, 15, 6",
    "G2+D3, 10, -8", "A3+D4, -6, 11", "E4+G4, 25, 25", "C2+A2, 9, -12", "B4+G5, 3, -17"
  })
  void bothNotesOfADoubleStopAreTold(String notes, double lower, double upper) {
    List<Double> told = heard(notes, new double[] {lower, upper}, 0, 0.001);
    assertThat(told.get(0)).isCloseTo(lower, within(1.5));
    assertThat(told.get(1)).isCloseTo(upper, within(1.5));
  }

  @Test
  void vibratoAndNoiseMoveTheMeanLittle() {
    List<Double> told = heard("D4+B4", new double[] {8, -8}, 15, 0.005);
    assertThat(told.get(0)).isCloseTo(8, within(3.0));
    assertThat(told.get(1)).isCloseTo(-8, within(3.0));
  }

  /** A note of 0.16 s while the one before rings on and dies away in a tenth of a second. */
  @ParameterizedTest
  @CsvSource({"A4, B4, 12", "G4, A4, -15", "E5, C5, 10", "D4, F4, -8"})
  void aShortNoteIsToldUnderTheRingOfTheOneBefore(String before, String now, double cents) {
    double rings = Pitch.parse(before).hertz(440);
    double own = Pitch.parse(now).hertz(440);
    double played = own * Math.pow(2, cents / 1200);
    float[] x = new float[(int) (0.4 * Recording.RATE)];
    int from = (int) (0.15 * Recording.RATE);
    int to = (int) (0.31 * Recording.RATE);
    for (int i = 0; i < x.length; i++) {
      double t = i / (double) Recording.RATE;
      double left = i < from ? 1 : Math.exp(-(t - 0.15) / 0.1);
      for (int h = 1; h <= 8; h++) {
        x[i] += (float) (0.1 * left / h * Math.sin(2 * Math.PI * h * rings * t));
        x[i] +=
            i < from || i >= to ? 0 : (float) (0.1 / h * Math.sin(2 * Math.PI * h * played * t));
      }
    }
    double told =
        new ChordPitch(new Recording(x), ChordPitch.SHORT)
            .cents(0.15, 0.31, List.of(own), List.of(own, rings))
            .get(0);
    assertThat(told).isCloseTo(cents, within(3.0));
  }

  /** Every partial of the upper note is one of the lower note too. */
  @Test
  void anOctavesUpperNoteIsNotTold() {
    List<Double> told = heard("G3+G4", new double[] {5, 12}, 0, 0.001);
    assertThat(told.get(0)).isCloseTo(5, within(1.5));
    assertThat(told.get(1)).isNaN();
  }

  @Test
  void whatIsTooShortOrNotThereIsNotTold() {
    List<Double> two = List.of(Pitch.parse("D4").hertz(440), Pitch.parse("B4").hertz(440));
    ChordPitch silent = new ChordPitch(new Recording(new float[Recording.RATE]), ChordPitch.LONG);
    assertThat(silent.cents(0.1, 0.9, two, two)).allMatch(c -> c.isNaN());
    ChordPitch sounds =
        new ChordPitch(sound(new double[] {two.get(0), two.get(1)}, 0, 0.001), ChordPitch.LONG);
    assertThat(sounds.cents(0.1, 0.15, two, two)).allMatch(c -> c.isNaN());
  }
}
