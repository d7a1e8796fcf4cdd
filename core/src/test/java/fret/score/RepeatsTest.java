package fret.score;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Playing order, divided parts and bar ranges. */
class RepeatsTest {
  /**
   * Bars in a row: {@code [} a repeat starts, {@code ]} one ends, digits its endings, a dot
   * nothing.
   */
  private static Score bars(String... forms) {
    LineBuilder line = new LineBuilder(TimeSignature.of(1, 4), KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < forms.length; i++) {
      line.add(Fraction.of(1, 4), Pitch.parse("A4"));
    }
    Score plain = line.build("repeats", Interval.UNISON);
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < forms.length; i++) {
      Bar b = plain.bars().get(i);
      List<Integer> endings =
          forms[i].chars().filter(Character::isDigit).mapToObj(c -> c - '0').toList();
      bars.add(b.withRepeats(forms[i].contains("["), forms[i].contains("]"), endings));
    }
    return plain.withBars(bars);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        ". . .            | 0 1 2",
        ". ]  .           | 0 1 0 1 2",
        ". [  ] .         | 0 1 2 1 2 3",
        ". ] . ]          | 0 1 0 1 2 3 2 3",
        "[ . 1] 2 .       | 0 1 2 0 1 3 4",
        "[ . 12] 3        | 0 1 2 0 1 2 0 1 3",
        "[ 1] 2 [ ]       | 0 1 0 2 3 4 3 4"
      })
  void repeatsAndEndingsArePlayedInOrder(String forms, String order) {
    List<Integer> expected = new ArrayList<>();
    for (String index : order.strip().split(" ")) {
      expected.add(Integer.valueOf(index));
    }
    assertThat(Repeats.playingOrder(bars(forms.strip().split("\\s+")))).isEqualTo(expected);
  }

  @Test
  void ofADividedPartOneLineIsKept() {
    LineBuilder line = new LineBuilder(TimeSignature.of(1, 4), KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, 4), Pitch.parse("C5"));
    line.add(Fraction.of(1, 4), Pitch.parse("D5"));
    Score plain = line.build("divided", Interval.UNISON);
    Bar first = plain.bars().get(0);
    Event upper = first.events().get(0);
    Event lower =
        new Event(
            "2",
            upper.onset(),
            upper.duration(),
            upper.value(),
            List.of(Head.of(Pitch.parse("A4"))),
            upper.grace(),
            false,
            Signs.PLAIN);
    Score two =
        plain.withBars(List.of(first.withEvents(List.of(upper, lower)), plain.bars().get(1)));
    assertThat(Divided.bars(two)).containsExactly("1");
    assertThat(pitches(Divided.UPPER.of(two))).isEqualTo("C5 D5");
    assertThat(pitches(Divided.LOWER.of(two))).isEqualTo("A4 D5");
    assertThat(pitches(Divided.DOUBLE_STOPS.of(two))).isEqualTo("A4 C5 D5");
  }

  /** Chords under "div." are two players; what comes after "unis." is one again. */
  @Test
  void chordsUnderTheWordAreTwoPlayers() {
    LineBuilder line = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, 4), Pitch.parse("D4"), Pitch.parse("B4"));
    line.say(Direction.Kind.WORDS, "div.");
    line.add(Fraction.of(1, 4), Pitch.parse("C5"), Pitch.parse("E5"));
    line.add(Fraction.of(1, 4), Pitch.parse("D5"), Pitch.parse("F5"));
    line.say(Direction.Kind.WORDS, "unis.");
    line.add(Fraction.of(1, 4), Pitch.parse("D4"), Pitch.parse("B4"));
    Score page = line.build("divided", Interval.UNISON);
    assertThat(Divided.bars(page)).containsExactly("1", "2");
    assertThat(pitches(Divided.UNDECIDED.of(page))).isEqualTo("D4 B4 E5 F5 D4 B4");
    assertThat(pitches(Divided.LOWER.of(page))).isEqualTo("D4 B4 C5 D5 D4 B4");
    assertThat(pitches(Divided.DOUBLE_STOPS.of(page))).isEqualTo("D4 B4 C5 E5 D5 F5 D4 B4");
  }

  private static String pitches(Score score) {
    return Resolver.resolve(score).notes().stream()
        .map(n -> n.pitch().toString())
        .reduce((a, b) -> a + " " + b)
        .orElse("");
  }

  @Test
  void aRangeKeepsItsBarNumbersAndWhatHoldsThere() {
    Score all = bars(".", ".", ".", ".");
    Score middle = all.range("2", "3");
    assertThat(middle.bars()).extracting(Bar::number).containsExactly("2", "3");
    assertThat(middle.bars()).extracting(Bar::index).containsExactly(1, 2);
  }

  /** Felt beats: three eighths in 6/8, a half in cut time, the printed groups of 2+3 (theory). */
  @Test
  void metresHaveTheirBeats() {
    assertThat(TimeSignature.of(6, 8).beatLength()).isEqualTo(Fraction.of(3, 8));
    assertThat(new TimeSignature(List.of(2), 2, TimeSignature.Sign.CUT).beatLength())
        .isEqualTo(Fraction.of(1, 2));
    assertThat(new TimeSignature(List.of(2, 3), 8, TimeSignature.Sign.NUMBERS).groupStarts())
        .containsExactly(Fraction.ZERO, Fraction.of(2, 8));
    assertThat(TimeSignature.of(3, 4).groupStarts()).hasSize(3);
    assertThat(TimeSignature.of(3, 8).isCompound()).as("three, not one").isFalse();
  }
}
