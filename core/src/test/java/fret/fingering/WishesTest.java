package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.Wish;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
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
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is asked of stretches of notes, by the player and by printed words. */
class WishesTest {
  private static final Fraction EIGHTH = Fraction.of(1, 8);
  private static final Instrument VIOLIN = Instrument.standard(InstrumentType.VIOLIN);

  private static Fingering asked(
      ResolvedPassage passage, Wish.Kind kind, int from, int to, int value, NoteRule... pins) {
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, passage, 80);
    Wish wish =
        new Wish(kind, passage.notes().get(from).key(), passage.notes().get(to).key(), value);
    Wishes wishes = WishRules.of(passage, task.tempo(), List.of(pins), List.of(wish), Set.of());
    return new FingeringSolver(task.withWishes(wishes)).best();
  }

  private static final ResolvedPassage CLIMB = Exercises.line("B4 C5 D5 E5 F5 G5 A5 E5", EIGHTH);

  @Test
  void aStretchOnOneStringStaysThereAndTheRestIsFree() {
    Fingering f = asked(CLIMB, Wish.Kind.ON_STRING, 3, 6, 2);
    assertThat(f.problems()).isEmpty();
    for (int i = 3; i <= 6; i++) {
      assertThat(f.notes().get(i).orElseThrow().string()).as("note " + i).isEqualTo(2);
    }
    Fingering free = new FingeringSolver(Exercises.task(InstrumentType.VIOLIN, CLIMB, 80)).best();
    assertThat(free.notes().get(6).orElseThrow().string()).as("left alone").isEqualTo(1);
  }

  @Test
  void theHandStaysOrStandsWhereItIsAsked() {
    ResolvedPassage high = Exercises.line("A4 B4 C5 D5 E5 F5 G5 A5 B5 C6 D6 E6", EIGHTH);
    Fingering free = new FingeringSolver(Exercises.task(InstrumentType.VIOLIN, high, 80)).best();
    int reached = free.shifts().get(0).toSlice();
    Fingering stays = asked(high, Wish.Kind.IN_POSITION, reached - 1, reached, 0);
    assertThat(stays.problems()).isEmpty();
    assertThat(stays.shifts()).noneMatch(s -> s.toSlice() == reached);
    assertThat(stays.effort()).isGreaterThanOrEqualTo(free.effort());
    Fingering third = asked(CLIMB, Wish.Kind.POSITION, 0, 6, 5);
    assertThat(third.notes().subList(0, 7))
        .allSatisfy(
            n ->
                assertThat(n.orElseThrow().isOpen() || n.orElseThrow().base() == 5)
                    .as("%s", n)
                    .isTrue());
    assertThat(third.notes().get(0).orElseThrow().string()).isEqualTo(3);
  }

  @Test
  void openStringsAndLongFourthFingersCanBeForbidden() {
    Fingering open = asked(CLIMB, Wish.Kind.NO_OPEN, 0, 7, 0);
    assertThat(open.notes()).noneMatch(n -> n.orElseThrow().isOpen());
    ResolvedPassage slow = Exercises.line("D5 E5 D5 E5", Fraction.of(1, 2));
    Fingering noFourth = asked(slow, Wish.Kind.NO_LONG_FOURTH, 0, 3, 0);
    assertThat(noFourth.notes()).noneMatch(n -> n.orElseThrow().finger() == Finger.FOURTH);
    ResolvedPassage quick = Exercises.line("D5 E5 D5 E5", Fraction.of(1, 16));
    Fingering stillFourth =
        asked(quick, Wish.Kind.NO_LONG_FOURTH, 0, 3, 0, NoteRule.pin(1, Finger.FOURTH, 2));
    assertThat(stillFourth.notes().get(1).orElseThrow().finger()).isEqualTo(Finger.FOURTH);
    assertThat(stillFourth.problems()).as("a short fourth finger is none").isEmpty();
  }

  @Test
  void printedFingersCanBeObeyedWithoutException() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String word : "B4:3 C5: D5:4 E5:".split(" ")) {
      String[] part = word.split(":", -1);
      line.add(
          EIGHTH, List.of(Head.of(Pitch.parse(part[0])).withPrintedFinger(part[1])), Signs.PLAIN);
    }
    ResolvedPassage passage = Resolver.resolve(line.build("printed", Interval.UNISON));
    Fingering f = asked(passage, Wish.Kind.AS_PRINTED, 0, 3, 0);
    assertThat(f.notes().get(0).orElseThrow().finger()).isEqualTo(Finger.THIRD);
    assertThat(f.notes().get(2).orElseThrow().finger()).isEqualTo(Finger.FOURTH);
  }

  @ParameterizedTest
  @EnumSource(
      value = Finger.class,
      names = {"OPEN", "FIRST", "SECOND", "THIRD", "FOURTH"})
  void aFingerIsForbiddenOnAStretch(Finger finger) {
    Fingering f = asked(CLIMB, Wish.Kind.NOT_FINGER, 1, 6, finger.ordinal() + 1);
    assertThat(f.problems()).isEmpty();
    assertThat(f.notes().subList(1, 7)).noneMatch(n -> n.orElseThrow().finger() == finger);
    double free =
        new FingeringSolver(Exercises.task(InstrumentType.VIOLIN, CLIMB, 80)).best().effort();
    assertThat(f.effort()).isGreaterThanOrEqualTo(free - 1e-9);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3})
  void aStringIsForbiddenOnAStretch(int string) {
    Fingering f = asked(CLIMB, Wish.Kind.NOT_STRING, 1, 5, string);
    assertThat(f.problems()).isEmpty();
    assertThat(f.notes().subList(1, 6)).noneMatch(n -> n.orElseThrow().string() == string);
  }

  /** Forbidding everything that could play a note leaves it as it would be, and says so. */
  @Test
  void aBanThatNothingCanKeepIsNamed() {
    ResolvedPassage low = Exercises.line("B4 G3 B4", EIGHTH);
    Fingering f = asked(low, Wish.Kind.NOT_FINGER, 1, 1, Finger.OPEN.ordinal() + 1);
    assertThat(f.problems())
        .singleElement()
        .satisfies(p -> assertThat(p.message().toString()).contains("G3"));
    assertThat(f.notes().get(1).orElseThrow().isOpen()).isTrue();
  }

  @Test
  void aPinBeatsABan() {
    Fingering f =
        asked(
            CLIMB,
            Wish.Kind.NOT_FINGER,
            0,
            6,
            Finger.SECOND.ordinal() + 1,
            NoteRule.pin(1, Finger.SECOND, 2));
    assertThat(f.notes().get(1).orElseThrow().finger()).isEqualTo(Finger.SECOND);
    assertThat(f.problems()).hasSize(1);
    assertThat(f.notes().subList(2, 7)).noneMatch(n -> n.orElseThrow().finger() == Finger.SECOND);
  }

  @Test
  void aPinBeatsAStretchAndTheConflictIsNamed() {
    Fingering f = asked(CLIMB, Wish.Kind.NO_OPEN, 0, 7, 0, NoteRule.pin(3, Finger.OPEN, 1));
    assertThat(f.notes().get(3).orElseThrow().isOpen()).isTrue();
    assertThat(f.problems())
        .singleElement()
        .matches(p -> p.bar().equals("1") && p.toString().contains("E5"));
  }

  @Test
  void aHandThatCannotStayIsToldAndMoves() {
    Fingering f =
        asked(
            CLIMB,
            Wish.Kind.IN_POSITION,
            0,
            6,
            0,
            NoteRule.pin(0, Finger.FIRST, 2),
            NoteRule.pin(6, Finger.FIRST, 1));
    assertThat(f.notes().get(6).orElseThrow().finger()).isEqualTo(Finger.FIRST);
    assertThat(f.problems())
        .isNotEmpty()
        .allSatisfy(p -> assertThat(p.message().id()).isEqualTo("obstacle.stay"));
  }

  private static ResolvedPassage withWords(String... words) {
    Score plain = Exercises.line("B4 C5 D5 E5 - B4 C5 D5", Fraction.of(1, 4)).score();
    List<Bar> bars = new ArrayList<>(plain.bars());
    for (int i = 0; i < words.length; i++) {
      Bar bar = bars.get(i);
      if (!words[i].isEmpty()) {
        bars.set(
            i,
            bar.withDirections(
                List.of(new Direction(bar.start(), Direction.Kind.WORDS, words[i], 0))));
      }
    }
    return Resolver.resolve(plain.withBars(bars));
  }

  /** common practice, no source: what such words ask for. */
  @ParameterizedTest
  @CsvSource({
    "sul A, ON_STRING, 2",
    "sul G, ON_STRING, 4",
    "on the D string, ON_STRING, 3",
    "III, ON_STRING, 3",
    "stay in position, IN_POSITION, 0",
    "restez, IN_POSITION, 0",
  })
  void printedWordsAreWishes(String word, Wish.Kind kind, int value) {
    List<Wish> found = PrintedWishes.of(withWords(word), VIOLIN);
    assertThat(found)
        .singleElement()
        .satisfies(
            w -> {
              assertThat(w.kind()).isEqualTo(kind);
              assertThat(w.value()).isEqualTo(value);
              if (kind == Wish.Kind.IN_POSITION) {
                assertThat(w.to().onset()).as("up to the rest").isEqualTo(Fraction.of(3, 4));
              } else {
                assertThat(w.to().onset()).as("over it").isGreaterThan(Fraction.of(3, 4));
              }
            });
  }

  @Test
  void otherWordsAskForNothingAndAnotherWordEndsAStretch() {
    assertThat(PrintedWishes.of(withWords("dolce", "cantabile"), VIOLIN)).isEmpty();
    assertThat(PrintedWishes.of(withWords("", "loco"), VIOLIN)).isEmpty();
    List<Wish> two = PrintedWishes.of(withWords("sul D", "sul G"), VIOLIN);
    assertThat(two).extracting(Wish::value).containsExactly(3, 4);
  }
}
