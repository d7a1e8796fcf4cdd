package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.passage.Passage;
import fret.passage.PracticeSetup;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A start under half the target names the bar that asks for it, and the player may have half. */
class LoweredTest {
  private static final String LEAPS =
      "G3 A6 G3 A6 G3 A6 G3 A6 A4 B4 C5 D5 C5 B4 A4 B4 A4 B4 C5 D5 C5 B4 A4 B4";

  private static Session session(String notes, double tempo) {
    Passage p = Lines.passage();
    return Session.of(
        p.withSettings(p.settings().withTarget(new Tempo(Beat.QUARTER, tempo))), Lines.page(notes));
  }

  @Test
  void theBarOfTheLeapsAsksForIt() {
    Session s = session(LEAPS, 240);
    Learning learning = Learning.of(s, LadderKind.EVEN, 0);
    Lowered low = Lowered.of(s, learning).orElseThrow();
    assertThat(low.bar()).isEqualTo("1");
    assertThat(low.starts()).isLessThan(120);
    assertThat(low.gives()).isLessThan(120);
  }

  @Test
  void thePlayerKeepsHalf() {
    Session s = session(LEAPS, 240);
    s = Lines.after(s, Decisions.practice(s, PracticeSetup.USUAL.withStart(120)));
    Learning learning = Learning.of(s, LadderKind.EVEN, 0);
    assertThat(Lowered.of(s, learning)).isEmpty();
    assertThat(learning.sections().get(0).units())
        .allMatch(
            u -> u.ladder().filter(l -> !l.isSlow()).map(Ladder::start).equals(Optional.of(120.0)));
  }

  @Test
  void whatHoldsStartsAtHalf() {
    Session s = session("A4 B4 C5 D5 C5 B4 A4 B4 A4 B4 C5 D5 C5 B4 A4 B4", 150);
    assertThat(Lowered.of(s, Learning.of(s, LadderKind.EVEN, 0))).isEmpty();
  }
}
