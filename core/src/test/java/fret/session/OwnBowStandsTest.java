package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.Adopted;
import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.bowing.PrintedBowing;
import fret.bowing.Stroke;
import fret.joint.TogetherSolver;
import fret.joint.TogetherSolver.Together;
import fret.mark.BowLayer;
import fret.score.Signs;
import fret.search.Token;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What the player marked of the bow stands over everything that is found, tried or adopted. */
class OwnBowStandsTest {
  private Session s;

  @BeforeEach
  void open() {
    s = Lines.session("D5 E5 F5 G5 A5 G5 F5 E5 D5 E5 F5 G5 A5 G5 F5 E5");
  }

  private void decide(Change change) {
    s = s.after(s.step(change)).computed(Token.NEVER);
  }

  private static boolean down(Bowing b, int moment) {
    return b.strokeAt(moment).orElseThrow().down();
  }

  /** Turns the stroke of a moment against the proposal; which way it then goes. */
  private boolean turned(int moment) {
    boolean was = down(s.bowing(), moment);
    decide(BowDecisions.turn(s, moment).orElseThrow());
    return !was;
  }

  private Bowing other() {
    Bowing standing = s.bowing();
    return new BowSolver(s.bowTaskFree(m -> true))
        .bestOf(8).stream().filter(b -> !b.hasStrokesOf(standing)).findFirst().orElseThrow();
  }

  @Test
  void everyBowingThatIsFoundKeepsTheMark() {
    boolean mine = turned(6);
    decide(BowDecisions.joint(s, 9, BowRules.Joint.RETAKE));
    for (Bowing b : new BowSolver(s.bowTaskFree(m -> true)).bestOf(8)) {
      assertThat(down(b, 6)).isEqualTo(mine);
      assertThat(b.strokeAt(9).orElseThrow().retake()).isPresent();
    }
  }

  @Test
  void adoptingTouchesNoMarkOfThePlayersOwn() {
    turned(6);
    decide(BowDecisions.joint(s, 9, BowRules.Joint.HOOK));
    var bows = s.passage().marks().of(BowLayer.BOW);
    var joints = s.passage().marks().of(BowLayers.JOINT);
    Bowing chosen = other();
    decide(BowVersions.adopt(s, chosen));
    assertThat(s.passage().marks().of(BowLayer.BOW)).isEqualTo(bows);
    assertThat(s.passage().marks().of(BowLayers.JOINT)).isEqualTo(joints);
    assertThat(s.bowing().differsFrom(chosen)).isEmpty();
    decide(s.undo().orElseThrow().change());
    assertThat(s.passage().marks().any(BowLayers.ADOPTED)).isFalse();
    assertThat(s.passage().marks().of(BowLayer.BOW)).as("one step back").isEqualTo(bows);
  }

  @Test
  void aMarkMadeLaterStandsOverWhatWasAdoptedAndGoesAloneWhenTakenOff() {
    Bowing chosen = s.bowing();
    decide(BowVersions.adopt(s, chosen));
    decide(BowDecisions.joint(s, 5, BowRules.Joint.SLUR));
    assertThat(s.bowing().strokeAt(5).orElseThrow().fromMoment()).isEqualTo(4);
    decide(BowDecisions.joint(s, 5, BowRules.Joint.SLUR));
    assertThat(s.bowing().differsFrom(chosen)).isEmpty();
  }

  @Test
  void anotherAdoptedBowingTakesThePlaceOfTheFirst() {
    decide(BowVersions.adopt(s, s.bowing()));
    Bowing chosen = other();
    decide(BowVersions.adopt(s, chosen));
    assertThat(s.bowing().hasStrokesOf(chosen)).isTrue();
    decide(BowVersions.use(s, ""));
    assertThat(s.passage().marks().any(BowLayers.ADOPTED)).isFalse();
  }

