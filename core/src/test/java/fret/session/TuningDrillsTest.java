package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class TuningDrillsTest {
  private static Session session(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    for (String word : notes.split(" ")) {
      line.add(
          Fraction.of(1, 4),
          Arrays.stream(word.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
    }
    Score score = line.build("line", Interval.UNISON);
    Passage passage =
        NewPassage.of(
            "line", "", score, fret.passage.Reading.PLAIN, Setup.usual(InstrumentType.CELLO));
    return Session.of(passage, score);
  }

  private static String sounds(Session s, DrillKind kind) {
    Chunk chunk = Learning.chunks(s).get(0);
    Drill drill = new DrillBook(s).of(chunk, kind).orElseThrow();
    return drill.parts().stream()
        .flatMap(p -> p.bars().stream())
        .flatMap(b -> b.events().stream())
        .filter(e -> !e.isRest())
        .map(TuningDrillsTest::sounds)
        .collect(Collectors.joining(" "));
  }

  private static String sounds(Event e) {
    return e.heads().stream().map(h -> h.pitch().toString()).collect(Collectors.joining("+"));
  }

  /** E3 and B3 over the strings below and above; open strings are what others are tuned to. */
  @Test
  void eachNoteIsHeardWithItsCheck() {
    String checks = sounds(session("D3 E3 A3 B3"), DrillKind.CHECKS);
    assertThat(checks).isEqualTo("E3 A3 E3+A3 B3 D3 D3+B3");
  }

  @Test
  void neighboursAreHeldTogether() {
    assertThat(sounds(session("D3 B3 E3 C4"), DrillKind.NEIGHBOURS)).contains("D3 B3 D3+B3");
  }

  /** A2, E3, C4: the fifth first, then the third joins it. */
  @Test
  void aChordIsBuiltInItsOrder() {
    assertThat(sounds(session("A2+E3+C4 D3 E3 F3"), DrillKind.CHORD_BUILD))
        .isEqualTo("A2 E3 A2+E3 C4 A2+E3+C4");
  }

  @Test
  void withoutChordsThereIsNothingToBuild() {
    Session s = session("D3 E3 F3 G3");
    Chunk chunk = Learning.chunks(s).get(0);
    assertThat(new DrillBook(s).of(chunk, DrillKind.CHORD_BUILD))
        .isEqualTo(java.util.Optional.empty());
    assertThat(List.of(DrillKind.values())).contains(DrillKind.NEIGHBOURS);
  }
}
