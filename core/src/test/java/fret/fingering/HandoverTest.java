package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.LengthWish;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.score.ResolvedPassage;
import fret.search.Explanation;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** One finger takes a sounding note over from another, and the hand moves behind the note. */
class HandoverTest {
  private static final Fraction HALF = Fraction.of(1, 2);

  private static NoteRule replaced(int note, Finger first, Finger then, int string) {
    return new NoteRule(note, Optional.of(first), Optional.of(then), string, 0, false, false);
  }

  private static FingeringTask task(
      String notes, Fraction length, double tempo, NoteRule... rules) {
    ResolvedPassage line = Exercises.line(notes, length);
    return Exercises.task(InstrumentType.VIOLIN, line, tempo).withRules(List.of(rules));
  }

  /** D5 on the A string, third finger in first position, then first finger in third. */
  private static FingeringTask thirdToFirst() {
    return task(
        "B4 D5 F#5", HALF, 60, replaced(1, Finger.THIRD, Finger.FIRST, 2), NoteRule.onString(2, 2));
  }

  @Test
  void theHandMovesBehindTheSoundingNote() {
    Fingering f = new FingeringSolver(thirdToFirst()).best();
    assertThat(f.problems()).isEmpty();
    NoteFinger d = f.notes().get(1).orElseThrow();
    assertThat(d.fingers()).isEqualTo("3-1");
    assertThat(d.base()).isEqualTo(2);
    assertThat(d.lastBase()).isEqualTo(5);
    assertThat(f.notes().get(2).orElseThrow().base()).as("the hand is there already").isEqualTo(5);
    Shift s = f.shifts().get(0);
    assertThat(f.shifts()).hasSize(1);
    assertThat(s.isOnHeldNote()).isTrue();
    assertThat(s.hiddenBehind()).isEqualTo("held note");
    assertThat(s.fromFinger()).isEqualTo(Finger.THIRD);
    assertThat(s.toFinger()).isEqualTo(Finger.FIRST);
    // 328 (2^(-2/12) - 2^(-5/12)) mm, in half of the two seconds that the note lasts
    assertThat(s.travelMm()).isCloseTo(46.49, within(0.01));
    assertThat(s.timeMs()).isCloseTo(1000, within(1e-6));
    assertThat(s.moveSlice()).isEqualTo(1);
    assertThat(s.left(f).orElseThrow().finger()).isEqualTo(Finger.THIRD);
    assertThat(s.reached(f).orElseThrow().finger()).isEqualTo(Finger.FIRST);
    // the first finger slides from B4 up to the note; the third would slide past it
    assertThat(s.oldFinger()).isEmpty();
    assertThat(s.newFinger().orElseThrow().pitch().toString()).isEqualTo("B4");
  }

  @Test
  void whatItCostsIsNamed() {
    Fingering f = new FingeringSolver(thirdToFirst()).best();
    assertThat(Exercises.quantity(f, EffortKind.TAKE_OVER)).isEqualTo(1);
    assertThat(Exercises.quantity(f, EffortKind.TRAVEL)).isCloseTo(46.49, within(0.01));
    assertThat(Exercises.quantity(f, EffortKind.UNCOVERED)).as("the note covers it").isZero();
    assertThat(Exercises.quantity(f, EffortKind.SWAP)).as("nothing is played twice").isZero();
    double sum = f.explanation().shares().stream().mapToDouble(Explanation.Share::effort).sum();
    assertThat(sum).isCloseTo(f.effort(), within(1e-9));
  }

  @Test
  void aShiftRightAfterwardsHasHalfOfWhatIsLeft() {
    FingeringTask twice =
        task(
            "B4 D5 A5",
            HALF,
            60,
            replaced(1, Finger.THIRD, Finger.FIRST, 2),
            NoteRule.pin(2, Finger.FIRST, 2));
    Fingering f = new FingeringSolver(twice).best();
    assertThat(f.shifts()).hasSize(2);
    assertThat(f.shifts().get(1).timeMs()).isCloseTo(500, within(1e-6));
    assertThat(f.shifts().get(1).fromFinger()).isEqualTo(Finger.FIRST);
    assertThat(f.shifts().get(1).fromBase()).isEqualTo(5);
  }

