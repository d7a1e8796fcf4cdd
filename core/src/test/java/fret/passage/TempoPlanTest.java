package fret.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** A passage's clock, from its target and the marks of the player; times worked out by hand. */
class TempoPlanTest {
  private static final Tempo TARGET = new Tempo(Beat.QUARTER, 60);

  private static Score fourBars() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 4; i++) {
      line.add(Fraction.ONE, Pitch.parse("G4"));
    }
    return line.build("", Interval.UNISON);
  }

  private static TempoMap map(TempoMark... marks) {
    return TempoPlan.of(fourBars(), TARGET, List.of(marks));
  }

  private static double msAtBar(TempoMap map, int barsBefore) {
    return map.msAt(Fraction.of(barsBefore));
  }

  private static TempoMark mark(String bar, TempoMark.Kind kind, double value) {
    return new TempoMark(bar, kind, value);
  }

  @Test
  void withoutMarksItIsSteady() {
    assertThat(msAtBar(map(), 4)).isCloseTo(16_000, within(1e-6));
  }

  @Test
  void aSectionGoesAtItsOwnTempoFromItsBarOn() {
    TempoMap map = map(mark("3", TempoMark.Kind.SECTION, 120));
    assertThat(msAtBar(map, 2)).isCloseTo(8_000, within(1e-6));
    assertThat(msAtBar(map, 4)).isCloseTo(12_000, within(1e-6));
  }

  @Test
  void aSectionOnTheFirstBarTakesThePlaceOfTheTarget() {
    TempoMap map = map(mark("1", TempoMark.Kind.SECTION, 30));
    assertThat(msAtBar(map, 1)).isCloseTo(8_000, within(1e-6));
  }

  /** The change lies between the two steady times, and the goal holds after it. */
  @Test
  void aGradualChangeRunsToTheNextMark() {
    TempoMap map =
        map(mark("2", TempoMark.Kind.GRADUAL, 120), mark("4", TempoMark.Kind.SECTION, 120));
    double start = msAtBar(map, 1);
    double end = msAtBar(map, 3);
    assertThat(start).isCloseTo(4_000, within(1e-6));
    assertThat(end - start).isGreaterThan(4_000).isLessThan(8_000);
    double firstBar = msAtBar(map, 2) - start;
    assertThat(firstBar).as("it gets faster").isGreaterThan(end - start - firstBar);
    assertThat(msAtBar(map, 4) - end).isCloseTo(2_000, within(1e-6));
  }

  @Test
  void aHoldAddsItsSecondsOnce() {
    TempoMap map = map(mark("2", TempoMark.Kind.HOLD, 1.5));
    assertThat(msAtBar(map, 1)).isCloseTo(4_000, within(1e-6));
    assertThat(msAtBar(map, 2)).isCloseTo(9_500, within(1e-6));
    assertThat(msAtBar(map, 4)).isCloseTo(17_500, within(1e-6));
  }

  @Test
  void marksOnBarsThatAreNotThereCountNothing() {
    TempoMap map = map(mark("77", TempoMark.Kind.SECTION, 200), mark("78", TempoMark.Kind.HOLD, 9));
    assertThat(msAtBar(map, 4)).isCloseTo(16_000, within(1e-6));
  }

  @Test
  void theLaterOfTwoMarksOnABarHolds() {
    TempoMap map =
        map(mark("2", TempoMark.Kind.SECTION, 90), mark("2", TempoMark.Kind.SECTION, 120));
    assertThat(msAtBar(map, 2)).isCloseTo(6_000, within(1e-6));
  }
}
