package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.TimeSignature;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class NoteRangeTest {
  /** Four bars of eighths, A over bar 2 and B over bar 4. */
  private static ResolvedPassage passage() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 32; i++) {
      if (i == 8 || i == 24) {
        line.say(Direction.Kind.REHEARSAL, i == 8 ? "A" : "B");
      }
      line.add(Fraction.of(1, 8), Pitch.parse("A4"));
    }
    return Resolver.resolve(line.build("x", Interval.UNISON));
  }

  private static Optional<NoteRange> of(String text) {
    return NoteRange.of(text, passage());
  }

  @Test
  void barsBeatsAndRehearsalMarksNameNotes() {
    assertThat(of("2")).contains(new NoteRange(8, 15));
    assertThat(of("2-3")).contains(new NoteRange(8, 23));
    assertThat(of(" 2.3 - 3.1 ")).contains(new NoteRange(12, 17));
    assertThat(of("1.4-2")).contains(new NoteRange(6, 15));
    assertThat(of("A-B")).contains(new NoteRange(8, 23));
    assertThat(of("a-4")).contains(new NoteRange(8, 31));
  }

  @Test
  void whatNamesNothingIsRefused() {
    assertThat(of("9")).isEmpty();
    assertThat(of("3-2")).isEmpty();
    assertThat(of("2.0")).isEmpty();
    assertThat(of("C-D")).isEmpty();
    assertThat(of("")).isEmpty();
    assertThat(of("A")).as("a mark alone has no end").isEmpty();
  }
}
