package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Way;
import fret.mark.Strand;
import fret.score.Score;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** A pedal on the open D string with a line over it, and three strings gone over in turn. */
class StrandsTest {
  private static final String PEDAL = "F#5 D4 G5 D4 A5 D4 G5 D4";
  private static final String CHORDS = "G3 D4 B4 D4 G3 E4 C5 E4";

  private static String told(Map<Integer, Strand> lines) {
    return lines.values().stream().map(x -> x.name().substring(0, 1)).collect(Collectors.joining());
  }

  @Test
  void aNoteThatIsComeBackToIsThePedalAndTheRestLiesOverIt() {
    assertThat(told(Strands.proposed(Lines.session(PEDAL)))).isEqualTo("UPUPUPUP");
  }

  @Test
  void withoutAPedalTheOuterStringsHaveTheLines() {
    Map<Integer, Strand> lines = Strands.proposed(Lines.session(CHORDS));
    assertThat(lines.get(0)).isEqualTo(Strand.LOWER);
    assertThat(lines.get(4)).isEqualTo(Strand.LOWER);
    assertThat(lines.get(2)).isEqualTo(Strand.UPPER);
    assertThat(lines.get(6)).isEqualTo(Strand.UPPER);
    assertThat(lines).doesNotContainKey(1);
  }

  /** Of a broken chord too a line is practised by itself, though nothing is marked. */
  @Test
  void aLineByItselfIsThatOfTheBrokenChord() {
    Session s = Lines.session(CHORDS + " " + CHORDS);
    Chunk bars = Learning.chunks(s).get(0);
    assertThat(new ChunkDecisions(s).hasLines(bars)).isTrue();
    Session own = Lines.after(s, new ChunkDecisions(s).layer(bars.id(), Way.LOWER).orElseThrow());
    Chunk lower =
        Learning.chunks(own).stream().filter(c -> c.way() == Way.LOWER).findFirst().orElseThrow();
    List<String> heard =
        new DrillBook(own)
            .of(lower, DrillKind.STRAIGHT).orElseThrow().whole().events().stream()
                .filter(e -> !e.isRest())
                .map(e -> e.heads().get(0).pitch().toString())
                .toList();
    assertThat(heard).isNotEmpty().containsOnly("G3");
    Session scale = Lines.session("C4 D4 E4 F4 G4 A4 B4 C5");
    assertThat(new ChunkDecisions(scale).hasLines(Learning.chunks(scale).get(0))).isFalse();
  }

  @Test
  void aScaleHasNoLines() {
    assertThat(Strands.proposed(Lines.session("C4 D4 E4 F4 G4 A4 B4 C5"))).isEmpty();
  }

  @Test
  void whatThePlayerMarkedStaysWhenTheRestIsTold() {
    Session s = Lines.session(PEDAL);
    s = Lines.after(s, Strands.mark(s, 2, 2, Optional.of(Strand.LOWER)));
    s = Lines.after(s, Strands.propose(s));
    assertThat(told(Strands.of(s))).isEqualTo("UPLPUPUP");
    s = Lines.after(s, Strands.mark(s, 0, 7, Optional.empty()));
    assertThat(Strands.of(s)).isEmpty();
  }

  /** The pedal a level and a half softer: the bow gives it less, the notes around it the same. */
  @Test
  void aLinesLoudnessCountsInTheLineAndInTheBow() {
    Session even = Lines.session(PEDAL);
    even = Lines.after(even, Strands.propose(even));
    Session soft = Lines.after(even, Strands.level(even, Strand.PEDAL, -1.5));
    for (int m = 0; m < 8; m++) {
      double off = m % 2 == 1 ? -1.5 : 0;
      double before = even.bowing().moments().get(m).fromLevel();
      assertThat(soft.bowing().moments().get(m).fromLevel()).isCloseTo(before + off, within(1e-9));
      assertThat(soft.bowing().moments().get(m).toLevel())
          .isCloseTo(even.bowing().moments().get(m).toLevel() + off, within(1e-9));
    }
    double pedal = cm(soft, 3);
    assertThat(pedal).isLessThan(cm(soft, 2));
    assertThat(pedal).isLessThan(cm(even, 3));
    assertThat(Lines.after(soft, Strands.level(soft, Strand.PEDAL, 0)).bowing())
        .isEqualTo(even.bowing());
  }

  private static double cm(Session s, int moment) {
    var note = s.bowing().strokeAt(moment).orElseThrow().at(moment);
    return Math.abs(note.toCm() - note.fromCm());
  }

  @Test
  void eachLineIsPractisedWithRestsInPlaceOfTheOthers() {
    Session s = Lines.session(PEDAL);
    s = Lines.after(s, Strands.propose(s));
    Drill d = new DrillBook(s).of(Learning.chunks(s).get(0), DrillKind.STRANDS).orElseThrow();
    assertThat(d.parts()).hasSize(2);
    assertThat(notes(d.parts().get(0))).isEqualTo("- D4 - D4 - D4 - D4");
    assertThat(notes(d.parts().get(1))).isEqualTo("F#5 - G5 - A5 - G5 -");
  }

  private static String notes(Score part) {
    return part.bars().stream()
        .flatMap(b -> b.events().stream())
        .map(e -> e.isRest() ? "-" : e.heads().get(0).pitch().toString())
        .collect(Collectors.joining(" "));
  }

  @Test
  void theNeighboursOfALineAreThoseOfItsOwn() {
    Session s = Lines.session(PEDAL);
    s = Lines.after(s, Strands.propose(s));
    assertThat(Strands.neighbour(s, 2, -1)).hasValue(0);
    assertThat(Strands.neighbour(s, 2, 1)).hasValue(4);
    assertThat(Strands.neighbour(s, 0, -1)).isEmpty();
    assertThat(List.of(Strand.values())).hasSize(3);
  }
}
