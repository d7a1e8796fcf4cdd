package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is told of a bowing: where it will not speak, ways to travel, swings and counts. */
class BowToldTest {
  private static BowTask task(InstrumentType type, String words, double quarters) {
    return Lines.task(type, Lines.of(4, 4, words), quarters);
  }

  private static List<BowWarning> told(BowTask task, BowWarning.Kind kind) {
    Bowing b = new BowSolver(task).best();
    return BowWarning.of(b, task).stream().filter(w -> w.kind() == kind).toList();
  }

  private static BowTask from(BowTask task, double share) {
    return task.withRules(BowRules.NONE.withStarts(Map.of(0, share)));
  }

  @Test
  void aBounceFarFromWhereItLivesIsPointedOut() {
    BowTask free = task(InstrumentType.VIOLIN, "{\"spiccato\"} A4:8 A4:8 A4:8 A4:8 A4:2", 100);
    assertThat(told(free, BowWarning.Kind.WILL_NOT_SPEAK)).as("first choices speak").isEmpty();
    List<BowWarning> moved = told(from(free, 0.9), BowWarning.Kind.WILL_NOT_SPEAK);
    assertThat(moved).isNotEmpty();
    assertThat(moved.get(0).message().id()).isEqualTo("bow.no-bounce");
    Cure cure = moved.get(0).cures().get(0);
    double hair = free.bow().hairCm();
    assertThat(cure.cm() / hair).isBetween(StrokeKind.SPICCATO.from(), StrokeKind.SPICCATO.to());
    assertThat(told(from(free, cure.cm() / hair), BowWarning.Kind.WILL_NOT_SPEAK)).isEmpty();
  }

  @Test
  void anAccentOutOfSilenceAtTheTipHasNoWeight() {
    BowTask loud = task(InstrumentType.VIOLIN, "{f} A4:4v> -:4 A4:2", 80);
    assertThat(told(loud, BowWarning.Kind.WILL_NOT_SPEAK)).isEmpty();
    assertThat(told(from(loud, 0.97), BowWarning.Kind.WILL_NOT_SPEAK))
        .singleElement()
        .satisfies(w -> assertThat(w.message().id()).isEqualTo("bow.no-bite"));
  }

  /** common practice, no source: long low strings start slowly. */
  @Test
  void aLowStringThatBeginsSoftlyAtTheTipWillNotSpeak() {
    BowTask soft = task(InstrumentType.BASS, "{p} F1:4v -:4 F1:2", 80);
    assertThat(told(from(soft, 0.97), BowWarning.Kind.WILL_NOT_SPEAK))
        .singleElement()
        .satisfies(w -> assertThat(w.message().id()).isEqualTo("bow.no-start"));
    BowTask violin = task(InstrumentType.VIOLIN, "{p} A3:4v -:4 A3:2", 80);
    assertThat(told(from(violin, 0.97), BowWarning.Kind.WILL_NOT_SPEAK)).isEmpty();
  }

  /** A stroke that is to begin in the middle of the bow; the rest before it gives the way. */
  @Test
  void aStrokeThatRunsOutCanTravelThroughTheAir() {
    String words = "{ff} A4:8 -:8 A4:2. | A4:1";
    BowTask t = task(InstrumentType.VIOLIN, words, 50);
    BowTask held = t.withRules(BowRules.NONE.withStarts(Map.of(1, 0.5)));
    List<BowWarning> out = told(held, BowWarning.Kind.RUNS_OUT);
    assertThat(out).isNotEmpty();
    assertThat(
            out.stream()
                .flatMap(w -> w.cures().stream())
                .filter(c -> c.kind() == Cure.Kind.LIFT_AND_TRAVEL))
        .isNotEmpty()
        .allSatisfy(c -> assertThat(c.ms()).isCloseTo(BowJoins.needsMs(c.cm()), within(1e-9)));
  }

  @Test
  void aSwingIsACircleWithSeparateStrokesAndAWaveUnderASlur() {
    BowTask apart = task(InstrumentType.VIOLIN, "A4:8 E5:8 A4:8 E5:8 A4:8 E5:8 A4:8 E5:8", 90);
    Bowing b = new BowSolver(apart).best();
    List<Crossing> crossings = Crossing.of(b, apart.bow());
    Swing circle = Swing.of(b, crossings).get(0);
    assertThat(circle.circle()).isTrue();
    assertThat(circle.fromMoment()).isZero();
    assertThat(circle.toMoment()).isEqualTo(7);
    assertThat(circle.highCm())
        .isCloseTo(
            crossings.stream().mapToDouble(Crossing::hereCm).average().orElseThrow(), within(1e-9));
    assertThat(circle.downOnFirst()).isEqualTo(b.strokes().get(0).down());
    BowTask slurred =
        task(InstrumentType.VIOLIN, "(A4:8 E5:8 A4:8 E5:8) (A4:8 E5:8 A4:8 E5:8)", 90);
    Bowing wave = new BowSolver(slurred).best();
    assertThat(Swing.of(wave, Crossing.of(wave, slurred.bow())))
        .singleElement()
        .satisfies(s -> assertThat(s.circle()).isFalse());
  }

  @ParameterizedTest
  @ValueSource(strings = {"A4:8 B4:8 A4:8 B4:8 A4:2", "A4:8 E5:8 A4:8 E5:8 A4:2", "A4:1"})
  void fiveNotesOrOneStringAreNoSwing(String words) {
    BowTask t = task(InstrumentType.VIOLIN, words, 90);
    Bowing b = new BowSolver(t).best();
    assertThat(Swing.of(b, Crossing.of(b, t.bow()))).isEmpty();
  }

  @Test
  void notesAreCountedOnEachStringAndInEachStroke() {
    BowTask t = task(InstrumentType.VIOLIN, "(A4:8 B4:8) E5:4 D4+A4:2", 90);
    BowCounts counts = BowCounts.of(new BowSolver(t).best());
    assertThat(counts.onString()).containsEntry(1, 1).containsEntry(2, 3).containsEntry(3, 1);
    assertThat(counts.inStroke()).containsEntry(1, 2).containsEntry(2, 1);
  }
}
