package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Tone;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where tones of known beginning and end are heard to begin and end. */
class OnsetsTest {
  private static final double NOISE = 1e-4;
  private final float[] x = new float[(int) (2.5 * Recording.RATE)];

  private Onsets onsets() {
    return new Onsets(new Recording(x), NOISE);
  }

  /** A harmonic tone that swells over 10 ms and dies away with 20 dB in 35 ms. */
  private void tone(double hertz, double from, double to, double gain) {
    for (int i = (int) (from * Recording.RATE); i < x.length; i++) {
      double t = i / (double) Recording.RATE;
      double in = Math.min(1, (t - from) / 0.01);
      double out = t < to ? 1 : Math.pow(10, -(t - to) / 0.035);
      double sum = 0;
      for (int h = 1; h <= 6; h++) {
        sum += Math.sin(2 * Math.PI * hertz * h * (t - from)) / h;
      }
      x[i] += (float) (gain * in * out * sum);
    }
  }

  private static Moment moment(String name) {
    Pitch p = Pitch.parse(name);
    return new Moment(
        0,
        0,
        0,
        500,
        500,
        List.of(new Tone(0, p, p.hertz(440))),
        List.of(),
        Join.PLAIN,
        true,
        false,
        false,
        4);
  }

  @ParameterizedTest
  @ValueSource(doubles = {65.4, 146.8, 440, 880})
  void afterSilenceANoteBeginsWhereItIsATenthOfItsPeak(double hertz) {
    tone(hertz, 0.5, 1.2, 0.2);
    double at = onsets().afterSilence(0.55, 0.3, 1.2, hertz);
    double window = 1000 * Math.max(0.006, 1.2 / hertz) / 2;
    assertThat(1000 * at).isCloseTo(500, within(2 + window));
  }

  @Test
  void anEndIsWhereItStaysSoftAndAClickLaterIsNotTheNote() {
    tone(220, 0.5, 1.0, 0.2);
    double end = onsets().end(0.5, 2, 220);
    assertThat(end).isCloseTo(1.035, within(0.012)); // 20 dB in 35 ms
    for (int i = 0; i < 100; i++) {
      x[(int) (1.4 * Recording.RATE) + i] += 0.3f;
    }
    assertThat(onsets().end(0.5, 2, 220)).isCloseTo(end, within(0.006));
  }

  @Test
  void aNoteThatGoesOnIntoTheNextEndsWithIt() {
    tone(220, 0.5, 1.6, 0.2);
    assertThat(onsets().end(0.5, 1.5, 220)).isEqualTo(1.5);
  }

  @Test
  void betweenTwoNotesOfOneSoundTheDipIsFound() {
    tone(330, 0.5, 0.99, 0.2);
    tone(330, 1.05, 1.6, 0.2);
    double dip = onsets().dip(1.03, 0.5, 1.6, 330);
    assertThat(dip).isBetween(1.0, 1.06);
    assertThat(onsets().depthDb(dip, 330)).isGreaterThan(6);
    assertThat(onsets().depthDb(0.8, 330)).isLessThan(1);
  }

  /** The new sound counts from where it is over what rings of the one before. */
  @ParameterizedTest
  @ValueSource(strings = {"E4 G4", "D4 C4", "G2 D3", "A4 E5"})
  void fromOneSoundToAnotherTheChangeIsFound(String names) {
    String[] n = names.split(" ");
    Moment a = moment(n[0]);
    Moment b = moment(n[1]);
    tone(a.hertz().get(0), 0.4, 1.0, 0.2);
    tone(b.hertz().get(0), 1.0, 1.6, 0.2);
    double at = onsets().change(a, 0.4, 1.02, b, 1.6);
    double period = 1 / Math.min(a.hertz().get(0), b.hertz().get(0));
    assertThat(at).isCloseTo(1.0, within(Math.max(0.02, 2 * period)));
  }

  @Test
  void aSlowAttackIsLongerThanAQuickOne() {
    tone(440, 0.5, 1.5, 0.2);
    double quick = onsets().attackMs(0.5, 1.5, 440);
    for (int i = 0; i < x.length; i++) {
      double t = i / (double) Recording.RATE - 0.5;
      x[i] *= (float) Math.max(0, Math.min(1, t / 0.15));
    }
    double slow = onsets().attackMs(0.5, 1.5, 440);
    assertThat(quick).isLessThan(20);
    assertThat(slow).isBetween(80.0, 140.0);
  }
}
