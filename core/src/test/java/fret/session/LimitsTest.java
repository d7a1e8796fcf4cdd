package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.load.Limit;
import fret.load.Limits;
import fret.load.LimitsLayer;
import fret.mark.Place;
import fret.search.Token;
import fret.tempo.LadderKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the player can do moves the lines of the load and the start of the ladder, nothing else. */
class LimitsTest {
  private static Session climbing() {
    return Lines.session("A4 B4 C5 D5 E5 F5 G5 A5 B5 C6 D6 E6 F6 G6 A6 G6");
  }

  private static Session with(Session s, Limits limits) {
    return s.after(s.step(Decisions.limits(s, limits))).computed(Token.NEVER);
  }

  private static double least(Session s, Limit of) {
    return s.load().moments().stream()
        .flatMap(java.util.List::stream)
        .filter(x -> x.limit() == of)
        .mapToDouble(x -> x.ceiling(80))
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }

  @Test
  void halfTheBitsHalveTheCeilingOfEveryShift() {
    Session s = climbing();
    assertThat(least(s, Limit.SHIFT)).isFinite();
    Session slower = with(s, Limits.USUAL.withShiftBits(40));
    assertThat(least(slower, Limit.SHIFT)).isCloseTo(least(s, Limit.SHIFT) / 2, within(1e-6));
    assertThat(least(slower, Limit.CROSSING)).isEqualTo(least(s, Limit.CROSSING));
    assertThat(slower.fingering().notes()).isEqualTo(s.fingering().notes());
    Session crossing = with(s, Limits.USUAL.withCrossingRate(20).withFingerRate(3));
    assertThat(least(crossing, Limit.CROSSING))
        .isCloseTo(2 * least(s, Limit.CROSSING), within(1e-6));
  }

  @Test
  void theLadderStartsNoHigherForWhoCanDoLess() {
    Session s = climbing();
    Session slower = with(s, new Limits(3, 3, 3, 3));
    assertThat(start(slower)).isLessThanOrEqualTo(start(s));
  }

  private static double start(Session s) {
    return Learning.of(s, LadderKind.EVEN, 0)
        .sections()
        .get(0)
        .ladder()
        .levels()
        .get(0)
        .perMinute();
  }

  @Test
  void theUsualLeavesNoMark() {
    Session s = with(climbing(), Limits.USUAL.withShiftBits(8));
    assertThat(s.limits().shiftBits()).isEqualTo(8);
    assertThat(LimitsLayer.LIMITS.read(LimitsLayer.LIMITS.write(s.limits()))).isEqualTo(s.limits());
    Session back = with(s, Limits.USUAL);
    assertThat(back.passage().marks().at(LimitsLayer.LIMITS, Place.WHOLE)).isEmpty();
    assertThat(back.limits()).isEqualTo(Limits.USUAL);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 0.5, -3, 51, Double.NaN})
  void whatNobodyDoesIsRefused(double limit) {
    assertThatThrownBy(() -> Limits.USUAL.withCrossingRate(limit))
        .hasMessageContaining("outside 1 to 50");
  }
}
