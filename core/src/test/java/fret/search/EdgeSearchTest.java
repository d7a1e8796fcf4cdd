package fret.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.DirectedWeightedMultigraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The search over edges that pass over layers, against every way there is and another library. */
class EdgeSearchTest {
  /** What an edge carries here: a kind, and two amounts. */
  private record Value(int kind, double near, double far) {}

  private record Amount(String id, java.util.function.ToDoubleFunction<Value> of)
      implements EffortTerm<Value> {
    @Override
    public String unit() {
      return "one";
    }

    @Override
    public boolean dependsOnPrevious() {
      return false;
    }

    @Override
    public double amount(Value from, Value to) {
      return of.applyAsDouble(to);
    }
  }

  private static final List<Weighted<Value>> TERMS =
      List.of(
          new Weighted<>(new Amount("near", Value::near), 1),
          new Weighted<>(new Amount("far", Value::far), 0.5));

  private record Graph(
      List<List<Integer>> nodesByLayer,
      Map<List<Integer>, List<EdgeProblem.Edge<Value>>> edges,
      List<Weighted<Value>> terms)
      implements EdgeProblem<Integer, Value> {
    @Override
    public int layers() {
      return nodesByLayer.size();
    }

    @Override
    public List<Integer> nodes(int layer) {
      return nodesByLayer.get(layer);
    }

    @Override
    public List<Edge<Value>> from(int layer, int node) {
      return edges.getOrDefault(List.of(layer, node), List.of());
    }
  }

  /** A graph with edges over up to {@code span} layers. */
  private static Graph random(int layers, int width, int span, long seed) {
    Random random = new Random(seed);
    List<List<Integer>> nodes = new ArrayList<>();
    Map<List<Integer>, List<EdgeProblem.Edge<Value>>> edges = new java.util.HashMap<>();
    for (int l = 0; l < layers; l++) {
      boolean end = l == 0 || l == layers - 1;
      int count = end ? width : 1 + random.nextInt(width);
      nodes.add(IntStream.range(0, count).boxed().toList());
    }
    for (int l = 0; l < layers - 1; l++) {
      for (int n = 0; n < nodes.get(l).size(); n++) {
        List<EdgeProblem.Edge<Value>> from = new ArrayList<>();
        for (int to = l + 1; to <= Math.min(layers - 1, l + span); to++) {
          for (int m = 0; m < nodes.get(to).size(); m++) {
            if (random.nextInt(3) > 0) {
              Value value = new Value(random.nextInt(2), random.nextDouble(), random.nextDouble());
              from.add(new EdgeProblem.Edge<>(to, m, value));
            }
          }
        }
        edges.put(List.of(l, n), from);
      }
    }
    return new Graph(nodes, edges, TERMS);
  }

  private static double effort(List<Value> values) {
    return values.stream().mapToDouble(v -> v.near() + 0.5 * v.far()).sum();
  }

  /** Every way, as start node, its values and where its edges end. */
  private record Tried(int start, int end, List<Value> values, List<Object> classes) {}

  private static List<Tried> all(Graph g) {
    List<Tried> found = new ArrayList<>();
    for (int n : g.nodes(0)) {
      walk(g, n, 0, n, new ArrayList<>(), new ArrayList<>(), found);
    }
    return found;
  }

