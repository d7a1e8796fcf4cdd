package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.take.Fault.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/**
 * What is told of notes that were heard, without any sound: four bars of quarters of half a second,
 * each heard exactly unless said otherwise.
 */
class JudgeTest {
  private static final double STEP_S = 0.5;
  private static final int NOTES = 16;

  /** What is meant of one note. */
  private record Meant(boolean connected, boolean slurred, double soundsShare, Join join) {
    private static final Meant USUAL = new Meant(true, false, 1, Join.PLAIN);

    /** Short, before a rest or the next bow. */
    private static final Meant SHORT = new Meant(false, false, 0.5, Join.PLAIN);
  }

  private static Expected expected(UnaryOperator<List<Meant>> edit) {
    List<Meant> meant = new ArrayList<>();
    for (int i = 0; i < NOTES; i++) {
      meant.add(Meant.USUAL);
    }
    meant = edit.apply(meant);
    List<Moment> moments = new ArrayList<>();
    List<Span> bars = new ArrayList<>();
    double step = 1000 * STEP_S;
    for (int i = 0; i < NOTES; i++) {
      Meant m = meant.get(i);
      Pitch pitch = Pitch.parse(i % 2 == 0 ? "D4" : "F#4");
      moments.add(
          new Moment(
              i,
              i / 4,
              i * step,
              (i + 1) * step,
              m.soundsShare() * step,
              List.of(new Tone(i, pitch, pitch.hertz(440))),
              List.of(),
              i == 0 ? Join.ENTRY : m.join(),
              m.connected() && i + 1 < NOTES,
              m.slurred(),
              false,
              4));
      if (i % 4 == 0) {
        bars.add(new Span(i / 4, String.valueOf(i / 4 + 1), i * step, (i + 4) * step));
      }
    }
    return new Expected(moments, bars, 440);
  }

  private static Expected plain() {
    return expected(all -> all);
  }

  /** Every note exactly as it is meant. */
  private static List<HeardNote> exact(Expected e) {
    List<HeardNote> all = new ArrayList<>();
    for (Moment m : e.moments()) {
      double at = 1 + m.startMs() / 1000;
      all.add(
          new HeardNote(
              m.slice(),
              at,
              at + m.soundsMs() / 1000,
              -20,
              20,
              new HeardPitch(0, 0, 0, 0, 0, 0),
              List.of(),
              0,
              0.95));
    }
    return all;
  }

  private static List<Finding> told(Expected e, List<HeardNote> notes) {
    return told(e, notes, List.of(), List.of());
  }

  private static List<Finding> told(
      Expected e, List<HeardNote> notes, List<Heard.TakenUp> taken, List<Integer> missing) {
    Heard heard = new Heard(12, notes, taken, List.of(), missing, 0, 1);
    return TakeReport.of(e, heard).findings();
  }

  private static HeardNote pitched(HeardNote n, HeardPitch pitch) {
    return n.with(pitch, n.addedMs());
  }

  private static HeardPitch cents(double cents) {
    return new HeardPitch(cents, 0, 0, 0, 0, 0);
  }

  @Test
  void nothingIsToldOfAnExactTake() {
    assertThat(told(plain(), exact(plain()))).isEmpty();
  }

