package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ToneTest {
  /** Strength of one frequency, by the sum that the discrete Fourier transform takes. */
  private static double strength(float[] samples, double hertz) {
    double re = 0;
    double im = 0;
    for (int i = 0; i < samples.length; i++) {
      double phase = 2 * Math.PI * hertz * i / ClickTrack.SAMPLE_RATE;
      re += samples[i] * Math.cos(phase);
      im += samples[i] * Math.sin(phase);
    }
    return Math.hypot(re, im) / samples.length;
  }

  @ParameterizedTest
  @ValueSource(doubles = {65.4, 440, 1318.5})
  void theToneAskedForIsTheStrongest(double hertz) {
    float[] samples = Tone.render(hertz);
    double own = strength(samples, hertz);
    for (double other : new double[] {hertz / 2, hertz * 1.26, hertz * 1.5, 2 * hertz}) {
      assertThat(strength(samples, other)).isLessThan(own);
    }
    assertThat(strength(samples, 2 * hertz)).as("an overtone is heard").isGreaterThan(0.1 * own);
  }

  @Test
  void itFadesInAndOutAndIsNeverLoud() {
    float[] samples = Tone.render(440);
    assertThat(samples[0]).isZero();
    assertThat(samples[samples.length - 1]).isCloseTo(0, within(0.01f));
    for (float s : samples) {
      assertThat(s).isBetween(-0.25f, 0.25f);
    }
  }

  /** Above half the sampling rate nothing can be heard but a false tone. */
  @Test
  void overtonesThatCannotBeHeardAreLeftOut() {
    float[] samples = Tone.render(8000);
    double folded = ClickTrack.SAMPLE_RATE - 3 * 8000.0;
    assertThat(strength(samples, folded)).isLessThan(0.02 * strength(samples, 8000));
  }

  @ParameterizedTest
  @ValueSource(doubles = {19.9, 8001, Double.NaN})
  void tonesOutsideTheRangeAreRefused(double hertz) {
    assertThatThrownBy(() -> Tone.render(hertz))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("20 to 8000");
  }
}
