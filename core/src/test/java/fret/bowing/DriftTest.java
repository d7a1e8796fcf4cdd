package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Uneven patterns walk the bow; worked examples of equal speeds. */
class DriftTest {
  /** Three slurred and one separate, so fast that a stroke of three is 12 cm and of one 4 cm. */
  private static Bowing threeAndOne(int times) {
    String words =
        IntStream.range(0, times)
            .mapToObj(i -> "(A4:16 B4:16 A4:16) B4:16")
            .collect(Collectors.joining(" "));
    double sixteenthMs = 4 / 24.0 * 1000; // mf: 24 cm a second
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 15000 / sixteenthMs);
    return new BowSolver(task).best();
  }

  @Test
  void threeAndOneWalksTwoUnitsATimeAndBreaksInTheEighth() {
    List<Drift> all = Drift.of(threeAndOne(12), 62, BowPreset.SURE);
    assertThat(all).hasSize(1);
    Drift d = all.get(0);
    assertThat(d.times()).isEqualTo(12);
    assertThat(d.cmPerTime()).isCloseTo(8, within(1e-6));
    assertThat(d.breaksInTime()).isEqualTo(8);
  }

  /** It comes out even at 8 and 8: two thirds of the speed and double. */
  @Test
  void thePlayersWayOutIsPlanned() {
    Bowing b = threeAndOne(12);
    double net = 0;
    for (Stroke s : b.strokes()) {
      net += s.down() ? s.bowCm() : -s.bowCm();
      assertThat(s.missingCm()).isZero();
    }
    assertThat(Math.abs(net)).isLessThan(62);
    Cure faster = Drift.of(b, 62, BowPreset.SURE).get(0).cures().get(0);
    assertThat(faster.kind()).isEqualTo(Cure.Kind.ODD_FASTER);
    assertThat(faster.cm()).isCloseTo(12, within(1e-6));
    assertThat(faster.cmPerS()).isCloseTo(72, within(0.5));
  }

  /** Cheapest cycle: 12 and 4 cm come out even at 8 and 8, two thirds of the speed and double. */
  @Test
  void thePatternComesOutEvenAtEightAndEight() {
    Drift d = Drift.of(threeAndOne(12), 62, BowPreset.SURE).get(0);
    assertThat(d.steady().orElseThrow().cm()).containsExactly(8, 8);
    assertThat(d.cures())
        .filteredOn(c -> c.kind() == Cure.Kind.EVEN_OUT)
        .singleElement()
        .satisfies(c -> assertThat(c.cm()).isEqualTo(8))
        .satisfies(c -> assertThat(c.cmPerS()).isCloseTo(48, within(0.1)));
  }

  /** All ways of four strokes tried one by one find nothing cheaper. */
  @Test
  void theCheapestCycleIsTheCheapest() {
    List<Stroke> pattern = threeAndOne(4).strokes().subList(0, 4);
    SteadyState found = SteadyState.of(pattern, 30, BowPreset.SURE).orElseThrow();
    double least = Double.POSITIVE_INFINITY;
    for (int a = 0; a <= 30; a++) {
      for (int b = 0; b <= 30; b++) {
        for (int c = 0; c <= 30; c++) {
          int d = a - b + c;
          if (d >= 0 && d <= 30) {
            least = Math.min(least, effort(pattern, a, b, c, d));
          }
        }
      }
    }
    assertThat(found.effort()).isCloseTo(least, within(1e-5));
    assertThat(found.cm().get(0) - found.cm().get(1) + found.cm().get(2) - found.cm().get(3))
        .isZero();
  }

  private static double effort(List<Stroke> pattern, int... cm) {
    double sum = 0;
    for (int i = 0; i < cm.length; i++) {
      double share = cm[i] / pattern.get(i).naturalCm();
      double octaves = Math.abs(Math.log(Math.max(1e-9, share)) / Math.log(2));
      boolean out = share < BowSpeed.LEAST - 1e-9 || share > BowSpeed.MOST + 1e-9;
      double thin = share < 0.5 ? (octaves - 1) * BowPreset.SURE.weight(BowEffort.THIN) : 0;
      sum += out ? 1e9 : octaves * BowPreset.SURE.weight(BowEffort.SAVE) + thin;
    }
    return sum;
  }

  @Test
  void evenPatternsDoNotDrift() {
    BowTask task =
        Lines.task(
            InstrumentType.VIOLIN, Lines.of(4, 4, "A4:8 B4:8 A4:8 B4:8 A4:8 B4:8 A4:8 B4:8"), 100);
    assertThat(Drift.of(new BowSolver(task).best(), 62, BowPreset.SURE)).isEmpty();
  }

  /**
   * Eight equal notes in 62 cm: 7.75 each; nine in 57: 6.33; four saved and one threefold: 8.1,
   * 24.4.
   */
  @Test
  void aStrokeIsSharedByTimeAndByWhatThePlayerSpends() {
    String eight = "(A4:8 B4:8 A4:8 B4:8 A4:8 B4:8 A4:8 B4:8)";
    Bowing b = new BowSolver(Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, eight), 60)).best();
    assertThat(b.strokes()).hasSize(1);
    double cm = b.strokes().get(0).bowCm();
    assertThat(b.strokes().get(0).notes())
        .allSatisfy(n -> assertThat(n.bowCm()).isCloseTo(cm / 8, within(1e-6)));
    assertThat(cm).isCloseTo(62, within(0.2));
    String five = "(A4:4 B4:4 A4:4 B4:4 A4:4)";
    BowTask task = Lines.task(InstrumentType.CELLO, Lines.of(5, 4, five), 60);
    BowRules spent = BowRules.NONE.withAmounts(java.util.Map.of(4, 3.0));
    Stroke s = new BowSolver(task.withRules(spent)).best().strokes().get(0);
    assertThat(s.bowCm()).isCloseTo(57, within(0.2));
    assertThat(s.notes().get(0).bowCm()).isCloseTo(8.14, within(0.05));
    assertThat(s.notes().get(4).bowCm()).isCloseTo(24.4, within(0.1));
  }

  @Test
  void aStrokeThatRunsOutOffersItsCures() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "{f} (D5:1 | E5:1)"), 48);
    Bowing b = new BowSolver(task).best();
    BowWarning w =
        BowWarning.of(b, task).stream()
            .filter(x -> x.kind() == BowWarning.Kind.RUNS_OUT)
            .findFirst()
            .orElseThrow();
    assertThat(w.missingCm()).isCloseTo(8.5 * 10 - 62, within(0.3));
    assertThat(w.cures()).extracting(Cure::kind).contains(Cure.Kind.BREAK, Cure.Kind.SOFTER);
    Cure cut =
        w.cures().stream().filter(c -> c.kind() == Cure.Kind.BREAK).findFirst().orElseThrow();
    BowRules rules = BowRules.NONE.withJoints(java.util.Map.of(cut.moment(), BowRules.Joint.BREAK));
    assertThat(BowWarning.of(new BowSolver(task.withRules(rules)).best(), task.withRules(rules)))
        .noneMatch(x -> x.kind() == BowWarning.Kind.RUNS_OUT);
  }

  @Test
  void aBounceThatIsTooSlowSaysFromWhichTempoItExists() {
    BowTask task = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "A4:8 B4:8 A4:8 B4:8"), 60);
    BowTask bounced =
        task.withRules(BowRules.NONE.withKinds(java.util.Map.of(0, StrokeKind.SPICCATO)));
    BowWarning w =
        BowWarning.of(new BowSolver(bounced).best(), bounced).stream()
            .filter(x -> x.kind() == BowWarning.Kind.TOO_SLOW)
            .findFirst()
            .orElseThrow();
    assertThat(w.message().args()).contains(125L); // 2.5 a second against 2
  }
}
