package fret.tempo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TempoTest {
  // common practice, no source
  @Test
  void laddersClimbOnTidySteps() {
    assertThat(Ladder.toTarget(120).tempos())
        .containsExactly(60.0, 70.0, 80.0, 90.0, 100.0, 110.0, 120.0);
    assertThat(Ladder.between(40, 70).tempos())
        .containsExactly(40.0, 45.0, 50.0, 55.0, 60.0, 65.0, 70.0);
    assertThat(Ladder.toTarget(46).tempos()).containsExactly(23.0, 26.0, 31.0, 36.0, 41.0, 46.0);
    assertThatThrownBy(() -> Ladder.between(60, 60)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @ValueSource(ints = {20, 33, 46, 54, 72, 88, 100, 120, 144, 168, 200, 240, 400})
  void everyLadderStartsAtHalfAndHasFiveToNineLevels(int target) {
    for (LadderKind kind : LadderKind.values()) {
      Ladder ladder = Ladder.of(kind, 0, target);
      assertThat(ladder.tempos()).hasSizeBetween(5, 9).last().isEqualTo((double) target);
    }
    for (Ladder ladder : List.of(Ladder.toTarget(target))) {
      assertThat(ladder.tempos()).hasSizeBetween(5, 9).last().isEqualTo((double) target);
      assertThat(ladder.start()).isEqualTo(Math.round(target / 2.0f));
    }
  }

  @Test
  void aNotchSlowerIsTheNextLowerNumber() {
    assertThat(MetronomeScale.notchSlower(66)).isEqualTo(63);
    assertThat(MetronomeScale.notchSlower(65)).isEqualTo(63);
    assertThat(MetronomeScale.notchSlower(40)).isEqualTo(40);
    assertThat(MetronomeScale.numbers()).hasSize(39).startsWith(40, 42).endsWith(200, 208);
    assertThat(Ladder.onMetronome(120).tempos())
        .hasSizeBetween(5, 9)
        .allMatch(n -> MetronomeScale.nearest(n) == n);
  }

  /** common practice, no source: the next lower number on the classic scale. */
  @ParameterizedTest
  @CsvSource({"132, 126", "92, 88", "100, 96", "124, 120", "144, 138"})
  void oneNotchUnder(int tempo, int under) {
    assertThat(MetronomeScale.notchSlower(tempo)).isEqualTo(under);
  }

  /** 46: half is 23, with the click on its halves at 46; 31.5 is half of 63. */
  @Test
  void below40TheLevelsAreHalvesOfTheScale() {
    Ladder ladder = Ladder.onMetronome(46);
    assertThat(ladder.levels().get(0)).isEqualTo(new Level(23, 46, false));
    assertThat(ladder.tempos()).hasSizeBetween(5, 9).last().isEqualTo(46.0);
    assertThat(MetronomeScale.withHalves()).contains(31.5, 23, 38, 40, 208);
    assertThat(Level.text(31.5)).isEqualTo("31.5");
    assertThat(Level.text(46)).isEqualTo("46");
  }

  @Test
  void aGeometricLadderGrowsByTheSameShare() {
    List<Double> tempos = Ladder.of(LadderKind.GEOMETRIC, 60, 120).tempos();
    for (int i = 1; i < tempos.size(); i++) {
      assertThat(tempos.get(i) / tempos.get(i - 1)).isBetween(1.10, 1.14);
    }
  }

  /** 70 to 80 bars of eight notes a minute are 9.33 to 10.67 notes a second. */
  @Test
  void barsAMinuteAreNotesASecond() {
    Tempo slow = new Tempo(Beat.WHOLE, 70);
    assertThat(slow.perMinuteOf(Beat.EIGHTH) / 60).isCloseTo(9.333, within(0.001));
    Tempo quick = new Tempo(Beat.WHOLE, 80);
    assertThat(quick.perMinuteOf(Beat.EIGHTH) / 60).isCloseTo(10.667, within(0.001));
  }

  /** From 60 to 120 over a whole note, then steady. */
  private static TempoMap growing(List<TempoMap.Hold> holds) {
    Tempo slow = new Tempo(Beat.QUARTER, 60);
    Tempo fast = new Tempo(Beat.QUARTER, 120);
    return TempoMap.of(
        List.of(
            new TempoMap.Section(Fraction.ZERO, slow, fast),
            new TempoMap.Section(Fraction.ONE, fast, fast)),
        holds);
  }

  @Test
  void aGradualChangeTakesTheLogarithmicMeanTime() {
    TempoMap map = growing(List.of());
    // 1 whole note from 1/4 to 1/2 whole notes a second: ln(2) / (1/4) s.
    assertThat(map.msAt(Fraction.ONE)).isCloseTo(4000 * Math.log(2), within(1e-6));
    assertThat(map.at(Fraction.of(1, 2)).perMinute()).isCloseTo(90, within(1e-9));
    assertThat(map.scaled(0.5).msAt(Fraction.ONE)).isCloseTo(8000 * Math.log(2), within(1e-6));
    // 2.77 s, at half level 5.55 s.
    assertThat(map.msAt(Fraction.ONE)).isCloseTo(2772.6, within(0.1));
    assertThat(map.scaled(0.5).msAt(Fraction.ONE)).isCloseTo(5545.2, within(0.1));
  }

  /** The same shape later; and back from a time to the place in the music. */
  @Test
  void notesThatWereCutOutKeepTheirTempos() {
    TempoMap map = growing(List.of(new TempoMap.Hold(Fraction.ONE, Fraction.of(1, 4), 1000)));
    TempoMap earlier = map.moved(Fraction.of(-1, 2));
    for (int k = 0; k < 8; k++) {
      Fraction from = Fraction.of(k, 4);
      Fraction to = from.add(Fraction.of(3, 8));
      assertThat(
              earlier.durationMs(from.subtract(Fraction.of(1, 2)), to.subtract(Fraction.of(1, 2))))
          .isCloseTo(map.durationMs(from, to), within(1e-6));
      assertThat(map.wholesAfter(from, map.durationMs(from, to)))
          .isCloseTo(3 / 8.0, within(2.0 / 960));
    }
    // While the quarter at 1 is held (500 ms and 1000 more) the music stands at its end.
    assertThat(map.wholesAfter(Fraction.ONE, 1200)).isCloseTo(1 / 4.0, within(2.0 / 960));
    assertThat(map.wholesAfter(Fraction.ONE, -1)).isZero();
  }

  @Test
  void aHoldAddsItsTimeAfterItsNote() {
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Section(
                    Fraction.ZERO, new Tempo(Beat.QUARTER, 60), new Tempo(Beat.QUARTER, 60))),
            List.of(new TempoMap.Hold(Fraction.of(1, 4), Fraction.of(1, 4), 700)));
    assertThat(map.msAt(Fraction.of(1, 2))).isEqualTo(2700);
    assertThat(map.msAt(Fraction.of(1, 4))).isEqualTo(1000);
  }

  @Test
  void beatsAreNamed() {
    assertThat(Beat.named("dotted-quarter", Fraction.ONE).orElseThrow().length())
        .isEqualTo(Fraction.of(3, 8));
    assertThat(Beat.named("bar", Fraction.of(3, 4)).orElseThrow().length())
        .isEqualTo(Fraction.of(3, 4));
    assertThat(Beat.named("beat", Fraction.ONE)).isEmpty();
    assertThat(new Tempo(Beat.HALF, 60).perMinuteOf(Beat.QUARTER)).isEqualTo(120);
  }
}
