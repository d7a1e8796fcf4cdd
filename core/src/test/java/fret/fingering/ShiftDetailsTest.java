package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.base.Said;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.instrument.PositionNames;
import fret.pitch.Pitch;
import fret.player.BodyCue;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.HandSize;
import fret.player.School;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a shift card tells: time, window, proof, arm, chains; and the finger before the bow. */
class ShiftDetailsTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private static Fingering fingered(
      InstrumentType type, String notes, double tempo, NoteRule... r) {
    return new FingeringSolver(
            Exercises.task(type, Exercises.line(notes, QUARTER), tempo).withRules(List.of(r)))
        .best();
  }

  @Test
  void theTimeToAimFollowsFromTheDifficulty() {
    Fingering f =
        fingered(
            InstrumentType.CELLO,
            "E3 A3",
            96,
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.FOURTH, 2));
    Shift s = f.shifts().get(0);
    assertThat(s.neededMs()).isCloseTo(s.difficultyBits() * 100, within(1e-9));
    assertThat(s.isUp()).isTrue();
    // 690 mm: window of 20 cents at the seventh semitone, by hand: 690 ln 2 / 12 * 0.2 * 2^(-7/12)
    assertThat(s.windowMm()).isCloseTo(5.32, within(0.01));
  }

  /** A cello hand from the first finger on F# to one that reaches back for C with its first. */
  @Test
  void theFingerThatArrivesIsGuidedFromWhereItStood() {
    Fingering f =
        fingered(
            InstrumentType.CELLO,
            "F#3 G3 C4 C#4 D4 E4",
            60,
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(1, Finger.SECOND, 2),
            NoteRule.pin(2, Finger.FIRST, 2),
            NoteRule.pin(3, Finger.SECOND, 2),
            NoteRule.pin(4, Finger.THIRD, 2),
            NoteRule.pin(5, Finger.FOURTH, 2));
    Shift s = f.shifts().get(0);
    assertThat(s.newFinger().orElseThrow().pitch()).isEqualTo(Pitch.parse("F#3"));
  }

  /** In C major a finger that lay a semitone low or high goes to a note of the key. */
  @Test
  void aGuideThatNobodyStoodOnIsANoteOfTheKey() {
    for (String notes : List.of("E4 F4 G4 B4 C5 D5", "A4 B4 C5 F5 G5 A5", "D5 C5 B4 G4 F4 E4")) {
      for (InstrumentType type : List.of(InstrumentType.VIOLIN, InstrumentType.CELLO)) {
        for (int string = 1; string <= 2; string++) {
          inKey(type, notes, string);
        }
      }
    }
  }

  private static void inKey(InstrumentType type, String notes, int string) {
    List<NoteRule> rules = new java.util.ArrayList<>();
    for (int i = 0; i < 6; i++) {
      rules.add(NoteRule.onString(i, string));
    }
    FingeringTask task = Exercises.task(type, Exercises.line(notes, QUARTER), 60).withRules(rules);
    for (Shift s : new FingeringSolver(task).best().shifts()) {
      java.util.stream.Stream.of(s.oldFinger(), s.newFinger())
          .flatMap(java.util.Optional::stream)
          .forEach(g -> assertThat(g.pitch().alter()).as("%s %s", type, s).isZero());
    }
  }

  private static Shift afterTheFirst(boolean harmonic) {
    FingeringTask task =
        Exercises.task(InstrumentType.VIOLIN, Exercises.line("A5 B4 C5", Fraction.of(1, 8)), 288)
            .withRules(List.of(NoteRule.onString(0, 2), NoteRule.pin(1, Finger.FIRST, 2)));
    NoteFinger first =
        new FingeringSolver(task)
            .choicesAt(0).stream()
                .map(f -> f.notes().get(0).orElseThrow())
                .filter(n -> n.string() == 2 && n.harmonic() == harmonic)
                .findFirst()
                .orElseThrow();
    return new FingeringSolver(task.withFixed(Map.of(0, first))).best().shifts().get(0);
  }

  /**
   * A natural harmonic rings on: an eighth at half = 144 lasts 104 ms, of which a stopped note
   * leaves 52 for the way, a harmonic all but the 30 of its touch: 74.
   */
  @Test
  void aHarmonicIsAStationThatTheHandMayLeaveEarly() {
    assertThat(afterTheFirst(false).timeMs()).isCloseTo(52.1, within(0.1));
    Shift s = afterTheFirst(true);
    assertThat(s.timeMs()).isCloseTo(74.2, within(0.1));
    assertThat(s.hiddenBehind()).isEqualTo("harmonic");
  }

  private static NoteFinger at(InstrumentType type, int string, int semitone) {
    Instrument on = Instrument.standard(type);
    Pitch heard = Pitch.ofMidi(on.open(string).midi() + semitone, fret.pitch.KeySignature.NONE);
    return new NoteFinger(
        0,
        string,
        semitone == 0 ? Finger.OPEN : Finger.THIRD,
        semitone,
        Math.max(1, semitone - 3),
        fret.player.Region.NECK,
        fret.player.Shape.CLOSED,
        false,
        heard,
        on.mmFromNut(semitone),
        java.util.Optional.empty());
  }

  /** Intervals between the note and the open strings, worked out by hand. */
  @ParameterizedTest
  @CsvSource({
    // violin: D5 on the A string is an octave above the open D
    "VIOLIN, 2, 5, OCTAVE, D4",
    // E5 on the A string is the open E
    "VIOLIN, 2, 7, UNISON, E5",
    // A5 on the A string is its halfway harmonic
    "VIOLIN, 2, 12, HALFWAY, A5",
    // B4 on the A string: a fourth below the open E
    "VIOLIN, 2, 2, FOURTH, E5",
    // cello: D4 on the A string is two octaves above ... the octave of the open D
    "CELLO, 1, 5, OCTAVE, D3",
    // bass: A2 on the G string is an octave above the open A
    "BASS, 1, 2, OCTAVE, A1",
  })
  void whatProvesAnArrival(
      InstrumentType type, int string, int semitone, ArrivalCheck.Kind kind, String against) {
    List<ArrivalCheck> checks =
        ArrivalCheck.of(Instrument.standard(type), at(type, string, semitone));
    assertThat(checks.get(0).kind()).isEqualTo(kind);
    assertThat(checks.get(0).against()).isEqualTo(Pitch.parse(against));
  }

  @Test
  void anOpenStringNeedsNoProofAndSomeNotesHaveNone() {
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    assertThat(ArrivalCheck.of(violin, at(InstrumentType.VIOLIN, 2, 0))).isEmpty();
    assertThat(ArrivalCheck.of(violin, at(InstrumentType.VIOLIN, 2, 1))).isEmpty();
  }

  /**
   * The worked example of a bass string: 148.8, 162.3 and 156.6 mm cover nearly the same length.
   */
  @Test
  void aThirdAThirdAndAFourthAreEqualSteps() {
    Fingering f =
        fingered(
            InstrumentType.BASS,
            "A2 C3 E3 A3",
            60,
            NoteRule.pin(0, Finger.FIRST, 1),
            NoteRule.pin(1, Finger.FIRST, 1),
            NoteRule.pin(2, Finger.FIRST, 1));
    List<Shift> three =
        fingered(
                InstrumentType.BASS,
                "A2 C3 E3",
                60,
                NoteRule.pin(0, Finger.FIRST, 1),
                NoteRule.pin(1, Finger.FIRST, 1),
                NoteRule.pin(2, Finger.FIRST, 1))
            .shifts();
    assertThat(f.notes()).hasSize(4);
    assertThat(EqualSteps.of(three))
        .singleElement()
        .satisfies(
            c -> {
              assertThat(c.shifts()).hasSize(2);
              assertThat(c.meanMm()).isCloseTo((148.8 + 162.3) / 2, within(0.1));
            });
    List<Shift> unequal =
        fingered(
                InstrumentType.BASS,
                "A2 B2 E3",
                60,
                NoteRule.pin(0, Finger.FIRST, 1),
                NoteRule.pin(1, Finger.FIRST, 1),
                NoteRule.pin(2, Finger.FIRST, 1))
            .shifts();
    assertThat(EqualSteps.of(unequal)).isEmpty();
  }

  @Test
  void theFingerGoesBeforeTheBow() {
    FingeringTask task =
        Exercises.task(InstrumentType.VIOLIN, Exercises.line("B4 C5 D5 F5 B4 F#5", QUARTER), 60);
    Fingering f =
        new FingeringSolver(
                task.withRules(
                    List.of(
                        NoteRule.pin(0, Finger.FIRST, 2),
                        NoteRule.pin(1, Finger.SECOND, 2),
                        NoteRule.pin(2, Finger.THIRD, 2),
                        NoteRule.pin(3, Finger.FIRST, 1),
                        NoteRule.pin(4, Finger.FIRST, 2),
                        NoteRule.pin(5, Finger.FIRST, 1))))
            .best();
    List<FingerAhead> ahead = FingerAhead.of(task, f);
    assertThat(ahead).hasSize(3);
    // the first finger is free from the second note on: two beats of a second
    assertThat(ahead.get(0).finger()).isEqualTo(Finger.FIRST);
    assertThat(ahead.get(0).timeMs()).isCloseTo(2000, within(1e-6));
    assertThat(ahead.get(0).freeFromSlice()).isEqualTo(1);
    assertThat(ahead.get(2).timeMs()).as("it must hop").isZero();
  }

  @Test
  void openStringsAreNotWaitedFor() {
    FingeringTask task =
        Exercises.task(InstrumentType.VIOLIN, Exercises.line("D5 E5", QUARTER), 60);
    Fingering f =
        new FingeringSolver(
                task.withRules(
                    List.of(NoteRule.pin(0, Finger.THIRD, 2), NoteRule.pin(1, Finger.OPEN, 1))))
            .best();
    assertThat(FingerAhead.of(task, f)).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void everyShiftHasALineForTheArm(InstrumentType type) {
    assertThat(BodyCue.of(type, 2, 5, false)).isEqualTo(BodyCue.NECK_UP);
    assertThat(BodyCue.of(type, 5, 2, false)).isEqualTo(BodyCue.NECK_DOWN);
    assertThat(BodyCue.of(type, 2, 9, false)).isEqualTo(BodyCue.HIGH_UP);
    assertThat(BodyCue.of(type, 5, 12, true)).isEqualTo(BodyCue.THUMB_UP);
    for (BodyCue cue : BodyCue.values()) {
      assertThat(cue.usual(type).id()).startsWith("cue." + cue.id());
    }
  }

  @Test
  void thumbPositionIsNamedByItsLowerNote() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    assertThat(PositionNames.of(cello, 1, 14, true)).isEqualTo("thumb position, thumb on A4");
    assertThat(PositionNames.of(cello, 1, 5, false)).isEqualTo("third position");
  }

  @Test
  void aMeasuredSpanScalesTheReach() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    double medium = HandModel.mediumSpanMm(cello);
    // a minor third from half position on 690 mm, by hand: 690 (2^(-1/12) - 2^(-4/12))
    assertThat(medium).isCloseTo(103.6, within(0.1));
    HandModel usual = new HandModel(cello, School.USUAL, Hand.MEDIUM);
    HandModel measured =
        new HandModel(cello, School.USUAL, Hand.of(HandSize.SMALL).withSpanMm(medium));
    HandModel narrow = new HandModel(cello, School.USUAL, Hand.MEDIUM.withSpanMm(medium * 0.8));
    assertThat(canExtend(usual)).isTrue();
    assertThat(canExtend(measured)).as("the span counts, not the size").isTrue();
    assertThat(canExtend(narrow)).isFalse();
    assertThatThrownBy(() -> Hand.MEDIUM.withSpanMm(300))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("300");
  }

  /** A major third from first to fourth finger in first position. */
  private static boolean canExtend(HandModel hand) {
    return hand.canHold(Finger.FIRST, 2, Finger.FOURTH, 6, fret.player.Region.NECK, 0);
  }

  @Test
  void aSparedFourthFingerIsNeverStretched() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    HandModel spared = new HandModel(cello, School.USUAL, Hand.MEDIUM.withFourthCaution(true));
    assertThat(spared.placements(6))
        .noneMatch(p -> p.finger() == Finger.FOURTH && p.strain() > 0.5);
    assertThat(new HandModel(cello, School.USUAL, Hand.MEDIUM).placements(6))
        .anyMatch(p -> p.finger() == Finger.FOURTH && p.strain() > 0.5);
  }

  @Test
  void theThumbComesUpWhereThePlayerWantsIt() {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    HandModel never = new HandModel(cello, School.USUAL, Hand.MEDIUM.withThumbFrom(Hand.NO_THUMB));
    HandModel early = new HandModel(cello, School.USUAL, Hand.MEDIUM.withThumbFrom(5));
    assertThat(never.placements(12)).noneMatch(p -> p.finger() == Finger.THUMB);
    assertThat(early.placements(5)).anyMatch(p -> p.finger() == Finger.THUMB);
    assertThat(new HandModel(cello, School.USUAL, Hand.MEDIUM).placements(5))
        .noneMatch(p -> p.finger() == Finger.THUMB);
  }

  /** A chord too wide for one hand is named with what can be played of it. */
  @Test
  void theNearestPlayableWayIsTold() {
    Fingering f = fingered(InstrumentType.CELLO, "C2+E2+C4+G4 C2", 60);
    assertThat(f.notes().get(f.notes().size() - 1)).isPresent();
    assertThat(f.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.nextStep().toString()).contains("obstacle.leave"));
    Fingering wide = fingered(InstrumentType.VIOLIN, "A3+D#4+F#5 A4", 60);
    assertThat(wide.problems())
        .allSatisfy(p -> assertThat(p.nextStep()).isNotEqualTo(Said.NOTHING));
  }
}
