package fret.search;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.function.Predicate;

/**
 * Exact search of an {@link EdgeProblem}, from any node of its first layer to any of its last, with
 * forward and backward tables.
 *
 * <p>Time O(edges), memory O(edges): edges are asked for and weighed once. Of equally good paths
 * the one whose edges come earlier in their node's order, compared from the start on, is taken, so
 * the same input always gives the same answer.
 *
 * @param <N> a node
 * @param <V> what an edge carries
 */
public final class EdgeSearch<N, V> {
  /**
   * One way through the graph.
   *
   * @param nodes places of its nodes in their layers; {@code layers} those layers
   * @param values of its edges, one fewer than nodes
   */
  public record Way<V>(List<Integer> layers, List<Integer> nodes, List<V> values, double effort) {
    public Way {
      layers = List.copyOf(layers);
      nodes = List.copyOf(nodes);
      values = List.copyOf(values);
    }
  }

  private final EdgeProblem<N, V> problem;
  private final Token token;
  private final int layers;
  private final List<List<List<EdgeProblem.Edge<V>>>> edges = new ArrayList<>();
  private final double[][][] efforts;

  /** Least effort from a node to the end, and the edge that begins it. */
  private final double[][] rest;

  private final int[][] next;

  public EdgeSearch(EdgeProblem<N, V> problem) {
    this(problem, Token.NEVER);
  }

  /**
   * @param token asked at every layer
   * @throws IllegalArgumentException if an edge does not lead forwards, or its effort is below 0 or
   *     no number
   */
  public EdgeSearch(EdgeProblem<N, V> problem, Token token) {
    this.problem = problem;
    this.token = token;
    this.layers = problem.layers();
    if (layers < 1) {
      throw new IllegalArgumentException("a graph without layers");
    }
    this.efforts = new double[layers][][];
    this.rest = new double[layers][];
    this.next = new int[layers][];
    weigh();
    fillBackward();
  }

  private void weigh() {
    List<Weighted<V>> terms = problem.terms().stream().filter(w -> w.weight() > 0).toList();
    for (int layer = 0; layer < layers; layer++) {
      token.check();
      int count = problem.nodes(layer).size();
      List<List<EdgeProblem.Edge<V>>> all = new ArrayList<>(count);
      efforts[layer] = new double[count][];
      for (int node = 0; node < count; node++) {
        List<EdgeProblem.Edge<V>> here =
            layer == layers - 1 ? List.of() : List.copyOf(problem.from(layer, node));
        efforts[layer][node] = new double[here.size()];
        for (int e = 0; e < here.size(); e++) {
          efforts[layer][node][e] = effort(layer, here.get(e), terms);
        }
        all.add(here);
      }
      edges.add(all);
    }
  }

  private double effort(int layer, EdgeProblem.Edge<V> edge, List<Weighted<V>> terms) {
    if (edge.toLayer() <= layer || edge.toLayer() >= layers) {
      throw new IllegalArgumentException(
          "an edge from layer " + layer + " to layer " + edge.toLayer() + " of " + layers);
    }
    double sum = 0;
    for (Weighted<V> w : terms) {
      sum += w.effort(null, edge.value());
    }
    if (!(sum >= 0)) {
      throw new IllegalArgumentException("effort of " + sum + " on an edge from layer " + layer);
    }
    return sum;
  }

  private void fillBackward() {
    for (int layer = layers - 1; layer >= 0; layer--) {
      token.check();
      int count = problem.nodes(layer).size();
      rest[layer] = new double[count];
      next[layer] = new int[count];
      for (int node = 0; node < count; node++) {
        next[layer][node] = -1;
        rest[layer][node] = layer == layers - 1 ? 0 : Double.POSITIVE_INFINITY;
        for (int e = 0; e < efforts[layer][node].length; e++) {
          double sum = through(layer, node, e);
          if (sum < rest[layer][node]) {
            rest[layer][node] = sum;
            next[layer][node] = e;
          }
        }
      }
    }
  }

