package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.take.Expected.Join;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Spread of landings and lateness, on simulated players whose bias and spread are known. */
class LandingTest {
  private static final int PLAYERS = 200;

  private static List<Double> normal(Random random, int count, double mean, double spread) {
    List<Double> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      all.add(mean + spread * random.nextGaussian());
    }
    return all;
  }

  @Test
  void theIntervalHoldsTheTrueMeanInNineteenOfTwenty() {
    Random random = new Random(4);
    int held = 0;
    for (int p = 0; p < PLAYERS; p++) {
      double bias = -15 + 30 * random.nextDouble();
      Landing l = Landing.of(0, normal(random, 5 + p % 10, bias, 3 + 8 * random.nextDouble()));
      held += l.from() <= bias && bias <= l.to() ? 1 : 0;
    }
    assertThat(held / (double) PLAYERS).isBetween(0.90, 0.98);
  }

  @Test
  void theChanceOfACleanArrivalIsThatOfTheNextOne() {
    Random random = new Random(9);
    double told = 0;
    int clean = 0;
    for (int p = 0; p < 4000; p++) {
      double bias = 6 * random.nextGaussian();
      double spread = 3 + 6 * random.nextDouble();
      told += Landing.of(0, normal(random, 8, bias, spread)).clean();
      double next = bias + spread * random.nextGaussian();
      clean += Math.abs(next) <= Landing.WINDOW_CENTS ? 1 : 0;
    }
    assertThat(told / 4000).isCloseTo(clean / 4000.0, within(0.03));
  }

  @Test
  void theAimIsOnlyCorrectedWhereTheMeanIsOffBeyondChance() {
    Landing steady = Landing.of(0, List.of(-14.0, -16.0, -15.0, -17.0, -13.0));
    assertThat(steady.isAimOff()).isTrue();
    assertThat(steady.clean()).isLessThan(0.05);
    Landing wild = Landing.of(0, List.of(-14.0, 12.0, -9.0, 15.0, -2.0));
    assertThat(wild.isAimOff()).isFalse();
    assertThat(Landing.run(List.of(steady, wild)))
        .isCloseTo(steady.clean() * wild.clean(), within(1e-12));
  }

  @Test
  void workOnTheWeakestLandingRaisesTheRunMost() {
    Landing off = Landing.of(0, List.of(-14.0, -16.0, -15.0, -17.0, -13.0));
    Landing sure = Landing.of(1, List.of(1.0, -1.0, 0.5, 0.0, -0.5));
    List<Landing> both = List.of(off, sure);
    assertThat(off.worked().mean()).isZero();
    assertThat(off.worked().spread()).isEqualTo(off.spread());
    assertThat(Landing.runAfter(both, off)).isGreaterThan(0.9);
    assertThat(Landing.runAfter(both, sure)).isCloseTo(Landing.run(both), within(0.01));
    Landing wild = Landing.of(2, List.of(-14.0, 12.0, -9.0, 15.0, -2.0));
    assertThat(wild.worked().spread()).isCloseTo(0.8 * wild.spread(), within(1e-9));
    assertThat(wild.worked().clean()).isGreaterThan(wild.clean());
  }

  @Test
  void withNothingPlantedOneTakeInTwentyAtMostIsToldToBeLate() {
    Random random = new Random(12);
    int told = 0;
    for (int p = 0; p < 400; p++) {
      List<Double> plain = normal(random, 60, 0, 7);
      boolean any = false;
      for (Join join : List.of(Join.SHIFT, Join.CROSSING)) {
        Optional<Lateness> l = Lateness.between(join, normal(random, 8 + p % 12, 0, 7), plain);
        any |= l.orElseThrow().isSure();
      }
      told += any ? 1 : 0;
    }
    assertThat(told / 400.0).isLessThanOrEqualTo(0.05);
  }

  @Test
  void latenessIsFoundWithItsSize() {
    Random random = new Random(2);
    Lateness l =
        Lateness.between(Join.SHIFT, normal(random, 12, 25, 7), normal(random, 50, 0, 7))
            .orElseThrow();
    assertThat(l.isSure()).isTrue();
    assertThat(l.ms()).isCloseTo(25, within(8.0));
    assertThat(l.from()).isLessThan(l.ms());
    assertThat(l.cases()).isEqualTo(12);
  }

  @Test
  void fewerThanEightCasesAreNotTold() {
    Random random = new Random(2);
    assertThat(Lateness.between(Join.SHIFT, normal(random, 7, 90, 3), normal(random, 50, 0, 7)))
        .isEmpty();
  }
}
