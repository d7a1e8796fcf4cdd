package fret.format.musicxml;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Outcome;
import fret.base.Problem;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Slurs that a file leaves open. */
class SlurEndsTest {
  /** Bars of two halves; "(" starts a slur on the first, ")" ends one on the second, "-" rests. */
  private static Score part(String... bars) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    Fraction half = Fraction.of(1, 2);
    for (String b : bars) {
      if (b.equals("-")) {
        line.add(Fraction.ONE);
        continue;
      }
      List<Head> note = List.of(Head.of(Pitch.parse("G4")));
      List<Integer> one = List.of(1);
      line.add(half, note, Signs.PLAIN.withSlurs(b.contains("(") ? one : List.of(), List.of()));
      line.add(half, note, Signs.PLAIN.withSlurs(List.of(), b.contains(")") ? one : List.of()));
    }
    return line.build("", Interval.UNISON);
  }

  /** Bars in which slurs end. */
  private static List<Integer> ends(Score score) {
    List<Integer> all = new ArrayList<>();
    score
        .bars()
        .forEach(
            b -> {
              for (Event e : b.events()) {
                e.signs().slurStops().forEach(n -> all.add(b.index() + 1));
              }
            });
    return all;
  }

  @Test
  void whatIsEndedStays() {
    Score part = part("(.)", "(.", ".)", ".");
    assertThat(SlurEnds.of(part)).isEqualTo(new Outcome<>(part, List.of()));
  }

  @Test
  void anOpenOneEndsAtTheNextOfItsNumber() {
    Outcome<Score> ended = SlurEnds.of(part("(.", ".", "(.)", "."));
    assertThat(ends(ended.value())).containsExactly(2, 3);
    assertThat(ended.problems()).extracting(Problem::bar).containsExactly("1");
  }

  @Test
  void orBeforeARestOfABar() {
    assertThat(ends(SlurEnds.of(part("(.", ".", "-", ".")).value())).containsExactly(2);
  }

  /** Once such a slur swallowed the rest of a movement. */
  @Test
  void orAfterEightBars() {
    String[] bars = new String[17];
    java.util.Arrays.fill(bars, ".");
    bars[0] = "(.";
    assertThat(ends(SlurEnds.of(part(bars)).value())).containsExactly(8);
  }
}
