package fret.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The search on plain numbers, against all paths. */
class LayeredSearchTest {
  /** How far apart two numbers are; guarded, so that equal ones are never asked. */
  private static final EffortTerm<Integer> APART =
      new EffortTerm<>() {
        @Override
        public String id() {
          return "apart";
        }

        @Override
        public String unit() {
          return "steps";
        }

        @Override
        public boolean dependsOnPrevious() {
          return true;
        }

        @Override
        public Guard<Integer> guard() {
          return (from, to) -> !from.equals(to);
        }

        @Override
        public double amount(Integer from, Integer to) {
          return from == null ? 0 : Math.abs(from - to);
        }
      };

  private static final EffortTerm<Integer> SIZE =
      new EffortTerm<>() {
        @Override
        public String id() {
          return "size";
        }

        @Override
        public String unit() {
          return "units";
        }

        @Override
        public boolean dependsOnPrevious() {
          return false;
        }

        @Override
        public double amount(Integer from, Integer to) {
          return to % 7;
        }
      };

  private static LayeredProblem<Integer> problem(long seed, int layers) {
    Random random = new Random(seed);
    List<List<Integer>> all = new ArrayList<>();
    for (int i = 0; i < layers; i++) {
      List<Integer> layer = new ArrayList<>();
      for (int s = 0; s < 2 + random.nextInt(4); s++) {
        layer.add(random.nextInt(40));
      }
      all.add(layer);
    }
    return new LayeredProblem<>(
        all,
        List.of(new Weighted<>(APART, 1.3), new Weighted<>(SIZE, 0.7)),
        (from, to) -> Math.abs(from - to) != 5);
  }

  private static void walk(
      LayeredProblem<Integer> p,
      List<Integer> soFar,
      double effort,
      Map<List<Integer>, Double> all) {
    int layer = soFar.size();
    if (layer == p.layers().size()) {
      all.merge(List.copyOf(soFar), effort, Math::min);
      return;
    }
    Integer from = layer == 0 ? null : soFar.get(layer - 1);
    for (Integer to : p.layers().get(layer)) {
      if (from == null || p.allowed().mayFollow(from, to)) {
        soFar.add(to);
        walk(p, soFar, effort + p.ownEffort(to) + p.moveEffort(from, to), all);
        soFar.remove(layer);
      }
    }
  }