  /** What was adopted gives way where it is asked about, and only there. */
  @Test
  void anAdoptedBowingGivesWayOnlyWhereItIsAsked() {
    Bowing chosen = other();
    decide(BowVersions.adopt(s, chosen));
    BowTask free = s.bowTaskFree(m -> m >= 8);
    Map<Integer, Signs.Bow> held = free.rules().bows();
    assertThat(held.keySet()).isNotEmpty().allMatch(m -> m < 8);
    assertThat(s.bowTaskFree(m -> true).rules()).isEqualTo(BowRules.NONE);
    assertThat(s.bowTaskFree(m -> false).rules()).isEqualTo(s.bowTask().rules());
  }

  @Test
  void thePageAsPrintedKnowsNoDecision() {
    Bowing page = PrintedBowing.of(s.bowTask());
    turned(0);
    decide(BowDecisions.slur(s, 2, 5).orElseThrow());
    decide(LineDecisions.level(s, 3, 7));
    decide(BowVersions.adopt(s, s.bowing()));
    assertThat(PrintedBowing.of(s.bowTask())).isEqualTo(page);
    assertThat(s.bowing().hasStrokesOf(page)).isFalse();
  }

  @Test
  void bothHandsTogetherKeepTheMarkInsideTheSelection() {
    boolean mine = turned(6);
    decide(BowDecisions.joint(s, 10, BowRules.Joint.HOOK));
    BowTask free = s.bowTaskFree(m -> m >= 4 && m <= 12);
    Together both =
        new TogetherSolver(s.task(), free, 4, 12, Token.NEVER).solve(s.fingering(), s.bowing());
    assertThat(down(both.bowing(), 6)).isEqualTo(mine);
    assertThat(both.bowing().strokeAt(10).orElseThrow().hooked()).isTrue();
    Signs.Bow mark = mine ? Signs.Bow.DOWN : Signs.Bow.UP;
    decide(BowVersions.adoptBoth(s, both.fingering(), both.bowing()));
    assertThat(BowDecisions.at(s, BowLayer.BOW, 6)).contains(mark);
    assertThat(s.fingering().notesUnlike(both.fingering())).isZero();
    assertThat(s.bowing().differsFrom(both.bowing())).isEmpty();
  }

  /** Turning one stroke of an adopted bowing turns what hangs on it, up to a lift. */
  @Test
  void anAdoptedBowingIsTurnedUpToTheNextLift() {
    decide(BowDecisions.joint(s, 9, BowRules.Joint.RETAKE));
    decide(BowVersions.adopt(s, s.bowing()));
    Bowing before = s.bowing();
    decide(BowDecisions.turn(s, 4).orElseThrow());
    for (int m = 0; m < 16; m++) {
      boolean turns = m >= 4 && m < 9;
      assertThat(down(s.bowing(), m)).as("moment " + m).isEqualTo(down(before, m) ^ turns);
    }
    decide(s.undo().orElseThrow().change());
    assertThat(s.bowing()).isEqualTo(before);
  }

  @Test
  void whatIsHeldOfABowingSaysHowEachStrokeBegins() {
    decide(BowDecisions.slur(s, 2, 4).orElseThrow());
    decide(BowDecisions.joint(s, 8, BowRules.Joint.HOOK));
    decide(BowDecisions.joint(s, 12, BowRules.Joint.RETAKE));
    Map<Integer, Adopted> held = Adopted.of(s.bowing(), s.bowTask().passage());
    assertThat(held.get(3)).isEqualTo(new Adopted(Signs.Bow.NONE, slur()));
    assertThat(held.get(8).joint()).contains(BowRules.Joint.HOOK);
    assertThat(held.get(12).joint()).contains(BowRules.Joint.RETAKE);
    assertThat(held.get(12).turned().bow()).isNotEqualTo(held.get(12).bow());
    assertThat(held.get(12).turned().turned()).isEqualTo(held.get(12));
    List<Integer> begins = s.bowing().strokes().stream().map(Stroke::fromMoment).toList();
    for (int m = 0; m < 16; m++) {
      boolean named = held.containsKey(m) && held.get(m).bow() != Signs.Bow.NONE;
      assertThat(named).as("moment " + m).isEqualTo(begins.contains(m));
    }
  }

  private static Optional<BowRules.Joint> slur() {
    return Optional.of(BowRules.Joint.SLUR);
  }
}