  /** Effort from a node to the end by one of its edges. */
  private double through(int layer, int node, int e) {
    EdgeProblem.Edge<V> edge = edge(layer, node, e);
    return efforts[layer][node][e] + rest[edge.toLayer()][edge.to()];
  }

  /** The way of least effort; empty if none leads from the first layer to the last. */
  public Optional<Way<V>> best() {
    return bestFrom(0, best(rest[0]));
  }

  private static int best(double[] efforts) {
    int best = -1;
    for (int i = 0; i < efforts.length; i++) {
      if (efforts[i] < Double.POSITIVE_INFINITY && (best < 0 || efforts[i] < efforts[best])) {
        best = i;
      }
    }
    return best;
  }

  /** The way of least effort from a node on; empty if none leads to the end. */
  private Optional<Way<V>> bestFrom(int layer, int node) {
    if (node < 0 || rest[layer][node] == Double.POSITIVE_INFINITY) {
      return Optional.empty();
    }
    List<int[]> steps = new ArrayList<>();
    follow(layer, node, steps);
    return Optional.of(way(layer, node, steps));
  }

  /** Goes on from a node by the best edges, each told as layer, node, edge. */
  private void follow(int layer, int node, List<int[]> steps) {
    int l = layer;
    int n = node;
    while (next[l][n] >= 0) {
      steps.add(new int[] {l, n, next[l][n]});
      EdgeProblem.Edge<V> edge = edge(l, n, next[l][n]);
      l = edge.toLayer();
      n = edge.to();
    }
  }

  private Way<V> way(int layer, int node, List<int[]> steps) {
    List<Integer> at = new ArrayList<>(List.of(layer));
    List<Integer> nodes = new ArrayList<>(List.of(node));
    List<V> values = new ArrayList<>();
    double sum = 0;
    for (int[] s : steps) {
      EdgeProblem.Edge<V> edge = edge(s[0], s[1], s[2]);
      sum += efforts[s[0]][s[1]][s[2]];
      at.add(edge.toLayer());
      nodes.add(edge.to());
      values.add(edge.value());
    }
    return new Way<>(at, nodes, values, sum);
  }

  /**
   * The way of least effort that takes an edge which passes a test: the answer to "why not so?".
   *
   * @param layer that the edge leaves
   * @return empty if no way does
   */
  public Optional<Way<V>> bestThrough(int layer, Predicate<V> admit) {
    Reach reach = new Reach(layer, n -> true);
    double least = Double.POSITIVE_INFINITY;
    int[] found = null;
    for (int node = 0; node < efforts[layer].length; node++) {
      for (int e = 0; e < efforts[layer][node].length; e++) {
        double sum = reach.sums[layer][node] + through(layer, node, e);
        if (sum < least && admit.test(edge(layer, node, e).value())) {
          least = sum;
          found = new int[] {layer, node, e};
        }
      }
    }
    return Optional.ofNullable(found).map(step -> through(step, reach));
  }

  private Way<V> through(int[] step, Reach reach) {
    List<int[]> steps = reach.stepsTo(step[0], step[1]);
    steps.add(step);
    EdgeProblem.Edge<V> edge = edge(step[0], step[1], step[2]);
    follow(edge.toLayer(), edge.to(), steps);
    return way(steps.get(0)[0], steps.get(0)[1], steps);
  }

  private EdgeProblem.Edge<V> edge(int layer, int node, int e) {
    return edges.get(layer).get(node).get(e);
  }

  /** Least efforts to the nodes up to a layer, from some of the first one, and the steps there. */
  private final class Reach {
    private final double[][] sums = new double[layers][];

    /** The step, as layer, node and edge, by which a node is reached; null where it is not. */
    private final int[][][] from = new int[layers][][];

