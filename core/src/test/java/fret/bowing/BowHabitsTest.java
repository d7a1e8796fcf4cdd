package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowHabit.Way;
import fret.instrument.InstrumentType;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Where players differ: each way changes just what it says. */
class BowHabitsTest {
  private static BowTask task(String words) {
    return Lines.task(InstrumentType.CELLO, Lines.of(4, 4, words), 60);
  }

  private static Bowing with(BowTask task, BowHabit habit, Way way) {
    return new BowSolver(task.withHabits(task.habits().with(habit, way))).best();
  }

  private static Stroke.Note note(Bowing b, int moment) {
    return b.strokeAt(moment).orElseThrow().at(moment);
  }

  /** The hand shifts into a moment. */
  private static BowTask shiftInto(BowTask task, int moment) {
    List<HandAt> hand = new ArrayList<>(task.hand());
    HandAt at = hand.get(moment);
    hand.set(moment, new HandAt(at.strings(), at.stopped(), true));
    return task.withHand(hand);
  }

  @ParameterizedTest
  @EnumSource(BowHabit.class)
  void theFirstWayIsTheUsualOneAndCostsNoRoom(BowHabit habit) {
    assertThat(habit.ways()).hasSizeGreaterThan(1).doesNotHaveDuplicates();
    BowHabits same = BowHabits.USUAL.with(habit, habit.ways().get(0));
    assertThat(same).isEqualTo(BowHabits.USUAL);
    BowHabits other = BowHabits.USUAL.with(habit, habit.ways().get(1));
    assertThat(other.way(habit)).isEqualTo(habit.ways().get(1));
    assertThat(other.with(habit, habit.ways().get(0))).isEqualTo(BowHabits.USUAL);
  }

  @Test
  void nonsenseIsRefusedByName() {
    assertThatThrownBy(
            () -> new BowHabits(Map.of(BowHabit.SOUND, Way.TIP), List.of(), ShortPlaces.USUAL))
        .hasMessageContaining("TIP is no way of SOUND");
    assertThatThrownBy(() -> BowHabits.USUAL.withString(2, 1.7)).hasMessageContaining("1.7");
  }

  @Test
  void weightTakesOverFromSpeed() {
    assertThat(BowHabits.USUAL.speed()).isEqualTo(1);
    BowHabits weight = BowHabits.USUAL.with(BowHabit.SOUND, Way.BY_WEIGHT);
    assertThat(weight.speed()).isEqualTo(0.8);
    BowTask t = task("A3:2 G3:2");
    double usual = note(new BowSolver(t).best(), 0).force();
    double leaning = note(with(t, BowHabit.SOUND, Way.BY_WEIGHT), 0).force();
    assertThat(leaning).isCloseTo(usual + 0.1, within(1e-9));
  }

  @Test
  void atAShiftInASlurTheBowIsLightenedOrStops() {
    BowTask t = shiftInto(task("(F3:4 G3:4) A3:4 B3:4"), 1);
    Bowing usual = new BowSolver(t).best();
    Bowing light = with(t, BowHabit.SHIFT, Way.LIGHTENED);
    Bowing stopped = with(t, BowHabit.SHIFT, Way.STOPPED);
    assertThat(note(light, 0).force()).isCloseTo(note(usual, 0).force() / 2, within(1e-9));
    assertThat(note(light, 1).force()).isEqualTo(note(usual, 1).force());
    assertThat(note(usual, 0).sounds()).isEqualTo(1);
    assertThat(note(stopped, 0).sounds()).as("100 of 1000 ms").isCloseTo(0.9, within(1e-9));
    assertThat(note(stopped, 1).sounds()).isEqualTo(1);
    BowTask apart = shiftInto(task("F3:4 G3:4 A3:4 B3:4"), 1);
    assertThat(note(with(apart, BowHabit.SHIFT, Way.STOPPED), 0).sounds())
        .as("between two strokes there is nothing to stop")
        .isEqualTo(1);
  }

  @Test
  void theLastNoteBeforeASilenceIsHeldOver() {
    Bowing over = with(task("A3:4 G3:4 -:4 A3:4"), BowHabit.LAST, Way.OVER);
    assertThat(note(over, 0).sounds()).isEqualTo(1);
    assertThat(note(over, 1).sounds()).isEqualTo(1.1);
  }

