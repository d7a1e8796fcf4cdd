package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chords that the bow throws over the strings have a string for each note. */
class BouncingTest {
  /** Sixteenths, four under each slur. */
  private static ResolvedPassage thrown(String notes, boolean dotted) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] words = notes.split(" ");
    Set<Signs.Articulation> dots = dotted ? EnumSet.of(Signs.Articulation.STACCATO) : Set.of();
    for (int i = 0; i < words.length; i++) {
      Signs signs =
          Signs.PLAIN
              .withSlurs(i % 4 == 0 ? List.of(1) : List.of(), i % 4 == 3 ? List.of(1) : List.of())
              .withArticulations(dots);
      line.add(Fraction.of(1, 16), List.of(Head.of(Pitch.parse(words[i]))), signs);
    }
    return Resolver.resolve(line.build("thrown", Interval.UNISON));
  }

  private static long onOneString(InstrumentType type, ResolvedPassage p, double quarters) {
    Fingering f = new FingeringSolver(Exercises.task(type, p, quarters)).best();
    long count = 0;
    for (int i = 1; i < f.notes().size(); i++) {
      boolean same =
          f.notes().get(i).orElseThrow().string() == f.notes().get(i - 1).orElseThrow().string();
      count += i % 4 > 0 && same ? 1 : 0;
    }
    return count;
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // open strings would leave two notes on one string
        "VIOLIN | E4 A4 C#5 E5 E4 A4 C#5 E5 E4 A4 C#5 E5 E4 A4 C#5 E5",
        "VIOLIN | G3 E4 C5 G5 G3 E4 C5 G5 G3 D4 B4 G5 G3 D4 B4 G5",
        "VIOLIN | G3 F4 D5 A5 G3 F4 D5 A5 G3 E4 C#5 A5 G3 E4 C#5 A5",
        "VIOLA  | C3 A3 F4 C5 C3 A3 F4 C5 C3 G3 E4 C5 C3 G3 E4 C5",
        "CELLO  | C2 A2 F3 C4 C2 A2 F3 C4 C2 G2 E3 C4 C2 G2 E3 C4"
      })
  void aThrownChordHasAStringForEachNote(InstrumentType type, String notes) {
    assertThat(onOneString(type, thrown(notes, true), 120)).isZero();
  }

  @Test
  void onlyQuickDottedLeapsUnderASlurAreThrown() {
    ResolvedPassage dotted = thrown("G3 E4 C5 G5 A5 B5 C6 D6", true);
    double[] quick = new double[8];
    Arrays.fill(quick, 0.12);
    assertThat(Bouncing.of(dotted, quick))
        .containsExactly(false, true, true, true, false, false, false, false);
    double[] slow = new double[8];
    Arrays.fill(slow, 0.3);
    assertThat(Bouncing.of(dotted, slow)).containsOnly(false);
    assertThat(Bouncing.of(thrown("G3 E4 C5 G5 A5 B5 C6 D6", false), quick)).containsOnly(false);
  }
}
