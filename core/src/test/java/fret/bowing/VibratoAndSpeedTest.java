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
import org.junit.jupiter.params.provider.ValueSource;

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

  /** A long forte under half of its natural bow thins out on the bass; elsewhere weight helps. */
  @ParameterizedTest
  @CsvSource({"BASS, 60, true", "BASS, 160, false", "CELLO, 60, false"})
  void aLongLoudNoteThinsOutOnTheBass(InstrumentType type, double quarters, boolean thin) {
    BowTask task = Lines.task(type, Lines.of(4, 4, "{f} G2:1"), quarters);
    assertThat(BowWarning.of(new BowSolver(task).best(), task))
        .extracting(BowWarning::kind)
        .filteredOn(k -> k == BowWarning.Kind.THIN)
        .hasSize(thin ? 1 : 0);
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

  private static NoteSpeeds speeds(BowTask task, int moment) {
    Bowing b = new BowSolver(task).best();
    return NoteSpeeds.of(task, b, b.strokeAt(moment).orElseThrow().at(moment));
  }

  /** Whatever its course, the speed adds up to the cm of the note. */
  @ParameterizedTest
  @ValueSource(strings = {"D5:2", "D5:2>", "{p} {<} D5:2 {f} {!} D5:4", "{f} D5:4>"})
  void theSpeedsOfANoteAddUpToItsBow(String words) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 60);
    Bowing b = new BowSolver(task).best();
    Stroke.Note n = b.strokeAt(0).orElseThrow().at(0);
    NoteSpeeds speeds = NoteSpeeds.of(task, b, n);
    double seconds = b.moments().get(0).timeMs() / 1000 * n.sounds();
    double sum =
        IntStream.range(0, 1000).mapToDouble(i -> speeds.at((i + 0.5) / 1000)).average().orElse(0)
            * seconds;
    assertThat(sum).isCloseTo(n.bowCm(), within(0.01 * n.bowCm()));
  }

  /** 30 per cent more bow in the first six tenths: twice the speed at the start, then let go. */
  @Test
  void anAccentIsFastAtItsStartAndLetGo() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "D5:4> -:4 E5:4"), 60);
    NoteSpeeds accent = speeds(task, 0);
    assertThat(accent.start()).isCloseTo(2 * accent.from(), within(1e-9));
    assertThat(accent.at(NoteSpeeds.ACCENT_SHARE)).isCloseTo(accent.to(), within(1e-9));
    NoteSpeeds plain = speeds(task, 1);
    assertThat(plain.accent()).isZero();
    assertThat(plain.from()).isEqualTo(plain.to());
  }

  /** A connected stroke starts at four fifths of what the one before ended with, and makes up. */
  @Test
  void aConnectedStrokeStartsSlower() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "D5:4 E5:4 F5:4' G5:4>"), 60);
    Bowing b = new BowSolver(task).best();
    double ended = NoteSpeeds.connected(task, b, 1).orElseThrow();
    NoteSpeeds second = speeds(task, 1);
    assertThat(second.from()).isCloseTo(0.8 * ended, within(1e-9));
    assertThat(second.from() + second.to())
        .as("the mean stays")
        .isCloseTo(2 * b.strokes().get(1).at(1).cmPerS(), within(1e-9));
    assertThat(NoteSpeeds.connected(task, b, 0)).as("the first").isEmpty();
    assertThat(NoteSpeeds.connected(task, b, 3)).as("an accent, after a short note").isEmpty();
  }

  @Test
  void alongAHairpinTheBowGrowsFaster() {
    BowTask task =
        Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "{p} {<} D5:2 {f} {!} D5:4"), 60);
    NoteSpeeds grows = speeds(task, 0);
    assertThat(grows.to() / grows.from())
        .as("f over p, as their natural speeds")
        .isCloseTo(34.0 / 12, within(0.05));
  }
}
