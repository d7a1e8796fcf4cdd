package fret.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class LoudnessLineTest {
  private static final Fraction HALF = Fraction.of(1, 2);

  private static Score score(Direction... directions) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 4; i++) {
      line.add(Fraction.ONE, Pitch.parse("A4"));
    }
    Score plain = line.build("x", Interval.UNISON);
    return plain.withBars(
        plain.bars().stream()
            .map(
                b ->
                    new Bar(
                        b.index(),
                        b.number(),
                        b.start(),
                        b.length(),
                        b.time(),
                        b.key(),
                        b.clef(),
                        List.of(),
                        b.events(),
                        java.util.Arrays.stream(directions)
                            .filter(d -> d.onset().compareTo(b.start()) >= 0)
                            .filter(d -> d.onset().compareTo(b.end()) < 0)
                            .toList(),
                        false,
                        false,
                        List.of(),
                        b.line()))
            .toList());
  }

  private static Direction at(double onset, Direction.Kind kind, String text) {
    return new Direction(Fraction.from(onset, 64), kind, text, 0);
  }

  @Test
  void nothingPrintedIsMezzoForte() {
    assertThat(LoudnessLine.of(score()).levelAt(HALF)).isEqualTo(LoudnessLine.MEZZO_FORTE);
  }

  @Test
  void aHairpinClimbsEvenlyToTheDynamicAtItsEnd() {
    LoudnessLine line =
        LoudnessLine.of(
            score(
                at(0, Direction.Kind.DYNAMIC, "p"),
                at(0, Direction.Kind.CRESCENDO, ""),
                at(2, Direction.Kind.HAIRPIN_END, ""),
                at(2, Direction.Kind.DYNAMIC, "f")));
    assertThat(line.levelAt(Fraction.ZERO)).isCloseTo(2, within(1e-9));
    assertThat(line.levelAt(Fraction.ONE)).isCloseTo(3.5, within(1e-9));
    assertThat(line.levelAt(Fraction.of(2))).isCloseTo(5, within(1e-9));
    assertThat(line.levelBefore(Fraction.of(2))).isCloseTo(5, within(1e-9));
    assertThat(line.levelAt(Fraction.of(3))).isCloseTo(5, within(1e-9));
  }

  @Test
  void aHairpinThatLeadsNowhereIsALevel() {
    LoudnessLine line =
        LoudnessLine.of(
            score(
                at(0, Direction.Kind.DYNAMIC, "f"),
                at(1, Direction.Kind.DIMINUENDO, ""),
                at(2, Direction.Kind.HAIRPIN_END, "")));
    assertThat(line.levelAt(Fraction.of(3))).isCloseTo(4, within(1e-9));
    assertThat(LoudnessLine.word(line.levelAt(Fraction.of(3)))).isEqualTo("mf");
  }

  @Test
  void thePlayersOwnStandsOverThePrinted() {
    Score printed = score(at(0, Direction.Kind.DYNAMIC, "f"), at(2, Direction.Kind.DYNAMIC, "p"));
    LoudnessLine line =
        LoudnessLine.of(printed, new OwnLine(Map.of(Fraction.ONE, 6.0), List.of(), false));
    assertThat(line.levelAt(HALF)).isEqualTo(5);
    assertThat(line.levelAt(Fraction.ONE)).isEqualTo(6);
    assertThat(line.levelAt(Fraction.of(2))).isEqualTo(2);
    assertThat(LoudnessLine.level("fp")).isEqualTo(LoudnessLine.PIANO);
    assertThat(LoudnessLine.level("sfz")).isEqualTo(-1);
  }

  /** An own hairpin, within a bar too, stands in place of the printed ones that begin in it. */
  @Test
  void anOwnHairpinStandsOverThePrinted() {
    Score printed =
        score(
            at(0, Direction.Kind.DYNAMIC, "p"),
            at(0.25, Direction.Kind.DIMINUENDO, ""),
            at(0.5, Direction.Kind.HAIRPIN_END, ""));
    OwnLine own =
        new OwnLine(
            Map.of(), List.of(new OwnLine.Hairpin(Fraction.ZERO, Fraction.ONE, true)), false);
    LoudnessLine line = LoudnessLine.of(printed, own);
    assertThat(line.levelAt(Fraction.ZERO)).isCloseTo(2, within(1e-9));
    assertThat(line.levelAt(HALF)).isCloseTo(2.5, within(1e-9));
    assertThat(line.levelBefore(Fraction.ONE)).isCloseTo(3, within(1e-9));
    assertThat(OwnLevels.on(printed, own).bars().get(0).directions())
        .extracting(Direction::kind)
        .containsExactly(Direction.Kind.DYNAMIC, Direction.Kind.CRESCENDO);
    assertThat(OwnLevels.on(printed, OwnLine.NONE)).isSameAs(printed);
  }

  /** The other reading of alike hairpins in a row: each goes on from the one before. */
  @Test
  void alikeHairpinsMayGoOn() {
    Score printed =
        score(
            at(0, Direction.Kind.CRESCENDO, ""),
            at(0.75, Direction.Kind.HAIRPIN_END, ""),
            at(1, Direction.Kind.CRESCENDO, ""),
            at(1.75, Direction.Kind.HAIRPIN_END, ""));
    OwnLine onward = new OwnLine(Map.of(), List.of(), true);
    assertThat(LoudnessLine.of(printed).levelAt(Fraction.of(2))).isCloseTo(5, within(1e-9));
    assertThat(LoudnessLine.of(printed, onward).levelAt(Fraction.of(2))).isCloseTo(6, within(1e-9));
  }

  /** A note that stands out of the line is so from its onset to the next one's, and no further. */
  @Test
  void notesMayStandOverOrUnderTheLine() {
    LoudnessLine line = LoudnessLine.of(score());
    Fraction quarter = Fraction.of(1, 4);
    LoudnessLine soft =
        line.offset(
            java.util.Map.of(Fraction.ZERO, 0.0, quarter, -1.5, HALF, 0.0, Fraction.of(3, 4), 9.0));
    assertThat(soft.levelAt(Fraction.ZERO)).isEqualTo(line.levelAt(Fraction.ZERO));
    assertThat(soft.levelBefore(quarter)).isEqualTo(line.levelBefore(quarter));
    assertThat(soft.levelAt(quarter)).isEqualTo(line.levelAt(quarter) - 1.5);
    assertThat(soft.levelBefore(HALF)).isEqualTo(line.levelBefore(HALF) - 1.5);
    assertThat(soft.levelAt(HALF)).isEqualTo(line.levelAt(HALF));
    assertThat(soft.levelAt(Fraction.of(3, 4))).isEqualTo(LoudnessLine.WORDS.size() - 1);
    assertThat(soft.shaped(LineShape.NONE).levelAt(quarter)).isEqualTo(soft.levelAt(quarter));
  }

  /** Four alike slurs with a hairpin each were once mf, f, ff, fff and stayed fff. */
  @Test
  void alikeHairpinsInARowBeginAgain() {
    for (Direction.Kind kind : List.of(Direction.Kind.CRESCENDO, Direction.Kind.DIMINUENDO)) {
      int way = kind == Direction.Kind.CRESCENDO ? 1 : -1;
      LoudnessLine line =
          LoudnessLine.of(
              score(
                  at(0, kind, ""),
                  at(0.75, Direction.Kind.HAIRPIN_END, ""),
                  at(1, kind, ""),
                  at(1.75, Direction.Kind.HAIRPIN_END, ""),
                  at(2, kind, ""),
                  at(2.75, Direction.Kind.HAIRPIN_END, ""),
                  at(3, kind, ""),
                  at(3.75, Direction.Kind.HAIRPIN_END, "")));
      for (int bar = 0; bar < 4; bar++) {
        assertThat(line.levelAt(Fraction.of(bar))).as("bar %d", bar).isEqualTo(4);
        assertThat(line.levelBefore(Fraction.of(4 * bar + 3, 4)))
            .as("end of bar %d", bar)
            .isCloseTo(4 + way, within(1e-9));
      }
    }
  }

  /** The last of a row reaches the mark that it leads into. */
  @Test
  void theLastOfARowReachesItsMark() {
    LoudnessLine line =
        LoudnessLine.of(
            score(
                at(0, Direction.Kind.DYNAMIC, "p"),
                at(0, Direction.Kind.CRESCENDO, ""),
                at(0.75, Direction.Kind.HAIRPIN_END, ""),
                at(1, Direction.Kind.CRESCENDO, ""),
                at(1.75, Direction.Kind.HAIRPIN_END, ""),
                at(2, Direction.Kind.DYNAMIC, "ff")));
    assertThat(line.levelAt(Fraction.ONE)).isEqualTo(2);
    assertThat(line.levelBefore(Fraction.of(7, 4))).isCloseTo(6, within(1e-9));
  }

  /** Up and down again ends where it began; a longer one goes on from what was reached. */
  @Test
  void aSwellReturnsAndALongerHairpinGoesOn() {
    LoudnessLine swell =
        LoudnessLine.of(
            score(
                at(0, Direction.Kind.DYNAMIC, "p"),
                at(0, Direction.Kind.CRESCENDO, ""),
                at(0.5, Direction.Kind.HAIRPIN_END, ""),
                at(0.5, Direction.Kind.DIMINUENDO, ""),
                at(1, Direction.Kind.HAIRPIN_END, "")));
    assertThat(swell.levelAt(HALF)).isEqualTo(3);
    assertThat(swell.levelAt(Fraction.of(3, 2))).isEqualTo(2);
    LoudnessLine longer =
        LoudnessLine.of(
            score(
                at(0, Direction.Kind.DYNAMIC, "p"),
                at(0, Direction.Kind.CRESCENDO, ""),
                at(0.5, Direction.Kind.HAIRPIN_END, ""),
                at(1, Direction.Kind.CRESCENDO, ""),
                at(3, Direction.Kind.HAIRPIN_END, "")));
    assertThat(longer.levelAt(Fraction.ONE)).isEqualTo(3);
    assertThat(longer.levelAt(Fraction.of(3))).isEqualTo(4);
  }
}