    Reach(int last, IntPredicate starts) {
      for (int l = 0; l < layers; l++) {
        sums[l] = new double[efforts[l].length];
        from[l] = new int[efforts[l].length][];
        for (int n = 0; n < sums[l].length; n++) {
          sums[l][n] = l == 0 && starts.test(n) ? 0 : Double.POSITIVE_INFINITY;
        }
      }
      for (int l = 0; l < last; l++) {
        for (int n = 0; n < efforts[l].length; n++) {
          for (int e = 0; e < efforts[l][n].length; e++) {
            relax(l, n, e);
          }
        }
      }
    }

    private void relax(int layer, int node, int e) {
      EdgeProblem.Edge<V> edge = edge(layer, node, e);
      double sum = sums[layer][node] + efforts[layer][node][e];
      if (sum < sums[edge.toLayer()][edge.to()]) {
        sums[edge.toLayer()][edge.to()] = sum;
        from[edge.toLayer()][edge.to()] = new int[] {layer, node, e};
      }
    }

    List<int[]> stepsTo(int layer, int node) {
      List<int[]> steps = new ArrayList<>();
      for (int[] step = from[layer][node]; step != null; step = from[step[0]][step[1]]) {
        steps.add(step);
      }
      Collections.reverse(steps);
      return steps;
    }
  }

  /**
   * The {@code k} best ways that differ in the classes of their edges, best first: each is the best
   * of its sequence of classes. Exact, by splitting on the first edge whose class differs (E. L.
   * Lawler 1972, as in {@link LayeredSearch#kBest}).
   *
   * @param classOf what counts as the same edge, asked with the layer that it leaves and its value;
   *     an edge that reaches another layer is always another one
   * @param keep asked of each way in turn; only those that pass count towards k
   * @param mostTried stops after this many ways, passed or not
   */
  public List<Way<V>> kBest(int k, Function<V, ?> classOf, Predicate<Way<V>> keep, int mostTried) {
    return new ByClass(classOf).find(k, keep, mostTried);
  }

  /** Ways that begin with the same classes: every node where they can be, with its best steps. */
  private static final class Front {
    private final int layer;
    private final Map<Integer, Double> efforts = new HashMap<>();
    private final Map<Integer, int[]> from = new HashMap<>();
    private final Front before;

    Front(int layer, Front before) {
      this.layer = layer;
      this.before = before;
    }
  }

  private record Split(Front front, BitSet banned, int node, int edge, double total)
      implements Comparable<Split> {
    @Override
    public int compareTo(Split other) {
      return Double.compare(total, other.total);
    }
  }

  private final class ByClass {
    private final Function<V, ?> classOf;
    private final Map<Object, Integer> numbers = new HashMap<>();
    private final PriorityQueue<Split> queue = new PriorityQueue<>();

    ByClass(Function<V, ?> classOf) {
      this.classOf = classOf;
    }

    private int classOf(EdgeProblem.Edge<V> edge) {
      return numbers.computeIfAbsent(
          List.of(edge.toLayer(), classOf.apply(edge.value())), c -> numbers.size());
    }

    List<Way<V>> find(int k, Predicate<Way<V>> keep, int mostTried) {
      List<Way<V>> found = new ArrayList<>();
      if (layers == 1) {
        return best().filter(keep).map(List::of).orElse(List.of());
      }
      Front start = new Front(0, null);
      for (int n = 0; n < rest[0].length; n++) {
        start.efforts.put(n, 0.0);
      }
      offer(start, new BitSet());
      for (int tried = 0; !queue.isEmpty() && found.size() < k && tried < mostTried; tried++) {
        token.check();
        Split top = queue.poll();
        List<int[]> steps = steps(top);
        Way<V> way = way(steps.get(0)[0], steps.get(0)[1], steps);
        if (keep.test(way)) {
          found.add(way);
        }
        split(top, steps);
      }
      return found;
    }

