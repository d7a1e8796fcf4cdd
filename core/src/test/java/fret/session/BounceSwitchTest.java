package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.StrokeKind;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** From which tempo on a stroke bounces. Eighths at 80 quarters a minute are 2.67 a second. */
class BounceSwitchTest {
  private static Session with(StrokeKind kind) {
    Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4");
    while (s.bowing().strokeAt(8).orElseThrow().kind() != kind) {
      s = Session.of(BowDecisions.nextKind(s, 8).orElseThrow().applyTo(s.passage()), s.page());
    }
    return s;
  }

  /** Spiccato from 2.5 notes a second: 80 times 2.5 / 2.667 is 75. */
  @Test
  void spiccatoBouncesFromItsWindowOn() {
    Session s = with(StrokeKind.SPICCATO);
    assertThat(BounceSwitch.of(s)).containsExactly(new BounceSwitch(StrokeKind.SPICCATO, 75));
    assertThat(BounceSwitch.of(s, ladder(s), Fraction.ZERO, Fraction.ONE))
        .as("the first bar")
        .isEmpty();
  }

  /** Sautillé from 8: 240, above this target, and told all the same. */
  @Test
  void aStrokeThatNeedsMoreThanTheTargetIsTold() {
    List<BounceSwitch> all = BounceSwitch.of(with(StrokeKind.SAUTILLE));
    assertThat(all).containsExactly(new BounceSwitch(StrokeKind.SAUTILLE, 240));
  }

  @Test
  void strokesOnTheStringHaveNoSwitch() {
    assertThat(BounceSwitch.of(with(StrokeKind.MARTELE))).isEmpty();
  }

  private static Ladder ladder(Session s) {
    return Learning.of(s, LadderKind.EVEN, 0).ladder();
  }
}
