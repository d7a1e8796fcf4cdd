package fret.format.abc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.score.Signs;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bars as they grow, after "The abc music standard 2.1" (December 2011), section 4. */
class AbcBarsTest {
  private static final Fraction EIGHTH = Fraction.of(1, 8);
  private final AbcBars bars = new AbcBars();

  private void note(String pitch, Fraction length) {
    bars.add(List.of(Pitch.parse(pitch)), length);
  }

  private List<Event> events() {
    bars.close();
    return bars.score("t", "c").bars().stream().flatMap(b -> b.events().stream()).toList();
  }

  /** Section 4.4: a dotted note and what is left of the next, by one, two or three signs. */
  @ParameterizedTest
  @CsvSource({"true, 1, 3/16, 1/16", "false, 1, 1/16, 3/16", "true, 2, 7/32, 1/32"})
  void aBrokenRhythmMovesTheLineBetweenTwoNotes(
      boolean longer, int signs, String first, String second) {
    note("C5", EIGHTH);
    bars.breakRhythm(longer, signs);
    note("D5", EIGHTH);
    note("E5", EIGHTH);
    List<Event> all = events();
    assertThat(all.get(0).duration()).isEqualTo(fraction(first));
    assertThat(all.get(1).duration()).isEqualTo(fraction(second));
    assertThat(all.get(1).onset()).isEqualTo(fraction(first));
    assertThat(all.get(2).duration()).isEqualTo(EIGHTH);
  }

  private static Fraction fraction(String text) {
    String[] p = text.split("/");
    return Fraction.of(Integer.parseInt(p[0]), Integer.parseInt(p[1]));
  }

  /** Section 4.13: three in the time of two, and only three. */
  @Test
  void aTupletEndsWithItsLastNote() {
    bars.tuplet(3, 2, 3);
    for (String p : List.of("C5", "D5", "E5", "F5")) {
      note(p, EIGHTH);
    }
    List<Event> all = events();
    assertThat(all.get(0).duration()).isEqualTo(Fraction.of(1, 12));
    assertThat(all.get(0).signs().tuplet().starts()).isTrue();
    assertThat(all.get(2).signs().tuplet().stops()).isTrue();
    assertThat(all.get(3).duration()).isEqualTo(EIGHTH);
    assertThat(all.get(3).signs().tuplet()).isEqualTo(Signs.Tuplet.NONE);
  }

  @Test
  void aLengthThatNoValueHasIsTwoNotesTied() {
    note("C5", Fraction.of(5, 8));
    List<Event> all = events();
    assertThat(all).extracting(Event::duration).containsExactly(Fraction.of(1, 2), EIGHTH);
    assertThat(all.get(0).heads().get(0).tieStart()).isTrue();
    assertThat(all.get(1).heads().get(0).tieStop()).isTrue();
  }

  /** Section 4.11: a sign holds to the end of its bar, in its octave. */
  @Test
  void aSignHoldsToTheEndOfItsBar() {
    int c5 = 5 * 7;
    assertThat(bars.spelled(c5, true, 1)).hasToString("C#5");
    assertThat(bars.spelled(c5, false, 0)).hasToString("C#5");
    assertThat(bars.spelled(c5 + 7, false, 0)).hasToString("C6");
    note("C#5", Fraction.ONE);
    bars.line("|");
    assertThat(bars.spelled(c5, false, 0)).hasToString("C5");
    bars.key("D");
    assertThat(bars.spelled(c5, false, 0)).hasToString("C#5");
    assertThatThrownBy(() -> bars.spelled(99, false, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void slursEndAtANoteOfTheirBarOrStayOpen() {
    assertThat(bars.endSlur()).isTrue();
    bars.startSlur();
    note("C5", EIGHTH);
    note("D5", EIGHTH);
    assertThat(bars.endSlur()).isTrue();
    bars.startSlur();
    note("E5", EIGHTH);
    bars.line("|");
    assertThat(bars.endSlur()).isFalse();
    List<Event> all = events();
    assertThat(all.get(0).signs().slurStarts()).hasSize(1);
    assertThat(all.get(1).signs().slurStops()).isEqualTo(all.get(0).signs().slurStarts());
    assertThat(all.get(2).signs().slurStarts()).hasSize(1);
  }

  /** Section 4.8: lines, repeats and endings. */
  @ParameterizedTest
  @CsvSource({
    "'|', PLAIN, false",
    "'||', DOUBLE, false",
    "'|]', FINAL, false",
    "':|', PLAIN, true",
    "'::', PLAIN, true"
  })
  void aLineClosesItsBar(String sign, Bar.Line line, boolean repeats) {
    note("C5", Fraction.ONE);
    bars.line(sign);
    note("D5", Fraction.ONE);
    bars.close();
    Score score = bars.score("t", "");
    assertThat(score.bars()).hasSize(2);
    assertThat(score.bars().get(0).line()).isEqualTo(line);
    assertThat(score.bars().get(0).repeatEnd()).isEqualTo(repeats);
    assertThat(score.bars().get(1).repeatStart()).isEqualTo(sign.equals("::"));
  }

  @Test
  void barsOfRestAndAPickUpAreNumberedAsPlayersCount() {
    note("G4", Fraction.of(1, 4));
    bars.line("|");
    bars.restBars(2);
    note("C5", Fraction.ONE);
    bars.close();
    assertThat(bars.score("t", "").bars())
        .extracting(Bar::number)
        .containsExactly("0", "1", "2", "3");
    assertThat(bars.hasNotes()).isTrue();
    assertThat(bars.eventCount()).isEqualTo(4);
  }

  @Test
  void graceNotesTakeNoTime() {
    bars.grace(true);
    note("D5", EIGHTH);
    bars.grace(false);
    note("C5", Fraction.of(1, 4));
    List<Event> all = events();
    assertThat(all.get(0).isGrace()).isTrue();
    assertThat(all.get(0).duration()).isEqualTo(Fraction.ZERO);
    assertThat(all.get(1).onset()).isEqualTo(all.get(0).onset());
  }
}