    /** Queues the best way that goes on from a front by an edge of none of some classes. */
    private void offer(Front front, BitSet banned) {
      Split least = null;
      for (int node : new java.util.TreeSet<>(front.efforts.keySet())) {
        for (int e = 0; e < efforts[front.layer][node].length; e++) {
          double total = front.efforts.get(node) + through(front.layer, node, e);
          boolean better = total < (least == null ? Double.POSITIVE_INFINITY : least.total);
          if (better && !banned.get(classOf(edge(front.layer, node, e)))) {
            least = new Split(front, banned, node, e, total);
          }
        }
      }
      if (least != null) {
        queue.add(least);
      }
    }

    private List<int[]> steps(Split split) {
      List<int[]> steps = new ArrayList<>();
      int node = split.node;
      for (Front f = split.front; f.before != null; f = f.before) {
        int[] step = f.from.get(node);
        steps.add(step);
        node = step[1];
      }
      Collections.reverse(steps);
      steps.add(new int[] {split.front.layer, split.node, split.edge});
      EdgeProblem.Edge<V> edge = edge(split.front.layer, split.node, split.edge);
      follow(edge.toLayer(), edge.to(), steps);
      return steps;
    }

    /** Every set of ways that leaves this one's classes for the first time at some edge. */
    private void split(Split top, List<int[]> steps) {
      Front front = top.front;
      BitSet banned = (BitSet) top.banned.clone();
      int at = 0;
      while (steps.get(at)[0] < front.layer) {
        at++;
      }
      for (int i = at; i < steps.size(); i++) {
        int[] step = steps.get(i);
        int cls = classOf(edge(step[0], step[1], step[2]));
        banned.set(cls);
        offer(front, banned);
        front = on(front, cls);
        banned = new BitSet();
      }
    }

    /** The front behind all edges of one class. */
    private Front on(Front front, int cls) {
      Front on = null;
      for (int node : new java.util.TreeSet<>(front.efforts.keySet())) {
        for (int e = 0; e < efforts[front.layer][node].length; e++) {
          EdgeProblem.Edge<V> edge = edge(front.layer, node, e);
          if (classOf(edge) == cls) {
            on = on == null ? new Front(edge.toLayer(), front) : on;
            double sum = front.efforts.get(node) + efforts[front.layer][node][e];
            Double before = on.efforts.get(edge.to());
            if (before == null || sum < before) {
              on.efforts.put(edge.to(), sum);
              on.from.put(edge.to(), new int[] {front.layer, node, e});
            }
          }
        }
      }
      return on;
    }
  }

  /** A way's effort taken apart by the terms that made it; layers are counted by its edges. */
  public Explanation explain(Way<V> way) {
    return Explanation.of(problem.terms(), way.values());
  }

  /**
   * The cheapest cycle: the way from a node of the first layer to the same node of the last one
   * whose effort is least, as of a pattern that is repeated for ever.
   *
   * <p>Time O(edges times nodes of the first layer).
   *
   * @return empty if no node can be reached again
   * @throws IllegalArgumentException if the first and the last layer do not have the same nodes
   */
  public Optional<Way<V>> cheapestCycle() {
    if (!problem.nodes(0).equals(problem.nodes(layers - 1))) {
      throw new IllegalArgumentException("the last layer is not the first one again");
    }
    Way<V> least = null;
    for (int node = 0; node < problem.nodes(0).size(); node++) {
      token.check();
      Optional<Way<V>> way = cycle(node);
      if (way.isPresent() && (least == null || way.get().effort() < least.effort())) {
        least = way.get();
      }
    }
    return Optional.ofNullable(least);
  }

  private Optional<Way<V>> cycle(int node) {
    Reach reach = new Reach(layers - 1, n -> n == node);
    return reach.sums[layers - 1][node] == Double.POSITIVE_INFINITY
        ? Optional.empty()
        : Optional.of(way(0, node, reach.stepsTo(layers - 1, node)));
  }
}