  private static void walk(
      Graph g,
      int start,
      int layer,
      int node,
      List<Value> values,
      List<Object> classes,
      List<Tried> found) {
    if (layer == g.layers() - 1) {
      found.add(new Tried(start, node, List.copyOf(values), List.copyOf(classes)));
      return;
    }
    for (EdgeProblem.Edge<Value> e : g.from(layer, node)) {
      values.add(e.value());
      classes.add(List.of(e.toLayer(), e.value().kind()));
      walk(g, start, e.toLayer(), e.to(), values, classes, found);
      values.remove(values.size() - 1);
      classes.remove(classes.size() - 1);
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void theBestWayIsTheBestOfAll(long seed) {
    Graph g = random(6, 3, 3, seed);
    EdgeSearch<Integer, Value> search = new EdgeSearch<>(g);
    double least = all(g).stream().mapToDouble(t -> effort(t.values())).min().orElse(-1);
    assertThat(search.best().map(EdgeSearch.Way::effort).orElse(-1.0))
        .isCloseTo(least, within(1e-12));
  }

  /**
   * Each answer is the best of its classes, in order; all there are come when all are asked for.
   */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void theBestByClassAreThoseOfTryingEverything(long seed) {
    Graph g = random(5, 3, 3, seed);
    Map<List<Object>, Double> best = new java.util.HashMap<>();
    all(g).forEach(t -> best.merge(t.classes(), effort(t.values()), Math::min));
    List<Double> expected = best.values().stream().sorted().toList();
    List<EdgeSearch.Way<Value>> found =
        new EdgeSearch<>(g).kBest(10_000, Value::kind, w -> true, 10_000);
    assertThat(found).hasSameSizeAs(expected);
    for (int i = 0; i < expected.size(); i++) {
      assertThat(found.get(i).effort()).isCloseTo(expected.get(i), within(1e-9));
      assertThat(effort(found.get(i).values())).isCloseTo(expected.get(i), within(1e-9));
    }
    assertThat(new EdgeSearch<>(g).kBest(3, Value::kind, w -> true, 10_000))
        .isEqualTo(found.subList(0, Math.min(3, found.size())));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void whyNotSoIsAnsweredExactly(long seed) {
    Graph g = random(6, 3, 3, seed);
    EdgeSearch<Integer, Value> search = new EdgeSearch<>(g);
    for (int layer = 0; layer < 5; layer++) {
      int from = layer;
      double least = Double.POSITIVE_INFINITY;
      for (Tried t : all(g)) {
        int at = 0;
        for (int i = 0; i < t.values().size(); i++) {
          if (at == from && t.values().get(i).kind() == 1) {
            least = Math.min(least, effort(t.values()));
          }
          at = (Integer) ((List<?>) t.classes().get(i)).get(0);
        }
      }
      assertThat(
              search
                  .bestThrough(layer, v -> v.kind() == 1)
                  .map(EdgeSearch.Way::effort)
                  .orElse(Double.POSITIVE_INFINITY))
          .isCloseTo(least, within(1e-9));
    }
  }

  /** Outside check: shortest path of JGraphT 1.5.3 on the same graph. */
  @ParameterizedTest
  @ValueSource(longs = {11, 12, 13})
  void anotherLibraryFindsTheSame(long seed) {
    Graph g = random(60, 12, 8, seed);
    DirectedWeightedMultigraph<List<Integer>, DefaultWeightedEdge> other =
        new DirectedWeightedMultigraph<>(DefaultWeightedEdge.class);
    List<Integer> start = List.of(-1, 0);
    List<Integer> end = List.of(60, 0);
    other.addVertex(start);
    other.addVertex(end);
    for (int l = 0; l < 60; l++) {
      for (int n : g.nodes(l)) {
        other.addVertex(List.of(l, n));
      }
    }
    for (int n : g.nodes(0)) {
      other.setEdgeWeight(other.addEdge(start, List.of(0, n)), 0);
      other.setEdgeWeight(other.addEdge(List.of(59, n), end), 0);
    }
    g.edges()
        .forEach(
            (from, all) ->
                all.forEach(
                    e ->
                        other.setEdgeWeight(
                            other.addEdge(from, List.of(e.toLayer(), e.to())),
                            effort(List.of(e.value())))));
    assertThat(new EdgeSearch<>(g).best().orElseThrow().effort())
        .isCloseTo(new DijkstraShortestPath<>(other).getPathWeight(start, end), within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void theCheapestCycleIsTheBestWayThatComesBack(long seed) {
    Graph g = random(5, 3, 3, seed);
    double least =
        all(g).stream()
            .filter(t -> t.start() == t.end())
            .mapToDouble(t -> effort(t.values()))
            .min()
            .orElse(-1);
    var cycle = new EdgeSearch<>(g).cheapestCycle();
    assertThat(cycle.map(EdgeSearch.Way::effort).orElse(-1.0)).isCloseTo(least, within(1e-12));
    cycle.ifPresent(
        c -> assertThat(c.nodes().get(0)).isEqualTo(c.nodes().get(c.nodes().size() - 1)));
  }

  @Test
  void theTermsSumToTheWhole() {
    EdgeSearch<Integer, Value> search = new EdgeSearch<>(random(20, 4, 5, 3));
    EdgeSearch.Way<Value> way = search.best().orElseThrow();
    Explanation why = search.explain(way);
    assertThat(why.effort()).isCloseTo(way.effort(), within(1e-9));
    assertThat(why.shares()).extracting(Explanation.Share::id).containsExactly("near", "far");
  }

  @Test
  void whatIsNoEffortOrDoesNotLeadForwardsIsRefused() {
    Map<List<Integer>, List<EdgeProblem.Edge<Value>>> edges =
        new TreeMap<>(java.util.Comparator.comparing(Object::toString));
    edges.put(List.of(0, 0), List.of(new EdgeProblem.Edge<>(1, 0, new Value(0, Double.NaN, 0))));
    List<List<Integer>> nodes = List.of(List.of(0), List.of(0));
    assertThatThrownBy(() -> new EdgeSearch<>(new Graph(nodes, edges, TERMS)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("NaN");
    edges.put(List.of(0, 0), List.of(new EdgeProblem.Edge<>(0, 0, new Value(0, 1, 0))));
    assertThatThrownBy(() -> new EdgeSearch<>(new Graph(nodes, edges, TERMS)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("layer 0");
    edges.clear();
    EdgeSearch<Integer, Value> none = new EdgeSearch<>(new Graph(nodes, edges, TERMS));
    assertThat(none.best()).isEmpty();
    assertThat(none.kBest(3, Value::kind, w -> true, 9)).isEmpty();
    assertThat(none.cheapestCycle()).isEmpty();
  }
}
