package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.School;
import fret.search.Explanation;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Shapes a semitone wider than taught: by pin only, never by themselves. */
class ExtremeShapeTest {
  private static final Fraction HALF = Fraction.of(1, 2);

  private static FingeringTask task(InstrumentType type, String notes, NoteRule... rules) {
    return Exercises.task(type, Exercises.line(notes, HALF), 60).withRules(List.of(rules));
  }

  private static HandModel hand(InstrumentType type, Hand player) {
    return new HandModel(Instrument.standard(type), School.ONE_TWO_FOUR, player);
  }

  /** 690 mm: from 7 to 12 690 (2^(-7/12) - 2^(-1)) = 115.5; the extension from 7 to 11 95.0. */
  @Test
  void theShapeIsMeasured() {
    HandModel cello = hand(InstrumentType.CELLO, Hand.MEDIUM);
    assertThat(cello.extremeMm(12, 7)).isCloseTo(115.5, within(0.05));
    assertThat(cello.extremeMm(11, 7)).isCloseTo(95.0, within(0.05));
    assertThat(cello.extremeBase(12)).isEqualTo(7);
    assertThat(cello.extremeBase(6)).as("163 mm in half position").isZero();
    assertThat(hand(InstrumentType.VIOLIN, Hand.MEDIUM).extremeBase(11)).isEqualTo(4);
    assertThat(hand(InstrumentType.BASS, Hand.MEDIUM).extremeBase(10)).isZero();
  }

  /** An octave on two strings of the cello without the thumb: a fifth less, five semitones. */
  @Test
  void aPinnedOctaveOnTheNeckIsPlayed() {
    FingeringTask asked =
        task(
            InstrumentType.CELLO,
            "A3+A4",
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.FOURTH, 1));
    Fingering f = new FingeringSolver(asked).best();
    assertThat(f.problems()).isEmpty();
    assertThat(Exercises.digits(f)).isEqualTo("14");
    assertThat(f.notes().get(1).orElseThrow().base()).isEqualTo(7);
    double stretch =
        f.reasonsAt(0).stream()
            .filter(r -> r.id().equals("stretch"))
            .mapToDouble(Explanation.Share::quantity)
            .sum();
    assertThat(stretch).as("what counts as a stretch is one").isGreaterThanOrEqualTo(3);
  }

  /** One after the other on one string, the hand asked to stay. */
  @ParameterizedTest
  @CsvSource({"CELLO, E4 A4 E4, 7", "VIOLIN, C#5 G#5 C#5, 4"})
  void aPinnedLineIsPlayedWithoutAShift(InstrumentType type, String notes, int base) {
    int string = type == InstrumentType.CELLO ? 1 : 2;
    FingeringTask asked =
        task(
            type,
            notes,
            NoteRule.pin(0, Finger.FIRST, string),
            NoteRule.pin(1, Finger.FOURTH, string),
            NoteRule.inPosition(1, base),
            NoteRule.pin(2, Finger.FIRST, string));
    Fingering f = new FingeringSolver(asked).best();
    assertThat(f.problems()).isEmpty();
    assertThat(f.shifts()).isEmpty();
  }

  /** First, third and fourth finger over a fourth: the third stands a semitone below the fourth. */
  @Test
  void onTheCelloTheThirdFingerStandsInItToo() {
    FingeringTask asked =
        task(
            InstrumentType.CELLO,
            "E4 G#4 A4 G#4",
            NoteRule.pin(0, Finger.FIRST, 1),
            NoteRule.pin(1, Finger.THIRD, 1),
            NoteRule.inPosition(1, 7),
            NoteRule.pin(2, Finger.FOURTH, 1),
            NoteRule.inPosition(2, 7),
            NoteRule.pin(3, Finger.THIRD, 1),
            NoteRule.inPosition(3, 7));
    Fingering f = new FingeringSolver(asked).best();
    assertThat(f.problems()).isEmpty();
    assertThat(f.shifts()).isEmpty();
    assertThat(Exercises.digits(f)).isEqualTo("1343");
  }

  /** Whoever pins a fourth finger did not ask for a hand that hurts: it moves instead. */
  @ParameterizedTest
  @CsvSource({"CELLO, E4 A4 E4, 1", "VIOLIN, C#5 G#5 C#5, 2", "CELLO, Eb4 Ab4 Eb4, 1"})
  void fingersAloneDoNotAskForIt(InstrumentType type, String notes, int string) {
    FingeringTask fingers =
        task(
            type,
            notes,
            NoteRule.pin(0, Finger.FIRST, string),
            NoteRule.pin(1, Finger.FOURTH, string),
            NoteRule.pin(2, Finger.FIRST, string));
    Fingering f = new FingeringSolver(fingers).best();
    NoteFinger high = f.notes().get(1).orElseThrow();
    assertThat(fingers.hand().isExtreme(high.finger(), high.semitone(), high.base())).isFalse();
    assertThat(f.shifts()).isNotEmpty();
  }

  /** Unasked it is in no answer, and a fourth finger that is to be spared is refused it. */
  @Test
  void itNeverComesByItselfAndNotUnderTheCaution() {
    FingeringTask free = task(InstrumentType.CELLO, "A3+A4 B3+B4 A3+A4");
    for (Fingering f : new FingeringSolver(free).alternatives(5)) {
      f.notes()
          .forEach(
              n ->
                  assertThat(
                          free.hand()
                              .isExtreme(
                                  n.orElseThrow().finger(), n.get().semitone(), n.get().base()))
                      .isFalse());
    }
    Hand spared = Hand.MEDIUM.withFourthCaution(true);
    assertThat(hand(InstrumentType.CELLO, spared).extremeBase(12)).isZero();
  }
}
