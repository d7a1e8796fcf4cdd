package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.Wish;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Where a word for a string ends; common practice, no source. */
class PrintedWishEndsTest {
  private final List<Bar> bars = new ArrayList<>();

  /** Bars of quarters on the violin, "sul D" over the first. */
  private List<Wish> wishes(String... notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String bar : notes) {
      for (String n : bar.split(" ")) {
        if (n.equals("-")) {
          line.add(Fraction.of(1, 4));
        } else {
          line.add(Fraction.of(1, 4), Pitch.parse(n));
        }
      }
    }
    bars.addAll(line.build("", Interval.UNISON).bars());
    say(0, Direction.Kind.WORDS, "sul D");
    return found();
  }

  private void say(int bar, Direction.Kind kind, String text) {
    List<Direction> all = new ArrayList<>(bars.get(bar).directions());
    all.add(new Direction(bars.get(bar).start(), kind, text, 0));
    bars.set(bar, bars.get(bar).withDirections(all));
  }

  private List<Wish> found() {
    Score score = new Score("", "", "", Interval.UNISON, bars);
    return PrintedWishes.of(Resolver.resolve(score), Instrument.standard(InstrumentType.VIOLIN));
  }

  private int lastBar(List<Wish> wishes) {
    assertThat(wishes).hasSize(1);
    return wishes.get(0).to().barIndex();
  }

  @Test
  void aShortRestDoesNotEndIt() {
    assertThat(lastBar(wishes("E4 F4 - G4", "A4 B4 A4 G4"))).isEqualTo(1);
  }

  @Test
  void aRestOfABarDoes() {
    assertThat(lastBar(wishes("E4 F4 G4 A4", "- - - -", "A4 B4 A4 G4"))).isEqualTo(0);
  }

  @Test
  void aDoubleBarAndARehearsalMarkDo() {
    wishes("E4 F4 G4 A4", "A4 B4 A4 G4", "A4 B4 A4 G4");
    bars.set(1, bars.get(1).withLine(Bar.Line.DOUBLE));
    assertThat(lastBar(found())).isEqualTo(1);
    say(1, Direction.Kind.REHEARSAL, "B");
    assertThat(lastBar(found())).isEqualTo(0);
  }

  @Test
  void fourNotesThatTheStringDoesNotHaveEndIt() {
    List<Wish> wishes = wishes("E4 F4 G4 A4", "A3 B3 C4 A4", "C4 B3 A3 G3", "A4 B4 A4 G4");
    assertThat(lastBar(wishes)).as("three are in passing").isEqualTo(1);
  }
}