  /** By choice the last note of each slur is full, also under a dot, with a tenth more bow. */
  @Test
  void theLastNoteOfEachSlurIsFull() {
    String words = "(A3:4 G3:4') (A3:4 G3:4)";
    Bowing usual = new BowSolver(task(words)).best();
    Bowing full = with(task(words), BowHabit.LAST, Way.EACH_BOW);
    assertThat(note(usual, 1).sounds()).isLessThan(1);
    assertThat(note(full, 1).sounds()).isEqualTo(1);
    BowTask open = task("(A3:4 G3:4 A3:4 G3:4)");
    BowTask broken = open.withRules(BowRules.NONE.withJoints(Map.of(2, BowRules.Joint.BREAK)));
    Bowing halves = with(broken, BowHabit.LAST, Way.EACH_BOW);
    assertThat(note(halves, 1).bowCm() / note(halves, 0).bowCm())
        .as("of the bow as it is taken, not as printed")
        .isCloseTo(1.1, within(0.02));
    double share = note(full, 3).bowCm() / note(full, 2).bowCm();
    assertThat(share)
        .isCloseTo(1.1 * note(usual, 3).bowCm() / note(usual, 2).bowCm(), within(0.02));
  }

  @Test
  void aLoudInnerStringIsPlayedCleanly() {
    BowTask t = task("{f} F3:4 A3:4");
    Bowing usual = new BowSolver(t).best();
    Bowing clean = with(t, BowHabit.INNER, Way.CLEAN);
    assertThat(t.hand().get(0).strings()).containsExactly(2);
    assertThat(note(clean, 0).force()).isCloseTo(note(usual, 0).force() - 0.12, within(1e-9));
    assertThat(note(clean, 1).force()).as("the top string").isEqualTo(note(usual, 1).force());
  }

  @Test
  void anAccentIsMadeOnItsNoteOrByTheNotesAroundIt() {
    BowTask t = task("(F3:4 G3:4> A3:4 B3:4)");
    Stroke on = new BowSolver(t).best().strokes().get(0);
    Stroke around = with(t, BowHabit.ACCENT, Way.AROUND_IT).strokes().get(0);
    assertThat(on.notes().get(1).bowCm() / on.notes().get(3).bowCm()).isCloseTo(1.3, within(1e-6));
    assertThat(around.notes().get(0).bowCm())
        .isCloseTo(around.notes().get(2).bowCm(), within(1e-6));
    assertThat(around.notes().get(1).bowCm() / around.notes().get(0).bowCm())
        .isCloseTo(1.3, within(1e-6));
    assertThat(around.notes().get(1).bowCm())
        .as("the note that is no neighbour keeps its own")
        .isCloseTo(around.notes().get(3).bowCm(), within(1e-6));
  }

  @Test
  void eachStringHasItsOwnShare() {
    BowTask t = task("(F3:8 B3:8)");
    BowHabits habits = BowHabits.USUAL.withString(1, 0.5);
    Stroke s = new BowSolver(t.withHabits(habits)).best().strokes().get(0);
    assertThat(s.notes().get(1).bowCm()).isCloseTo(s.notes().get(0).bowCm() / 2, within(1e-6));
    assertThat(habits.share(4)).isEqualTo(1);
  }

  @Test
  void whoCrossesAtTheTipEndsUpNearerToIt() {
    BowTask t = task("{pp} A3:8 C2:8 A3:8 C2:8 A3:8 C2:8 A3:8 C2:8");
    double middle = meanPlace(new BowSolver(t).best());
    double tip = meanPlace(with(t, BowHabit.WIDE, Way.TIP));
    assertThat(tip).isGreaterThan(middle + 5);
  }

  private static double meanPlace(Bowing b) {
    return b.strokes().stream()
        .mapToDouble(s -> (s.startCm() + s.endCm()) / 2)
        .average()
        .orElseThrow();
  }

