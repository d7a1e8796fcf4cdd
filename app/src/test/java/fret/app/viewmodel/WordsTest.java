package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.Words;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.Wish;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Region;
import fret.player.Shape;
import fret.score.NoteKey;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the program says, in players' words. */
class WordsTest {
  private static final Instrument CELLO = Instrument.standard(InstrumentType.CELLO);

  private static NoteFinger at(
      int string,
      Finger finger,
      int semitone,
      int base,
      boolean harmonic,
      Optional<NoteFinger.Replacement> by) {
    Pitch heard = Pitch.ofMidi(CELLO.open(string).midi() + semitone, KeySignature.NONE);
    return new NoteFinger(
        0,
        string,
        finger,
        semitone,
        base,
        base > 10 ? Region.THUMB : Region.NECK,
        Shape.CLOSED,
        harmonic,
        heard,
        CELLO.mmFromNut(semitone),
        by);
  }

  @Test
  void aPlaceIsSaidWithFingerStringPositionAndMillimetres() {
    NoteFinger e = at(2, Finger.FIRST, 2, 2, false, Optional.empty());
    // 690 (1 - 2^(-2/12)) = 75.3
    assertThat(Words.place(CELLO, e))
        .isEqualTo("Finger 1 on the D string, first position, 75 mm from the nut");
    assertThat(Words.shortPlace(CELLO, e)).isEqualTo("1 on D, first");
    NoteFinger open = at(3, Finger.OPEN, 0, 2, false, Optional.empty());
    assertThat(Words.place(CELLO, open)).isEqualTo("Open G string");
    assertThat(Words.shortPlace(CELLO, open)).isEqualTo("open G");
  }

  @Test
  void harmonicsThumbsAndReplacedFingersAreSaid() {
    NoteFinger node = at(1, Finger.THIRD, 12, 9, true, Optional.empty());
    assertThat(Words.place(CELLO, node)).startsWith("Harmonic with finger 3 on the A string");
    assertThat(Words.shortPlace(CELLO, node)).startsWith("h3 on A");
    NoteFinger thumb = at(1, Finger.THUMB, 12, 14, false, Optional.empty());
    assertThat(Words.place(CELLO, thumb)).contains("thumb position, thumb on A4");
    NoteFinger replaced =
        at(
            1,
            Finger.FOURTH,
            5,
            2,
            false,
            Optional.of(new NoteFinger.Replacement(Finger.FIRST, 5, Region.NECK)));
    assertThat(Words.place(CELLO, replaced))
        .startsWith("Finger 4, replaced by 1 while it sounds, on the A string, first position");
    assertThat(Words.shortPlace(CELLO, replaced)).isEqualTo("4-1 on A, first to third");
  }

  @ParameterizedTest
  @CsvSource({
    "0, shift, 0 shifts",
    "1, shift, 1 shift",
    "2, shift, 2 shifts",
    "2, index, 2 indexes",
    "1, index, 1 index"
  })
  void numbersHaveTheirNouns(int n, String what, String said) {
    assertThat(Words.count(n, what)).isEqualTo(said);
  }

  private static Shift shift(double timeMs, double bits) {
    return new Shift(
        0,
        1,
        0,
        1,
        0,
        Finger.FIRST,
        Finger.FOURTH,
        2,
        2,
        2,
        4,
        67.1,
        timeMs,
        bits,
        5,
        "",
        Optional.empty(),
        Optional.of(new Shift.Guide(Pitch.parse("G3"), Finger.FOURTH, 2, 5, 56.4)),
        false,
        false);
  }

  /** Ten bits a second can be aimed; quicker is a throw. */
  @Test
  void theTimeOfAShiftIsHeldAgainstWhatAimingTakes() {
    assertThat(Words.time(shift(500, 4), 80))
        .isEqualTo("500 ms: time to aim and correct, up to 100");
    assertThat(Words.time(shift(300, 4), 80))
        .isEqualTo("300 ms: one throw, learned whole; to be aimed only below 60");
  }

  @Test
  void guidesOfBothSchoolsAreSaid() {
    Shift s = shift(300, 4);
    assertThat(Words.guide(s.oldFinger(), true)).isEqualTo("Old finger: would overshoot");
    assertThat(Words.guide(s.newFinger(), false)).isEqualTo("New finger: slide 4 from G3, 56 mm");
    assertThat(Words.guide(Optional.empty(), false)).isEqualTo("New finger: none");
  }

  @Test
  void aNoteIsProvedByAnOpenStringOrToldThatNoneAgrees() {
    NoteFinger octave = at(2, Finger.FOURTH, 5, 2, false, Optional.empty());
    assertThat(Words.checks(CELLO, octave)).contains("G").contains("G2").endsWith(").");
    NoteFinger flat = at(2, Finger.FIRST, 1, 1, false, Optional.empty());
    assertThat(Words.checks(CELLO, flat)).contains("no open string agrees");
  }

  @ParameterizedTest
  @CsvSource({
    "ON_STRING, 3, on the G string",
    "POSITION, 7, fourth position",
    "IN_POSITION, 0, the hand stays",
    "NO_OPEN, 0, no open strings",
    "NO_LONG_FOURTH, 0, no fourth finger on long notes",
    "AS_PRINTED, 0, as printed",
    "NOT_STRING, 1, not on the A string",
    "NOT_FINGER, 1, not open",
    "NOT_FINGER, 4, no finger 3",
    "NOT_FINGER, 6, no thumb"
  })
  void wishesAreSaid(Wish.Kind kind, int value, String said) {
    NoteKey key = new NoteKey(0, "1", Fraction.ZERO, 0, Pitch.parse("D3"));
    assertThat(Words.wish(CELLO, new Wish(kind, key, key, value))).isEqualTo(said);
  }
}
