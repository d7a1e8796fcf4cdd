package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import fret.mark.VibratoWish;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a line does beside its printed dynamics; levels are those of the line, 4 for mf. */
class PhraseShapeTest {
  private static List<BowMoment> moments(
      ResolvedPassage line, PhraseShape shape, Map<Integer, PhraseMark> marks) {
    LoudnessLine loud = LoudnessLine.of(line.score()).shaped(shape.of(line, marks));
    return BowMoments.of(Lines.task(InstrumentType.VIOLIN, line, 60).withLoudness(loud));
  }

  @Test
  void aSungPhraseGrowsToItsHighestNoteAndFallsToItsEnd() {
    ResolvedPassage line = Lines.of(4, 4, "A4:4 B4:4 D5:4 A4:4 | -:4 E4:4 F4:4 E4:4");
    List<BowMoment> m = moments(line, PhraseShape.SUNG, Map.of());
    assertThat(m.get(0).fromLevel()).isEqualTo(4);
    assertThat(m.get(1).fromLevel()).as("half of the way").isCloseTo(4.35, within(1e-9));
    assertThat(m.get(2).fromLevel()).isCloseTo(4.7, within(1e-9));
    assertThat(m.get(3).fromLevel()).isCloseTo(3.5, within(1e-9));
    assertThat(m.get(4).fromLevel()).as("a rest ends a phrase").isEqualTo(4);
    assertThat(m.get(5).fromLevel()).isCloseTo(4.7, within(1e-9));
  }

  /** Where a phrase ends is the player's choice: three notes are as good as four. */
  @Test
  void thePlayersTopAndEndStandOverTheRule() {
    ResolvedPassage line = Lines.of(4, 4, "A4:4 B4:4 D5:4 A4:4 | B4:4 C5:4 D5:4 A4:4");
    Map<Integer, PhraseMark> marks = Map.of(0, PhraseMark.TOP, 2, PhraseMark.END);
    List<BowMoment> m = moments(line, PhraseShape.SUNG, marks);
    assertThat(m.get(0).fromLevel()).isCloseTo(4.7, within(1e-9));
    assertThat(m.get(2).fromLevel()).isCloseTo(3.5, within(1e-9));
    assertThat(m.get(3).fromLevel()).isEqualTo(4);
    assertThat(m.get(6).fromLevel()).isCloseTo(4.7, within(1e-9));
  }

  @Test
  void aSpokenLineLeansOnTheFirstBeatAndLightensTheUpbeat() {
    ResolvedPassage line = Lines.of(4, 4, "A4:4 B4:4 C5:4 D5:8 E5:8");
    List<BowMoment> m = moments(line, PhraseShape.SPOKEN, Map.of());
    assertThat(m.stream().map(BowMoment::fromLevel))
        .usingElementComparator((a, b) -> Math.abs(a - b) < 1e-9 ? 0 : Double.compare(a, b))
        .containsExactly(4.4, 4.0, 4.2, 4.0, 3.7);
    assertThat(m.get(0).toLevel()).as("a step, no slope").isEqualTo(m.get(0).fromLevel());
  }

  @Test
  void asPrintedNothingIsAddedAndNoLevelLeavesTheScale() {
    ResolvedPassage line = Lines.of(4, 4, "{fff} A4:4 B4:4 D5:4 A4:4");
    assertThat(PhraseShape.PRINTED.of(line, Map.of()).points()).isEmpty();
    assertThat(moments(line, PhraseShape.SUNG, Map.of()))
        .allSatisfy(m -> assertThat(m.fromLevel()).isBetween(0.0, 7.0));
  }

  private static Vibrato swing(double quarters, String words, VibratoWish wish) {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(3, 4, words), quarters);
    return Vibrato.of(BowMoments.of(task).get(0), Optional.of(wish)).orElseThrow();
  }

  /** Four pulses a beat at 60 are 4 Hz (common practice). */
  @Test
  void countedVibratoFollowsTheTempo() {
    assertThat(swing(60, "F5:2", VibratoWish.FOUR).hertz()).isCloseTo(4, within(1e-9));
    assertThat(swing(90, "F5:4.", VibratoWish.TWO).hertz()).isCloseTo(3, within(1e-9));
    assertThat(swing(60, "F5:2", VibratoWish.GROWING).growing()).isTrue();
    assertThat(swing(60, "F5:2", VibratoWish.WIDE).cents())
        .isGreaterThan(swing(60, "F5:2", VibratoWish.NARROW).cents());
  }

  @Test
  void noneTakesAwayWhatTheRuleHas() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(3, 4, "F5:2"), 60);
    BowMoment m = BowMoments.of(task).get(0);
    assertThat(Vibrato.of(m, Optional.empty())).contains(Vibrato.USUAL);
    assertThat(Vibrato.of(m, Optional.of(VibratoWish.NONE))).isEmpty();
  }
}