  /** common practice, no source: behind a long note there is time to change the finger unheard. */
  @Test
  void hiddenShiftsAreFoundBehindLongNotes() {
    ResolvedPassage line = Exercises.slurred("B4 D5 F#5 G5 F#5", HALF);
    FingeringTask free = Exercises.task(InstrumentType.VIOLIN, line, 60).withPreset(Preset.HIDDEN);
    List<NoteRule> onTheA =
        List.of(0, 1, 2, 3, 4).stream().map(i -> NoteRule.onString(i, 2)).toList();
    Fingering f = new FingeringSolver(free.withRules(onTheA)).best();
    assertThat(f.shifts()).isNotEmpty().allMatch(Shift::isOnHeldNote);
  }

  /** common practice, no source: the thumb comes up behind a long note before thumb position. */
  @Test
  void theThumbCanTakeANoteOver() {
    ResolvedPassage line = Exercises.line("D4 E4 A4 B4 C5", HALF);
    FingeringTask cello = Exercises.task(InstrumentType.CELLO, line, 60);
    List<Fingering> ways = new FingeringSolver(cello).choicesAt(1);
    assertThat(ways)
        .map(w -> w.notes().get(1).orElseThrow())
        .anyMatch(n -> n.replaced().isPresent() && n.last().finger() == Finger.THUMB);
    assertThat(
            Standing.of(cello, Decided.NOTHING, fret.search.Token.NEVER)
                .pinned(
                    1,
                    3,
                    p ->
                        new NoteRule(
                            1,
                            Optional.of(p.finger()),
                            p.replaced().map(NoteFinger.Replacement::by),
                            p.string(),
                            0,
                            p.harmonic(),
                            false),
                    fret.search.Token.NEVER))
        .map(w -> w.notes().get(1).orElseThrow().last().finger())
        .as("offered beside the three cheapest")
        .contains(Finger.THUMB);
  }

  @Test
  void quickNotesLeaveNoTimeForIt() {
    Fingering quick = new FingeringSolver(task("B4 D5 F#5 G5", Fraction.of(1, 8), 120)).best();
    assertThat(quick.notes()).allMatch(n -> n.orElseThrow().replaced().isEmpty());
    FingeringSolver solver = new FingeringSolver(task("B4 D5 F#5 G5", Fraction.of(1, 8), 120));
    assertThat(solver.choicesAt(1))
        .allMatch(c -> c.notes().get(1).orElseThrow().replaced().isEmpty());
  }

  @Test
  void aPinOfOneFingerIsNeverReplaced() {
    Fingering f =
        new FingeringSolver(
                task("B4 D5 F#5", HALF, 60, NoteRule.pin(1, Finger.THIRD, 2))
                    .withPreset(Preset.HIDDEN))
            .best();
    assertThat(f.notes().get(1).orElseThrow().fingers()).isEqualTo("3");
  }

  @Test
  void askedForItIsKeptAtAnyTempo() {
    Fingering quick =
        new FingeringSolver(
                task(
                    "B4 D5 F#5",
                    Fraction.of(1, 8),
                    200,
                    replaced(1, Finger.THIRD, Finger.FIRST, 2)))
            .best();
    assertThat(quick.problems()).isEmpty();
    assertThat(quick.notes().get(1).orElseThrow().fingers()).isEqualTo("3-1");
  }

  @Test
  void whatCannotBeReplacedIsNamed() {
    Fingering f =
        new FingeringSolver(task("B4 C6 F#5", HALF, 60, replaced(1, Finger.FOURTH, Finger.OPEN, 1)))
            .best();
    assertThat(f.problems()).hasSize(1);
    assertThat(f.problems().get(0).message().toString()).contains("C6");
    assertThat(f.notes().get(1)).isPresent();
  }

  /**
   * Where the hand is asked to stay it does not move behind a note either, unless a pin says so.
   */
  @Test
  void aHandThatStaysReplacesNoFinger() {
    ResolvedPassage line = Exercises.slurred("B4 D5 F#5 G5 F#5", HALF);
    FingeringTask free = Exercises.task(InstrumentType.VIOLIN, line, 60).withPreset(Preset.HIDDEN);
    List<NoteRule> onTheA =
        List.of(0, 1, 2, 3, 4).stream().map(i -> NoteRule.onString(i, 2)).toList();
    Fingering moves = new FingeringSolver(free.withRules(onTheA)).best();
    int moment = moves.shifts().get(0).moveSlice();
    Set<Integer> still = Set.of(moment, moment + 1);
    Wishes stays = new Wishes(onTheA, List.of(), still, Set.of());
    Fingering f = new FingeringSolver(free.withWishes(stays)).best();
    assertThat(f.problems()).isEmpty();
    assertThat(f.shifts()).noneMatch(s -> still.contains(s.toSlice()) || s.moveSlice() == moment);
  }

