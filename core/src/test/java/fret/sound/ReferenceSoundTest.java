package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ReferenceSoundTest {
  /** The pitch as it sounds, from the turning of its first partial over two seconds. */
  @ParameterizedTest
  @ValueSource(doubles = {65.18, 220, 441.7, 989.4})
  void itSoundsWithinATenthOfACent(double hertz) {
    float[] samples = ReferenceSound.render(List.of(List.of(hertz)), 2.2);
    int a = phaseWindow(0.2);
    int b = phaseWindow(1.8);
    double seconds = (b - a) / (double) ClickTrack.SAMPLE_RATE;
    double turned = phase(samples, b, hertz) - phase(samples, a, hertz);
    double off = Math.IEEEremainder(turned - 2 * Math.PI * hertz * seconds, 2 * Math.PI);
    double heard = hertz + off / (2 * Math.PI * seconds);
    assertThat(1200 * Math.log(heard / hertz) / Math.log(2)).isCloseTo(0, within(0.1));
  }

  private static int phaseWindow(double seconds) {
    return (int) (seconds * ClickTrack.SAMPLE_RATE);
  }

  private static double phase(float[] samples, int from, double hertz) {
    double re = 0;
    double im = 0;
    int count = ClickTrack.SAMPLE_RATE / 10;
    for (int i = 0; i < count; i++) {
      double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / count);
      double angle = 2 * Math.PI * hertz * i / ClickTrack.SAMPLE_RATE;
      re += window * samples[from + i] * Math.cos(angle);
      im += window * samples[from + i] * Math.sin(angle);
    }
    return Math.atan2(-im, re) + Math.PI / 2;
  }

  /** Two chords in turn join in silence, and nothing is louder than is safe. */
  @Test
  void nothingClicksAndNothingIsTooLoud() {
    float[] samples =
        ReferenceSound.render(List.of(List.of(220.0, 330.0), List.of(220.0, 329.6)), 1);
    assertThat(samples[ClickTrack.SAMPLE_RATE - 1]).isCloseTo(0, within(1e-3f));
    assertThat(samples[0]).isZero();
    float most = 0;
    float step = 0;
    for (int i = 1; i < samples.length; i++) {
      most = Math.max(most, Math.abs(samples[i]));
      step = Math.max(step, Math.abs(samples[i] - samples[i - 1]));
    }
    assertThat(most).isLessThanOrEqualTo(0.4f).isGreaterThan(0.1f);
    assertThat(step).isLessThan(0.1f);
  }

  @Test
  void whatNobodyHearsIsRefused() {
    assertThatThrownBy(() -> ReferenceSound.render(List.of(List.of(10.0)), 1))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("20 to 8000");
  }
}
