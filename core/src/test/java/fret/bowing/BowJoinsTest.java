package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.search.RulerSearch.Join;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What lies between two strokes; a retake of 20 cm needs 80 + 4 x 20 = 160 ms. */
class BowJoinsTest {
  private static BowJoins after(double restMs, double noteMs) {
    return new BowJoins(restMs, noteMs, BowEffort.HOOK, false, false, false, Optional.empty());
  }

  private static BowJoins ruled(BowRules.Joint rule) {
    return new BowJoins(500, 500, BowEffort.HOOK, false, true, false, Optional.of(rule));
  }

  private static Map<BowEffort, Double> amounts(BowJoins joins, Join join, double cm) {
    return joins.amounts(join, cm).orElseThrow();
  }

  @Test
  void turningIsFreeAndGoingOnIsAHook() {
    assertThat(amounts(after(0, 500), Join.TURN, 0)).isEmpty();
    assertThat(amounts(after(0, 500), Join.AGAIN, 0)).containsExactly(entry(BowEffort.HOOK, 1.0));
    BowJoins dotted =
        new BowJoins(0, 500, BowEffort.HOOK_DOTTED, false, false, false, Optional.empty());
    assertThat(amounts(dotted, Join.AGAIN, 0)).containsExactly(entry(BowEffort.HOOK_DOTTED, 1.0));
  }

  /** A note pays up to half of its length; what is lacking then is late, by 100 ms at least. */
  @ParameterizedTest
  @CsvSource({
    "160, 500, 20, RETAKE, 0",
    "159, 500, 20, RETAKE_PAID, 0",
    "0, 320, 20, RETAKE_PAID, 0",
    "0, 319, 20, RETAKE_PAID, 100",
    "0, 100, 20, RETAKE_PAID, 110",
    "40, 100, 60, RETAKE_PAID, 230"
  })
  void aRetakeIsPaidByARestOrTheNoteBeforeOrNothing(
      double restMs, double noteMs, double cm, BowEffort paid, double lateMs) {
    Map<BowEffort, Double> amounts = amounts(after(restMs, noteMs), Join.LIFT, cm);
    assertThat(amounts)
        .contains(entry(paid, 1.0), entry(BowEffort.RETAKE_WAY, cm))
        .hasSize(2 + (paid == BowEffort.RETAKE ? 0 : 1) + (lateMs > 0 ? 1 : 0));
    double paidMs = paid == BowEffort.RETAKE ? 0 : Math.min(noteMs / 2, 80 + 4 * cm - restMs);
    assertThat(amounts.getOrDefault(BowEffort.RETAKE_TIME, 0.0)).isEqualTo(paidMs);
    assertThat(amounts.getOrDefault(BowEffort.RETAKE_LATE, 0.0)).isEqualTo(lateMs);
  }

  /** Under a note that sounds on the bow stays on the string, unless the player asks for it. */
  @Test
  void aStringThatIsHeldIsNotLifted() {
    BowJoins held = new BowJoins(0, 500, BowEffort.HOOK, false, false, true, Optional.empty());
    assertThat(held.amounts(Join.LIFT, 10)).isEmpty();
    assertThat(held.amounts(Join.TURN, 0)).isPresent();
    BowJoins asked =
        new BowJoins(
            0, 500, BowEffort.HOOK, false, false, true, Optional.of(BowRules.Joint.RETAKE));
    assertThat(asked.amounts(Join.LIFT, 10)).isPresent();
  }

  /** Chords down, down: the first is left early as a matter of course. */
  @Test
  void betweenChordsTheBowIsLiftedInPeace() {
    BowJoins chords = new BowJoins(0, 320, BowEffort.HOOK, true, false, false, Optional.empty());
    assertThat(amounts(chords, Join.LIFT, 20)).containsKey(BowEffort.RETAKE);
    BowJoins quick = new BowJoins(0, 319, BowEffort.HOOK, true, false, false, Optional.empty());
    assertThat(amounts(quick, Join.LIFT, 20)).doesNotContainKey(BowEffort.RETAKE);
  }

  @Test
  void aLongSilenceLeavesEitherDirection() {
    assertThat(after(330, 500).isFree()).isTrue();
    assertThat(after(329, 500).isFree()).isFalse();
    BowJoins plucked = new BowJoins(0, 500, BowEffort.HOOK, false, true, false, Optional.empty());
    assertThat(plucked.isFree()).isTrue();
    assertThat(amounts(plucked, Join.AGAIN, 0)).isEmpty();
    assertThat(ruled(BowRules.Joint.HOOK).isFree()).as("what is decided stands").isFalse();
  }

  @ParameterizedTest
  @CsvSource({"HOOK, false, true, false", "RETAKE, false, false, true", "BREAK, true, true, true"})
  void aDecisionAllowsOnlyItself(BowRules.Joint rule, boolean turn, boolean again, boolean lift) {
    BowJoins joins = ruled(rule);
    assertThat(joins.amounts(Join.TURN, 0).isPresent()).isEqualTo(turn);
    assertThat(joins.amounts(Join.AGAIN, 0).isPresent()).isEqualTo(again);
    assertThat(joins.amounts(Join.LIFT, 10).isPresent()).isEqualTo(lift);
    BowTerms terms =
        new BowTerms(
            BowGeometry.usual(Instrument.standard(InstrumentType.VIOLIN)),
            InstrumentType.VIOLIN,
            BowPreset.SURE,
            BowHabits.USUAL);
    assertThat(Double.isInfinite(joins.effort(Join.TURN, 0, terms))).isEqualTo(!turn);
  }

  /** After a lift over a string the stroke may travel on (common practice, no source). */
  @Test
  void overAStringTheStrokeTravelsOnForLess() {
    BowJoins leap =
        new BowJoins(0, 500, BowEffort.HOOK_LEAP, false, false, false, Optional.empty());
    assertThat(amounts(leap, Join.AGAIN, 0)).containsExactly(entry(BowEffort.HOOK_LEAP, 1.0));
    assertThat(BowPreset.SURE.weight(BowEffort.HOOK_LEAP))
        .isBetween(
            BowPreset.SURE.weight(BowEffort.HOOK_DOTTED), BowPreset.SURE.weight(BowEffort.HOOK));
  }
}
