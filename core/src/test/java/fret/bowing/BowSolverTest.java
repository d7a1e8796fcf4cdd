package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.search.Explanation;
import fret.search.Token;
import fret.search.WeightRange;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Rules of direction and amount; common practice, no source, unless said. */
class BowSolverTest {
  private static final String BAR = "D5:4 E5:4 F5:4 G5:4 ";

  private static Bowing violin(ResolvedPassage passage, double quarters) {
    return new BowSolver(Lines.task(InstrumentType.VIOLIN, passage, quarters)).best();
  }

  @Test
  void aPlainLineAlternatesFromADownBow() {
    assertThat(Lines.bows(4, 4, 90, BAR + BAR)).isEqualTo("nvnvnvnv");
  }

  @Test
  void twoBeatsASlurBringHalfBarsDownThenUp() {
    assertThat(Lines.bows(4, 4, 90, "(D5:4 E5:4) (F5:4 G5:4) (A5:4 G5:4) (F5:4 E5:4)"))
        .isEqualTo("nvnv");
  }

  @Test
  void aPickUpIsUp() {
    ResolvedPassage line = Lines.of(4, 4, Fraction.of(1, 4), "A4:4 D5:4 E5:4 F5:4 G5:4 A5:2 D5:2");
    assertThat(Lines.bows(violin(line, 96))).isEqualTo("vnvnvnv");
  }

  @Test
  void everyBowedMomentStandsInOneStrokeAndTheCentimetresSumUp() {
    Bowing b =
        violin(
            Lines.of(
                4,
                4,
                "{f} (D5:8 E5:8 F5:8) G5:8 A5:4> -:4 (G4+D5+B5:2 A5:4) {pizz} D5:4 {arco} (E5:2"
                    + " F5:2)"),
            72);
    Set<Integer> seen = new HashSet<>();
    double at = -1;
    for (Stroke s : b.strokes()) {
      double sum = 0;
      for (Stroke.Note n : s.notes()) {
        assertThat(seen.add(n.moment())).isTrue();
        sum += n.bowCm();
      }
      assertThat(sum).isCloseTo(s.bowCm(), within(1e-6));
      assertThat(Math.abs(s.endCm() - s.startCm())).isCloseTo(s.bowCm(), within(1e-6));
      assertThat(s.startCm()).isBetween(0.0, 62.0);
      assertThat(s.endCm()).isBetween(0.0, 62.0);
      assertThat(s.endCm() >= s.startCm()).isEqualTo(s.down());
      if (s.retake().isEmpty() && at >= 0) {
        assertThat(s.startCm()).isCloseTo(at, within(1e-6));
      }
      at = s.endCm();
    }
    long bowed = b.moments().stream().filter(BowMoment::isBowed).count();
    assertThat(seen).hasSize((int) bowed).hasSize(b.moments().size() - 1);
  }

  @Test
  void theTermsSumToTheTotal() {
    Bowing b =
        violin(Lines.of(3, 4, "{p} {<} (D5:4 E5:4 F5:4) {f} {!} G5:2.> -:4 A5:4 D5:4v E5:4v"), 60);
    double sum = b.explanation().shares().stream().mapToDouble(Explanation.Share::effort).sum();
    assertThat(sum).isCloseTo(b.effort(), within(1e-9));
    for (Explanation.Share s : b.explanation().shares()) {
      double causes = s.causes().stream().mapToDouble(Explanation.Cause::effort).sum();
      assertThat(causes).as(s.id()).isCloseTo(s.effort(), within(1e-9));
    }
  }

