package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.bowing.BowLayers;
import fret.passage.Passage;
import fret.search.Token;
import org.junit.jupiter.api.Test;

/** A decision that nothing can be computed with never keeps a passage shut. */
class OpeningTest {
  @Test
  void theDecisionAtFaultIsSetAsideAndNamed() {
    Session s = Lines.session("D5 E5 F5 G5 A5 G5 F5 E5");
    Passage bad =
        s.passage()
            .withMarks(
                s.passage()
                    .marks()
                    .with(BowLayers.AMOUNT, s.resolved().notes().get(1).key(), 1.5)
                    .with(BowLayers.AMOUNT, s.resolved().notes().get(3).key(), -2.0));
    assertThatThrownBy(() -> Session.of(bad, s.page(), Token.NEVER))
        .isInstanceOf(IllegalArgumentException.class);
    Opening.Opened opened = Opening.of(bad, s.page(), Token.NEVER);
    assertThat(opened.problems()).hasSize(1);
    assertThat(opened.problems().get(0).bar()).isEqualTo("1");
    assertThat(opened.passage().marks().of(BowLayers.AMOUNT)).as("the other one stays").hasSize(1);
    assertThat(opened.computed().arm().bowing().strokes()).hasSize(8);
  }

  @Test
  void whatCanBeHeededIsOpenedAsItIs() {
    Session s = Lines.session("D5 E5 F5 G5");
    Opening.Opened opened = Opening.of(s.passage(), s.page(), Token.NEVER);
    assertThat(opened.problems()).isEmpty();
    assertThat(opened.passage()).isEqualTo(s.passage());
  }
}
