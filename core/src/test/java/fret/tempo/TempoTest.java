package fret.tempo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TempoTest {
  // common practice, no source
  @Test
  void laddersClimbOnTidySteps() {
    assertThat(Ladder.toTarget(120).levels()).containsExactly(60, 70, 80, 90, 100, 110, 120);
    assertThat(Ladder.between(40, 70).levels()).containsExactly(40, 45, 50, 55, 60, 65, 70);
    assertThat(Ladder.toTarget(46).levels()).containsExactly(23, 26, 31, 36, 41, 46);
    assertThatThrownBy(() -> Ladder.between(60, 60)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @ValueSource(ints = {20, 33, 46, 54, 72, 88, 100, 120, 144, 168, 200, 240, 400})
  void everyLadderStartsAtHalfAndHasFiveToNineLevels(int target) {
    for (Ladder ladder : List.of(Ladder.toTarget(target))) {
      assertThat(ladder.levels()).hasSizeBetween(5, 9).last().isEqualTo(target);
      assertThat(ladder.start()).isEqualTo(Math.round(target / 2.0f));
    }
  }

  @Test
  void aNotchSlowerIsTheNextLowerNumber() {
    assertThat(MetronomeScale.notchSlower(66)).isEqualTo(63);
    assertThat(MetronomeScale.notchSlower(65)).isEqualTo(63);
    assertThat(MetronomeScale.notchSlower(40)).isEqualTo(40);
    assertThat(MetronomeScale.numbers()).hasSize(39).startsWith(40, 42).endsWith(200, 208);
    assertThat(Ladder.onMetronome(120).levels())
        .hasSizeBetween(5, 9)
        .allMatch(n -> MetronomeScale.nearest(n) == n);
  }

  @Test
  void aGradualChangeTakesTheLogarithmicMeanTime() {
    Tempo slow = new Tempo(Beat.QUARTER, 60);
    Tempo fast = new Tempo(Beat.QUARTER, 120);
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Section(Fraction.ZERO, slow, fast),
                new TempoMap.Section(Fraction.ONE, fast, fast)),
            List.of());
    // 1 whole note from 1/4 to 1/2 whole notes a second: ln(2) / (1/4) s.
    assertThat(map.msAt(Fraction.ONE)).isCloseTo(4000 * Math.log(2), within(1e-6));
    assertThat(map.at(Fraction.of(1, 2)).perMinute()).isCloseTo(90, within(1e-9));
    assertThat(map.scaled(0.5).msAt(Fraction.ONE)).isCloseTo(8000 * Math.log(2), within(1e-6));
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
