package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Pitch of tones that are known (method: A. de Cheveigne, H. Kawahara 2002). The tones of the four
 * instruments from the lowest string of the bass to the highest of the violin.
 */
class YinTest {
  private static float[] tone(double hertz, double seconds, double noise) {
    Random random = new Random(3);
    float[] x = new float[(int) (seconds * Recording.RATE)];
    for (int i = 0; i < x.length; i++) {
      double t = i / (double) Recording.RATE;
      for (int k = 1; k <= 8 && hertz * k < 9000; k++) {
        x[i] += (float) (0.2 / k * Math.sin(2 * Math.PI * hertz * k * t + k));
      }
      x[i] += (float) (noise * random.nextGaussian());
    }
    return x;
  }

  private static double cents(double hertz, double from) {
    return 1200 * Math.log(hertz / from) / Math.log(2);
  }

  @ParameterizedTest
  @ValueSource(doubles = {41.2, 65.41, 98, 146.83, 220, 440.5, 659.3, 987.8, 1318.5, 2093, 2637})
  void findsAToneWithinACent(double hertz) {
    Yin yin = new Yin(new Recording(tone(hertz, 0.5, 0.002)));
    Yin.Pitch found = yin.at(0.25, hertz / 2.3, hertz * 2.3);
    assertThat(found.isHeard()).isTrue();
    assertThat(cents(found.hertz(), hertz)).isCloseTo(0, within(1.0));
  }

  @Test
  void followsASlide() {
    float[] x = new float[Recording.RATE];
    double phase = 0;
    for (int i = 0; i < x.length; i++) {
      double hertz = 300 * Math.pow(2, i / (double) x.length);
      phase += 2 * Math.PI * hertz / Recording.RATE;
      x[i] = (float) (0.4 * Math.sin(phase) + 0.2 * Math.sin(2 * phase));
    }
    Yin yin = new Yin(new Recording(x));
    for (double t = 0.1; t < 0.9; t += 0.1) {
      double there = 300 * Math.pow(2, t);
      assertThat(cents(yin.at(t, 150, 900).hertz(), there)).isCloseTo(0, within(12.0));
    }
  }

  @Test
  void hearsNothingInNoiseAndNothingBeyondTheEnds() {
    Random random = new Random(1);
    float[] x = new float[Recording.RATE];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.2 * random.nextGaussian());
    }
    Yin yin = new Yin(new Recording(x));
    assertThat(yin.at(0.5, 100, 1000).isHeard()).isFalse();
    assertThat(yin.at(0.001, 100, 1000).isHeard()).isFalse();
    assertThat(yin.at(5, 100, 1000).isHeard()).isFalse();
  }
}
