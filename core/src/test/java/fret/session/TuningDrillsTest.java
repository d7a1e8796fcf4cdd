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
import java.util.Optional;
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

  private static List<Integer> widths(Score part) {
    return part.bars().stream()
        .flatMap(b -> b.events().stream())
        .filter(e -> e.heads().size() == 2)
        .map(e -> e.heads().get(1).pitch().midi() - e.heads().get(0).pitch().midi())
        .toList();
  }

  private static Optional<Drill> drill(Session s, DrillKind kind) {
    return new DrillBook(s).of(Learning.chunks(s).get(0), kind);
  }

  @Test
  void theScaleOverTheDroneComesWithoutVibratoAndThenWith() {
    Drill d =
        drill(Lines.session("C4 D4 E4 F4 G4 A4 B4 C5"), DrillKind.SCALE_ON_DRONE).orElseThrow();
    assertThat(d.parts()).hasSize(2);
    assertThat(d.parts())
        .extracting(p -> p.bars().get(0).directions().get(0).text())
        .containsExactly("non vibrato", "vibrato");
    assertThat(d.parts().get(0).bars().get(0).events().get(0).heads().get(0).pitch())
        .hasToString("C4");
  }

  /** In C major on the violin no third stands on C4: the ladder begins where a hand can play it. */
  @Test
  void intervalsGoUpTheScaleWhereTheyCanBePlayed() {
    Session s = Lines.session("C4 D4 E4 F4 G4 A4 B4 C5");
    List<Score> parts = drill(s, DrillKind.INTERVALS).orElseThrow().parts();
    assertThat(parts).hasSize(3);
    assertThat(widths(parts.get(0))).hasSize(8).allMatch(w -> w == 3 || w == 4);
    assertThat(widths(parts.get(1))).hasSize(8).allMatch(w -> w == 8 || w == 9);
    assertThat(widths(parts.get(2))).hasSize(8).allMatch(w -> w == 12);
    for (Score part : parts) {
      assertThat(Session.of(Lines.passage(), part).fingering().problems()).isEmpty();
    }
  }

  @Test
  void aHandThatIsSparedPlaysNoTenths() {
    Session s = Lines.session("C4 D4 E4 F4 G4 A4 B4 C5");
    Drill tenths = drill(s, DrillKind.TENTHS).orElseThrow();
    assertThat(widths(tenths.parts().get(0))).hasSize(8).allMatch(w -> w == 15 || w == 16);
    Setup setup = s.passage().settings().setup();
    Setup spared = setup.withHand(setup.hand().withFourthCaution(true), setup.school());
    Passage other = s.passage().withSettings(s.passage().settings().withSetup(spared));
    Session careful = Session.of(other, s.page());
    assertThat(drill(careful, DrillKind.TENTHS)).isEmpty();
    assertThat(DrillKind.TENTHS.stretches()).isTrue();
  }

  /** Up to D4 on the top string of the cello: the open D two octaves under it answers. */
  @Test
  void theShiftIsFollowedByItsCheck() {
    Session s = session("A3 B3 C4 D4 E4 D4 C4 B3");
    Optional<Drill> made = drill(s, DrillKind.SHIFT_TO_CHECK);
    assertThat(made).isPresent();
    List<Event> events =
        made.get().parts().get(0).bars().stream().flatMap(b -> b.events().stream()).toList();
    assertThat(events.get(0).signs().slurStarts()).isNotEmpty();
    String check = sounds(events.get(2));
    assertThat(List.of("A3", "D3", "G2", "C2")).contains(check);
    assertThat(sounds(events.get(3))).startsWith(sounds(events.get(1)).substring(0, 1));
  }
}
