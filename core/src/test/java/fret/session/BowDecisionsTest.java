package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.BowLayers;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.Cure;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.mark.BowLayer;
import fret.score.Signs;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What the player decides of the bow stands, is taken back, kept beside, and brought back. */
class BowDecisionsTest {
  private Session s;

  @BeforeEach
  void open() {
    s = Lines.session("D5 E5 F5 G5 A5 G5 F5 E5");
  }

  private void decide(Change change) {
    s = s.after(s.step(change)).computed(fret.search.Token.NEVER);
  }

  private Stroke at(int moment) {
    return s.bowing().strokeAt(moment).orElseThrow();
  }

  @Test
  void aStrokeIsTurnedAndWhatFollowsGoesOn() {
    boolean down = at(0).down();
    boolean next = at(1).down();
    decide(BowDecisions.turn(s, 0).orElseThrow());
    assertThat(at(0).down()).isNotEqualTo(down);
    assertThat(at(1).down()).as("it alternates as before").isNotEqualTo(next);
    decide(s.undo().orElseThrow().change());
    assertThat(at(0).down()).isEqualTo(down);
  }

  @Test
  void notesAreSlurredAndParted() {
    decide(BowDecisions.slur(s, 2, 4).orElseThrow());
    assertThat(at(2).fromMoment()).isEqualTo(2);
    assertThat(at(2).toMoment()).isEqualTo(4);
    assertThat(s.score().events().stream().filter(e -> !e.signs().slurStarts().isEmpty()).count())
        .as("the slur stands on the page")
        .isEqualTo(1);
    decide(BowDecisions.slur(s, 2, 4).orElseThrow());
    assertThat(at(3).fromMoment()).isEqualTo(3);
  }

  @Test
  void hooksRetakesKindsPlacesAndLengthsStand() {
    decide(BowDecisions.joint(s, 3, BowRules.Joint.HOOK));
    assertThat(at(3).hooked()).isTrue();
    assertThat(at(3).down()).isEqualTo(at(2).down());
    decide(BowDecisions.joint(s, 5, BowRules.Joint.RETAKE));
    assertThat(at(5).retake()).isPresent();
    decide(BowDecisions.nextKind(s, 1).orElseThrow());
    decide(BowDecisions.nextKind(s, 1).orElseThrow());
    assertThat(at(1).kind()).isEqualTo(StrokeKind.MARTELE);
    decide(BowDecisions.place(s, 6, 0.5).orElseThrow());
    assertThat(at(6).startCm() / s.bowTask().bow().hairCm()).isBetween(0.45, 0.55);
    double before = at(4).at(4).sounds();
    decide(BowDecisions.longer(s, 4, -1).orElseThrow());
    assertThat(at(4).at(4).sounds()).isLessThan(before);
    double level = at(0).at(0).level();
    decide(BowDecisions.louder(s, 0, 1));
    assertThat(at(0).at(0).level()).isGreaterThan(level);
    decide(BowDecisions.clear(s, 0, 7).orElseThrow());
    assertThat(BowLayers.ALL).noneMatch(l -> s.passage().marks().any(l));
  }

  @Test
  void aDecisionOfTheBowFingersNothingAgain() {
    var hand = s.computed().standing();
    decide(BowDecisions.joint(s, 3, BowRules.Joint.HOOK));
    assertThat(s.computed().standing()).isSameAs(hand);
  }

  @Test
  void aVersionIsKeptBesideAndComesBackToTheStroke() {
    decide(BowDecisions.turn(s, 2).orElseThrow());
    decide(BowDecisions.joint(s, 5, BowRules.Joint.HOOK));
    Bowing section = s.bowing();
    decide(BowVersions.keep(s, "section"));
    assertThat(BowVersions.versions(s)).containsExactly("section");
    decide(BowVersions.use(s, ""));
    assertThat(s.passage().marks().at(BowLayer.BOW, s.resolved().notes().get(2).key())).isEmpty();
    assertThat(s.bowing().differsFrom(section)).isNotEmpty();
    assertThat(s.keptBowing("section", fret.search.Token.NEVER).differsFrom(section)).isEmpty();
    decide(BowVersions.use(s, "section"));
    assertThat(s.bowing()).isEqualTo(section);
    decide(BowVersions.forget(s, "section"));
    assertThat(BowVersions.versions(s)).isEmpty();
    assertThat(s.bowing()).as("what counts stays").isEqualTo(section);
  }

  @Test
  void anAdoptedBowingDoesNotMoveWithTheTempo() {
    Bowing chosen = s.bowing();
    decide(BowVersions.adopt(s, chosen));
    var settings = s.passage().settings();
    decide(
        Decisions.settings(
                s,
                fret.base.Said.of("set.target", "40"),
                o -> o.withTarget(settings.target().at(40)))
            .orElseThrow());
    assertThat(s.bowing().differsFrom(chosen)).isEmpty();
  }

  @Test
  void aCureIsADecision() {
    Optional<Change> cured = BowDecisions.cure(s, new Cure(Cure.Kind.TURN_ROUND, 2, 0, 0, 0));
    boolean down = at(2).down();
    decide(cured.orElseThrow());
    assertThat(at(2).down()).isNotEqualTo(down);
    assertThat(s.passage().marks().at(BowLayer.BOW, s.resolved().notes().get(2).key()))
        .contains(down ? Signs.Bow.UP : Signs.Bow.DOWN);
  }

  @Test
  void theEndOfAStrokeIsDrawnAndSnaps() {
    decide(BowDecisions.end(s, 2, 0.437).orElseThrow());
    double hair = s.bowTask().bow().hairCm();
    assertThat(s.passage().marks().of(BowLayers.PLACE).values()).containsExactly(0.45);
    assertThat(at(2).endCm() / hair).isBetween(0.42, 0.48);
    decide(BowDecisions.level(s, 3, 5.8));
    assertThat(at(3).at(3).level()).isGreaterThan(5);
    assertThat(BowDecisions.end(s, 7, 0.5)).as("the last stroke too").isPresent();
  }

  @Test
  void aDecisionGoesToAllPlacesLikeIt() {
    s =
        Lines.session(
            "D5 E5 F#5 G5 A5 G5 F#5 E5 D5 E5 F#5 G5 A5 G5 F#5 E5 D5 F5 A5 C6 D5 E5 F#5 G5");
    decide(BowDecisions.slur(s, 0, 3).orElseThrow());
    decide(BowDecisions.alike(s, 0, 3).orElseThrow());
    assertThat(at(8).fromMoment()).isEqualTo(8);
    assertThat(at(8).toMoment()).as("the same bar again").isEqualTo(11);
    assertThat(at(16).toMoment()).as("other steps").isEqualTo(16);
    assertThat(at(20).toMoment()).as("on another beat").isEqualTo(20);
    assertThat(BowDecisions.alike(s, 0, 3)).as("all are so already").isEmpty();
    decide(s.undo().orElseThrow().change());
    assertThat(at(8).toMoment()).as("one step takes it back").isEqualTo(8);
  }
}
