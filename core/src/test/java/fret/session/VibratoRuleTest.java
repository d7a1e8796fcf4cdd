package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.mark.VibratoLayer;
import fret.mark.VibratoRule;
import fret.mark.VibratoRuleLayer;
import fret.mark.VibratoWish;
import fret.passage.Layers;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Which notes are vibrated is the player's rule, and such notes are not left open. */
class VibratoRuleTest {
  private Session s;

  @BeforeEach
  void aLineWithOpenStrings() {
    s = Lines.session(InstrumentType.CELLO, "G3 A3 Bb3 A3 D3 E3 D3 G3");
  }

  private long open() {
    return s.fingering().notes().stream().flatMap(Optional::stream).filter(n -> n.isOpen()).count();
  }

  private void rule(VibratoRule rule) {
    s = Lines.after(s, Decisions.vibratoRule(s, rule));
  }

  @Test
  void notesByTheRuleAreNotLeftOpen() {
    assertThat(open()).isPositive();
    assertThat(s.vibratoAsked()).isEmpty();
    rule(VibratoRule.FROM_EIGHTH);
    assertThat(open()).isZero();
    assertThat(s.vibratoAsked().values()).containsOnly(VibratoWish.USUAL);
  }

  @Test
  void withNoneOnlyMarkedNotesAreVibrated() {
    rule(VibratoRule.NONE);
    assertThat(open()).isPositive();
    s = Lines.after(s, BowDecisions.decide(s, VibratoLayer.VIBRATO, 1, VibratoWish.WIDE));
    assertThat(s.vibratoAsked())
        .containsEntry(1, VibratoWish.WIDE)
        .containsEntry(0, VibratoWish.NONE);
    assertThat(s.fingering().notes().get(1).orElseThrow().isOpen()).isFalse();
  }

  @Test
  void theUsualRuleTakesTheMarkAway() {
    Session before = s;
    rule(VibratoRule.FROM_HALF);
    rule(VibratoRule.USUAL);
    assertThat(s.passage().marks()).isEqualTo(before.passage().marks());
  }

  @ParameterizedTest
  @CsvSource({
    "USUAL, 0.375, 0.1, true",
    "USUAL, 0.25, 0.6, true",
    "USUAL, 0.25, 0.5, false",
    "FROM_QUARTER, 0.25, 0.1, true",
    "FROM_QUARTER, 0.125, 9, false",
    "FROM_SECOND, 1, 0.9, false",
    "FROM_SECOND, 0.125, 1, true",
    "NONE, 4, 9, false"
  })
  void longEnoughByValueOrByTime(VibratoRule rule, double wholes, double seconds, boolean is) {
    assertThat(rule.admits(wholes, seconds)).isEqualTo(is);
  }

  @ParameterizedTest
  @EnumSource(VibratoRule.class)
  void itIsReadAsItWasWritten(VibratoRule rule) {
    VibratoRuleLayer layer = VibratoRuleLayer.RULE;
    assertThat(layer.read(layer.write(rule))).isEqualTo(rule);
    assertThat(List.copyOf(Layers.ALL)).contains(layer);
  }
}
