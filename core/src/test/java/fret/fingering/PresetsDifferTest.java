package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.search.Explanation;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each preset keeps its promise, over ten passages of our own. */
class PresetsDifferTest {
  private record Piece(InstrumentType type, String notes, int denominator, double quarters) {}

  private static final List<Piece> PIECES =
      List.of(
          new Piece(InstrumentType.VIOLIN, "D5 E5 F#5 G5 A5 B5 D6 C#6 B5 A5 F#5 D5", 4, 66),
          new Piece(InstrumentType.VIOLIN, "G4 B4 D5 G5 B5 D6 G6 D6 B5 G5 D5 B4", 16, 92),
          new Piece(InstrumentType.VIOLIN, "B4 D5 F5 E5 D5 C5 E5 G5 F5 E5 C6 A5", 8, 84),
          new Piece(InstrumentType.VIOLA, "G4 A4 B4 C5 D5 E5 F5 E5 D5 B4 C5 G4", 4, 60),
          new Piece(InstrumentType.VIOLA, "E4 G4 C5 E5 D5 C5 A4 F5 E5 D5 B4 G4", 16, 100),
          new Piece(InstrumentType.CELLO, "A3 B3 C4 D4 E4 F4 E4 D4 C4 B3 A3 E3", 4, 58),
          new Piece(InstrumentType.CELLO, "D3 F3 A3 D4 F4 A4 F4 D4 A3 F3 D3 A2", 8, 96),
          new Piece(InstrumentType.CELLO, "G3 Bb3 D4 G4 F4 Eb4 D4 C4 Bb3 A3 G3 D3", 16, 88),
          new Piece(InstrumentType.BASS, "G2 A2 Bb2 C3 D3 C3 Bb2 A2 G2 F2 E2 D2", 4, 70),
          new Piece(InstrumentType.VIOLIN, "E4 G4 A4 C5 E5 A5 C6 B5 A5 E5 D5 A4", 8, 72));

  private static Fingering of(Piece p, Preset preset) {
    FingeringTask task =
        Exercises.task(
            p.type(), Exercises.line(p.notes(), Fraction.of(1, p.denominator())), p.quarters());
    return new FingeringSolver(task.withPreset(preset)).best();
  }

  private static double quantity(Preset preset, EffortKind kind) {
    double sum = 0;
    for (Piece p : PIECES) {
      sum +=
          of(p, preset).explanation().shares().stream()
              .filter(s -> s.id().equals(kind.id()))
              .mapToDouble(Explanation.Share::quantity)
              .sum();
    }
    return sum;
  }

  private static int shifts(Preset preset) {
    return PIECES.stream().mapToInt(p -> of(p, preset).shifts().size()).sum();
  }

  @ParameterizedTest
  @ValueSource(strings = {"singing", "quick", "powerful", "gentle", "hidden"})
  void eachDiffersFromTheDefaultInHalfOfThem(String id) {
    List<String> unlike = new ArrayList<>();
    for (Piece p : PIECES) {
      Fingering sure = of(p, Preset.SURE);
      Fingering other = of(p, Preset.named(id).orElseThrow());
      if (sure.notesUnlike(other) > 0) {
        unlike.add(p.notes());
      }
    }
    assertThat(unlike).as(id).hasSizeGreaterThanOrEqualTo(5);
  }

  @Test
  void theSingingLineCrossesLess() {
    assertThat(quantity(Preset.SINGING, EffortKind.CROSSING))
        .isLessThan(quantity(Preset.SURE, EffortKind.CROSSING));
  }

  @Test
  void theQuickHandShiftsLess() {
    assertThat(shifts(Preset.QUICK)).isLessThanOrEqualTo(shifts(Preset.SURE));
    assertThat(quantity(Preset.QUICK, EffortKind.WEAK_PAIR))
        .isLessThanOrEqualTo(quantity(Preset.SURE, EffortKind.WEAK_PAIR));
  }

  @Test
  void theGentleHandSparesTheFourthFingerAndStretches() {
    assertThat(quantity(Preset.GENTLE, EffortKind.FOURTH))
        .isLessThan(quantity(Preset.SURE, EffortKind.FOURTH));
    assertThat(quantity(Preset.GENTLE, EffortKind.STRETCH))
        .isLessThanOrEqualTo(quantity(Preset.SURE, EffortKind.STRETCH));
  }

  @Test
  void hiddenShiftsAreHeardLess() {
    assertThat(quantity(Preset.HIDDEN, EffortKind.UNCOVERED))
        .isLessThan(quantity(Preset.SURE, EffortKind.UNCOVERED));
  }

  @Test
  void theBigSoundLeavesNoLongNoteOpen() {
    assertThat(quantity(Preset.POWERFUL, EffortKind.OPEN_LONG))
        .isLessThan(quantity(Preset.SURE, EffortKind.OPEN_LONG));
  }
}