  private static Map<List<Integer>, Double> all(LayeredProblem<Integer> p) {
    Map<List<Integer>, Double> all = new java.util.HashMap<>();
    walk(p, new ArrayList<>(), 0, all);
    return all;
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void everyAnswerEqualsTheBestOfAllPaths(long seed) {
    LayeredProblem<Integer> p = problem(seed, 6);
    Map<List<Integer>, Double> all = all(p);
    LayeredSearch<Integer> search = new LayeredSearch<>(p);
    double least = all.values().stream().mapToDouble(d -> d).min().orElse(Double.NaN);
    assertThat(search.best().orElseThrow().effort()).isCloseTo(least, within(1e-9));
    for (int layer = 0; layer < 6; layer++) {
      int at = layer;
      Map<Integer, Path<Integer>> through = search.bestThroughEach(layer, s -> s % 3);
      through.forEach(
          (kind, path) -> {
            double expected =
                all.entrySet().stream()
                    .filter(e -> e.getKey().get(at) % 3 == kind)
                    .mapToDouble(Map.Entry::getValue)
                    .min()
                    .orElse(Double.NaN);
            assertThat(path.effort()).isCloseTo(expected, within(1e-9));
            assertThat(path.states().get(at) % 3).isEqualTo(kind);
          });
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13, 14})
  void aStretchBetweenTwoHeldStatesEqualsTheBestOfAllPaths(long seed) {
    LayeredProblem<Integer> p = problem(seed, 6);
    Path<Integer> best = new LayeredSearch<>(p).best().orElseThrow();
    List<Integer> held = best.states();
    var within =
        new LayeredSearch<>(p)
            .bestWithin(
                2, 3, held.get(1), held.get(4), (layer, s) -> layer != 2 || !s.equals(held.get(2)));
    double expected = Double.POSITIVE_INFINITY;
    for (Integer a : p.layers().get(2)) {
      for (Integer b : p.layers().get(3)) {
        boolean allowed =
            !a.equals(held.get(2))
                && p.allowed().mayFollow(held.get(1), a)
                && p.allowed().mayFollow(a, b)
                && p.allowed().mayFollow(b, held.get(4));
        if (allowed) {
          double effort =
              p.moveEffort(held.get(1), a)
                  + p.ownEffort(a)
                  + p.moveEffort(a, b)
                  + p.ownEffort(b)
                  + p.moveEffort(b, held.get(4));
          expected = Math.min(expected, effort);
        }
      }
    }
    if (Double.isInfinite(expected)) {
      assertThat(within).isEmpty();
    } else {
      assertThat(within.orElseThrow().effort()).isCloseTo(expected, within(1e-9));
      assertThat(within.orElseThrow().states()).hasSize(2);
    }
  }

  @Test
  void goingOnWithOtherWaysIntoALayerIsTheSearchFromNothing() {
    for (long seed = 0; seed < 60; seed++) {
      int changed = 1 + (int) (seed % 5);
      LayeredProblem<Integer> before = inTheirLayers(problem(seed, 6), 0);
      LayeredProblem<Integer> after = inTheirLayers(problem(seed, 6), changed);
      LayeredSearch<Integer> goneOn = new LayeredSearch<>(before).goingOn(after, changed);
      LayeredSearch<Integer> fresh = new LayeredSearch<>(after);
      assertThat(goneOn.best()).as("seed %d", seed).isEqualTo(fresh.best());
      assertThat(goneOn.reachableLayers()).isEqualTo(fresh.reachableLayers());
    }
  }

  /** The same with the layer told by the hundreds; into one layer only steps of two are allowed. */
  private static LayeredProblem<Integer> inTheirLayers(LayeredProblem<Integer> p, int byTwos) {
    List<List<Integer>> layers = new ArrayList<>();
    for (List<Integer> layer : p.layers()) {
      int hundreds = 100 * layers.size();
      layers.add(layer.stream().map(s -> hundreds + s).toList());
    }
    return new LayeredProblem<>(
        layers,
        List.of(new Weighted<>(APART, 1.3), new Weighted<>(SIZE, 0.7)),
        (from, to) -> byTwos == 0 || to / 100 != byTwos || (to - from) % 2 == 0);
  }

  @Test
  void noWayIsNoAnswerNeverALargeNumber() {
    LayeredProblem<Integer> cut =
        new LayeredProblem<>(
            List.of(List.of(1), List.of(6), List.of(2)),
            List.of(new Weighted<>(APART, 1)),
            (from, to) -> Math.abs(from - to) != 5);
    LayeredSearch<Integer> search = new LayeredSearch<>(cut);
    assertThat(search.best()).isEmpty();
    assertThat(search.reachableLayers()).isEqualTo(1);
    assertThatThrownBy(
            () ->
                new LayeredProblem<>(List.of(List.of()), List.of(), (Integer f, Integer t) -> true))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("layer 0");
    assertThatThrownBy(() -> new Weighted<>(APART, Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void anExplanationSumsAndIsComparedTermByTerm() {
    List<Weighted<Integer>> terms = List.of(new Weighted<>(APART, 2), new Weighted<>(SIZE, 1));
    Explanation a = Explanation.of(terms, List.of(1, 4, 4));
    Explanation b = Explanation.of(terms, List.of(1, 2, 4));
    assertThat(a.effort()).isEqualTo(2 * 3 + 1 + 4 + 4);
    assertThat(a.at(1)).extracting(Explanation.Share::id).containsExactly("apart", "size");
    assertThat(a.minus(b))
        .singleElement()
        .satisfies(
            d -> {
              assertThat(d.id()).isEqualTo("size");
              assertThat(d.quantity()).isEqualTo(2);
            });
  }
}
