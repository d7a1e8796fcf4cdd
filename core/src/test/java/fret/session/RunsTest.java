package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.drill.DrillKind;
import fret.passage.PracticeSetup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.LineBuilder;
import fret.score.LongRests;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.LadderKind;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** A stretch is run through with its repeats, or once by the last ending. */
class RunsTest {
  private static final String NOTES =
      "B4 B4 B4 B4 B4 B4 B4 B4 C5 C5 C5 C5 C5 C5 C5 C5 D5 D5 D5 D5 D5 D5 D5 D5 E5 E5 E5 E5 E5 E5 E5 E5";

  private static Session session() {
    Score page = Lines.page(NOTES);
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, bars.get(0).withRepeats(true, false, List.of()));
    bars.set(1, bars.get(1).withRepeats(false, true, List.of(1)));
    bars.set(2, bars.get(2).withRepeats(false, false, List.of(2)));
    return Session.of(Lines.passage(), page.withBars(bars));
  }

  private static String bars(Session s, int from, int to, boolean repeats) {
    return Runs.of(s, new NoteRange(from, to), repeats).parts().get(0).bars().stream()
        .map(b -> b.events().get(0).heads().get(0).pitch().toString())
        .collect(Collectors.joining(" "));
  }

  @Test
  void repeatsArePlayedAsTheSignsAsk() {
    assertThat(bars(session(), 0, 31, true)).isEqualTo("B4 C5 B4 D5 E5");
    assertThat(bars(session(), 0, 31, false)).isEqualTo("B4 D5 E5");
  }

  /** Two bars, three of rest, one bar, one of rest, one bar. */
  private static Session withRests() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String bar : List.of("C5", "D5", "", "", "", "E5", "", "F5")) {
      for (int q = 0; q < 4; q++) {
        Fraction quarter = Fraction.of(1, 4);
        if (bar.isEmpty()) {
          line.add(quarter);
        } else {
          line.add(quarter, Pitch.parse(bar));
        }
      }
    }
    return Session.of(Lines.passage(), line.build("rests", Interval.UNISON));
  }

  private static List<String> numbers(Score score) {
    return score.bars().stream().map(Bar::number).toList();
  }

  @Test
  void longRestsAreCutToOneBarInRunPlanAndTakesWhereThatIsAskedFor() {
    Session s = withRests();
    assertThat(LongRests.areIn(s.score())).isTrue();
    assertThat(numbers(new DrillBook(s).ofPassage(DrillKind.MOCK).orElseThrow().parts().get(0)))
        .hasSize(8);
    assertThat(Learning.of(s, LadderKind.EVEN, 0).sections().get(0).wholeNotes()).isEqualTo(8);
    double whole = Ear.expected(s, Ear.harmony(s, List.of())).lengthMs();
    Session cut = Lines.after(s, Decisions.practice(s, PracticeSetup.USUAL.withRestsCut(true)));
    List<String> left = List.of("1", "2", "5", "6", "7", "8");
    for (DrillKind kind : List.of(DrillKind.RUN_THROUGH, DrillKind.MOCK, DrillKind.FIRST_READING)) {
      Score run = new DrillBook(cut).ofPassage(kind).orElseThrow().parts().get(0);
      assertThat(numbers(run)).isEqualTo(left);
      assertThat(run.end().subtract(run.bars().get(0).start())).isEqualTo(Fraction.of(6));
    }
    assertThat(numbers(Runs.of(cut, new NoteRange(4, 11), true).parts().get(0)))
        .isEqualTo(List.of("2", "5", "6"));
    assertThat(Learning.of(cut, LadderKind.EVEN, 0).sections().get(0).wholeNotes()).isEqualTo(6);
    double less = Ear.expected(cut, Ear.harmony(cut, List.of())).lengthMs();
    assertThat(whole - less).isCloseTo(2 * 3000, within(1e-6));
  }

  @Test
  void anyNotesCanBeRunThrough() {
    assertThat(bars(session(), 16, 31, false)).isEqualTo("D5 E5");
    assertThat(bars(session(), 0, 15, true)).isEqualTo("B4 C5 B4");
    assertThat(Runs.id(session().resolved(), new NoteRange(16, 31))).isEqualTo("run-3-4");
  }
}
