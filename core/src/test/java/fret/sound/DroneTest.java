package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
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

  /**
   * A second of D, then of A, then of D: each at its pitch, and no step larger than a tone makes.
   */
  @Test
  void aDroneThatFollowsChangesWithoutAClick() {
    List<Drone.Tone> tones =
        List.of(new Drone.Tone(0, 146.8324), new Drone.Tone(1, 220), new Drone.Tone(2, 146.8324));
    float[] all = Drone.following(tones, 3);
    assertThat(all).hasSize(3 * ClickTrack.SAMPLE_RATE);
    assertThat(strength(all, 146.8324, 0.2, 0.9)).isGreaterThan(30 * strength(all, 220, 0.2, 0.9));
    assertThat(strength(all, 220, 1.2, 1.9)).isGreaterThan(30 * strength(all, 146.8324, 1.2, 1.9));
    assertThat(strength(all, 146.8324, 2.2, 2.8)).isGreaterThan(30 * strength(all, 220, 2.2, 2.8));
    double steady = largestStep(all, 1.2, 1.9);
    assertThat(largestStep(all, 0, 3)).isLessThan(2.1 * steady);
    assertThat(all[0]).isZero();
    assertThat(Math.abs(all[all.length - 1])).isLessThan(1e-3f);
  }

  private static double strength(float[] samples, double hertz, double fromS, double toS) {
    double re = 0;
    double im = 0;
    int from = (int) (fromS * ClickTrack.SAMPLE_RATE);
    int to = (int) (toS * ClickTrack.SAMPLE_RATE);
    for (int i = from; i < to; i++) {
      double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i - from) / (to - from));
      double at = 2 * Math.PI * hertz * i / ClickTrack.SAMPLE_RATE;
      re += window * samples[i] * Math.cos(at);
      im += window * samples[i] * Math.sin(at);
    }
    return Math.hypot(re, im);
  }

  private static double largestStep(float[] samples, double fromS, double toS) {
    double most = 0;
    int to = (int) (toS * ClickTrack.SAMPLE_RATE);
    for (int i = Math.max(1, (int) (fromS * ClickTrack.SAMPLE_RATE)); i < to; i++) {
      most = Math.max(most, Math.abs(samples[i] - samples[i - 1]));
    }
    return most;
  }
}
