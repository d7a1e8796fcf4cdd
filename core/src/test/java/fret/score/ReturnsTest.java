package fret.score;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Returns.Difference;
import fret.score.Returns.Marked;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What comes back, and what is marked otherwise there. */
class ReturnsTest {
  private static final String ONE = "A4 B4 C5 D5";
  private static final String TWO = "E5 D5 C5 B4";
  private static final String UP = "D5 E5 F5 G5";
  private static final String UP_TWO = "A5 G5 F5 E5";
  private static final String OTHER = "G4 G4 A4 G4";

  private static List<Returns> of(LineBuilder line) {
    return Returns.of(Resolver.resolve(line.build("", Interval.UNISON)));
  }

  private static LineBuilder line() {
    return new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
  }

  private static void add(LineBuilder line, Signs signs, String... bars) {
    for (String bar : bars) {
      for (String n : bar.split(" ")) {
        line.add(Fraction.of(1, 4), List.of(Head.of(Pitch.parse(n))), signs);
      }
    }
  }

  @Test
  void twoBarsThatComeBackAreListedOnce() {
    LineBuilder line = line();
    add(line, Signs.PLAIN, ONE, TWO, OTHER, ONE, TWO, ONE);
    assertThat(of(line)).containsExactly(new Returns(0, 3, 2, 0, List.of()));
  }

  @Test
  void aStepUpIsAReturnToo() {
    LineBuilder line = line();
    add(line, Signs.PLAIN, ONE, TWO, UP, UP_TWO);
    assertThat(of(line)).containsExactly(new Returns(0, 2, 2, 5, List.of()));
    LineBuilder apart = line();
    add(apart, Signs.PLAIN, ONE, TWO, UP, TWO);
    assertThat(of(apart)).as("each bar by another interval").isEmpty();
  }

  @Test
  void oneBarIsNone() {
    LineBuilder line = line();
    add(line, Signs.PLAIN, ONE, OTHER, ONE);
    assertThat(of(line)).isEmpty();
  }

  /** The same notes, short, slurred in their second bar, and louder. */
  @Test
  void whatIsMarkedOtherwiseIsToldBarByBar() {
    LineBuilder line = line();
    add(line, Signs.PLAIN, ONE, TWO, OTHER);
    line.say(Direction.Kind.DYNAMIC, "f");
    add(line, Signs.PLAIN.withArticulations(Set.of(Signs.Articulation.STACCATO)), ONE);
    line.add(
        Fraction.of(1, 4),
        List.of(Head.of(Pitch.parse("E5"))),
        Signs.PLAIN.withSlurs(List.of(1), List.of()));
    line.add(
        Fraction.of(1, 4),
        List.of(Head.of(Pitch.parse("D5"))),
        Signs.PLAIN.withSlurs(List.of(), List.of(1)));
    add(line, Signs.PLAIN, "C5 B4");
    assertThat(of(line))
        .singleElement()
        .satisfies(
            r ->
                assertThat(r.differences())
                    .containsExactlyInAnyOrder(
                        new Difference(0, Marked.ARTICULATION),
                        new Difference(0, Marked.DYNAMICS),
                        new Difference(1, Marked.SLURS)));
  }
}