  @Test
  void whereNothingIsBowedEveryReasonIsThereAndCostsNothing() {
    for (String words : List.of("-:1", "{pizz} D5:4 E5:4")) {
      BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 90);
      Bowing b = new BowSolver(task).best();
      assertThat(b.strokes()).isEmpty();
      assertThat(b.explanation().shares()).hasSize(BowEffort.values().length);
      assertThat(b.effort()).isZero();
      assertThat(new BowSolver(task).bestOf(3)).containsExactly(b);
      assertThat(new BowSolver(task).bestWith(0, true)).isEmpty();
      assertThat(PrintedBowing.of(task)).isEqualTo(b);
    }
  }

  @Test
  void aPrintedMarkIsKept() {
    assertThat(Lines.bows(4, 4, 90, "D5:4v E5:4 F5:4 G5:4 ")).isEqualTo("vnvn");
    assertThat(Lines.bows(4, 4, 60, "D5:4n E5:4n F5:4n G5:4n ")).matches("n ?n ?n ?n");
  }

  /** A forte of four seconds is a word, of eight it runs out by 6 cm: 8.5 x 8 - 62. */
  @Test
  void aLongForteRunsOutOnlyWhenItsLeastSpeedNeedsMoreThanTheHair() {
    Stroke four = violin(Lines.of(4, 4, "{f} D5:1"), 60).strokes().get(0);
    assertThat(four.bowCm()).isCloseTo(62, within(0.2));
    assertThat(four.missingCm()).isZero();
    assertThat(four.notes().get(0).cmPerS()).isCloseTo(15.5, within(0.1));
    Stroke eight = violin(Lines.of(4, 4, "{f} D5:1"), 30).strokes().get(0);
    assertThat(eight.missingCm()).isCloseTo(6, within(0.2));
    assertThat(eight.bowCm()).isCloseTo(62, within(0.2));
  }

  @Test
  void aRetakeIsPaidByARest() {
    Bowing b = violin(Lines.of(4, 4, "{f} D5:2 -:2 E5:2 -:2 F5:2 -:2"), 80);
    assertThat(b.strokes()).allMatch(Stroke::down);
    assertThat(b.strokes().get(1).retake()).isPresent();
    assertThat(b.strokes().get(1).retake().get().lackingMs()).isZero();
  }

  @Test
  void aRuleBreaksHooksAndRetakes() {
    ResolvedPassage line = Lines.of(4, 4, "(D5:4 E5:4 F5:4 G5:4)");
    BowTask task = Lines.task(InstrumentType.VIOLIN, line, 80);
    BowRules rules = BowRules.NONE.withJoints(Map.of(2, BowRules.Joint.BREAK));
    Bowing broken = new BowSolver(task.withRules(rules)).best();
    assertThat(Lines.bows(broken)).isEqualTo("nv");
    assertThat(broken.strokes().get(1).breaksSlur()).isTrue();
    BowRules hook = BowRules.NONE.withJoints(Map.of(2, BowRules.Joint.HOOK));
    Bowing hooked = new BowSolver(task.withRules(hook)).best();
    assertThat(hooked.strokes()).hasSize(2);
    assertThat(hooked.strokes().get(1).hooked()).isTrue();
    assertThat(hooked.strokes().get(1).startCm())
        .isCloseTo(hooked.strokes().get(0).endCm(), within(1e-6));
    BowRules retake = BowRules.NONE.withJoints(Map.of(2, BowRules.Joint.RETAKE));
    Bowing lifted = new BowSolver(task.withRules(retake)).best();
    assertThat(lifted.strokes().get(1).retake()).isPresent();
    BowRules start = BowRules.NONE.withStarts(Map.of(0, 0.5));
    Bowing placed = new BowSolver(task.withRules(start)).best();
    assertThat(placed.strokes().get(0).startCm()).isCloseTo(31, within(1.1));
  }

  @Test
  void phrasingSlursMayBeBrokenAndBowingSlursNot() {
    String slur = "{f} (D5:1 | E5:1 | F5:1 | G5:1)";
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, slur), 60);
    assertThat(new BowSolver(task).best().strokes()).hasSize(1);
    assertThat(new BowSolver(task).best().strokes().get(0).missingCm()).isGreaterThan(50);
    Bowing free =
        new BowSolver(task.withRules(BowRules.NONE.withSlurs(BowRules.Slurs.PHRASING))).best();
    assertThat(free.strokes().size()).isGreaterThan(1);
    assertThat(free.strokes()).allMatch(s -> s.missingCm() == 0);
  }

  @Test
  void versionsDifferInDirectionsSlursOrRetakes() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, BAR + BAR), 90);
    List<Bowing> all = new BowSolver(task).bestOf(4);
    assertThat(all).hasSize(4);
    Set<String> seen = new HashSet<>();
    all.forEach(b -> assertThat(seen.add(Lines.bows(b))).isTrue());
    for (int i = 1; i < all.size(); i++) {
      assertThat(all.get(i).effort()).isGreaterThanOrEqualTo(all.get(i - 1).effort());
    }
  }

  @Test
  void whyNotADownBowHereHasAPrice() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, BAR + BAR), 90);
    BowSolver solver = new BowSolver(task);
    Bowing other = solver.bestWith(1, true).orElseThrow();
    assertThat(other.strokeAt(1).orElseThrow().down()).isTrue();
    assertThat(other.effort()).isGreaterThan(solver.best().effort());
    assertThat(solver.bestWith(0, true).orElseThrow().effort())
        .isCloseTo(solver.best().effort(), within(1e-6));
    BowRules pinned = BowRules.NONE.withBows(Map.of(1, Signs.Bow.UP));
    assertThat(new BowSolver(task.withRules(pinned)).bestWith(1, true)).isEmpty();
  }

  /** Slow practice keeps the real bow: only speeds change; here the tempo is the target's. */
  @Test
  void scalingEveryLoudnessKeepsTheSharesWhileNoBoundIsReached() {
    BowTask task =
        Lines.task(
            InstrumentType.VIOLIN, Lines.of(4, 4, "{p} (D5:4 {<} E5:4 F5:4 {mf} G5:4)"), 120);
    Stroke soft = new BowSolver(task).best().strokes().get(0);
    Stroke loud = new BowSolver(task.withSpeed(new BowSpeed(1, 1.2))).best().strokes().get(0);
    for (int i = 0; i < 4; i++) {
      assertThat(soft.notes().get(i).bowCm() / soft.bowCm())
          .isCloseTo(loud.notes().get(i).bowCm() / loud.bowCm(), within(1e-6));
    }
  }

  @Test
  void thePlacesAreOnlyMovedWithinACentimetre() {
    Bowing b = violin(Lines.of(4, 4, "D5:16 E5:16 F5:16 G5:16 A5:16 G5:16 F5:16 E5:16"), 100);
    assertThat(b.strokes()).allMatch(s -> s.bowCm() > 0.5 && s.bowCm() < 8);
  }

  /** Words of the page are pins: at the frog, at the tip, in the usual languages. */
  @Test
  void wordsOfPlaceArePins() {
    Bowing tip = violin(Lines.of(4, 4, "{p} {\"punta\"} D5:4' E5:4' F5:4' G5:4'"), 100);
    assertThat(tip.strokes().get(0).startCm()).isGreaterThan(62 * 0.9);
    Bowing frog = violin(Lines.of(4, 4, "{f} D5:4 E5:4 {\"au-talon\"} F5:4 G5:4"), 100);
    assertThat(frog.strokeAt(2).orElseThrow().startCm()).isLessThan(3);
    assertThat(PlaceWords.place("pointed, and in the frogs' voice")).isEmpty();
  }

  /** Heavier or lighter than told, another bowing is the best; within it, this one. */
  @Test
  void aRangeOfAWeightHoldsTheBowing() {
    BowTask task =
        Lines.task(InstrumentType.VIOLIN, Lines.of(3, 4, "{p} {<} D5:2. {!} {f} E5:2."), 70);
    BowSolver solver = new BowSolver(task);
    Bowing best = solver.best();
    WeightRange swell = solver.weightRange(best, BowEffort.DOWN_SWELL, Token.NEVER);
    double now = BowPreset.SURE.weight(BowEffort.DOWN_SWELL);
    assertThat(swell.least()).as("without it the bar begins down").isBetween(0.0, now);
    assertThat(swell.least()).isPositive();
    for (double weight : new double[] {swell.least() + 0.001, now, 3 * now}) {
      assertThat(bestAt(task, weight).hasStrokesOf(best)).isTrue();
    }
    assertThat(bestAt(task, swell.least() - 0.01).hasStrokesOf(best)).isFalse();
    assertThat(swell.most()).isInfinite();
  }

  private static Bowing bestAt(BowTask task, double swell) {
    BowPreset other = BowPreset.SURE.with("x", Map.of(BowEffort.DOWN_SWELL, swell));
    return new BowSolver(task.withPreset(other)).best();
  }
}
