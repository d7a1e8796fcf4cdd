package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
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

  @Test
  void anyNotesCanBeRunThrough() {
    assertThat(bars(session(), 16, 31, false)).isEqualTo("D5 E5");
    assertThat(bars(session(), 0, 15, true)).isEqualTo("B4 C5 B4");
    assertThat(Runs.id(session().resolved(), new NoteRange(16, 31))).isEqualTo("run-3-4");
  }
}
