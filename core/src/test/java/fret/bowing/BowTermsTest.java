package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowTerms.On;
import fret.bowing.BowTerms.Term;
import fret.instrument.InstrumentType;
import fret.search.RulerProblem;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Each reason alone, on a violin of 62 cm of hair, worked by hand. A quarter at 60 and mf takes 24
 * cm.
 */
class BowTermsTest {
  /** What the bow pays for between two strokes; see {@link BowJoinsTest}. */
  private static final Set<BowEffort> BETWEEN =
      EnumSet.of(
          BowEffort.HOOK,
          BowEffort.HOOK_DOTTED,
          BowEffort.HOOK_LEAP,
          BowEffort.RETAKE,
          BowEffort.RETAKE_PAID,
          BowEffort.RETAKE_TIME,
          BowEffort.RETAKE_LATE,
          BowEffort.RETAKE_WAY);

  private static BowTask task(String words) {
    return Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 60);
  }

  private static BowSpan span(BowTask task, int layer) {
    return new BowProblem(task).spans(layer).get(0);
  }

  private static double amount(BowTask task, BowSpan span, BowEffort kind, On on, double at) {
    List<Term> all =
        new BowTerms(task.bow(), InstrumentType.VIOLIN, task.preset(), task.habits())
            .all().stream().filter(t -> t.kind() == kind && t.on() == on).toList();
    assertThat(all).as(kind + " on " + on).hasSize(1);
    return all.get(0).amount().of(span, at);
  }

  private static double side(String words, int layer, BowEffort kind, boolean down) {
    BowTask task = task(words);
    double side = down ? RulerProblem.DOWN : RulerProblem.UP;
    return amount(task, span(task, layer), kind, On.SIDE, side);
  }

  private static double on(On on, String words, BowEffort kind, double at) {
    BowTask task = task(words);
    return amount(task, span(task, 0), kind, on, at);
  }

  @Test
  void everyReasonIsPricedOnAStrokeOrBetweenTwo() {
    BowTask task = task("D5:4");
    Set<BowEffort> priced = EnumSet.copyOf(BETWEEN);
    new BowTerms(task.bow(), InstrumentType.VIOLIN, task.preset(), task.habits())
        .all()
        .forEach(t -> priced.add(t.kind()));
    priced.add(BowEffort.UNLIKE); // priced over the whole passage, see AlikeBowsTest
    assertThat(priced).containsExactlyInAnyOrder(BowEffort.values());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "UP_BEGIN; D5:4 E5:4; 0; 1",
        "UP_BEGIN; D5:4 E5:4; 1; 0",
        "UP_FIRST; D5:4 E5:4; 0; 1.3",
        "UP_FIRST; {p} D5:4 E5:4; 0; 1",
        "UP_FIRST; D5:4 E5:4 F5:4 G5:4 A5:4 B5:4; 4; 1",
        "UP_FIRST; D5:4 E5:4; 1; 0",
        "UP_BEAT; D5:4 E5:4 F5:4 G5:4; 1; 1",
        "UP_BEAT; D5:4 E5:4 F5:4 G5:4; 2; 0",
        "UP_HALF; D5:4 E5:4 F5:4 G5:4; 2; 1",
        "UP_HALF; D5:4 E5:4 F5:4 G5:4; 3; 0",
        "UP_BEAT; D5:8 E5:8; 1; 0",
        "UP_CHORD; G3+D4+B4:4; 0; 1",
        "UP_CHORD; D4+B4:4; 0; 0",
        "UP_ACCENT; D5:4>; 0; 1",
        "UP_ACCENT; D5:4'; 0; 0",
        "UP_FADE; {mp} {>} D5:4 E5:4 {p} {!} F5:2; 0; 0.5",
        "UP_FADE; {p} {<} D5:4 E5:4 {mp} {!} F5:2; 0; 0"
      })
  void anUpBow(BowEffort kind, String words, int layer, double amount) {
    assertThat(side(words, layer, kind, false)).isCloseTo(amount, within(1e-9));
    assertThat(side(words, layer, kind, true)).as("a down-bow").isZero();
  }

  /** A swell of more than a level counts as one; a pizzicato after 600 ms leaves the time. */
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "DOWN_SWELL; {p} {<} D5:4 E5:4 {mp} {!} F5:2; 0; 0.5",
        "DOWN_SWELL; {p} {<} (D5:4 E5:4) {f} {!} F5:2; 0; 1",
        "DOWN_SWELL; {f} {>} D5:4 E5:4 {p} {!} F5:2; 0; 0",
        "DOWN_PLUCK; D5:4 {pizz} E5:4; 0; 1",
        "DOWN_PLUCK; D5:4 -:4 {pizz} E5:4; 0; 0",
        "DOWN_PLUCK; D5:4 E5:4; 0; 0"
      })
  void aDownBow(BowEffort kind, String words, int layer, double amount) {
    assertThat(side(words, layer, kind, true)).isCloseTo(amount, within(1e-9));
    assertThat(side(words, layer, kind, false)).as("an up-bow").isZero();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "(A4:4 E5:4); 1",
        "(G3:4 E5:4); 3",
        "(A4:4 E5:4 A4:4 B4:4); 2",
        "(A4:4 A4+E5:4); 0",
        "(D4+A4:4 E5:4); 1",
        "E5:4; 0"
      })
  void stringsAreCrossedInsideAStroke(String words, double strings) {
    assertThat(side(words, 0, BowEffort.SLUR_CROSS, true)).isEqualTo(strings);
    assertThat(side(words, 0, BowEffort.SLUR_CROSS, false)).isEqualTo(strings);
  }

  @Test
  void aShiftCountsOnlyInsideAStroke() {
    BowTask plain = task("(E5:4 G5:4) (B5:4 G5:4)");
    List<HandAt> hand = new ArrayList<>(plain.hand());
    for (int m : new int[] {1, 2}) {
      HandAt at = hand.get(m);
      hand.set(m, new HandAt(at.strings(), at.stopped(), true));
    }
    BowTask task = plain.withHand(hand);
    assertThat(amount(task, span(task, 0), BowEffort.SLUR_SHIFT, On.SIDE, 0)).isEqualTo(1);
    assertThat(amount(task, span(task, 2), BowEffort.SLUR_SHIFT, On.SIDE, 0)).isZero();
  }

  @Test
  void aPrintedSlurIsBrokenAndPlainNotesAreJoined() {
    BowTask slurred = task("(D5:4 E5:4 F5:4 G5:4)");
    BowTask broken = slurred.withRules(BowRules.NONE.withJoints(Map.of(2, BowRules.Joint.BREAK)));
    assertThat(amount(broken, span(broken, 0), BowEffort.BROKEN, On.SIDE, 0)).isZero();
    assertThat(amount(broken, span(broken, 2), BowEffort.BROKEN, On.SIDE, 0)).isEqualTo(1);
    BowTask plain = task("D5:4 E5:4 F5:4 G5:4");
    BowTask joined =
        plain.withRules(
            BowRules.NONE.withJoints(Map.of(1, BowRules.Joint.SLUR, 2, BowRules.Joint.SLUR)));
    assertThat(amount(joined, span(joined, 0), BowEffort.JOINED, On.SIDE, 0)).isEqualTo(2);
    assertThat(amount(slurred, span(slurred, 0), BowEffort.JOINED, On.SIDE, 0)).isZero();
  }

  /** Of 24 cm: an octave less is 12, more is 48; under half it is thin, over double too fast. */
  @ParameterizedTest
  @CsvSource({
    "SAVE, 12, 1",
    "SAVE, 6, 2",
    "SAVE, 24, 0",
    "SAVE, 48, 0",
    "SPEND, 48, 1",
    "SPEND, 12, 0",
    "THIN, 12, 0",
    "THIN, 8.485, 0.5",
    "THIN, 6, 1",
    "THIN, 3, 1",
    "FAST, 48, 0",
    "FAST, 67.88, 0.5"
  })
  void octavesOfLength(BowEffort kind, double cm, double amount) {
    assertThat(on(On.OCTAVES, "D5:4", kind, BowTerms.log2(cm))).isCloseTo(amount, within(1e-3));
  }

  /** Eight seconds of forte want 272 cm: with all of 62 nothing more can be spent or saved. */
  @Test
  void saveAndSpendAreMeasuredAgainstTheHairThereIs() {
    String eight = "{f} (D5:1 | E5:1)";
    double all = BowTerms.log2(62);
    assertThat(on(On.OCTAVES, eight, BowEffort.SAVE, all)).isCloseTo(0, within(1e-9));
    assertThat(on(On.OCTAVES, eight, BowEffort.SPEND, all)).isCloseTo(0, within(1e-9));
    assertThat(on(On.LENGTH, eight, BowEffort.SHORT, 62)).isCloseTo(272 / 4.0 - 62, within(1e-6));
    assertThat(on(On.LENGTH, "D5:4", BowEffort.SHORT, 2)).isCloseTo(24 / 4.0 - 2, within(1e-6));
    assertThat(on(On.LENGTH, "D5:4", BowEffort.SHORT, 8)).isZero();
  }

  /** A tremolo trembles on the spot: no length is too short for it. */
  @Test
  void aTremoloHasNoLength() {
    BowTask task =
        task("D5:4 E5:4").withRules(BowRules.NONE.withKinds(Map.of(0, StrokeKind.TREMOLO)));
    BowSpan span = span(task, 0);
    assertThat(amount(task, span, BowEffort.SAVE, On.OCTAVES, BowTerms.log2(1))).isZero();
    assertThat(amount(task, span, BowEffort.SHORT, On.LENGTH, 1)).isZero();
    assertThat(span.least()).isZero();
    assertThat(span.most()).isZero();
  }

  /**
   * 15.6° of neighbours at 31 cm of lever: 8.4 cm; the weight ends at 24.8 cm; a spiccato lives
   * from 18.6 to 27.9; loud ends at 37.2 and soft begins at 24.8; 8 cm of each end are kept.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "CROSS_HAND; MIDDLE; (A4:4 E5:4); 31; 8.44",
        "CROSS_HAND; MIDDLE; (A4:4 B4:4); 31; 0",
        "WEIGHT_PLACE; START; D5:4>; 40; 15.2",
        "WEIGHT_PLACE; START; D5:4>; 20; 0",
        "WEIGHT_PLACE; START; G3+D4+B4:4; 30; 5.2",
        "WEIGHT_PLACE; START; D5:4; 40; 0",
        "KIND_PLACE; MIDDLE; D5:16' E5:16'; 10; 8.6",
        "KIND_PLACE; MIDDLE; D5:16' E5:16'; 20; 0",
        "KIND_PLACE; MIDDLE; D5:16' E5:16'; 30; 2.1",
        "KIND_PLACE; MIDDLE; D5:4; 3; 0",
        "SWEEP_PLACE; UP_START; {f} D5:2; 50; 12",
        "SWEEP_PLACE; UP_START; {f} D5:2; 62; 0",
        "SWEEP_PLACE; UP_START; {f} D5:8; 50; 0",
        "SWEEP_PLACE; UP_START; {mp} D5:2; 50; 0",
        "SWEEP_PLACE; UP_START; {f} D5:2>; 50; 0",
        "LOUD_PLACE; MIDDLE; {f} D5:4; 50; 12.8",
        "LOUD_PLACE; MIDDLE; {f} D5:4; 10; 0",
        "LOUD_PLACE; MIDDLE; {pp} D5:1; 10; 14.8",
        "LOUD_PLACE; MIDDLE; {pp} D5:4; 10; 0",
        "PLAIN_PLACE; MIDDLE; {pp} D5:4; 10; 35.46",
        "PLAIN_PLACE; MIDDLE; {pp} D5:4; 30; 4.32",
        "PLAIN_PLACE; MIDDLE; {ff} D5:16; 40; 11.3",
        "PLAIN_PLACE; MIDDLE; {mf} D5:4; 10; 0",
        "LOUD_PLACE; MIDDLE; {mf} D5:4; 60; 0",
        "RESERVE; END; D5:4; 60; 6",
        "RESERVE; END; D5:4; 3; 5",
        "RESERVE; END; D5:4; 31; 0"
      })
  void aPlace(BowEffort kind, On on, String words, double cm, double amount) {
    assertThat(on(on, words, kind, cm)).isCloseTo(amount, within(0.01));
  }

  /** Into a stroke the arm turns once; a rest of more than 200 ms turns it in peace. */
  @Test
  void theHandsWayIntoAStrokeIsPricedWhereItStarts() {
    BowTask near = task("A4:4 E5:4");
    assertThat(amount(near, span(near, 1), BowEffort.CROSS_HAND, On.START, 31))
        .isCloseTo(8.44, within(0.01));
    assertThat(amount(near, span(near, 0), BowEffort.CROSS_HAND, On.START, 31)).isZero();
    BowTask rested = task("A4:4 -:4 E5:4");
    assertThat(amount(rested, span(rested, 1), BowEffort.CROSS_HAND, On.START, 31)).isZero();
  }

  /** The search skips the middle where it says that nothing looks at it. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "D5:4",
        "{f} D5:4",
        "{pp} D5:4",
        "D5:16' E5:16'",
        "(A4:4 E5:4)",
        "G3+D4+B4:4",
        "(D5:4 E5:4)"
      })
  void whereNoMiddleIsLookedAtItCostsNothing(String words) {
    BowTask task = task(words);
    BowSpan span = span(task, 0);
    double most = 0;
    for (int cm = 0; cm <= 62; cm++) {
      most = Math.max(most, span.byMiddle(cm));
    }
    assertThat(span.hasMiddle()).isEqualTo(most > 0);
  }

  @Test
  void aMarkForbidsTheOtherDirectionAndAPinOtherPlaces() {
    BowSpan up = span(task("D5:4v"), 0);
    assertThat(up.bySide(RulerProblem.DOWN)).isInfinite();
    assertThat(up.bySide(RulerProblem.UP)).isFinite();
    BowTask pinned = task("D5:4").withRules(BowRules.NONE.withStarts(Map.of(0, 0.5)));
    BowSpan placed = span(pinned, 0);
    assertThat(placed.byStart(RulerProblem.DOWN, 31)).isFinite();
    assertThat(placed.byStart(RulerProblem.DOWN, 32)).isFinite();
    assertThat(placed.byStart(RulerProblem.DOWN, 33)).isInfinite();
  }

  @ParameterizedTest
  @ValueSource(strings = {"sure", "section", "solo", "light"})
  void everyPresetWeighsEveryReason(String id) {
    BowPreset preset = BowPreset.named(id).orElseThrow();
    assertThat(preset.weights()).hasSize(BowEffort.values().length);
    assertThat(preset.weight(BowEffort.UP_FIRST))
        .as("a first beat weighs more than a half bar, that more than another beat")
        .isGreaterThan(preset.weight(BowEffort.UP_HALF));
    assertThat(preset.weight(BowEffort.UP_HALF)).isGreaterThan(preset.weight(BowEffort.UP_BEAT));
    assertThat(100 * preset.weight(BowEffort.RETAKE_LATE))
        .as("the least that is late, over two first beats")
        .isGreaterThan(2);
  }
}
