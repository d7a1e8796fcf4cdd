package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.instrument.PositionNames;
import fret.pitch.Pitch;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HandAndShiftTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  /** Equal-tempered string law; the figures follow from L (1 - 2^(-n/12)) by hand. */
  @ParameterizedTest
  @CsvSource({
    "BASS, 2, 5, 148.8",
    "BASS, 5, 9, 162.3",
    "BASS, 9, 14, 156.6",
    "CELLO, 2, 5, 97.8",
    "CELLO, 2, 6, 126.8",
    "CELLO, 12, 14, 37.6",
    "VIOLIN, 1, 6, 77.7"
  })
  void distancesOnTheString(InstrumentType type, int from, int to, double mm) {
    Instrument i = Instrument.standard(type);
    assertThat(i.mmFromNut(to) - i.mmFromNut(from)).isCloseTo(mm, within(0.05));
  }

  @Test
  void theHalfwayNodeIsTheOctave() {
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    assertThat(violin.mmFromNut(12)).isEqualTo(164);
    assertThat(violin.harmonic(2, 2)).isEqualTo(Pitch.parse("A5"));
    assertThat(violin.windowMm(12, 10) / 2).isCloseTo(0.95, within(0.01));
  }

  private static Fingering pinned(InstrumentType type, String notes, NoteRule... rules) {
    return new FingeringSolver(
            Exercises.task(type, Exercises.line(notes, QUARTER), 96).withRules(List.of(rules)))
        .best();
  }

  /**
   * Worked by hand: cello, D string, first finger E3 in first position to fourth finger A3 in
   * third.
   */
  @Test
  void aShiftHasItsDistanceTimeDifficultyAndGuides() {
    Fingering f =
        pinned(
            InstrumentType.CELLO,
            "E3 A3",
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.FOURTH, 2));
    Shift s = f.shifts().get(0);
    assertThat(s.travelMm()).isCloseTo(67.1, within(0.05));
    assertThat(s.timeMs()).isCloseTo(312.5, within(0.1));
    assertThat(s.difficultyBits()).isCloseTo(3.77, within(0.02));
    assertThat(s.oldFinger().orElseThrow().pitch()).isEqualTo(Pitch.parse("F#3"));
    assertThat(s.newFinger().orElseThrow().pitch()).isEqualTo(Pitch.parse("G3"));
    assertThat(s.newFinger().orElseThrow().slideMm()).isCloseTo(56.4, within(0.05));
  }

  /** common practice, no source: the guide of the finger left lies an octave below the arrival. */
  @Test
  void theOldFingerGuidesAcrossStrings() {
    Fingering f =
        pinned(
            InstrumentType.VIOLA,
            "E4 G5",
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.FOURTH, 1));
    Shift s = f.shifts().get(0);
    assertThat(PositionNames.of(InstrumentType.VIOLA, s.toBase(), false)).isEqualTo("third");
    assertThat(s.oldFinger().orElseThrow().pitch()).isEqualTo(Pitch.parse("G4"));
    assertThat(s.oldFinger().orElseThrow().string()).isEqualTo(2);
  }

  @Test
  void anOpenStringGivesTimeToAShift() {
    Fingering f =
        pinned(
            InstrumentType.VIOLIN,
            "B4 E5 B5",
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.OPEN, 1),
            NoteRule.pin(2, Finger.FIRST, 1));
    Shift s = f.shifts().get(0);
    assertThat(s.hiddenBehind()).isEqualTo("open string");
    assertThat(s.moveSlice()).isEqualTo(1);
    assertThat(s.timeMs()).isCloseTo(1.5 * 625, within(0.1));
  }

  /** common practice, from memory */
  @Test
  void cellistsNameThirdPositionByTheirFirstFingerOnD() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    assertThat(PositionNames.of(InstrumentType.CELLO, cello.semitones(1, Pitch.parse("D4")), false))
        .isEqualTo("third");
    assertThat(PositionNames.of(InstrumentType.CELLO, 7, false)).isEqualTo("fourth");
    assertThat(PositionNames.of(InstrumentType.BASS, 4, false))
        .isEqualTo("between second and third");
    assertThat(PositionNames.of(InstrumentType.VIOLIN, 2, false)).isEqualTo("first");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "VIOLIN | A4 F3 A4 | obstacle.low",
        "VIOLIN | A4 B4+B5 A4 | ",
        "CELLO | A2 E2+D4 A2 | obstacle.wide",
        "BASS | A1 A1+B2 D2 | ",
        "BASS | A1 F1+D2 D2 | obstacle.wide",
        "VIOLIN | A4 A7 A4 | ",
        "VIOLIN | A4 C8 A4 | obstacle.high",
      })
  void whatCannotBePlayedIsReportedAndTheRestStands(
      InstrumentType type, String notes, String said) {
    var task = Exercises.task(type, Exercises.line(notes.strip(), QUARTER), 80);
    Fingering f = new FingeringSolver(task).best();
    assertThat(f.notes().get(0)).isPresent();
    assertThat(f.notes().get(f.notes().size() - 1)).isPresent();
    if (said == null) {
      assertThat(f.problems()).isEmpty();
    } else {
      assertThat(f.problems())
          .singleElement()
          .matches(p -> p.message().id().equals(said.strip()) && p.bar().equals("1"));
    }
  }

  @Test
  void doubleStopsStandOnNeighbouringStringsUnderOneHand() {
    Fingering f =
        new FingeringSolver(
                Exercises.task(
                    InstrumentType.VIOLIN,
                    Exercises.line("B4+D5 A4+C5 G4+B4 F4+D5 E4+G5", QUARTER),
                    60))
            .best();
    for (int i = 0; i + 1 < f.notes().size(); i += 2) {
      Optional<NoteFinger> low = f.notes().get(i);
      Optional<NoteFinger> high = f.notes().get(i + 1);
      if (low.isPresent() && high.isPresent()) {
        assertThat(low.get().string() - high.get().string()).isEqualTo(1);
        assertThat(low.get().base()).isEqualTo(high.get().base());
      }
    }
  }
}
