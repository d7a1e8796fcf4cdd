package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import fret.score.Signs;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Figures that come back are bowed alike where that costs less than the wish for it. */
class AlikeBowsTest {
  /** Bars 1 and 3 are alike; between them an odd number of strokes turns the bow round. */
  private static final String LINE = "D5:4 E5:4 F5:4 G5:4 | A5:2. -:4 | A4:4 B4:4 C5:4 D5:4 | A5:1";

  private static BowTask task(String words) {
    return Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 90);
  }

  private static BowPreset wish(double weight) {
    return BowPreset.SURE.with("sure", Map.of(BowEffort.UNLIKE, weight));
  }

  private static double unlike(Bowing b) {
    return b.explanation().shares().get(BowEffort.UNLIKE.ordinal()).quantity();
  }

  @Test
  void barsWithTheSameStepsAndRhythmAreAlike() {
    BowTask t = task("D5:4 E5:4 F5:2 | A4:4 B4:4 C5:2 | D5:4 E5:4 F5:4 G5:4");
    AlikeBows alike = new AlikeBows(t, BowMoments.of(t));
    BowRules turned = BowRules.NONE.withBows(Map.of(3, Signs.Bow.UP));
    Bowing b = new BowSolver(t.withRules(turned).withPreset(wish(0))).best();
    assertThat(alike.otherwise(b)).as("the third bar has no like").hasSize(1);
  }

  @Test
  void eachBarOtherwiseIsPricedOnce() {
    BowTask t = task(LINE).withPreset(wish(0.15));
    Bowing turned =
        new BowSolver(t.withRules(BowRules.NONE.withBows(Map.of(5, Signs.Bow.UP)))).best();
    assertThat(unlike(turned)).isEqualTo(1);
    Bowing best = new BowSolver(t).best();
    assertThat(unlike(best)).isZero();
    double sum = best.explanation().shares().stream().mapToDouble(s -> s.effort()).sum();
    assertThat(best.effort()).as("the terms sum to the total").isCloseTo(sum, within(1e-9));
  }

  /** A printed mark turns one of two bars: the wish pulls the other after it when it is strong. */
  @Test
  void aStrongWishPullsTheOtherBarAfterIt() {
    String words = "D5:4 E5:4 F5:4 G5:4 | A5:1 | D5:4v E5:4 F5:4 G5:4 | A5:1";
    Bowing without = new BowSolver(task(words).withPreset(wish(0))).best();
    assertThat(without.strokeAt(0).orElseThrow().down()).isTrue();
    Bowing with = new BowSolver(task(words).withPreset(wish(9))).best();
    assertThat(unlike(with)).isZero();
    assertThat(with.strokeAt(5).orElseThrow().down()).as("the printed mark stands").isFalse();
    assertThat(with.strokeAt(0).orElseThrow().down()).isFalse();
  }

  /** The first halves of bars 1 and 3 are alike, their second halves are not. */
  @Test
  void halvesOfBarsThatDoNotComeBackCountHalf() {
    String line = "D5:8 E5:8 F5:4 G5:4 A5:4 | A5:2. -:4 | A4:8 B4:8 C5:4 F5:8 E5:8 D5:4 | A5:1";
    BowTask t = task(line);
    Map<Integer, Signs.Bow> opposite = Map.of(0, Signs.Bow.DOWN, 6, Signs.Bow.UP);
    Bowing forced = new BowSolver(t.withRules(BowRules.NONE.withBows(opposite))).best();
    assertThat(unlike(forced)).isEqualTo(0.5);
    Map<Integer, Signs.Bow> same = Map.of(0, Signs.Bow.DOWN, 6, Signs.Bow.DOWN);
    assertThat(unlike(new BowSolver(t.withRules(BowRules.NONE.withBows(same))).best())).isZero();
  }

  /** Each return begins with the other stroke, but one that is printed or decided. */
  @Test
  void eachReturnIsBowedAnotherWayWhereThatIsWanted() {
    String figure = "D5:4 E5:4 F5:4 G5:4 | A5:2 C6:2 | ";
    BowTask t = task(figure.repeat(4)).withPreset(wish(0));
    Bowing usual = new BowSolver(t).best();
    Bowing otherwise = new BowSolver(t).otherwise();
    assertThat(otherwise.effort()).isGreaterThanOrEqualTo(usual.effort());
    for (int bar = 1; bar < 4; bar++) {
      assertThat(otherwise.strokeAt(6 * bar).orElseThrow().down())
          .as("return %d", bar)
          .isNotEqualTo(otherwise.strokeAt(6 * (bar - 1)).orElseThrow().down());
    }
    BowRules decided = BowRules.NONE.withBows(Map.of(6, Signs.Bow.DOWN));
    Bowing kept = new BowSolver(t.withRules(decided)).otherwise();
    assertThat(kept.strokeAt(6).orElseThrow().down()).isTrue();
    assertThat(kept.strokeAt(12).orElseThrow().down()).isFalse();
  }
}
