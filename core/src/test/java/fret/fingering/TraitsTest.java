package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What is told apart of two fingerings, worked by hand on lines whose fingers are given. */
class TraitsTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private static FingeringTask violin(String notes, NoteRule... rules) {
    return Exercises.task(InstrumentType.VIOLIN, Exercises.line(notes, QUARTER), 90)
        .withRules(List.of(rules));
  }

  private static List<Said> traits(FingeringTask of, FingeringTask than) {
    return Traits.of(
        new FingeringSolver(of).best(), new FingeringSolver(than).best(), of.hand().instrument());
  }

  @Test
  void openStringsAloneAreToldAsSuch() {
    FingeringTask open =
        violin(
            "G3 D4 A4 E5",
            NoteRule.pin(0, Finger.OPEN, 4),
            NoteRule.pin(1, Finger.OPEN, 3),
            NoteRule.pin(2, Finger.OPEN, 2),
            NoteRule.pin(3, Finger.OPEN, 1));
    assertThat(traits(open, open).get(0)).isEqualTo(Said.of("trait.free"));
  }

  @Test
  void aHandThatStaysIsNamedByItsPosition() {
    FingeringTask scale = violin("A4 B4 C#5 D5");
    assertThat(traits(scale, scale).get(0)).isEqualTo(Said.of("trait.stays", "first"));
  }

  @Test
  void whatDiffersMostStandsFirstAfterTheHand() {
    FingeringTask open = violin("D5 E5 F#5", NoteRule.pin(1, Finger.OPEN, 1));
    FingeringTask stopped = violin("D5 E5 F#5", NoteRule.pin(1, Finger.FOURTH, 2));
    List<Said> told = traits(stopped, open);
    assertThat(told).hasSize(4);
    assertThat(told.subList(1, 4))
        .as("open strings: none against one")
        .contains(Said.of("trait.open.none"));
    assertThat(traits(open, stopped)).contains(Said.of("trait.open.one"));
  }

  @Test
  void aClimbTellsItsShiftsAndWhereTheyLead() {
    FingeringTask high =
        violin("A4 B4 E6 F#6", NoteRule.pin(1, Finger.FIRST, 2), NoteRule.onString(2, 1));
    Said hand = traits(high, high).get(0);
    assertThat(hand.id()).startsWith("trait.climbs");
    assertThat(hand.args()).contains("first");
  }
}
