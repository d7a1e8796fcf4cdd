package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.BowHabit;
import fret.bowing.BowHabits;
import fret.bowing.BowLayers;
import fret.bowing.BowMoment;
import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.BowWarning;
import fret.bowing.Bowing;
import fret.bowing.Cure;
import fret.bowing.Drift;
import fret.bowing.PhraseMark;
import fret.bowing.PhraseShape;
import fret.bowing.ShortPlaces;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.mark.BowLayer;
import fret.mark.Marks;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.passage.SettingLayers;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LoudnessLine;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
    decide(LineDecisions.louder(s, 0, 1));
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
  void aKeptBowingKeepsItsVibrato() {
    decide(BowDecisions.decide(s, VibratoLayer.VIBRATO, 2, VibratoWish.WIDE));
    decide(BowVersions.keep(s, "section"));
    decide(BowDecisions.decide(s, VibratoLayer.VIBRATO, 2, VibratoWish.NONE));
    decide(BowDecisions.decide(s, VibratoLayer.VIBRATO, 4, VibratoWish.WIDE));
    decide(BowVersions.use(s, "section"));
    assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 2)).contains(VibratoWish.WIDE);
    assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 4)).isEmpty();
    decide(BowVersions.use(s, ""));
    assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 2)).as("no print of vibrato").isPresent();
  }

  /** Versions that were kept before vibrato was kept with them leave it alone. */
  @Test
  void aVersionWithoutVibratoLeavesThatOfNow() {
    decide(BowDecisions.turn(s, 2).orElseThrow());
    decide(BowVersions.keep(s, "section"));
    decide(BowDecisions.decide(s, VibratoLayer.VIBRATO, 2, VibratoWish.WIDE));
    decide(BowVersions.use(s, "section"));
    assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 2)).contains(VibratoWish.WIDE);
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
    decide(LineDecisions.level(s, 3, 5.8));
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

  private void open(String notes) {
    s = Lines.session(notes);
  }

  @Test
  void vibratoGoesThroughItsWaysAndBackToTheRule() {
    for (VibratoWish wish : VibratoWish.values()) {
      decide(LineDecisions.nextVibrato(s, 2));
      assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 2)).contains(wish);
    }
    decide(LineDecisions.nextVibrato(s, 2));
    assertThat(BowDecisions.at(s, VibratoLayer.VIBRATO, 2)).isEmpty();
  }

  @Test
  void topsAndEndsOfPhrasesStandAndGo() {
    decide(LineDecisions.phrase(s, 2, PhraseMark.TOP));
    decide(LineDecisions.phrase(s, 5, PhraseMark.END));
    assertThat(s.laneInput().bow().orElseThrow().phrases())
        .isEqualTo(Map.of(2, PhraseMark.TOP, 5, PhraseMark.END));
    decide(LineDecisions.phrase(s, 2, PhraseMark.TOP));
    assertThat(s.laneInput().bow().orElseThrow().phrases()).isEqualTo(Map.of(5, PhraseMark.END));
  }

  /** mf, then f and ff at the bar lines. */
  @Test
  void aCrescendoIsPlannedALevelABar() {
    open("D5 E5 F5 G5 A5 G5 F5 E5 D5 E5 F5 G5 A5 G5 F5 E5 D5 E5 F5 G5 A5 G5 F5 E5");
    decide(LineDecisions.levelABar(s, 0, 20, 1).orElseThrow());
    List<BowMoment> m = s.bowing().moments();
    assertThat(List.of(m.get(0).fromLevel(), m.get(7).fromLevel())).containsOnly(4.0);
    assertThat(m.get(8).fromLevel()).isEqualTo(5);
    assertThat(m.get(16).fromLevel()).isEqualTo(6);
    assertThat(LineDecisions.levelABar(s, 0, 5, 1)).as("within one bar").isEmpty();
    decide(LineDecisions.levelABar(s, 0, 20, -1).orElseThrow());
    assertThat(s.bowing().moments().get(16).fromLevel()).isEqualTo(2);
  }

  /**
   * What stands louder already is not made softer by growing, and the page shows what is planned.
   */
  @Test
  void growingIsNeverSofterThanWhatStands() {
    Score page = Lines.page("D5 E5 F5 G5 A5 G5 F5 E5 D5 E5 F5 G5 A5 G5 F5 E5");
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, with(bars.get(0), "p"));
    bars.set(1, with(bars.get(1), "f"));
    s = Session.of(Lines.passage(), page.withBars(bars));
    decide(LineDecisions.levelABar(s, 0, 15, 1).orElseThrow());
    assertThat(s.bowing().moments().get(8).fromLevel()).isEqualTo(LoudnessLine.FORTE);
    assertThat(dynamics()).containsExactly("p", "f");
    decide(LineDecisions.levelABar(s, 0, 15, -1).orElseThrow());
    assertThat(s.bowing().moments().get(8).fromLevel()).isEqualTo(1);
    assertThat(dynamics()).as("one value, in place of the printed one").containsExactly("p", "pp");
    decide(LineDecisions.level(s, 3, LoudnessLine.FORTE));
    assertThat(dynamics()).containsExactly("p", "f", "pp");
  }

  private static Bar with(Bar bar, String dynamic) {
    return bar.withDirections(
        List.of(new Direction(bar.start(), Direction.Kind.DYNAMIC, dynamic, 0)));
  }

  private List<String> dynamics() {
    return s.score().bars().stream()
        .flatMap(b -> b.directions().stream())
        .filter(d -> d.kind() == Direction.Kind.DYNAMIC)
        .map(Direction::text)
        .toList();
  }

  /** The first two notes stay when the third is turned: the second is held as it is. */
  @Test
  void turningAStrokeLeavesThoseBeforeIt() {
    List<Boolean> before = s.bowing().strokes().stream().map(Stroke::down).toList();
    for (int m = 1; m < 8; m++) {
      Session turned = Lines.after(s, BowDecisions.turn(s, m).orElseThrow());
      for (int i = 0; i < 8; i++) {
        assertThat(turned.bowing().strokes().get(i).down())
            .as("stroke %d after turning %d", i, m)
            .isEqualTo(before.get(i) ^ i >= m);
      }
    }
  }

  /** A hook turns what it contradicts, adopted strokes included. */
  @Test
  void aHookInAnAdoptedBowingGoesOnInOneDirection() {
    decide(BowVersions.adopt(s, s.bowing()));
    List<Boolean> before = s.bowing().strokes().stream().map(Stroke::down).toList();
    decide(BowDecisions.joint(s, 3, BowRules.Joint.HOOK));
    assertThat(s.bowing().unhooked()).isEmpty();
    for (int i = 0; i < 8; i++) {
      assertThat(at(i).down()).as("stroke " + i).isEqualTo(before.get(i) ^ i >= 3);
    }
  }

  /** Two decisions that contradict each other: the hook is set aside and named, all opens. */
  @Test
  void aHookThatCannotBeIsSetAsideAndNamed() {
    decide(BowDecisions.turn(s, 2).orElseThrow());
    Marks marks =
        BowDecisions.set(
            s, s.passage().marks(), BowLayers.JOINT, 2, Optional.of(BowRules.Joint.HOOK));
    marks = BowDecisions.set(s, marks, BowLayer.BOW, 1, Optional.of(Signs.Bow.DOWN));
    marks = BowDecisions.set(s, marks, BowLayer.BOW, 2, Optional.of(Signs.Bow.UP));
    s = Session.of(s.passage().withMarks(marks), s.page());
    assertThat(s.bowing().unhooked()).containsExactly(2);
    assertThat(s.arm().report().warnings())
        .extracting(BowWarning::kind)
        .contains(BowWarning.Kind.NOT_KEPT);
  }

  /** A drifting pattern is bowed evenly at one press, and drifts no longer. */
  @Test
  void aPatternIsEvenedOut() {
    open("(D5 E5 F5) G5 (D5 E5 F5) G5 (D5 E5 F5) G5 (D5 E5 F5) G5");
    Drift drift = s.arm().report().drifts().get(0);
    Cure even =
        drift.cures().stream()
            .filter(c -> c.kind() == Cure.Kind.EVEN_OUT)
            .findFirst()
            .orElseThrow();
    decide(BowDecisions.cure(s, even).orElseThrow());
    assertThat(s.arm().report().drifts()).isEmpty();
    assertThat(BowDecisions.cure(s, even)).as("nothing drifts any more").isEmpty();
  }

  /** Each time of a drifting pattern is mended, at one press, taken back at one. */
  @Test
  void theOddStrokeIsFasterInEachTimeOfThePattern() {
    open("(D5 E5 F5) G5 (D5 E5 F5) G5 (D5 E5 F5) G5 (D5 E5 F5) G5");
    Drift drift = s.arm().report().drifts().get(0);
    Cure faster =
        drift.cures().stream()
            .filter(c -> c.kind() == Cure.Kind.ODD_FASTER)
            .findFirst()
            .orElseThrow();
    decide(BowDecisions.cure(s, faster).orElseThrow());
    for (int time = 0; time < drift.times(); time++) {
      assertThat(BowDecisions.at(s, BowLayers.AMOUNT, 3 + 4 * time))
          .as("time %d", time)
          .isPresent();
    }
    assertThat(s.passage().marks().of(BowLayers.AMOUNT)).hasSize(drift.times());
  }

  @Test
  void aSmallStartIsRefused() {
    decide(BowDecisions.cure(s, new Cure(Cure.Kind.NO_START, 3, 0, 0, 0)).orElseThrow());
    assertThat(BowDecisions.at(s, BowLayers.AMOUNT, 3)).contains(1.0);
  }

  /** A slur over a shift takes its bow change away. */
  @Test
  void whatLosesItsBowChangeIsTold() {
    open("E5 F5 G5 A5 B5 C6 D6 E6 F6 G6 F6 E6 D6 C6 B5 A5");
    assertThat(s.fingering().shifts()).isNotEmpty();
    int shift = s.fingering().shifts().get(0).toSlice();
    Bowing before = s.bowing();
    assertThat(BowVersions.uncovered(s, before)).isEmpty();
    Session slurred = s;
    slurred = slurred.after(slurred.step(BowDecisions.joint(s, shift, BowRules.Joint.SLUR)));
    Bowing other = slurred.computed(fret.search.Token.NEVER).bowing();
    assertThat(BowVersions.uncovered(s, other)).containsExactly(shift);
  }

  @Test
  void settingsOfTheBowComeBackFromTheirForm() {
    BowSetup mine =
        BowSetup.USUAL
            .withHabits(
                BowHabits.USUAL
                    .withPlaces(new ShortPlaces(0.7, 0.4, 0.55))
                    .with(BowHabit.START, BowHabit.Way.AIR)
                    .with(BowHabit.SHIFT, BowHabit.Way.STOPPED)
                    .withString(3, 0.8))
            .withShape(PhraseShape.SUNG);
    assertThat(SettingLayers.BOW.read(SettingLayers.BOW.write(mine))).isEqualTo(mine);
  }
}