  /** Under another voice the finger that starts the note starts it also when both are pinned. */
  @Test
  void inAChordTheFingerThatTakesOverComesLater() {
    ResolvedPassage held = Exercises.heldUnder("G4", "B4", "F#5");
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, held, 60);
    for (Finger then : List.of(Finger.FIRST, Finger.SECOND)) {
      FingeringTask asked = task.withRules(List.of(replaced(0, Finger.THIRD, then, 3)));
      Fingering f = new FingeringSolver(asked).best();
      assertThat(f.problems()).isEmpty();
      assertThat(f.notes().get(0).orElseThrow().fingers()).isEqualTo("3-" + then.digit());
      TimedSlice chord = Timing.of(held, task.tempo(), Wishes.NONE).get(0);
      assertThat(new HandStates(asked).at(chord, List.of(), HandStates.Heed.ALL))
          .isNotEmpty()
          .noneMatch(s -> s.touches().get(0).finger() == then);
    }
  }

  @Test
  void aNoteThatStaysAsItIsKeepsBothFingers() {
    FingeringTask task = thirdToFirst();
    Fingering f = new FingeringSolver(task).best();
    Map<Integer, NoteFinger> fixed =
        Map.of(
            0, f.notes().get(0).orElseThrow(),
            1, f.notes().get(1).orElseThrow());
    Fingering again = new FingeringSolver(task.withRules(List.of()).withFixed(fixed)).best();
    assertThat(again.notes().get(1).orElseThrow().fingers()).isEqualTo("3-1");
    assertThat(again.notes().get(0)).isEqualTo(f.notes().get(0));
  }

  /** Every way of a long note is priced by the best whole fingering that has it. */
  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void pricesOfReplacedFingersAreRealised(InstrumentType type) {
    String notes =
        switch (type) {
          case VIOLIN -> "B4 D5 F#5";
          case VIOLA -> "E4 G4 B4";
          case CELLO -> "E3 G3 B3";
          case BASS -> "A2 C3 E3";
        };
    FingeringTask task = Exercises.task(type, Exercises.line(notes, HALF), 60);
    FingeringSolver solver = new FingeringSolver(task);
    double best = solver.best().effort();
    List<Fingering> replaced =
        solver.choicesAt(1).stream()
            .filter(c -> c.notes().get(1).orElseThrow().replaced().isPresent())
            .toList();
    assertThat(replaced).isNotEmpty();
    for (Fingering choice : replaced) {
      NoteFinger place = choice.notes().get(1).orElseThrow();
      assertThat(choice.effort()).isGreaterThanOrEqualTo(best - 1e-9);
      NoteRule pin = replaced(1, place.finger(), place.lastFinger(), place.string());
      Fingering pinned = new FingeringSolver(task.withRules(List.of(pin))).best();
      assertThat(pinned.effort()).isLessThanOrEqualTo(choice.effort() + 1e-9);
    }
  }

  /**
   * G4 on the D string under B4 on the A string lies under 3 and 1 in first position; F#5 above it
   * can only be reached from higher up: with 4 from between second and third position, where 2 must
   * have taken G4 over.
   */
  @Test
  void aFingerMayTakeOverANoteThatIsHeldUnderAnotherVoice() {
    ResolvedPassage held = Exercises.heldUnder("G4", "B4", "F#5");
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, held, 60);
    Wishes full = Wishes.NONE.withLengths(Map.of(0, LengthWish.FULL));
    Fingering f = new FingeringSolver(task.withWishes(full)).best();
    assertThat(f.problems()).isEmpty();
    NoteFinger g = f.notes().get(0).orElseThrow();
    assertThat(g.fingers()).isEqualTo("3-2");
    assertThat(g.lastBase()).isEqualTo(4);
    assertThat(Exercises.quantity(f, EffortKind.TAKE_OVER)).isEqualTo(1);
    assertThat(f.shifts()).singleElement().extracting(Shift::toBase).isEqualTo(4);
  }
}
