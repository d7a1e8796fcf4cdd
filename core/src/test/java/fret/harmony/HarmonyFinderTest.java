package fret.harmony;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class HarmonyFinderTest {
  /**
   * J. S. Bach, Prelude in C major, BWV 846 (1722), as one line; notes and numerals from memory,
   * numerals as harmony books print them. Bar 23, which books read in two ways, is left out.
   */
  private static final String[][] PRELUDE = {
    {"C4 E4 G4 C5 E5", "I"}, {"C4 D4 A4 D5 F5", "ii7"}, {"B3 D4 G4 D5 F5", "V7"},
    {"C4 E4 G4 C5 E5", "I"}, {"C4 E4 A4 E5 A5", "vi"}, {"C4 D4 F#4 A4 D5", "V7/V"},
    {"B3 D4 G4 D5 G5", "V"}, {"B3 C4 E4 G4 C5", "I7"}, {"A3 C4 E4 G4 C5", "vi7"},
    {"D3 A3 D4 F#4 C5", "V7/V"}, {"G3 B3 D4 G4 B4", "V"}, {"G3 Bb3 E4 G4 C#5", "viio7/ii"},
    {"F3 A3 D4 A4 D5", "ii"}, {"F3 Ab3 D4 F4 B4", "viio7"}, {"E3 G3 C4 G4 C5", "I"},
    {"E3 F3 A3 C4 F4", "IV7"}, {"D3 F3 A3 C4 F4", "ii7"}, {"G2 D3 G3 B3 F4", "V7"},
    {"C3 E3 G3 C4 E4", "I"}, {"C3 G3 Bb3 C4 E4", "V7/IV"}, {"F2 F3 A3 C4 E4", "IV7"},
    {"F#2 C3 A3 C4 Eb4", "viio7/V"}, {"G2 F3 G3 B3 D4", "V7"}, {"G2 E3 G3 C4 E4", "I"}
  };

  /** Four voices, two chords a bar: cadences of harmony books (common practice, no source). */
  private static final String[][] CADENCES = {
    {"C3+G3+E4+C5 F3+A3+C4+C5", "I IV"}, {"G3+D4+B4+F5 C3+E4+C5+G4", "V7 I"},
    {"A2+C4+E4+A4 D3+A3+D4+F4", "vi ii"}, {"G2+B3+D4+G4 C3+G3+C4+E4", "V I"},
    {"F3+A3+D4+D5 G3+G3+B3+D5", "ii V"}, {"E3+G3+C4+C5 F3+A3+C4+A4", "I IV"},
    {"B2+F3+D4+A4 C3+E3+C4+G4", "viih7 I"}, {"G2+F3+B3+D5 C3+E3+G3+C5", "V7 I"}
  };

  /**
   * The tune Old 100th (L. Bourgeois, Geneva 1551), two lines, from memory, in four plain voices of
   * our own; numerals follow from the chords (common practice, no source). Two chords a bar.
   */
  private static final String[][] CHORALE = {
    {"G2+D3+B3+G4 G3+D4+B3+G4", "I"}, {"D3+A3+D4+F#4 E3+G3+B3+E4", "V vi"},
    {"B2+G3+B3+D4 G2+D3+B3+G4", "I"}, {"D3+F#3+D4+A4 G2+G3+D4+B4", "V I"},
    {"G3+D4+G4+B4 G2+D4+G4+B4", "I"}, {"G3+D4+G4+B4 A2+E3+C4+A4", "I ii"},
    {"E3+B3+E4+G4 C3+E4+G4+C5", "vi IV"}, {"G2+D4+G4+B4 D3+D4+F#4+A4", "I V"}
  };

  private static List<HarmonyNote> notes(Score score) {
    List<HarmonyNote> all = new ArrayList<>();
    for (SoundingNote n : Resolver.resolve(score).notes()) {
      all.add(new HarmonyNote(n.onset(), n.duration(), n.pitch()));
    }
    return all;
  }

  private static LineBuilder line(int fifths) {
    return new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(fifths), Clef.TREBLE);
  }

  private static Harmony found(Score score) {
    return HarmonyFinder.of(score, notes(score), Map.of());
  }

  private static String bar(Harmony h, int bar) {
    return String.join(
        " ", h.chords().stream().filter(c -> c.bar() == bar).map(h::numeral).toList());
  }

  /** At least 34 of 40 bars as the books have them. */
  @Test
  void numeralsAreThoseOfTheBooks() {
    LineBuilder prelude = line(0);
    for (String[] bar : PRELUDE) {
      String[] n = bar[0].split(" ");
      for (int half = 0; half < 2; half++) {
        for (int i : new int[] {0, 1, 2, 3, 4, 2, 3, 4}) {
          prelude.add(Fraction.of(1, 16), Pitch.parse(n[i]));
        }
      }
    }
    Harmony h = found(prelude.build("broken chords", Interval.UNISON));
    List<String> wrong = new ArrayList<>();
    for (int b = 0; b < PRELUDE.length; b++) {
      if (!bar(h, b).equals(PRELUDE[b][1])) {
        wrong.add((b + 1) + ": " + PRELUDE[b][1] + " not " + bar(h, b));
      }
    }
    voices(0, CADENCES, "cadence", wrong);
    voices(1, CHORALE, "chorale", wrong);
    assertThat(wrong).as("of 40").hasSizeLessThanOrEqualTo(6);
    assertThat(h.keys().get(0).key().text()).isEqualTo("C major");
  }

  /** Where some bars alone are asked for they keep their index in the part. */
  @Test
  void barsOfAnExcerptAreReadAtTheirOwnPlace() {
    LineBuilder line = line(0);
    for (int times = 0; times < 2; times++) {
      for (String[] bar : CADENCES) {
        for (String chord : bar[0].split(" ")) {
          line.add(
              Fraction.of(1, 2),
              Arrays.stream(chord.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
        }
      }
    }
    Score whole = line.build("twice", Interval.UNISON);
    int from = CADENCES.length;
    Score excerpt = whole.withBars(whole.bars().subList(from, whole.bars().size()));
    Chord asked = new Chord(9, Quality.MINOR);
    Harmony h = HarmonyFinder.of(excerpt, notes(excerpt), Map.of(from + 1, BarChords.whole(asked)));
    for (int b = 0; b < from; b++) {
      assertThat(h.keyAt(from + b)).as("key of bar %s", from + b).isPresent();
      assertThat(bar(h, from + b)).isEqualTo(b == 1 ? "vi" : CADENCES[b][1]);
    }
    assertThat(h.keyAt(0)).isEmpty();
  }

  private static void voices(int fifths, String[][] bars, String name, List<String> wrong) {
    LineBuilder line = line(fifths);
    for (String[] bar : bars) {
      for (String chord : bar[0].split(" ")) {
        line.add(
            Fraction.of(1, 2),
            Arrays.stream(chord.split("\\+")).distinct().map(Pitch::parse).toArray(Pitch[]::new));
      }
    }
    Harmony found = found(line.build(name, Interval.UNISON));
    for (int b = 0; b < bars.length; b++) {
      if (!bar(found, b).equals(bars[b][1])) {
        wrong.add(name + " " + (b + 1) + ": " + bars[b][1] + " not " + bar(found, b));
      }
    }
  }

  /** Violin-like bars over a held tonic: I, IV, V7, I (common practice, no source). */
  @Test
  void aDominantSeventhOverAHeldTonicIsNamedSo() {
    LineBuilder line = line(1);
    for (String bar :
        List.of(
            "G3 D4 B4 D4 G4 D4 B4 D4",
            "G3 E4 C5 E4 G3 E4 C5 E4",
            "G3 F#4 C5 D5 A4 F#4 C5 D5",
            "G3 D4 B4 D4 G4 D4 B4 D4")) {
      for (String n : bar.split(" ")) {
        line.add(Fraction.of(1, 8), Pitch.parse(n));
      }
    }
    Harmony h = found(line.build("pedal", Interval.UNISON));
    assertThat(List.of(bar(h, 0), bar(h, 1), bar(h, 2), bar(h, 3)))
        .containsExactly("I", "IV", "V7", "I");
  }

  @Test
  void aBareScaleIsToldAsUnclear() {
    LineBuilder line = line(0);
    for (String n : "C4 D4 E4 F4 G4 A4 B4 C5 D5 C5 B4 A4 G4 F4 E4 D4".split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(n));
    }
    Harmony h = found(line.build("scale", Interval.UNISON));
    assertThat(h.chords()).allMatch(c -> h.numeral(c).equals("?"));
    assertThat(h.keys().get(0).key().text()).isEqualTo("C major");
  }

  @Test
  void whatThePlayerSaysCounts() {
    LineBuilder line = line(0);
    for (String n : "C4 D4 E4 F4 G4 A4 B4 C5".split(" ")) {
      line.add(Fraction.of(1, 8), Pitch.parse(n));
    }
    Score score = line.build("scale", Interval.UNISON);
    Chord asked = new Chord(7, Quality.DOMINANT_SEVENTH);
    Harmony h = HarmonyFinder.of(score, notes(score), Map.of(0, BarChords.whole(asked)));
    assertThat(h.chords().get(0).own()).isTrue();
    assertThat(h.numeral(h.chords().get(0))).isEqualTo("V7");
  }

  /** Two chords are heard in a bar: naming the second leaves the first. */
  @Test
  void aChordIsNamedWhereItStands() {
    LineBuilder line = line(0);
    line.add(Fraction.of(1, 2), Pitch.parse("C4"), Pitch.parse("E4"), Pitch.parse("G4"));
    line.add(Fraction.of(1, 2), Pitch.parse("G3"), Pitch.parse("B3"), Pitch.parse("D4"));
    Score score = line.build("two", Interval.UNISON);
    Harmony heard = HarmonyFinder.of(score, notes(score), Map.of());
    assertThat(heard.chords()).hasSize(2);
    BarChords own = BarChords.at(Fraction.of(1, 2), new Chord(7, Quality.DOMINANT_SEVENTH));
    Harmony h = HarmonyFinder.of(score, notes(score), Map.of(0, own));
    assertThat(h.chords().get(0)).isEqualTo(heard.chords().get(0));
    assertThat(h.chords().get(1).own()).isTrue();
    assertThat(h.numeral(h.chords().get(1))).isEqualTo("V7");
    assertThat(own.without(Fraction.of(1, 2))).isEmpty();
  }
}