  @Test
  void aNoteThatComesLateAndTheNextInTimeIsLate() {
    List<HeardNote> notes = exact(plain());
    notes.set(5, notes.get(5).within(notes.get(5).onsetS() + 0.07, notes.get(5).endS()));
    notes.set(4, notes.get(4).within(notes.get(4).onsetS(), notes.get(5).onsetS()));
    List<Finding> found = told(plain(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.LATE);
    assertThat(found.get(0).moment()).isEqualTo(5);
    assertThat(found.get(0).amount()).isCloseTo(70, within(8.0));
  }

  private static final List<Integer> ENTRIES = List.of(2, 6, 10, 14);

  private static Expected withEntries() {
    return expected(
        all -> {
          List<Meant> meant = new ArrayList<>(all);
          for (int i : ENTRIES) {
            meant.set(i - 1, Meant.SHORT);
            meant.set(i, new Meant(true, false, 1, Join.ENTRY));
          }
          return meant;
        });
  }

  /** Each entry by so many ms late. */
  private static TakeReport entered(double... ms) {
    Expected e = withEntries();
    List<HeardNote> notes = exact(e);
    for (int k = 0; k < ms.length; k++) {
      int i = ENTRIES.get(k);
      notes.set(i, notes.get(i).within(notes.get(i).onsetS() + ms[k] / 1000, notes.get(i).endS()));
    }
    return TakeReport.of(e, new Heard(12, notes, List.of(), List.of(), List.of(), 0, 1));
  }

  @Test
  void equallyLateEntriesAreAllTold() {
    TakeReport r = entered(50, 0, 50, 2);
    assertThat(r.findings()).extracting(Finding::kind).containsOnly(Kind.LATE);
    assertThat(r.findings()).extracting(Finding::moment).containsExactly(2, 10);
    assertThat(r.entries().all()).extracting(Entries.Entry::moment).isEqualTo(ENTRIES);
  }

  @Test
  void whatAllEntriesHaveInCommonIsTakenOutUpToWhatTheMeasureAdds() {
    TakeReport few = entered(16, 17, 15, 16);
    assertThat(few.findings()).isEmpty();
    assertThat(few.entries().commonMs()).isCloseTo(15, within(0.1));
    assertThat(few.entries().usualMs().orElseThrow()).isCloseTo(1, within(0.1));
    TakeReport late = entered(70, 72, 69, 71);
    assertThat(late.findings()).extracting(Finding::moment).isEqualTo(ENTRIES);
    assertThat(late.entries().commonMs()).isEqualTo(Entries.MOST_COMMON_MS);
    assertThat(entered(-60, -60, -60, -60).entries().commonMs()).isZero();
  }

  @Test
  void pitchIsToldAgainstTheTakesOwnTuning() {
    List<HeardNote> notes = exact(plain());
    for (int i = 0; i < NOTES; i++) {
      notes.set(i, pitched(notes.get(i), cents(i == 6 ? 30 : 12)));
    }
    List<Finding> found = told(plain(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.SHARP);
    assertThat(found.get(0).amount()).isCloseTo(18, within(0.01));
    assertThat(found.get(0).moment()).isEqualTo(6);
  }

  @Test
  void aPitchThatMovesDriftsRatherThanBeingOff() {
    List<HeardNote> notes = exact(plain());
    notes.set(3, pitched(notes.get(3), new HeardPitch(15, 24, 0, 0, 0, 0)));
    assertThat(told(plain(), notes)).extracting(Finding::kind).containsExactly(Kind.DRIFT);
  }

  @Test
  void ofAChordTheToneFurthestOffIsTold() {
    List<HeardNote> notes = exact(plain());
    HeardNote chord = pitched(notes.get(2), HeardPitch.NONE);
    notes.set(2, chord.withTones(List.of(4.0, -19.0)));
    List<Finding> found = told(plain(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.FLAT);
    assertThat(found.get(0).amount()).isEqualTo(19);
    notes.set(2, chord.withTones(List.of(4.0, Double.NaN)));
    assertThat(told(plain(), notes)).isEmpty();
  }

  @Test
  void anotherNoteIsWrongAndNothingElseIsSaidOfIt() {
    List<HeardNote> notes = exact(plain());
    notes.set(7, pitched(notes.get(7), new HeardPitch(Double.NaN, 0, 0, 0, 0, -2)));
    List<Finding> found = told(plain(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.WRONG);
    assertThat(found.get(0).amount()).isEqualTo(2);
  }

  @Test
  void oneTooManyIsToldOfTheNoteBeforeIt() {
    List<HeardNote> notes = exact(plain());
    notes.set(9, notes.get(9).adding(90));
    assertThat(told(plain(), notes)).extracting(Finding::kind).containsExactly(Kind.ADDED);
  }

  @Test
  void whatIsMissingAndWhereItWasTakenUpAreTold() {
    List<HeardNote> notes = exact(plain());
    notes.remove(10);
    List<Finding> found = told(plain(), notes, List.of(new Heard.TakenUp(4, 6, 3)), List.of(10));
    assertThat(found)
        .extracting(Finding::kind)
        .containsExactlyInAnyOrder(Kind.RESTART, Kind.MISSING);
  }

  @Test
  void silenceBetweenNotesThatTouchIsAGapInsideABowAndAClippedNoteBetweenBows() {
    for (boolean slurred : new boolean[] {true, false}) {
      Expected e =
          expected(
              all -> {
                all.set(6, new Meant(true, slurred, 1, Join.PLAIN));
                return all;
              });
      List<HeardNote> notes = exact(e);
      notes.set(5, notes.get(5).within(notes.get(5).onsetS(), notes.get(5).endS() - 0.12));
      List<Finding> found = told(e, notes);
      assertThat(found)
          .extracting(Finding::kind)
          .containsExactly(slurred ? Kind.GAP : Kind.CLIPPED);
      assertThat(found.get(0).amount()).isCloseTo(120, within(1.0));
    }
  }

  /** The way to a note is no silence before it. */
  @Test
  void aGlideIsNoGap() {
    Expected e =
        expected(
            all -> {
              all.set(6, new Meant(true, true, 1, Join.SHIFT));
              return all;
            });
    List<HeardNote> notes = exact(e);
    notes.set(5, notes.get(5).within(notes.get(5).onsetS(), notes.get(5).endS() - 0.06));
    notes.set(6, pitched(notes.get(6), cents(0).gliding(60)));
    assertThat(told(e, notes)).isEmpty();
    notes.set(6, pitched(notes.get(6), cents(0).gliding(140)));
    assertThat(told(e, notes)).extracting(Finding::kind).containsExactly(Kind.GLIDE);
  }

  private static Expected shorts() {
    return expected(
        all -> {
          for (int i = 1; i < NOTES; i += 3) {
            all.set(i, Meant.SHORT);
          }
          return all;
        });
  }

  @Test
  void aShortNoteThatIsHeldIsTold() {
    List<HeardNote> notes = exact(shorts());
    notes.set(4, notes.get(4).within(notes.get(4).onsetS(), notes.get(4).endS() + 0.12));
    List<Finding> found = told(shorts(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.OVER_HELD);
    assertThat(found.get(0).amount()).isCloseTo(120, within(1.0));
  }

  /** A room makes every short note longer: that is not the player. */
  @Test
  void whatTheRoomAddsToEveryShortNoteIsNotHeldAgainstThem() {
    List<HeardNote> notes = exact(shorts());
    for (int i = 1; i < NOTES; i++) {
      boolean ends = i % 3 == 1 || i + 1 == NOTES;
      double more = ends ? 0.1 : 0;
      notes.set(i, notes.get(i).within(notes.get(i).onsetS(), notes.get(i).endS() + more));
    }
    assertThat(told(shorts(), notes)).isEmpty();
    notes.set(7, notes.get(7).within(notes.get(7).onsetS(), notes.get(7).endS() - 0.16));
    List<Finding> found = told(shorts(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.CLIPPED);
    assertThat(found.get(0).moment()).isEqualTo(7);
  }

  @Test
  void aBarThatIsLouderThanItsLineIsTold() {
    List<HeardNote> notes = exact(plain());
    for (int i = 4; i < 8; i++) {
      HeardNote n = notes.get(i);
      notes.set(
          i,
          new HeardNote(
              i, n.onsetS(), n.endS(), n.levelDb() + 8, 20, n.pitch(), List.of(), 0, 0.95));
    }
    List<Finding> found = told(plain(), notes);
    assertThat(found).extracting(Finding::kind).containsExactly(Kind.LOUD);
    assertThat(found.get(0).amount()).isCloseTo(8, within(0.01));
  }

  @Test
  void aNoteThatSpeaksSlowlyIsTold() {
    List<HeardNote> notes = exact(plain());
    HeardNote n = notes.get(11);
    notes.set(
        11,
        new HeardNote(11, n.onsetS(), n.endS(), n.levelDb(), 130, n.pitch(), List.of(), 0, 0.95));
    assertThat(told(plain(), notes)).extracting(Finding::kind).containsExactly(Kind.ATTACK);
  }

  @Test
  void whatIsHardlyRecognisedIsNotJudged() {
    List<HeardNote> notes = exact(plain());
    HeardNote n = notes.get(5);
    notes.set(
        5, new HeardNote(5, n.onsetS(), n.endS(), n.levelDb(), 20, cents(40), List.of(), 0, 0.1));
    assertThat(told(plain(), notes)).isEmpty();
  }
}
