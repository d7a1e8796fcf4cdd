package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Pieces of a drill on one page. */
class StitchTest {
  private static Score piece(String tempo, String words) {
    return new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS)
        .say(Direction.Kind.REHEARSAL, "B")
        .say(Direction.Kind.WORDS, words)
        .say(Direction.Kind.TEMPO, tempo)
        .say(Direction.Kind.DYNAMIC, "f")
        .add(Fraction.ONE, Pitch.parse("D3"))
        .build("", Interval.UNISON);
  }

  private static List<String> said(Score score, Direction.Kind kind) {
    return score.bars().stream()
        .map(
            b ->
                b.directions().stream()
                    .filter(d -> d.kind() == kind)
                    .map(Direction::text)
                    .findFirst()
                    .orElse("-"))
        .toList();
  }

  /** Seven steps of a bar once had seven times its letter, its words and its tempo. */
  @Test
  void lettersWordsAndTemposAreSaidOnce() {
    Score fast = piece("quarter=126", "Allegro");
    Score slow = piece("quarter=60", "Adagio");
    Score all = Stitch.of(List.of(fast, fast, slow, slow, fast));
    assertThat(said(all, Direction.Kind.REHEARSAL)).containsExactly("B", "-", "-", "-", "-");
    assertThat(said(all, Direction.Kind.TEMPO))
        .containsExactly("quarter=126", "-", "quarter=60", "-", "quarter=126");
    assertThat(said(all, Direction.Kind.WORDS))
        .containsExactly("Allegro", "-", "Adagio", "-", "Allegro");
    assertThat(said(all, Direction.Kind.DYNAMIC)).containsOnly("f");
  }
}