  /** sin 3 degrees times the bow of the chord. */
  @Test
  void figuresCanBeChecked() {
    BowTask t = task("C2+G2+E3:2 F3:4 -:4 A3:4 G2+D3:4");
    Bowing b = with(t, BowHabit.CHORD, Way.TURNED);
    BowTask turned = t.withHabits(t.habits().with(BowHabit.CHORD, Way.TURNED));
    double cm = b.strokes().get(0).bowCm();
    HabitFigures figures = new HabitFigures(b, turned);
    assertThat(figures.of(BowHabit.CHORD).args())
        .containsExactly(3L, Math.round(cm), Math.round(10 * cm * 0.0523));
    assertThat(figures.of(BowHabit.START).args()).startsWith(2L, 150L);
    assertThat(figures.of(BowHabit.LAST).args().get(0)).isEqualTo(1L);
    assertThat(figures.of(BowHabit.PAIR).args()).startsWith(1L, 60L, 40L);
    assertThat(figures.of(BowHabit.SOUND).args()).containsExactly(34L);
    for (BowHabit habit : BowHabit.values()) {
      assertThat(figures.of(habit).id()).startsWith("habit." + habit + ".");
    }
  }

  // ---- what is pointed out ---------------------------------------------------------------------

  private static List<BowWarning> of(BowWarning.Kind kind, Bowing b, BowTask task) {
    return BowWarning.of(b, task).stream().filter(w -> w.kind() == kind).toList();
  }

  /** Three strokes in one beat turn the following beats round. */
  @Test
  void aPatternThatTurnsAgainstTheBeatIsPointedOut() {
    String words =
        "A3:8 B3:8 A3:8 B3:8 A3:8 (A3:16 B3:16) A3:8 B3:8 | "
            + "A3:8 B3:8 (A3:16 B3:16) A3:8 A3:16 A3:16 B3:8 A3:8v B3:8 | A3:8v B3:8 A3:8 B3:8 A3:2";
    ResolvedPassage line = Lines.of(4, 4, words);
    BowTask t = Lines.task(InstrumentType.CELLO, line, 60);
    List<BowWarning> flips = of(BowWarning.Kind.FLIP, new BowSolver(t).best(), t);
    assertThat(flips).hasSize(1);
    assertThat(flips.get(0).bar()).isEqualTo("2");
    assertThat(flips.get(0).cures()).extracting(Cure::kind).containsExactly(Cure.Kind.TURN_ROUND);
    BowTask even = task("A3:8 B3:8 A3:8 B3:8 A3:8 B3:8 A3:8 B3:8 | A3:8 B3:8 A3:8 B3:8 A3:2");
    assertThat(of(BowWarning.Kind.FLIP, new BowSolver(even).best(), even)).isEmpty();
  }

  /** A D A D turned to D A D A: the pedal note leaves the beat. */
  @Test
  void aPedalThatLeavesTheBeatIsPointedOut() {
    String words = "D3:8 B3:8 D3:8 B3:8 D3:8 B3:8 D3:8 B3:8 | B3:8 D3:8 B3:8 D3:8 B3:8 D3:8 B3:4";
    BowTask t = task(words);
    List<BowWarning> flips = of(BowWarning.Kind.FLIP, new BowSolver(t).best(), t);
    assertThat(flips).singleElement().satisfies(w -> assertThat(w.bar()).isEqualTo("2"));
    assertThat(flips.get(0).message().id()).isEqualTo("bow.flip.string");
    assertThat(flips.get(0).message().args()).as("on the player's notes").contains("B3", "D3");
  }

  /** High on a lower string: 1.1 times the bow, until the player refuses. */
  @Test
  void aHighNoteOnALowerStringGetsASmallStart() {
    BowTask t = task("F3:8 A3:8");
    List<HandAt> hand =
        List.of(new HandAt(List.of(3), 17, false), new HandAt(List.of(1), 0, false));
    BowTask high = t.withHand(hand);
    Bowing b = new BowSolver(high).best();
    List<BowWarning> late = of(BowWarning.Kind.SPEAKS_LATE, b, high);
    assertThat(late).hasSize(1);
    double started = b.strokes().get(0).naturalCm();
    BowTask refused = high.withRules(BowRules.NONE.withAmounts(Map.of(0, 1.0)));
    Bowing without = new BowSolver(refused).best();
    assertThat(started / without.strokes().get(0).naturalCm()).isCloseTo(1.1, within(1e-9));
    assertThat(of(BowWarning.Kind.SPEAKS_LATE, without, refused)).isEmpty();
  }
}
