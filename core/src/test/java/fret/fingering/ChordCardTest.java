package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.ChordStep.Kind;
import fret.fingering.ChordStep.Move;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.player.Region;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a note's card tells of chords in a row, and of the notes under the hand. */
class ChordCardTest {
  private static final Fraction HALF = Fraction.of(1, 2);

  private static ChordStep step(String notes, NoteRule... rules) {
    FingeringTask task =
        Exercises.task(InstrumentType.VIOLIN, Exercises.line(notes, HALF), 60)
            .withRules(List.of(rules));
    Fingering f = new FingeringSolver(task).best();
    return ChordStep.into(task.passage(), task.hand().instrument(), f, 1).orElseThrow();
  }

  private static NoteRule pin(int note, Finger finger, int string) {
    return NoteRule.pin(note, finger, string);
  }

  /** Thirds on the two lower strings, from first to third position: both fingers slide. */
  @Test
  void bothFingersCanGuideAndEachHasItsMm() {
    ChordStep thirds =
        step(
            "C4+E4 E4+G4",
            pin(0, Finger.THIRD, 4),
            pin(1, Finger.FIRST, 3),
            pin(2, Finger.THIRD, 4),
            pin(3, Finger.FIRST, 3));
    assertThat(thirds.guides())
        .extracting(Move::finger)
        .containsExactly(Finger.THIRD, Finger.FIRST);
    // 328 (2^(-5/12) - 2^(-9/12)) and 328 (2^(-2/12) - 2^(-5/12)) mm on a string of 328 mm
    assertThat(thirds.moves().get(0).mm()).isCloseTo(50.7, within(0.1));
    assertThat(thirds.moves().get(1).mm()).isCloseTo(46.5, within(0.1));
  }

  /** Sixth to octave on G and D: the first finger stays where it can. */
  @Test
  void fingersStayHopAndAreNew() {
    ChordStep hop =
        step(
            "B4+G5 C5+A5",
            pin(0, Finger.FIRST, 2),
            pin(1, Finger.SECOND, 1),
            pin(2, Finger.SECOND, 2),
            pin(3, Finger.THIRD, 1));
    assertThat(hop.moves()).extracting(Move::kind).containsExactly(Kind.HOPS, Kind.NEW);
    ChordStep stay =
        step(
            "B4+G5 B4+A5",
            pin(0, Finger.FIRST, 2),
            pin(1, Finger.SECOND, 1),
            pin(2, Finger.FIRST, 2),
            pin(3, Finger.THIRD, 1));
    assertThat(stay.moves()).extracting(Move::kind).containsExactly(Kind.STAYS, Kind.NEW);
    assertThat(stay.guides()).isEmpty();
  }

  @Test
  void aLineIsNoChord() {
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, Exercises.line("B4 C5", HALF), 60);
    Fingering f = new FingeringSolver(task).best();
    assertThat(ChordStep.into(task.passage(), task.hand().instrument(), f, 1)).isEmpty();
    assertThat(ChordStep.into(task.passage(), task.hand().instrument(), f, 0)).isEmpty();
  }

  /**
   * Third position on the cello in C major: D E F on the top string under 1 3 4, G A on the next
   * (common practice, no source).
   */
  @ParameterizedTest
  @CsvSource({
    "CELLO, D4, FIRST, 1, 1, D4 1 E4 3 F4 4",
    "CELLO, D4, FIRST, 1, 2, G3 1 A3 3",
    "VIOLIN, B4, FIRST, 2, 2, B4 1 C5 2 D5 3 E5 4",
    "VIOLIN, B4, FIRST, 2, 1, F5 1 G5 2 A5 3 B5 4",
    "VIOLIN, D5, FIRST, 2, 2, D5 1 E5 2 F5 3 G5 4",
  })
  void theNotesOfTheKeyUnderTheHand(
      InstrumentType type, String note, Finger finger, int string, int asked, String under) {
    FingeringTask task =
        Exercises.task(type, Exercises.line(note, HALF), 60)
            .withRules(List.of(pin(0, finger, string)));
    Fingering f = new FingeringSolver(task).best();
    StringBuilder text = new StringBuilder();
    UnderHand.of(task.passage(), task.hand(), f.notes().get(0).orElseThrow()).stream()
        .filter(u -> u.string() == asked)
        .flatMap(u -> u.notes().stream())
        .forEach(r -> text.append(r.pitch()).append(' ').append(r.finger().digit()).append(' '));
    assertThat(text.toString().strip()).isEqualTo(under);
  }

  /** On the cello's A string the fourth finger on E4 gives way to the thumb on the same note. */
  @Test
  void fromTheNeckToTheThumbOnOneHeldNote() {
    FingeringTask task =
        Exercises.task(InstrumentType.CELLO, Exercises.line("D4 E4 A4 B4", HALF), 60)
            .withRules(
                List.of(
                    new NoteRule(
                        1,
                        Optional.of(Finger.FOURTH),
                        Optional.of(Finger.THUMB),
                        1,
                        0,
                        false,
                        false)));
    NoteFinger e = new FingeringSolver(task).best().notes().get(1).orElseThrow();
    assertThat(e.fingers()).isEqualTo("4-T");
    assertThat(e.last().finger()).isEqualTo(Finger.THUMB);
    assertThat(e.last().region()).isEqualTo(Region.THUMB);
  }
}
