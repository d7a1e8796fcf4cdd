package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import fret.mark.ReturnsWish;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.score.ResolvedPassage;
import fret.search.WeightRange;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Figures that come back, how firm a choice is, and further laws of the search. */
class AlikeTest {
  private static final double PRICE = Preset.SURE.weight(EffortKind.UNLIKE);

  private static final Fraction EIGHTH = Fraction.of(1, 8);

  private static List<Figures.Figure> figures(String notes) {
    ResolvedPassage p = Exercises.line(notes, EIGHTH);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 80);
    return Figures.of(p, Timing.of(p, task.tempo(), Wishes.NONE));
  }

  @Test
  void theSameBarTwiceIsOneFigure() {
    List<Figures.Figure> found = figures("B4 D5 F5 D5 B4 G4 B4 D5 " + "B4 D5 F5 D5 B4 G4 B4 D5");
    assertThat(found)
        .first()
        .satisfies(
            f -> {
              assertThat(f.samePitch()).isTrue();
              assertThat(f.length()).isEqualTo(8);
              assertThat(f.starts()).containsExactly(0, 8);
            });
  }

  @Test
  void aStepHigherIsASequenceAndOtherNotesAreNothing() {
    // semitones 0 2 4 5, first from B4, then from C#5
    List<Figures.Figure> found = figures("B4 C#5 D#5 E5 C#5 D#5 F5 F#5");
    assertThat(found)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.samePitch()).isFalse();
              assertThat(f.length()).isEqualTo(4);
            });
    assertThat(figures("B4 C#5 D#5 E5 C5 G5 F5 A4")).isEmpty();
  }

  /** A broken chord that goes on keeps its strings from the first time on. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "A3 D4 A4 A3 D4 A4 A3 D4 A4 C4 E4 G4 C4 E4 G4 C4 E4 G4",
        "A4 D4 A3 A4 D4 A3 A4 D4 A3 G4 E4 C4 G4 E4 C4 G4 E4 C4",
        "C4 E4 G4 E5 G4 E4 C4 E4 G4 E5 G4 E4 C4 E4 G4 E5 G4 E4",
        "C4 E4 G4 E5 C4 E4 G4 E5 C4 E4 G4 E5 A3 C#4 A4 E5 A3 C#4 A4 E5"
      })
  void aSwingKeepsItsStrings(String notes) {
    ResolvedPassage p = Exercises.line(notes, Fraction.of(1, 16));
    Fingering f = new FingeringSolver(Exercises.task(InstrumentType.VIOLIN, p, 92)).consistent();
    List<Figures.Figure> swings = figures(notes).stream().filter(Figures.Figure::swing).toList();
    assertThat(swings).isNotEmpty();
    for (Figures.Figure s : swings) {
      assertThat(s.starts().stream().map(at -> strings(f, at, s.length())).distinct())
          .as(Exercises.digits(f))
          .hasSize(1);
    }
  }

  @Test
  void aRestARepeatedNoteOrTwoTimesMakeNoSwing() {
    for (String notes :
        List.of(
            "A4 C5 E5 - A4 C5 E5 - A4 C5 E5 -",
            "A4 A4 E5 A4 A4 E5 A4 A4 E5",
            "A4 C5 E5 A4 C5 E5 A4 D5 E5")) {
      assertThat(figures(notes)).as(notes).noneMatch(Figures.Figure::swing);
    }
    assertThat(figures("A4 C5 E5 A4 C5 E5 A4 C5 E5")).anyMatch(Figures.Figure::swing);
  }

  private static List<Integer> strings(Fingering f, int from, int length) {
    return f.notes().subList(from, from + length).stream()
        .map(n -> n.orElseThrow().string())
        .toList();
  }

  @Test
  void noMomentBelongsToTwoFigures() {
    List<Figures.Figure> found =
        figures("G4 A4 B4 C5 G4 A4 B4 C5 G4 A4 B4 C5 G4 A4 B4 C5 D5 G4 D5 G4 D5 G4 D5 G4");
    found.removeIf(Figures.Figure::swing); // A swing lies within them.
    long moments = found.stream().mapToLong(f -> (long) f.length() * f.starts().size()).sum();
    long different =
        found.stream()
            .flatMapToInt(
                f ->
                    f.starts().stream()
                        .flatMapToInt(s -> java.util.stream.IntStream.range(s, s + f.length())))
            .distinct()
            .count();
    assertThat(different).isEqualTo(moments);
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void likenessCostsLittleAndTheGapIsTold(InstrumentType type) {
    String figure =
        switch (type) {
          case VIOLIN, VIOLA -> "D5 E5 F5 A5 ";
          case CELLO -> "C4 D4 E4 G4 ";
          case BASS -> "F2 G2 A2 C3 ";
        };
    String other = type == InstrumentType.BASS ? "E2 F#2 D2 A2 " : "A4 G4 C4 D4 ";
    ResolvedPassage p = Exercises.line(figure + other + figure + figure + other, EIGHTH);
    FingeringSolver solver = new FingeringSolver(Exercises.task(type, p, 90));
    Fingering free = solver.best();
    Fingering alike = solver.consistent();
    assertThat(alike.handEffort() - free.handEffort())
        .isCloseTo(alike.alike().overFree(), within(1e-9))
        .isBetween(-1e-9, PRICE * 4);
    assertThat(alike.effort())
        .as("with what it costs to be unlike")
        .isLessThanOrEqualTo(free.effort());
    assertThat(alike.explanation().shares().stream().mapToDouble(s -> s.effort()).sum())
        .isCloseTo(alike.effort(), within(1e-9));
    if (alike.alike().figures() > 0) {
      for (int i = 0; i < 4; i++) {
        NoteFinger first = alike.notes().get(i).orElseThrow();
        assertThat(alike.notes().get(8 + i).orElseThrow().samePlace(first)).isTrue();
        assertThat(alike.notes().get(12 + i).orElseThrow().samePlace(first)).isTrue();
      }
    }
  }

  @Test
  void aFingeringStandsWithinItsRangeOfAWeightAndFallsOutsideIt() {
    ResolvedPassage p = Exercises.line("B4 D5 F5 A5 C6 A5 F5 D5", EIGHTH);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 90);
    FingeringSolver solver = new FingeringSolver(task);
    Fingering best = solver.best();
    int bounded = 0;
    for (EffortKind kind : EffortKind.values()) {
      double now = task.preset().weight(kind);
      WeightRange range = solver.weightRange(best, kind);
      assertThat(range.least()).as("%s", kind).isLessThanOrEqualTo(now + 1e-9);
      assertThat(range.most()).as("%s", kind).isGreaterThanOrEqualTo(now - 1e-9);
      if (Double.isFinite(range.most())) {
        bounded++;
        double inside = now + 0.9 * (range.most() - now);
        double outside = range.most() + 0.05 * Math.max(0.05, range.most());
        assertThat(bestAt(task, kind, inside))
            .isCloseTo(heldAt(best, kind, now, inside), within(1e-6));
        assertThat(bestAt(task, kind, outside)).isLessThan(heldAt(best, kind, now, outside) - 1e-9);
      }
    }
    assertThat(bounded).as("some weights change it").isPositive();
  }

  private static double bestAt(FingeringTask task, EffortKind kind, double weight) {
    return new FingeringSolver(task.withPreset(task.preset().with("x", Map.of(kind, weight))))
        .best()
        .effort();
  }

  /** The effort of a fingering that is held while one weight moves. */
  private static double heldAt(Fingering f, EffortKind kind, double now, double weight) {
    double quantity =
        f.explanation().shares().stream()
            .filter(s -> s.id().equals(kind.id()))
            .mapToDouble(s -> s.quantity())
            .sum();
    return f.effort() + (weight - now) * quantity;
  }

  @Test
  void theSameTaskGivesTheSameAnswer() {
    ResolvedPassage p = Exercises.line("G3 B4 D5 F5 A5 C6 G4 E4 D4 F#4 B5 E5", EIGHTH);
    for (InstrumentType type : new InstrumentType[] {InstrumentType.VIOLIN, InstrumentType.CELLO}) {
      FingeringTask task = Exercises.task(type, p, 100);
      assertThat(new FingeringSolver(task).alternatives(4).stream().map(Fingering::notes))
          .isEqualTo(
              new FingeringSolver(task).alternatives(4).stream().map(Fingering::notes).toList());
    }
  }

  /** Strings of one instrument are alike but for terms that name them: the hand does the same. */
  @Test
  void aPassageMovedToTheNextStringKeepsItsFingers() {
    String onD = "E4 F4 G4 A4 Bb4 C5 D5 C5 Bb4 A4 F4 E4";
    String onA = "B4 C5 D5 E5 F5 G5 A5 G5 F5 E5 C5 B4";
    assertThat(digitsOn(onD, 3)).isEqualTo(digitsOn(onA, 2));
  }

  private static String digitsOn(String notes, int string) {
    ResolvedPassage p = Exercises.line(notes, EIGHTH);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 80);
    List<NoteRule> rules =
        java.util.stream.IntStream.range(0, p.notes().size())
            .mapToObj(i -> NoteRule.onString(i, string))
            .toList();
    FingeringTask neutral =
        task.withPreset(task.preset().with("neutral", Map.of(EffortKind.HIGH_ON_LOW, 0.0)))
            .withRules(rules);
    return Exercises.digits(new FingeringSolver(neutral).best());
  }

  /** With the fingering held, less time never makes a term of time pressure smaller. */
  @ParameterizedTest
  @EnumSource(
      value = EffortKind.class,
      names = {"RUSH", "SAME_FINGER", "SLIDE", "WEAK_PAIR", "LANDING"})
  void fasterNeverLowersTimePressure(EffortKind kind) {
    ResolvedPassage p = Exercises.line("D5 E5 D5 A5 B4 F#5 G5 D5 E5 F5 C6 B5", EIGHTH);
    FingeringTask slow = Exercises.task(InstrumentType.VIOLIN, p, 40);
    Map<Integer, NoteFinger> held = new java.util.HashMap<>();
    new FingeringSolver(slow)
        .best()
        .notes()
        .forEach(n -> held.put(n.orElseThrow().note(), n.orElseThrow()));
    double before = 0;
    for (int tempo = 40; tempo <= 200; tempo += 40) {
      double amount =
          new FingeringSolver(Exercises.task(InstrumentType.VIOLIN, p, tempo).withFixed(held))
              .best().explanation().shares().stream()
                  .filter(s -> s.id().equals(kind.id()))
                  .mapToDouble(s -> s.quantity())
                  .sum();
      assertThat(amount).isGreaterThanOrEqualTo(before - 1e-9);
      before = amount;
    }
  }

  @Test
  void aTallyCountsWhatPlayersCompare() {
    ResolvedPassage p = Exercises.line("G4 A4 B4 G5 D5", EIGHTH);
    Fingering f =
        new FingeringSolver(
                Exercises.task(InstrumentType.VIOLIN, p, 80)
                    .withRules(
                        List.of(
                            NoteRule.pin(0, fret.instrument.Finger.THIRD, 3),
                            NoteRule.pin(1, fret.instrument.Finger.OPEN, 2),
                            NoteRule.pin(2, fret.instrument.Finger.FIRST, 2),
                            NoteRule.pin(3, fret.instrument.Finger.SECOND, 1),
                            NoteRule.pin(4, fret.instrument.Finger.FIRST, 2))))
            .best();
    Tally t = Tally.of(f);
    assertThat(t.shifts()).isEqualTo(1);
    assertThat(t.openStrings()).isEqualTo(1);
    assertThat(t.crossings()).isEqualTo(3);
    assertThat(t.fourths()).isZero();
    assertThat(t.travelMm()).isCloseTo(46.49, within(0.01));
    assertThat(t.hardest()).isPresent();
  }

  /**
   * A bar that comes back behind another one: left free it is as easy as can be, wanted it is one.
   */
  @Test
  void whatComesBackIsAlikeOrVariedAsThePlayerWants() {
    ResolvedPassage p =
        Exercises.line("E5 F5 G5 A5 B5 C6 D6 E6 E5 F5 G5 A5 G5 F5 E5 D5", Fraction.of(1, 8));
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 120);
    Fingering varied = answer(task, ReturnsWish.VARIED);
    Fingering usual = answer(task, ReturnsWish.USUAL);
    Fingering alike = answer(task, ReturnsWish.ALIKE);
    assertThat(varied.notes()).isEqualTo(new FingeringSolver(task).best().notes());
    assertThat(varied.effort()).isEqualTo(varied.handEffort());
    assertThat(varied.alike().figures()).isZero();
    assertThat(alike.alike().figures()).isPositive();
    assertThat(alike.handEffort() - varied.handEffort())
        .as("its price is told")
        .isCloseTo(alike.alike().overFree(), within(1e-9));
    assertThat(usual.handEffort()).isBetween(varied.handEffort() - 1e-9, alike.handEffort() + 1e-9);
    assertThat(fingers(alike, 0)).isEqualTo(fingers(alike, 8));
    assertThat(fingers(varied, 0)).isNotEqualTo(fingers(varied, 8));
  }

  /** Five times a figure, the last one led on to another note: one odd place drags none along. */
  @ParameterizedTest
  @ValueSource(ints = {60, 80, 100, 120})
  void anOddRepeatDoesNotDragTheOthersAlong(int quarters) {
    String figure = "B5 C6 D6 Eb6 ";
    ResolvedPassage p = Exercises.line(figure.repeat(5) + "F6", Fraction.of(1, 16));
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, quarters);
    Fingering free = new FingeringSolver(task).best();
    Fingering usual = answer(task, ReturnsWish.USUAL);
    assertThat(usual.effort()).isLessThanOrEqualTo(free.effort());
    for (int at = 0; at < 16; at += 4) {
      assertThat(fingers(usual, at)).as("at %d", at).isEqualTo(fingers(usual, 0));
      for (int i = at + 1; i < at + 4; i++) {
        assertThat(usual.notes().get(i).orElseThrow().finger())
            .as("no slide at %d", i)
            .isNotEqualTo(usual.notes().get(i - 1).orElseThrow().finger());
      }
    }
  }

  /** One odd place among like ones is a reason of its own, and all reasons sum to the effort. */
  @ParameterizedTest
  @ValueSource(ints = {60, 80, 100, 120, 144})
  void whatIsUnlikeIsAReasonAndAlternativesStandInOrder(int quarters) {
    String figure = "B5 C6 D6 Eb6 ";
    String between = "G5 E5 A5 F5 ";
    ResolvedPassage p =
        Exercises.line(
            figure + between + figure + "D5 B4 E5 G5 " + figure + "A5 D5 F5 E5 " + figure + "F6",
            Fraction.of(1, 16));
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, quarters);
    FingeringSolver solver = new FingeringSolver(task);
    Fingering first = solver.consistent();
    List<Fingering> others = solver.alternativesTo(first, 4);
    assertThat(others)
        .hasSize(4)
        .isSortedAccordingTo(java.util.Comparator.comparingDouble(Fingering::effort))
        .allSatisfy(f -> assertThat(f.effort()).isGreaterThanOrEqualTo(first.effort() - 1e-9));
    for (Fingering f : others) {
      double unlike = f.effort() - f.handEffort();
      long odd =
          java.util.stream.IntStream.range(0, 4)
              .mapToObj(i -> fingers(f, 8 * i))
              .collect(
                  java.util.stream.Collectors.groupingBy(
                      w -> w, java.util.stream.Collectors.counting()))
              .values()
              .stream()
              .mapToLong(n -> n)
              .max()
              .orElseThrow();
      assertThat(unlike).as("odd places").isCloseTo((4 - odd) * PRICE, within(1e-9));
      assertThat(f.explanation().shares().stream().mapToDouble(s -> s.effort()).sum())
          .isCloseTo(f.effort(), within(1e-9));
    }
  }

  @Test
  void eachReturnIsAnotherWayWhereThatIsWanted() {
    ResolvedPassage p =
        Exercises.line("E5 F5 G5 A5 B4 C5 D5 E5 E5 F5 G5 A5 E5 F5 G5 A5", Fraction.of(1, 8));
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 80);
    Fingering other = answer(task, ReturnsWish.OTHERWISE);
    assertThat(fingers(other, 8)).isNotEqualTo(fingers(other, 0));
    assertThat(fingers(other, 12)).isNotEqualTo(fingers(other, 8));
    assertThat(other.handEffort()).as("as easily as that can be").isBetween(0.0, 6.0);
  }

  private static Fingering answer(FingeringTask task, ReturnsWish returns) {
    return new FingeringSolver(task.withWishes(Wishes.NONE.withReturns(returns))).consistent();
  }

  private static List<String> fingers(Fingering f, int from) {
    return f.notes().subList(from, from + 4).stream()
        .map(n -> n.orElseThrow().string() + n.get().fingers())
        .toList();
  }
}
