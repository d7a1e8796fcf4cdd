package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.BowLayers;
import fret.mark.BowLayer;
import fret.score.Bar;
import fret.score.Score;
import fret.score.Signs;
import fret.search.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Repeats are bowed as they are played, pass after pass. */
class PassesTest {
  /** A bow a bar: it comes back the other way round. */
  private static final String ODD = "(B4 C5 D5 E5 F5 G5 A5 B5)";

  private static final String EVEN = "B4 C5 D5 E5 F5 G5 A5 B5";

  private static Session repeated(String notes) {
    Score page = Lines.page(notes);
    List<Bar> bars = new ArrayList<>();
    for (Bar b : page.bars()) {
      bars.add(b.withRepeats(b.index() == 0, b.index() == page.bars().size() - 1, List.of()));
    }
    return Session.of(Lines.passage(), page.withBars(bars));
  }

  private static Session after(Session s, Change change) {
    return Session.of(change.applyTo(s.passage()), s.page());
  }

  @Test
  void whereNothingIsRepeatedThereAreNoPasses() {
    Session s = Lines.session(ODD);
    assertThat(Passes.of(s.passage(), s.bowTask())).isEmpty();
    assertThat(s.arm().passes()).isEmpty();
    assertThat(BowDecisions.turnSecondTime(s, 0)).isEmpty();
  }

  @Test
  void anOddBarComesBackTheOtherWayRound() {
    Session s = repeated(ODD);
    assertThat(s.bowing().strokes()).hasSize(1);
    boolean first = s.bowing().strokes().get(0).down();
    List<PassBow> passes = s.arm().passes();
    assertThat(passes).hasSize(1);
    assertThat(passes.get(0).pass()).isEqualTo(2);
    assertThat(passes.get(0).down()).containsEntry(0, !first);
  }

  @Test
  void anEvenBarComesBackAsItWas() {
    assertThat(repeated(EVEN).arm().passes()).isEmpty();
  }

  @Test
  void aDecisionForTheSecondTimeStaysThere() {
    Session s = repeated(EVEN);
    boolean first = s.bowing().strokes().get(0).down();
    Session turned = after(s, BowDecisions.turnSecondTime(s, 0).orElseThrow());
    assertThat(turned.bowing().strokes().get(0).down()).isEqualTo(first);
    assertThat(turned.arm().passes()).hasSize(1);
    assertThat(turned.arm().passes().get(0).down()).containsEntry(0, !first);
    assertThat(turned.bowAt(0))
        .as("no mark on the page, which is for every time")
        .isEqualTo(s.bowAt(0));
    Session back = after(turned, BowDecisions.turnSecondTime(turned, 0).orElseThrow());
    assertThat(back.arm().passes()).isEmpty();
    assertThat(back.passage().marks().of(BowLayer.BOW)).isEmpty();
  }

  @Test
  void aDecisionForEveryTimeCountsInBoth() {
    Session s = repeated(EVEN);
    boolean first = s.bowing().strokes().get(0).down();
    Session turned = after(s, BowDecisions.turn(s, 0).orElseThrow());
    assertThat(turned.bowing().strokes().get(0).down()).isEqualTo(!first);
    assertThat(turned.arm().passes()).isEmpty();
  }

  /**
   * What was searched before a decision is taken over where it is alike: the answer is the same.
   */
  @Test
  void decisionAfterDecisionIsAnsweredAsAllAtOnce() {
    Session now =
        repeated("(B4 C5 D5 E5) F5 G5 A5 B5 (E5 C5) A4 F4 G4 (D5 B4) G4 ".repeat(6).trim());
    now.arm();
    for (int moment = 0; moment < 60; moment += 7) {
      int at = moment;
      Session before = now;
      Change change =
          BowDecisions.turnSecondTime(before, at)
              .filter(c -> at % 2 == 1)
              .or(() -> BowDecisions.turn(before, at))
              .orElseThrow();
      now = before.after(before.step(change)).computed(Token.NEVER);
      Session atOnce = Session.of(now.passage(), now.page());
      assertThat(now.bowing().strokes()).as("moment " + at).isEqualTo(atOnce.bowing().strokes());
      assertThat(now.arm().passes()).as("moment " + at).isEqualTo(atOnce.arm().passes());
    }
  }

  /** The second time goes on from where the first ended. */
  @Test
  void thePageIsHeldToTheFirstPass() {
    Session s = repeated(ODD);
    Passes passes = Passes.of(s.passage(), s.bowTask()).orElseThrow();
    Map<Integer, fret.bowing.Adopted> held = passes.first(Token.NEVER);
    s.bowing()
        .strokes()
        .forEach(
            stroke ->
                assertThat(held.get(stroke.fromMoment()).bow())
                    .isEqualTo(stroke.down() ? Signs.Bow.DOWN : Signs.Bow.UP));
    assertThat(s.passage().marks().any(BowLayers.ADOPTED)).as("nothing is decided").isFalse();
  }
}
