package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.player.EffortKind;
import fret.player.Hand;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** A hand that creeps: a finger stays while it goes on. */
class CreepTest {
  private static final Fraction EIGHTH = Fraction.of(1, 8);

  /** First to second position on the A string: B4 under 1 stays down while 4 is set on F5. */
  private static Fingering answer(boolean creeps, String notes, Finger... fingers) {
    List<NoteRule> pins = new ArrayList<>();
    for (int i = 0; i < fingers.length; i++) {
      pins.add(NoteRule.pin(i, fingers[i], 2));
    }
    // The fourth finger in its place, not stretched: the hand stands a semitone higher.
    pins.add(NoteRule.inPosition(1, 3));
    pins.add(NoteRule.inPosition(0, 2));
    FingeringTask task =
        Exercises.task(
            Exercises.hand(InstrumentType.VIOLIN, Hand.MEDIUM.withCreeping(creeps)),
            Exercises.line(notes, EIGHTH),
            60);
    return new FingeringSolver(task.withRules(pins)).best();
  }

  @Test
  void aSemitoneWithAFingerKeptDownIsNoShift() {
    Fingering f = answer(true, "B4 F5", Finger.FIRST, Finger.FOURTH);
    assertThat(f.problems()).isEmpty();
    assertThat(f.shifts()).singleElement().satisfies(s -> assertThat(s.creep()).isTrue());
    assertThat(Exercises.quantity(f, EffortKind.CREEP)).isEqualTo(1);
    assertThat(Exercises.quantity(f, EffortKind.SHIFT)).isZero();
    assertThat(Exercises.quantity(f, EffortKind.TRAVEL)).isZero();
    assertThat(Exercises.quantity(f, EffortKind.UNCOVERED)).isZero();
  }

  /** The hand that moves as one, which is the usual, aims the same move. */
  @Test
  void aHandThatMovesAsOneShifts() {
    Fingering f = answer(false, "B4 F5", Finger.FIRST, Finger.FOURTH);
    assertThat(f.shifts()).singleElement().satisfies(s -> assertThat(s.creep()).isFalse());
    assertThat(Exercises.quantity(f, EffortKind.CREEP)).isZero();
    assertThat(Exercises.quantity(f, EffortKind.SHIFT)).isPositive();
    assertThat(Hand.MEDIUM.creeps()).isFalse();
  }

  /** On one finger nothing stays: that is a shift for both hands. */
  @Test
  void theSameFingerDoesNotStay() {
    Fingering f = answer(true, "B4 C5", Finger.FIRST, Finger.FIRST);
    assertThat(f.shifts()).singleElement().satisfies(s -> assertThat(s.creep()).isFalse());
    assertThat(Exercises.quantity(f, EffortKind.CREEP)).isZero();
  }
}
