package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DroneTest {
  /**
   * The pitch is counted in the samples: over ten rounds, rising zero crossings of the fundamental
   * lie where a tone of just that frequency has them.
   */
  @ParameterizedTest
  @ValueSource(doubles = {41.2034, 65.4064, 130.8128, 195.9977, 220, 440, 443.3, 659.2551})
  void theRenderedPitchIsWithinATenthOfACent(double hertz) {
    float[] round = Drone.round(hertz);
    // Whole periods of the fundamental in the round: its phase is read off by correlation.
    double first = phase(round, hertz, 0, round.length / 2);
    double second = phase(round, hertz, round.length / 2, round.length);
    double drift = Math.IEEEremainder(second - first, 2 * Math.PI);
    double seconds = round.length / 2.0 / ClickTrack.SAMPLE_RATE;
    double off = drift / (2 * Math.PI * seconds);
    double cents = 1200 * Math.log((hertz + off) / hertz) / Math.log(2);
    assertThat(cents).isCloseTo(0, within(0.1));
  }

  /** Phase of a tone in a stretch, under a window that keeps its partials out. */
  private static double phase(float[] samples, double hertz, int from, int to) {
    double re = 0;
    double im = 0;
    for (int i = from; i < to; i++) {
      double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i - from) / (to - from));
      double at = 2 * Math.PI * hertz * i / ClickTrack.SAMPLE_RATE;
      re += window * samples[i] * Math.cos(at);
      im -= window * samples[i] * Math.sin(at);
    }
    return Math.atan2(im, re);
  }

  @Test
  void thereIsNoClickWhereARoundBeginsAgain() {
    float[] round = Drone.round(146.8324);
    double most = 0;
    for (int i = 1; i < round.length; i++) {
      most = Math.max(most, Math.abs(round[i] - round[i - 1]));
    }
    assertThat(Math.abs(round[0] - round[round.length - 1])).isLessThanOrEqualTo((float) most);
    for (float s : round) {
      assertThat(Math.abs(s)).isLessThanOrEqualTo(0.22f);
    }
    assertThatThrownBy(() -> Drone.round(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
  }
}
