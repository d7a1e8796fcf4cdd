package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.VibratoWish;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How wide a finger swings, and how fast the bow goes. */
class VibratoAndSpeedTest {
  /**
   * 20 cents to each side around 5 semitones: the length of the string times 2^(-5/12) times
   * (2^(20/1200) - 2^(-20/1200)).
   */
  @ParameterizedTest
  @CsvSource({"VIOLIN, 5.7", "CELLO, 11.9", "BASS, 18.2"})
  void theWidthFollowsFromTheString(InstrumentType type, double mm) {
    Instrument instrument = Instrument.standard(type);
    double worked =
        instrument.stringLengthMm()
            * Math.pow(2, -5 / 12.0)
            * (Math.pow(2, 20 / 1200.0) - Math.pow(2, -20 / 1200.0));
    assertThat(Vibrato.USUAL.widthMm(instrument, 5)).isCloseTo(worked, within(0.01));
    assertThat(worked).isCloseTo(mm, within(0.06));
    assertThat(Vibrato.USUAL.widthMm(instrument, 17))
        .as("half as wide an octave up")
        .isCloseTo(worked / 2, within(0.01));
  }

  private static boolean swings(double quarters, String words, Optional<VibratoWish> asked) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(3, 4, words), quarters);
    return Vibrato.of(BowMoments.of(task).get(0), asked).isPresent();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "120; F5:4.; true",
        "120; F5:2; true",
        "120; F5:4; false",
        "100; F5:4; true",
        "60; F5:8; false",
        "60; F5:4'; false",
        "60; E5:2; false",
        "60; {pizz} F5:2; false"
      })
  void longSungNotesSwing(double quarters, String words, boolean swings) {
    assertThat(swings(quarters, words, Optional.empty())).isEqualTo(swings);
  }

  @Test
  void whatThePlayerAsksForStandsOverTheRuleButNoOpenStringSwings() {
    assertThat(swings(120, "F5:16", Optional.of(VibratoWish.USUAL))).isTrue();
    assertThat(swings(60, "E5:2", Optional.of(VibratoWish.WIDE))).isFalse();
    assertThatThrownBy(() -> new Vibrato(0, 5, false)).hasMessageContaining("0.0 cents");
    assertThatThrownBy(() -> new Vibrato(20, -1, false)).hasMessageContaining("-1.0 Hz");
  }

  @ParameterizedTest
  @CsvSource({"0, 6", "1, 8.5", "2, 12", "3, 17", "4, 24", "5, 34", "6, 68", "7, 68", "4.5, 28.57"})
  void aLoudnessHasItsSpeed(double level, double cmPerS) {
    assertThat(BowSpeed.usual(InstrumentType.CELLO).natural(level)).isCloseTo(cmPerS, within(0.01));
    assertThat(BowSpeed.usual(InstrumentType.BASS).natural(level))
        .isCloseTo(0.9 * cmPerS, within(0.01));
  }

  @Test
  void louderIsNeverSlowerAndASlopeLiesBetweenItsEnds() {
    BowSpeed speed = new BowSpeed(1, 1);
    IntStream.range(0, 70)
        .forEach(
            i ->
                assertThat(speed.natural((i + 1) / 10.0))
                    .isGreaterThanOrEqualTo(speed.natural(i / 10.0) - 1e-12));
    assertThat(speed.natural(2, 5)).isBetween(speed.natural(2), speed.natural(5));
    assertThat(speed.natural(5, 2)).isCloseTo(speed.natural(2, 5), within(1e-9));
    assertThat(speed.natural(-3)).isEqualTo(speed.natural(0));
    assertThatThrownBy(() -> new BowSpeed(1, 0)).isInstanceOf(IllegalArgumentException.class);
  }
}
