package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.search.Token;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What was adopted stays; where less effort is there now, it is offered stretch by stretch. */
class BetterAnswerTest {
  private static final String LINE = "A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 D5 C5 B4 A4 G4 F4 E4 D4";

  private static List<BetterAnswer> better(Session s) {
    return s.betterAnswers(Token.NEVER);
  }

  private static Session adopting(Session s, Fingering f) {
    return Lines.after(s, Decisions.adopt(s, f));
  }

  /** A fingering with one bar in fifth position and another note with a stopped fourth finger. */
  private static Session withAnOddBar() {
    Session s = Lines.session(LINE);
    Session pinned = Lines.after(s, Decisions.pin(s, 10, Optional.of(Finger.FIRST), 3));
    assertThat(pinned.fingering().notesUnlike(s.fingering())).isPositive();
    Session odd = adopting(pinned, pinned.fingering());
    return Lines.after(odd, Decisions.unpin(odd, 10).orElseThrow());
  }

  @Test
  void nothingIsOfferedWhereNothingWasAdoptedOrTheBestWas() {
    Session s = Lines.session(LINE);
    assertThat(better(s)).isEmpty();
    assertThat(better(adopting(s, s.fingering()))).isEmpty();
  }

  @Test
  void aStretchOfLessEffortIsOfferedAndNothingMovesUntilItIsTaken() {
    Session s = withAnOddBar();
    Fingering before = s.fingering();
    List<BetterAnswer> all = better(s);
    assertThat(all).isNotEmpty();
    assertThat(s.fingering()).isEqualTo(before);
    BetterAnswer first = all.get(0);
    assertThat(first.gain()).isCloseTo(before.effort() - first.whole().effort(), within(1e-9));
    for (int i = 0; i < before.notes().size(); i++) {
      if (i < first.fromNote() || i > first.toNote()) {
        NoteFinger was = before.notes().get(i).orElseThrow();
        assertThat(first.whole().notes().get(i).orElseThrow().samePlace(was)).as("%d", i).isTrue();
      }
    }
    Session taken = adopting(s, first.whole());
    assertThat(taken.fingering().effort()).isCloseTo(first.whole().effort(), within(1e-9));
    assertThat(better(taken)).hasSizeLessThan(all.size() + 1).doesNotContain(first);
  }

  @Test
  void aPinIsNoStretchToBeOffered() {
    Session s = Lines.session(LINE);
    Session pinned = Lines.after(s, Decisions.pin(s, 10, Optional.of(Finger.FIRST), 3));
    assertThat(better(adopting(pinned, pinned.fingering()))).isEmpty();
  }
}
