package fret.format.abc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.base.UnusableInput;
import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Repeats;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The examples follow the descriptions of "The abc music standard 2.1" (2011), sections 3 and 4.
 */
class AbcTest {
  private static Score read(String body) throws UnusableInput {
    return AbcReader.read("x.abc", "X:1\nT:Tune\nM:4/4\nL:1/8\nK:C\n" + body + "\n").value();
  }

  private static String notes(Score score) {
    return Resolver.resolve(score).notes().stream()
        .map(n -> n.pitch() + (n.isGrace() ? "g" : "=" + n.duration()))
        .collect(Collectors.joining(" "))
        .replace(" / ", "/");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "C D2 E/ F3/2; C4=1/8 D4=1/4 E4=1/16 F4=3/16",
        "C, c c' G,,; C3=1/8 C5=1/8 C6=1/8 G2=1/8",
        "^F F =F _B |F; F#4=1/8 F#4=1/8 F4=1/8 Bb4=1/8 F4=1/8",
        "A>B c<d e>>f; A4=3/16 B4=1/16 C5=1/16 D5=3/16 E5=7/32 F5=1/32",
        "(3cde f2; C5=1/12 D5=1/12 E5=1/12 F5=1/4",
        "[CEG]2 z2 A4; C4=1/4 E4=1/4 G4=1/4 A4=1/2",
        "c2-c2 d4; C5=1/2 D5=1/2",
        "{g}a2; G5g A5=1/4",
        "c5; C5=5/8",
      })
  void notesAndLengths(String body, String expected) throws UnusableInput {
    assertThat(notes(read(body))).isEqualTo(expected);
  }

  @ParameterizedTest
  @CsvSource({"G,1", "Em,1", "Bb,-2", "F#m,3", "Ddor,0", "Amix,2", "C,0", "Ebm,-6", "none,0"})
  void keysAndModes(String key, int fifths) throws UnusableInput {
    Score score = AbcReader.read("k.abc", "X:1\nM:3/4\nK:" + key + "\nCDE|\n").value();
    assertThat(score.bars().get(0).key().fifths()).isEqualTo(fifths);
  }

  @Test
  void headerMetreTempoAndClef() throws UnusableInput {
    Score score =
        AbcReader.read(
                "h.abc",
                "X:1\nT:Morning\nC:Nobody\nM:6/8\nQ:3/8=60\nK:D clef=alto\nf3 [M:2/4][L:1/4]a |\n")
            .value();
    assertThat(score.title()).isEqualTo("Morning");
    assertThat(score.composer()).isEqualTo("Nobody");
    Bar first = score.bars().get(0);
    assertThat(first.clef()).isEqualTo(Clef.ALTO);
    assertThat(first.directions())
        .anyMatch(d -> d.kind() == Direction.Kind.TEMPO && d.number() == 90);
    assertThat(notes(score)).startsWith("F#5=3/8 A5=1/4");
  }

  @Test
  void repeatsEndingsAndPickup() throws UnusableInput {
    Score score = read("G2 |: c8 | d8 |1 e8 :|2 f8 |]");
    assertThat(score.bars().get(0).start().signum()).isNegative();
    assertThat(Repeats.playingOrder(score)).containsExactly(0, 1, 2, 3, 1, 2, 4);
    assertThat(score.bars().get(4).line()).isEqualTo(Bar.Line.FINAL);
  }

  @Test
  void slursDecorationsAndWords() throws UnusableInput {
    Score score = read("!mf!(c .d) T!fermata!e u\"^dolce\"f vg !<(!a b !<)!c'|");
    Event first = score.bars().get(0).events().get(0);
    assertThat(first.signs().slurStarts()).hasSize(1);
    assertThat(score.bars().get(0).events().get(1).signs().slurStops()).hasSize(1);
    assertThat(score.bars().get(0).events().get(1).signs().articulations())
        .containsExactly(Signs.Articulation.STACCATO);
    Signs third = score.bars().get(0).events().get(2).signs();
    assertThat(third.fermata()).isTrue();
    assertThat(third.ornament()).isEqualTo(Signs.Ornament.TRILL);
    assertThat(score.bars().get(0).events().get(3).signs().bow()).isEqualTo(Signs.Bow.UP);
    assertThat(score.bars().get(0).directions())
        .extracting(Direction::text)
        .contains("mf", "dolce");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "K:C\n", "X:1\nK:C\n|||\n", "no music at all"})
  void textsWithoutATuneAreNamed(String text) {
    assertThatThrownBy(() -> AbcReader.read("bad.abc", text))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("bad.abc");
  }

  @Test
  void aBadLineIsNamed() {
    assertThatThrownBy(() -> read("c d e [Q"))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("where.file-line, args=[x.abc, 6]");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "c d e [Q; value.no-letter; []",
        "c d [e; value.open-chord; []",
        "c d [M:3/4; value.open-field; []",
        "c \"dolce d; value.open-text; []",
        "c0 d; value.length; [0/1]",
        "c,,,,,,,, d; value.range; []",
        "[M:3/four] c; value.metre; [3/four]",
        "[K:H] c; value.key; [H]",
        "[L:eighth] c; value.length; [eighth]",
        "(1abc; value.tuplet; [1]",
      })
  void whatIsWrongInALineIsNamed(String body, String id, String args) {
    assertThatThrownBy(() -> read(body))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("id=" + id + ", args=" + args);
  }

  private static Direction tempo(String field) throws UnusableInput {
    String tune = "X:1\nT:t\nM:6/8\nL:1/8\nQ:" + field + "\nK:C\nCDE FGA|\n";
    return AbcReader.read("t.abc", tune).value().bars().get(0).directions().stream()
        .filter(d -> d.kind() == Direction.Kind.TEMPO)
        .findFirst()
        .orElseThrow();
  }

  /** Tempo fields as "The abc music standard 2.1" (2011), section 3.1.8, has them. */
  @Test
  void tempoFieldsAreReadAsTheStandardHasThem() throws UnusableInput {
    assertThat(tempo("3/8=72").text()).isEqualTo("quarter.=72");
    assertThat(tempo("3/8=72").number()).isEqualTo(108);
    assertThat(tempo("1/4=120").text()).isEqualTo("quarter=120");
    assertThat(tempo("120").number()).isEqualTo(120);
    assertThat(tempo("\"Allegro\" 1/4=120").number()).isEqualTo(120);
    // several beats are one pattern: a quarter and a dotted quarter are 5/8, 60 a minute
    assertThat(tempo("1/4 3/8=60").number()).isEqualTo(150);
  }

  @Test
  void lengthsWithoutEndAndDigitsOfOtherScriptsAreNotTaken() {
    assertThatThrownBy(() -> AbcReader.read("t.abc", "X:1\nL:1000/8\nK:C\nC9999|\n"))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("where.file-line, args=[t.abc, 4]");
    assertThatCode(() -> AbcReader.read("t.abc", "X:1\nL:1/8\nK:C\nC\u0663 D(\u0663EFG|\n"))
        .satisfiesAnyOf(
            t -> assertThat(t).isNull(), t -> assertThat(t).isInstanceOf(UnusableInput.class));
  }
}
