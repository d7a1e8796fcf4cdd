package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rates and speeds leave the pitch alone. */
class SoundTest {
  private static float[] tone(double hertz, double seconds, int rate) {
    float[] x = new float[(int) (seconds * rate)];
    for (int i = 0; i < x.length; i++) {
      x[i] = (float) (0.5 * Math.sin(2 * Math.PI * hertz * i / rate));
    }
    return x;
  }

  private static double hertz(float[] samples, double at) {
    return new Yin(new Recording(samples)).at(at, 200, 1200).hertz();
  }

  @ParameterizedTest
  @ValueSource(ints = {8000, 11_025, 16_000, 22_050, 32_000, 44_100, 48_000, 96_000, 192_000})
  void anotherRateSoundsTheSame(int rate) {
    float[] there = Resampler.resampled(tone(440, 0.6, rate), rate, Recording.RATE);
    assertThat(there.length / (double) Recording.RATE).isCloseTo(0.6, within(0.001));
    assertThat(hertz(there, 0.3)).isCloseTo(440, within(0.1));
    assertThat(new Recording(there).level(0.2, 0.4)).isCloseTo(0.354, within(0.01));
  }

  @Test
  void whatIsTooHighForTheRateIsTakenAway() {
    float[] there = Resampler.resampled(tone(15_000, 0.3, 44_100), 44_100, Recording.RATE);
    assertThat(new Recording(there).level(0.1, 0.2)).isLessThan(0.01);
  }

  @Test
  void ratesFarOutsideAreRefused() {
    assertThatThrownBy(() -> Resampler.resampled(new float[10], 4000, 44_100))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("4000");
  }

  @ParameterizedTest
  @ValueSource(doubles = {1.33, 2, 3})
  void slowerIsLongerAndAsHigh(double times) {
    float[] slow = Slower.slower(tone(440, 1.5, Recording.RATE), Recording.RATE, times);
    assertThat(slow.length / (double) Recording.RATE).isCloseTo(1.5 * times, within(0.01));
    assertThat(hertz(slow, 0.7 * times)).isCloseTo(440, within(1.5));
    assertThatThrownBy(() -> Slower.slower(new float[9], 100, 9))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void asItIsNothingIsChanged() {
    float[] x = tone(300, 0.5, Recording.RATE);
    assertThat(Slower.slower(x, Recording.RATE, 1)).isSameAs(x);
  }

  @Test
  void aRecordingTellsHowLoudAndHowClippedItIs() {
    float[] x = tone(440, 1, Recording.RATE);
    assertThat(new Recording(x).peak()).isCloseTo(0.5, within(0.01));
    assertThat(new Recording(x).clippedShare()).isZero();
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.max(-1, Math.min(1, 4 * x[i]));
    }
    assertThat(new Recording(x).clippedShare()).isGreaterThan(0.3);
    assertThat(new Recording(new float[0]).clippedShare()).isZero();
    assertThat(new Recording(x).level(5, 6)).isZero();
  }
}
