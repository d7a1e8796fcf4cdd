package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.School;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Each reason on its own: a fingering is pinned note by note, and the quantity of one term is read
 * off. Quantities are worked out by hand.
 */
class TermsTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction SIXTEENTH = Fraction.of(1, 16);
  private static final double AT = 60;

  /** Pins in order, each as string and finger, such as {@code A3} or {@code E0}; h for touched. */
  private static Fingering pinned(
      InstrumentType type, ResolvedPassage passage, double tempo, String pins) {
    Instrument on = Instrument.standard(type);
    List<NoteRule> rules = new ArrayList<>();
    String[] words = pins.trim().split("\\s+");
    for (int i = 0; i < words.length; i++) {
      boolean touched = words[i].startsWith("h");
      String place = touched ? words[i].substring(1) : words[i];
      Finger finger = Finger.ofDigit(place.substring(place.length() - 1)).orElseThrow();
      int string = on.stringNamed(place.substring(0, place.length() - 1));
      rules.add(new NoteRule(i, Optional.of(finger), Optional.empty(), string, 0, touched, false));
    }
    Fingering f = new FingeringSolver(Exercises.task(type, passage, tempo).withRules(rules)).best();
    assertThat(f.problems()).as("the pins can be played").isEmpty();
    return f;
  }

  /** Every kind is weighed exactly once, and no kind is forgotten. */
  @ParameterizedTest
  @EnumSource(EffortKind.class)
  void eachKindHasATermOfItsOwn(EffortKind kind) {
    var term =
        new Terms(
                new HandModel(
                    Instrument.standard(InstrumentType.VIOLIN), School.ONE_TWO_FOUR, Hand.MEDIUM))
            .term(kind);
    assertThat(term.id()).isEqualTo(kind.id());
    assertThat(term.unit()).isEqualTo(kind.unit()).isNotBlank();
    Set<String> ids =
        EnumSet.allOf(EffortKind.class).stream().map(EffortKind::id).collect(Collectors.toSet());
    assertThat(ids).hasSize(EffortKind.values().length);
  }

  /** Quarter notes at 60, so that each lasts a second; violin. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // two strings over, one of them skipped
        "CROSSING    | G4 G5       | D3 E2       | 2",
        "SKIP        | G4 G5       | D3 E2       | 1",
        "SKIP        | G4 D5       | D3 A3       | 0",
        // the line goes to the next string for one note and back
        "CROSS_BACK  | B4 F5 B4    | A1 E1 A1    | 1",
        "CROSS_BACK  | B4 F5 A5    | A1 E1 E3    | 0",
        // the open string between two notes of the next one, and a step that stays
        "CROSS_BACK  | E4 A4 D4    | D1 A0 D0    | 1",
        "CROSS_BACK  | E4 A4 D4    | D1 D4 D0    | 0",
        // there is no turn in a line that rises, however the strings go
        "CROSS_BACK  | G4 A4 C5    | D3 A0 D1    | 0",
        // the first finger waits while another plays, or is needed elsewhere, or leaves with the
        // hand
        "ANCHOR      | B4 C5 B4    | A1 A2 A1    | 0",
        "ANCHOR      | B4 C5 B4    | A1 A1 A1    | 1",
        "ANCHOR      | B4 E5 B4    | A1 A1 A1    | 1",
        "ANCHOR      | B4 E5 D5    | A1 A1 A1    | 0",
        "ANCHOR      | B4 A4 B4    | A1 A0 A1    | 0",
        "COLOUR      | B4 F5       | A1 E1       | 1",
        // one finger hops: once a second
        "SAME_FINGER | B4 F5       | A1 E1       | 1",
        // laid flat across to the next string
        "SAME_FINGER | B4 F#5      | A1 E1       | 0.3",
        "SAME_FINGER | B4 G5       | A1 E2       | 0",
        // a slow slide is heard as one at three semitones a second
        "SLIDE       | F5 F#5      | E1 E1       | 3",
        "WEAK_PAIR   | D5 E5       | A3 A4       | 1",
        "WEAK_PAIR   | C5 D5       | A2 A3       | 0",
        "FOURTH      | D5 E5 E5    | A3 A4 A4    | 2",
        // half a second is free
        "FOURTH_LONG | D5 E5       | A3 A4       | 0.5",
        // three quarters of a second are free
        "OPEN_LONG   | D5 E5       | A3 E0       | 0.25",
        "OPEN_STRING | D5 E5 A4    | A3 E0 A0    | 2",
        "OPEN_LOUD   | D5 E5       | A3 E0       | 0",
        // nine semitones above the open G string, two counted, on the lowest string
        "HIGH_ON_LOW | E4 E4       | G2 G2       | 8",
        "HEIGHT      | B4 C5       | A1 A2       | 0",
        "THUMB       | B4 C5       | A1 A2       | 0",
        "SWAP        | D5 D5       | A3 A1       | 1",
        "HARMONIC    | B4 A5       | A1 hA4      | 1",
        "BARRE       | B4 F#5      | A1 E1       | 0",
        "PRINTED     | B4 F#5      | A1 E1       | 0",
      })
  void whatSlowNotesBring(EffortKind kind, String notes, String pins, double expected) {
    Fingering f = pinned(InstrumentType.VIOLIN, Exercises.line(notes.strip(), QUARTER), AT, pins);
    assertThat(Exercises.quantity(f, kind)).isCloseTo(expected, within(1e-6));
  }

  @Test
  void travelIsMillimetresOfTheHand() {
    Fingering f = pinned(InstrumentType.VIOLIN, Exercises.line("B4 D5", QUARTER), AT, "A1 A1");
    // 328 (2^(-2/12) - 2^(-5/12)), from first to third position
    assertThat(Exercises.quantity(f, EffortKind.TRAVEL)).isCloseTo(46.49, within(0.01));
    // window 2 * 10 cents at the fifth semitone: 2.84 mm; log2(46.49 / 2.84 + 1) = 4.12 bits
    assertThat(Exercises.quantity(f, EffortKind.SHIFT)).isCloseTo(4.12, within(0.01));
    // half of the second that the first note lasts: r = 4.12 / 0.5, levelled off, r / (1 + r / 250)
    assertThat(Exercises.quantity(f, EffortKind.RUSH)).isCloseTo(7.98, within(0.03));
  }

  /**
   * Langolf, Chaffin and Foulke 1976: the arm gives 10 bits a second where the wrist gives 23, so a
   * way that needs the whole arm is 2.3 times as hasty.
   */
  @ParameterizedTest
  @CsvSource({"0, 1", "50, 1", "80, 1", "140, 1.65", "200, 2.3", "400, 2.3"})
  void theArmNeedsMoreTimeThanTheWrist(double mm, double factor) {
    assertThat(ShiftTerms.limb(mm)).isCloseTo(factor, within(1e-9));
  }

  @Test
  void aLongShiftOfTheBassIsHastierThanItsBitsSay() {
    Fingering f = pinned(InstrumentType.BASS, Exercises.line("F2 G2", QUARTER), AT, "D1 D1");
    // 1050 (2^(-3/12) - 2^(-5/12)) = 96.3 mm; 1 + 1.3 (96.3 - 80) / 120 = 1.177
    assertThat(Exercises.quantity(f, EffortKind.TRAVEL)).isCloseTo(96.3, within(0.1));
    double perSecond = Exercises.quantity(f, EffortKind.SHIFT) / 0.5;
    double rush = 1.177 * perSecond;
    assertThat(Exercises.quantity(f, EffortKind.RUSH))
        .isCloseTo(rush / (1 + rush / 250), within(0.02));
  }

  /** Distances on a string of 328 mm, worked out by hand. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // bases 2, 5, 9: 46.5 mm, then 50.7 mm, within 12% of each other
        "B4 D5 F#5 A5 | A1 A1 A1 A3 | 0",
        // bases 2, 5, 8, 11 in minor thirds: 46.5, 39.1 and 32.9 mm shrink by 16% each
        "B4 D5 F5 Ab5 | A1 A1 A1 A1 | 2",
        // the same places in a line of two leaps are no arpeggio
        "B4 D5 F5     | A1 A1 A1    | 0",
      })
  void shiftsInARowWithinAnArpeggioShouldBeAlike(String notes, String pins, double expected) {
    Fingering f = pinned(InstrumentType.VIOLIN, Exercises.line(notes.strip(), QUARTER), AT, pins);
    assertThat(Exercises.quantity(f, EffortKind.UNEVEN)).isEqualTo(expected);
  }

  @Test
  void nobodyMovesOnEveryNoteOfAQuickArpeggio() {
    ResolvedPassage quick = Exercises.line("B4 D5 F5 Ab5", SIXTEENTH);
    Fingering f = pinned(InstrumentType.VIOLIN, quick, 90, "A1 A1 A1 A1");
    assertThat(Exercises.quantity(f, EffortKind.UNEVEN)).isZero();
  }

  @Test
  void aSlurMakesShiftsAndCrossingsHarder() {
    Fingering slid =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("B4 D5", QUARTER), AT, "A1 A1");
    assertThat(Exercises.quantity(slid, EffortKind.SLUR_SHIFT)).isEqualTo(1);
    assertThat(Exercises.quantity(slid, EffortKind.UNCOVERED)).isEqualTo(1);
    assertThat(Exercises.quantity(slid, EffortKind.SLIDE_HEARD)).isCloseTo(0.4649, within(1e-4));
    Fingering other =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("B4 D5", QUARTER), AT, "A1 A2");
    assertThat(Exercises.quantity(other, EffortKind.SLIDE_HEARD))
        .as("another finger arrives")
        .isZero();
    Fingering crossed =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("B4 F5", QUARTER), AT, "A1 E1");
    assertThat(Exercises.quantity(crossed, EffortKind.SLUR_CROSSING)).isEqualTo(2);
    Fingering quick =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("B4 F5", Fraction.of(1, 16)), AT, "A1 E1");
    assertThat(Exercises.quantity(quick, EffortKind.SLUR_CROSSING))
        .as("less is heard in quick notes")
        .isEqualTo(1);
    Fingering apart = pinned(InstrumentType.VIOLIN, Exercises.line("B4 F5", QUARTER), AT, "A1 E1");
    assertThat(Exercises.quantity(apart, EffortKind.SLUR_CROSSING)).isZero();
  }

  /** common practice, no source: where a shift is hidden. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "B4 A4 D5 | A1 A0 A1 | 0   | open string",
        "B4 - D5  | A1 A1    | 0   | rest",
        "D5 D5    | A3 A1    | 0   | repeated note",
        "C5 C#5   | A2 A1    | 0.3 | semitone between neighbouring fingers",
        "B4 D5    | A1 A1    | 0.6 | bow change",
      })
  void whatHidesAShift(String notes, String pins, double open, String cover) {
    Fingering f = pinned(InstrumentType.VIOLIN, Exercises.line(notes.strip(), QUARTER), AT, pins);
    assertThat(f.shifts()).singleElement().extracting(Shift::hiddenBehind).isEqualTo(cover);
    assertThat(Exercises.quantity(f, EffortKind.UNCOVERED)).isCloseTo(open, within(1e-9));
  }

  @Test
  void aShiftIsBetterOnTheBeatAndOntoANoteThatLasts() {
    Fingering onBeat = pinned(InstrumentType.VIOLIN, Exercises.line("B4 D5", QUARTER), AT, "A1 A1");
    assertThat(Exercises.quantity(onBeat, EffortKind.OFF_BEAT)).isZero();
    assertThat(Exercises.quantity(onBeat, EffortKind.LANDING)).isZero();
    Fingering between =
        pinned(InstrumentType.VIOLIN, Exercises.line("B4 D5", SIXTEENTH), 150, "A1 A1");
    assertThat(Exercises.quantity(between, EffortKind.OFF_BEAT)).isEqualTo(1);
    // a sixteenth at 150 lasts 100 ms of the 150 that it takes to hear a note
    assertThat(Exercises.quantity(between, EffortKind.LANDING)).isCloseTo(1 / 3.0, within(1e-6));
  }

  private static ResolvedPassage loud(String notes, String dynamic) {
    Score plain = Exercises.line(notes, QUARTER).score();
    Bar first = plain.bars().get(0);
    Direction d = new Direction(first.start(), Direction.Kind.DYNAMIC, dynamic, 0);
    List<Bar> bars = new ArrayList<>(plain.bars());
    bars.set(0, first.withDirections(List.of(d)));
    return Resolver.resolve(plain.withBars(bars));
  }

  @Test
  void anOpenTopStringSticksOutOnlyWhereItIsQuiet() {
    Fingering quiet = pinned(InstrumentType.VIOLIN, loud("D5 E5", "p"), AT, "A3 E0");
    assertThat(Exercises.quantity(quiet, EffortKind.OPEN_LOUD)).isEqualTo(1);
    Fingering loud = pinned(InstrumentType.VIOLIN, loud("D5 E5", "f"), AT, "A3 E0");
    assertThat(Exercises.quantity(loud, EffortKind.OPEN_LOUD)).isZero();
    Fingering lower = pinned(InstrumentType.VIOLIN, loud("G4 A4", "p"), AT, "D3 A0");
    assertThat(Exercises.quantity(lower, EffortKind.OPEN_LOUD)).isZero();
  }

  @Test
  void aRisingLineLosesBrillianceOnALowerStringFromForteOn() {
    String pins = "A1 D4";
    Fingering loud = pinned(InstrumentType.VIOLIN, loud("B4 C5", "f"), AT, pins);
    assertThat(Exercises.quantity(loud, EffortKind.BRILLIANCE)).isEqualTo(1);
    Fingering quiet = pinned(InstrumentType.VIOLIN, loud("B4 C5", "mp"), AT, pins);
    assertThat(Exercises.quantity(quiet, EffortKind.BRILLIANCE)).isZero();
  }

  @Test
  void vibratoForbidsNothingButWeighsOpenStringsAndTheFourthFinger() {
    ResolvedPassage line = Exercises.line("F5 E5", QUARTER);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, line, 90);
    Fingering plain = new FingeringSolver(task).best();
    assertThat(plain.notes().get(1).orElseThrow().isOpen()).isTrue();
    Wishes wanted = new Wishes(List.of(), List.of(), Set.of(), Set.of(1));
    Fingering warm = new FingeringSolver(task.withWishes(wanted)).best();
    assertThat(warm.notes().get(1).orElseThrow().isOpen()).isFalse();
    Fingering open =
        new FingeringSolver(
                task.withWishes(wanted.withRules(List.of(NoteRule.pin(1, Finger.OPEN, 1)))))
            .best();
    assertThat(Exercises.quantity(open, EffortKind.VIBRATO)).isEqualTo(2);
    Fingering fourth =
        new FingeringSolver(
                task.withWishes(wanted.withRules(List.of(NoteRule.pin(1, Finger.FOURTH, 2)))))
            .best();
    assertThat(Exercises.quantity(fourth, EffortKind.VIBRATO)).isEqualTo(0.5);
  }

  @Test
  void fingersStaySwapAndHopBetweenChords() {
    // sixths on the A and D strings: 1+2, then 2+3; both fingers are new, the second one hops
    Fingering sixths =
        pinned(InstrumentType.VIOLIN, Exercises.line("E4+C5 F4+D5", QUARTER), AT, "D1 A2 D2 A3");
    assertThat(Exercises.quantity(sixths, EffortKind.CHORD_HOP)).isEqualTo(1);
    assertThat(Exercises.quantity(sixths, EffortKind.CHORD_LOST)).isEqualTo(1);
    // thirds: the first finger keeps its string
    Fingering thirds =
        pinned(InstrumentType.VIOLIN, Exercises.line("G4+B4 A4+B4", QUARTER), AT, "D3 A1 D4 A1");
    assertThat(Exercises.quantity(thirds, EffortKind.CHORD_HOP)).isZero();
    assertThat(Exercises.quantity(thirds, EffortKind.CHORD_LOST)).isZero();
    Fingering fifth =
        pinned(InstrumentType.VIOLIN, Exercises.line("E4+B4 D4+A4", QUARTER), AT, "D1 A1 D0 A0");
    assertThat(Exercises.quantity(fifth, EffortKind.BARRE))
        .as("under the first finger")
        .isEqualTo(0.75);
  }

  private static ResolvedPassage trilled(String note, String next) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(
        QUARTER,
        List.of(Head.of(Pitch.parse(note))),
        Signs.PLAIN.withOrnament(Signs.Ornament.TRILL));
    line.add(QUARTER, List.of(Head.of(Pitch.parse(next))), Signs.PLAIN);
    return Resolver.resolve(line.build("trill", Interval.UNISON));
  }

  /** common practice, no source: 3-4 is the weakest pair, and the finger must be free after it. */
  @Test
  void trillsAreJudgedByTheirFingersAndByWhatFollows() {
    Fingering strong = pinned(InstrumentType.VIOLIN, trilled("B4", "A4"), AT, "A1 A0");
    assertThat(Exercises.quantity(strong, EffortKind.WEAK_TRILL)).isZero();
    Fingering weak = pinned(InstrumentType.VIOLIN, trilled("D5", "C5"), AT, "A3 A2");
    // a second long, and 0.4 for being one at all
    assertThat(Exercises.quantity(weak, EffortKind.WEAK_TRILL)).isCloseTo(1.4, within(1e-9));
    // the second finger trilled to C5 on the A string and is wanted on the E string at once
    Fingering wanted = pinned(InstrumentType.VIOLIN, trilled("B4", "G5"), AT, "A1 E2");
    assertThat(Exercises.quantity(wanted, EffortKind.TRILL_EXIT)).isEqualTo(1);
    assertThat(Exercises.quantity(strong, EffortKind.TRILL_EXIT)).isZero();
  }

  @Test
  void theThumbIsCountedAndItsComingAndGoingToo() {
    Fingering f = pinned(InstrumentType.CELLO, Exercises.line("D4 A4 B4", QUARTER), AT, "A1 AT A1");
    assertThat(Exercises.quantity(f, EffortKind.THUMB)).isEqualTo(2);
    assertThat(Exercises.quantity(f, EffortKind.THUMB_CHANGE)).isEqualTo(1);
  }

  @Test
  void stretchesAreSemitonesBeyondTheEasyShape() {
    // The cello's hand opens (0.6) and stays so for two seconds, 0.4 each.
    Fingering passing =
        pinned(InstrumentType.CELLO, Exercises.line("B3 C#4 D#4", QUARTER), AT, "A1 A2 A4");
    assertThat(Exercises.quantity(passing, EffortKind.STRETCH)).isCloseTo(0.6 + 0.8, within(1e-9));
  }

  /** Extended, 1 between keeps the hand open; a third finger where it is closed shuts it. */
  @Test
  void theCellosHandOpensOnceAndStaysOpen() {
    Fingering kept =
        pinned(InstrumentType.CELLO, Exercises.line("D#4 B3 D#4 B3", QUARTER), AT, "A4 A1 A4 A1");
    // begins open (two thirds of 0.6); the last first finger no longer needs it
    assertThat(Exercises.quantity(kept, EffortKind.STRETCH)).isCloseTo(0.4 + 1.2, within(1e-9));
    Fingering shut =
        pinned(
            InstrumentType.CELLO,
            Exercises.line("D#4 B3 C#4 B3 D#4", QUARTER),
            AT,
            "A4 A1 A3 A1 A4");
    assertThat(Exercises.quantity(shut, EffortKind.STRETCH))
        .isCloseTo(0.4 + 0.4 + 0.6 + 0.4, within(1e-9));
    Fingering back =
        pinned(InstrumentType.CELLO, Exercises.line("C4 D4 Bb3 C4", QUARTER), AT, "A2 A4 A1 A2");
    // the first finger reaches back, a semitone under the hand that stands on B
    assertThat(Exercises.quantity(back, EffortKind.STRETCH)).isCloseTo(0.8 + 0.4, within(1e-9));
  }

  /** On the low strings the fourth finger has the third behind it; held long it is weak as ever. */
  @ParameterizedTest
  @CsvSource({"VIOLIN, B5, E4, 1", "CELLO, D4, A4, 0.6", "BASS, B2, G4, 0.6"})
  void theFourthFingerIsAsWeakAsItIs(InstrumentType type, String note, String pin, double counts) {
    Fingering f = pinned(type, Exercises.line(note, QUARTER), AT, pin);
    assertThat(Exercises.quantity(f, EffortKind.FOURTH)).isEqualTo(counts);
    assertThat(Exercises.quantity(f, EffortKind.FOURTH_LONG)).isEqualTo(0.5);
  }

  /** common practice, from memory: 4-2 on the bass is as weak as 4-3 where it is quick. */
  @ParameterizedTest
  @CsvSource({"60, 0.4", "600, 10"})
  void fourthToSecondOnTheBassIsWeakWhereItIsQuick(double tempo, double weak) {
    Fingering f = pinned(InstrumentType.BASS, Exercises.line("B2 Bb2", QUARTER), tempo, "G4 G2");
    assertThat(f.shifts()).isEmpty();
    assertThat(Exercises.quantity(f, EffortKind.WEAK_PAIR)).isCloseTo(weak, within(1e-9));
  }

  /** A finger that slides is heard twice as much under a slow slur. */
  @Test
  void aSlideUnderASlowSlurIsHeard() {
    Fingering bowed = pinned(InstrumentType.VIOLIN, Exercises.line("C5 C#5", QUARTER), AT, "A2 A2");
    Fingering sung =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("C5 C#5", QUARTER), AT, "A2 A2");
    double plain = Exercises.quantity(bowed, EffortKind.SLIDE);
    assertThat(plain).isPositive();
    assertThat(Exercises.quantity(sung, EffortKind.SLIDE)).isCloseTo(2 * plain, within(1e-9));
    Fingering quick =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("C5 C#5", SIXTEENTH), AT, "A2 A2");
    Fingering apart =
        pinned(InstrumentType.VIOLIN, Exercises.line("C5 C#5", SIXTEENTH), AT, "A2 A2");
    assertThat(Exercises.quantity(quick, EffortKind.SLIDE))
        .isEqualTo(Exercises.quantity(apart, EffortKind.SLIDE));
  }

  /** A 3-4 whole tone does not exist in one hand, with 1 in between either: it is two shapes. */
  @Test
  void aThirdFingerAWholeToneUnderTheFourthOpensTheHand() {
    Fraction sixteenth = Fraction.of(1, 16);
    String line = "B3 C#4 B3 D#4";
    Fingering hidden =
        pinned(InstrumentType.CELLO, Exercises.line(line, sixteenth), AT, "A1 A3 A1 A4");
    Fingering open =
        pinned(InstrumentType.CELLO, Exercises.line(line, sixteenth), AT, "A1 A2 A1 A4");
    assertThat(hidden.shifts()).isEmpty();
    assertThat(Exercises.quantity(hidden, EffortKind.STRETCH))
        .isCloseTo(0.6 + 0.25 * 0.4, within(1e-9));
    assertThat(Exercises.quantity(open, EffortKind.STRETCH))
        .as("where it is quick it is as easy to begin with the open hand")
        .isCloseTo(0.4 + 0.4, within(1e-9));
  }

  /** A shift that crosses at once under a quick slur; a chord that is set after a short note. */
  @Test
  void hasteCountsAcrossStringsAndBeforeChords() {
    Fraction sixteenth = Fraction.of(1, 16);
    Fingering across =
        pinned(InstrumentType.VIOLIN, Exercises.slurred("B4 D6", sixteenth), 60, "A1 E3");
    // half of 250 ms are there: 1 + 1 - 125 / 150
    assertThat(Exercises.quantity(across, EffortKind.SLUR_SHIFT))
        .isCloseTo(2 - 125 / 150.0, within(1e-6));
    Fingering chord =
        pinned(InstrumentType.VIOLIN, Exercises.line("B4 F4+D5", sixteenth), 120, "A1 D2 A3");
    // two fingers, 125 of 250 ms
    assertThat(Exercises.quantity(chord, EffortKind.CHORD_HOP)).isCloseTo(3.0, within(1e-6));
    Fingering slow =
        pinned(InstrumentType.VIOLIN, Exercises.line("B4 F4+D5", QUARTER), 60, "A1 D2 A3");
    assertThat(Exercises.quantity(slow, EffortKind.CHORD_HOP)).isZero();
  }
}
