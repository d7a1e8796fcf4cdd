package fret.joint;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowRules;
import fret.bowing.BowSetup;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.mark.Wish;
import fret.passage.Passage;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.session.Decisions;
import fret.session.Lines;
import fret.session.Session;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TogetherSolverTest {
  /** Eighths under slurs of eight that may be broken, climbing the E string. */
  private static Score climbing() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    String[] notes = "E5 F5 G5 A5 B5 C6 D6 E6 F6 E6 D6 C6 B5 A5 G5 F5".split(" ");
    for (int i = 0; i < notes.length; i++) {
      List<Integer> one = List.of(1);
      Signs signs =
          i % 8 == 0
              ? Signs.PLAIN.withSlurs(one, List.of())
              : i % 8 == 7 ? Signs.PLAIN.withSlurs(List.of(), one) : Signs.PLAIN;
      line.add(Fraction.of(1, 8), List.of(Head.of(Pitch.parse(notes[i]))), signs);
    }
    return line.build("climb", Interval.UNISON);
  }

  private static Session phrasing(Score score) {
    Passage p = Lines.passage();
    BowSetup bow = p.settings().bow().withSlurs(BowRules.Slurs.PHRASING).withPreset("solo");
    return Session.of(p.withSettings(p.settings().withBow(bow)), score);
  }

  private static TogetherSolver.Together together(Session s) {
    int last = s.resolved().notes().size() - 1;
    return new TogetherSolver(s.task(), s.bowTask(), 0, last, Token.NEVER)
        .solve(s.fingering(), s.bowing());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4",
        "G3 B3 D4 G4 B4 D5 G5 B5 D6 B5 G5 D5 B4 G4 D4 B3",
        "A4 E5 A4 F5 A4 G5 A4 E5 D4 A4 F4 D5 G3 D4 B3 G4"
      })
  void togetherIsNeverWorseThanOneAfterTheOther(String notes) {
    TogetherSolver.Together both = together(phrasing(Lines.page(notes)));
    assertThat(both.gain()).isGreaterThanOrEqualTo(-1e-9);
    assertThat(both.effort()).isCloseTo(both.apart() - both.gain(), within(1e-9));
  }

  /**
   * A line that has to shift: the slur is broken where the hand shifts, or the shift goes there.
   */
  @Test
  void aShiftAndAChangeOfBowMeet() {
    Session s = phrasing(climbing());
    int last = s.resolved().notes().size() - 1;
    Session one =
        s.after(s.step(Decisions.wish(s, new Wish.Ask(Wish.Kind.ON_STRING, 1), 0, last)))
            .computed(Token.NEVER);
    TogetherSolver.Together both = together(one);
    assertThat(both.gain()).isGreaterThan(0);
    assertThat(both.fingering().problems()).isEmpty();
  }

  /** No pair out of many hands and, for each, many bowings is better than what is found. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4",
        "G3 B3 D4 G4 B4 D5 G5 B5 D6 B5 G5 D5 B4 G4 D4 B3",
        "E5 F5 G5 A5 B5 C6 D6 E6 F6 E6 D6 C6 B5 A5 G5 F5",
        "A4 C5 E5 A5 C6 E6 C6 A5 E5 C5 A4 E4 C4 A3 C4 E4"
      })
  void noPairOutOfManyIsBetter(String notes) {
    Session s = phrasing(Lines.page(notes));
    int last = s.resolved().notes().size() - 1;
    TogetherSolver solver = new TogetherSolver(s.task(), s.bowTask(), 0, last, Token.NEVER);
    double found = solver.solve(s.fingering(), s.bowing()).effort();
    double least = Double.POSITIVE_INFINITY;
    for (Fingering f : new FingeringSolver(s.task(), Token.NEVER).alternatives(12)) {
      BowTask bow = s.bowTask().withHand(Hands.of(s.resolved(), f));
      for (Bowing b : new BowSolver(bow).bestOf(12)) {
        least = Math.min(least, solver.price(f, b) + b.effort());
      }
    }
    assertThat(found).isLessThanOrEqualTo(least + 1e-9);
  }

  @Test
  void moreThanSixtyFourNotesAreRefused() {
    Session s = phrasing(climbing());
    assertThatThrownBy(() -> new TogetherSolver(s.task(), s.bowTask(), 0, 64, Token.NEVER))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("65");
  }

  /** Outside the selection neither hand moves. */
  @Test
  void whatIsNotSelectedStays() {
    Session s = phrasing(climbing());
    TogetherSolver.Together both =
        new TogetherSolver(s.task(), s.bowTask(), 8, 15, Token.NEVER)
            .solve(s.fingering(), s.bowing());
    for (int i = 0; i < 8; i++) {
      assertThat(both.fingering().notes().get(i)).isEqualTo(s.fingering().notes().get(i));
    }
    assertThat(both.bowing().differsFrom(s.bowing())).allMatch(m -> m >= 8);
  }
}
