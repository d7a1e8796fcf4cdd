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
  }

  @Test
  void aMarkAloneGoesUpToTheNextAndBarsAreCountedFromMarks() {
    assertThat(of("A")).contains(new NoteRange(8, 23));
    assertThat(of("B")).contains(new NoteRange(24, 31));
    assertThat(of("letter a")).contains(new NoteRange(8, 23));
    assertThat(of("from A to B")).contains(new NoteRange(8, 23));
    assertThat(of("2 before B")).contains(new NoteRange(8, 23));
    assertThat(of("1 after A - B")).contains(new NoteRange(16, 23));
    assertThat(of("bar 2 to 3")).contains(new NoteRange(8, 23));
    assertThat(of("9 before B")).isEmpty();
  }

  /** Four bars, figure 3 over bar 2: a 3 may be either. */
  @Test
  void aNumberThatIsABarAndAFigureIsInDoubt() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 32; i++) {
      if (i == 8 || i == 24) {
        line.say(Direction.Kind.REHEARSAL, i == 8 ? "3" : "4");
      }
      line.add(Fraction.of(1, 8), Pitch.parse("A4"));
    }
    ResolvedPassage passage = Resolver.resolve(line.build("x", Interval.UNISON));
    assertThat(NoteRange.of("3", passage)).isEmpty();
    assertThat(NoteRange.isInDoubt("3", passage)).isTrue();
    assertThat(NoteRange.isInDoubt("from 3 to 4", passage)).isTrue();
    assertThat(NoteRange.of("figure 3", passage)).contains(new NoteRange(8, 23));
    assertThat(NoteRange.of("bar 3", passage)).contains(new NoteRange(16, 23));
    assertThat(NoteRange.of("2", passage)).contains(new NoteRange(8, 15));
  }
}
