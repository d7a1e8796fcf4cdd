package fret.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Exact search of a {@link LayeredProblem} with forward and backward tables.
 *
 * <p>Time O(sum of |layer i| |layer i+1|), memory O(sum of |layer i|). Of equally good paths the
 * one whose states stand earlier in their layers, compared from the last layer back, is taken, so
 * the same input always gives the same answer.
 *
 * @param <S> a choice made at one moment
 */
public final class LayeredSearch<S> {
  private final LayeredProblem<S> problem;
  private final Token token;
  private final int length;
  private final double[][] own;
  private final double[][] forward;
  private final int[][] from;
  private double[][] backward;
  private int[][] next;

  public LayeredSearch(LayeredProblem<S> problem) {
    this(problem, Token.NEVER);
  }

  /**
   * @param token asked at every layer
   */
  public LayeredSearch(LayeredProblem<S> problem, Token token) {
    this(problem, token, null, 0);
  }

  private LayeredSearch(
      LayeredProblem<S> problem, Token token, LayeredSearch<S> before, int fromLayer) {
    this.problem = problem;
    this.token = token;
    this.length = problem.layers().size();
    this.own = new double[length][];
    this.forward = new double[length][];
    this.from = new int[length][];
    if (before == null) {
      fillOwn();
    } else {
      System.arraycopy(before.own, 0, own, 0, length);
      System.arraycopy(before.forward, 0, forward, 0, fromLayer);
      System.arraycopy(before.from, 0, from, 0, fromLayer);
    }
    fillForward(fromLayer);
  }

  /**
   * The search of a problem that differs only in which ways may lead into a layer: what leads up to
   * it is taken over.
   */
  public LayeredSearch<S> goingOn(LayeredProblem<S> other, int layer) {
    return new LayeredSearch<>(other, token, this, layer);
  }

  private void fillOwn() {
    for (int i = 0; i < length; i++) {
      List<S> layer = problem.layers().get(i);
      own[i] = new double[layer.size()];
      for (int s = 0; s < layer.size(); s++) {
        own[i][s] = problem.ownEffort(layer.get(s));
      }
    }
  }

  private void fillForward(int fromLayer) {
    for (int i = fromLayer; i < length; i++) {
      token.check();
      List<S> layer = problem.layers().get(i);
      forward[i] = new double[layer.size()];
      from[i] = new int[layer.size()];
      Ends<S> starts = i == 0 ? null : Ends.starts(problem, i - 1, forward[i - 1]);
      for (int s = 0; s < layer.size(); s++) {
        if (i == 0) {
          forward[i][s] = own[i][s] + problem.moveEffort(null, layer.get(s));
          from[i][s] = -1;
        } else {
          starts.seek(layer.get(s));
          forward[i][s] = starts.best() + own[i][s];
          from[i][s] = starts.bestIndex();
        }
      }
    }
  }

  private void fillBackward() {
    if (backward != null) {
      return;
    }
    double[][] backward = new double[length][];
    int[][] next = new int[length][];
    for (int i = length - 1; i >= 0; i--) {
      token.check();
      List<S> layer = problem.layers().get(i);
      backward[i] = new double[layer.size()];
      next[i] = new int[layer.size()];
      Arrays.fill(next[i], -1);
      if (i == length - 1) {
        continue;
      }
      double[] rest = new double[backward[i + 1].length];
      for (int n = 0; n < rest.length; n++) {
        rest[n] = backward[i + 1][n] + own[i + 1][n];
      }
      Ends<S> goals = Ends.goals(problem, i + 1, rest);
      for (int s = 0; s < layer.size(); s++) {
        goals.seek(layer.get(s));
        backward[i][s] = goals.best();
        next[i][s] = goals.bestIndex();
      }
    }
    this.backward = backward; // Only when whole: work may be ended in the middle.
    this.next = next;
  }

  /**
   * The least effort path.
   *
   * @return empty if no path is allowed, or there are no layers
   */
  public Optional<Path<S>> best() {
    if (length == 0) {
      return Optional.empty();
    }
    int last = smallest(forward[length - 1]);
    return last < 0 ? Optional.empty() : Optional.of(path(length - 1, last));
  }

  /**
   * The least effort path that ends at a layer, as if nothing came after it.
   *
   * @return empty if no path gets there
   */
  public Optional<Path<S>> bestUpTo(int layer) {
    int last = smallest(forward[layer]);
    if (last < 0) {
      return Optional.empty();
    }
    List<S> states = new ArrayList<>();
    int at = last;
    for (int i = layer; i >= 0; i--) {
      states.add(problem.layers().get(i).get(at));
      at = from[i][at];
    }
    java.util.Collections.reverse(states);
    return Optional.of(new Path<>(states, forward[layer][last]));
  }

  /**
   * The least effort of any path that takes a state whose choice passes the test at a layer, with
   * the path itself: the answer to "why not this one?".
   *
   * @return empty if no allowed path takes such a state
   */
  public Optional<Path<S>> bestThrough(int layer, Predicate<S> choice) {
    fillBackward();
    int bestState = -1;
    double best = Double.POSITIVE_INFINITY;
    List<S> states = problem.layers().get(layer);
    for (int s = 0; s < states.size(); s++) {
      double total = forward[layer][s] + backward[layer][s];
      if (total < best && choice.test(states.get(s))) {
        best = total;
        bestState = s;
      }
    }
    return bestState < 0 ? Optional.empty() : Optional.of(path(layer, bestState));
  }

  /**
   * The least effort path through each kind of choice at a layer, in the order in which the kinds
   * first stand there.
   *
   * @param kindOf the kind of a choice; null for choices that are not asked for
   */
  public <K> Map<K, Path<S>> bestThroughEach(int layer, Function<S, K> kindOf) {
    fillBackward();
    Map<K, Integer> best = new LinkedHashMap<>();
    List<S> states = problem.layers().get(layer);
    for (int s = 0; s < states.size(); s++) {
      K kind = kindOf.apply(states.get(s));
      double total = forward[layer][s] + backward[layer][s];
      if (kind != null && total < Double.POSITIVE_INFINITY) {
        Integer before = best.get(kind);
        boolean better = before == null || total < forward[layer][before] + backward[layer][before];
        best.put(kind, better ? Integer.valueOf(s) : before);
      }
    }
    Map<K, Path<S>> paths = new LinkedHashMap<>();
    best.forEach((kind, state) -> paths.put(kind, path(layer, state)));
    return paths;
  }

  /**
   * The effort of the best path through each state of a layer, without the paths themselves;
   * infinite where there is none.
   */
  public double[] effortsThrough(int layer) {
    fillBackward();
    double[] totals = new double[forward[layer].length];
    for (int s = 0; s < totals.length; s++) {
      totals[s] = forward[layer][s] + backward[layer][s];
    }
    return totals;
  }

  /** The best path through a state, given by its place in the layer. */
  public Path<S> pathThrough(int layer, int state) {
    fillBackward();
    return path(layer, state);
  }

  /**
   * The least effort way from one layer to another whose states all pass a test.
   *
   * @param fromLayer first layer of the stretch; what it costs to get into it from the layer before
   *     counts where {@code before} is given
   * @param before the state that stands before the stretch; null at the beginning
   * @param after the state that stands behind it; null at the end
   * @param admit asked with the layer and the state
   * @return the states of the stretch; its effort includes the ways into and out of it
   */
  public Optional<Path<S>> bestWithin(
      int fromLayer, int toLayer, S before, S after, BiPredicate<Integer, S> admit) {
    List<List<S>> kept = new ArrayList<>();
    for (int layer = fromLayer; layer <= toLayer; layer++) {
      int at = layer;
      kept.add(problem.layers().get(layer).stream().filter(s -> admit.test(at, s)).toList());
    }
    if (kept.stream().anyMatch(List::isEmpty)) {
      return Optional.empty();
    }
    if (before != null) {
      kept.add(0, List.of(before));
    }
    if (after != null) {
      kept.add(List.of(after));
    }
    return new LayeredSearch<>(problem.withLayers(kept), token)
        .best()
        .map(
            p -> {
              int lead = before == null ? 0 : 1;
              List<S> states = p.states().subList(lead, lead + toLayer - fromLayer + 1);
              double outside = before == null ? 0 : problem.ownEffort(before);
              outside += before == null ? 0 : problem.moveEffort(null, before);
              outside += after == null ? 0 : problem.ownEffort(after);
              return new Path<>(states, p.effort() - outside);
            });
  }

  /**
   * How many layers from the first can be joined by an allowed path; all of them in a good problem.
   */
  public int reachableLayers() {
    for (int i = 0; i < length; i++) {
      if (smallest(forward[i]) < 0) {
        return i;
      }
    }
    return length;
  }

  /**
   * The {@code k} best paths that differ in the class of at least one state, best first: each is
   * the best path of its sequence of classes. Exact, by splitting on the first class that differs
   * (E. L. Lawler, "A procedure for computing the k best solutions to discrete optimization
   * problems and its application to the shortest path problem", Management Science 18, 1972, pages
   * 401-405).
   *
   * <p>Time O(paths tried times the sum of |layer i| |layer i+1|): one table along a path serves
   * all the splits of that path.
   *
   * @param classOf what counts as the same choice
   * @param keep asked of each path in turn, best first; only paths that pass count towards k
   * @param mostTried stops after this many paths, passed or not
   */
  public List<Path<S>> kBest(
      int k, Function<S, ?> classOf, Predicate<Path<S>> keep, int mostTried) {
    fillBackward();
    return length == 0 ? List.of() : new BestByClass(classOf).find(k, keep, mostTried);
  }

  /** The search of {@link #kBest}: classes are told once, as numbers. */
  private final class BestByClass {
    private final int[][] classes = new int[length][];
    private final PriorityQueue<Split> queue = new PriorityQueue<>();

    BestByClass(Function<S, ?> classOf) {
      for (int i = 0; i < length; i++) {
        Map<Object, Integer> numbers = new HashMap<>();
        List<S> layer = problem.layers().get(i);
        classes[i] = new int[layer.size()];
        for (int s = 0; s < classes[i].length; s++) {
          classes[i][s] = numbers.computeIfAbsent(classOf.apply(layer.get(s)), c -> numbers.size());
        }
      }
    }

    List<Path<S>> find(int k, Predicate<Path<S>> keep, int mostTried) {
      List<Path<S>> found = new ArrayList<>();
      offer(new Way(), 0, new BitSet());
      int tried = 0;
      while (!queue.isEmpty() && found.size() < k && tried < mostTried) {
        token.check();
        Split top = queue.poll();
        tried++;
        int[] states = top.states();
        Path<S> path = pathOf(states, top.total);
        if (keep.test(path)) {
          found.add(path);
        }
        split(top, states);
      }
      return found;
    }

    /** Every set of paths that leaves this one's classes for the first time at some layer. */
    private void split(Split top, int[] states) {
      Way way = new Way(top);
      for (int i = top.at; i < length; i++) {
        BitSet banned = i == top.at ? (BitSet) top.banned.clone() : new BitSet();
        banned.set(classes[i][states[i]]);
        offer(way, i, banned);
        way.extend(i, classes[i][states[i]]);
      }
    }

    /** Queues the best path that follows a way up to a layer and has none of some classes there. */
    private void offer(Way way, int at, BitSet banned) {
      int end = -1;
      int before = -1;
      double least = Double.POSITIVE_INFINITY;
      for (int s = 0; s < classes[at].length; s++) {
        double rest = backward[at][s] + own[at][s];
        if (!banned.get(classes[at][s]) && rest < least) {
          int from = way.into(at, s, least - rest);
          double total = way.reached + rest;
          if (total < least) {
            least = total;
            end = s;
            before = from;
          }
        }
      }
      if (end >= 0) {
        queue.add(new Split(way, at, banned, end, before, least));
      }
    }

    /** A set of paths (classes of a way up to a layer, some banned there) and the best of them. */
    private final class Split implements Comparable<Split> {
      private final Way way;
      private final int at;
      private final BitSet banned;
      private final int end;
      private final int before;
      private final double total;

      Split(Way way, int at, BitSet banned, int end, int before, double total) {
        this.way = way;
        this.at = at;
        this.banned = banned;
        this.end = end;
        this.before = before;
        this.total = total;
      }

      int[] states() {
        int[] states = new int[length];
        states[at] = end;
        int state = before;
        for (int i = at - 1; i >= 0; i--) {
          states[i] = state;
          state = way.from[i][state];
        }
        for (int i = at; i < length - 1; i++) {
          states[i + 1] = next[i][states[i]];
        }
        return states;
      }

      @Override
      public int compareTo(Split other) {
        return Double.compare(total, other.total);
      }
    }

    /** The least efforts along one sequence of classes, layer by layer. */
    private final class Way {
      private final double[][] efforts = new double[length][];
      private final int[][] from = new int[length][];

      /** What the last question to {@link #into} came to. */
      private double reached;

      Way() {}

      /** A way that shares what another one has up to a layer. */
      Way(Split split) {
        System.arraycopy(split.way.efforts, 0, efforts, 0, split.at);
        System.arraycopy(split.way.from, 0, from, 0, split.at);
      }

      /** The best start into a state; -1 at the first layer or where there is none. */
      int into(int i, int s, double limit) {
        S to = problem.layers().get(i).get(s);
        if (i == 0) {
          reached = problem.moveEffort(null, to);
          return -1;
        }
        reached = Double.POSITIVE_INFINITY;
        int best = -1;
        List<S> before = problem.layers().get(i - 1);
        double[] starts = efforts[i - 1];
        for (int p = 0; p < starts.length; p++) {
          double most = Math.min(limit, reached);
          if (starts[p] < most && problem.allowed().mayFollow(before.get(p), to)) {
            double sum = starts[p] + problem.moveEffort(before.get(p), to, most - starts[p]);
            if (sum < reached) {
              reached = sum;
              best = p;
            }
          }
        }
        return best;
      }

      /** Goes on through one class. */
      void extend(int i, int cls) {
        efforts[i] = new double[classes[i].length];
        from[i] = new int[classes[i].length];
        for (int s = 0; s < efforts[i].length; s++) {
          boolean in = classes[i][s] == cls;
          from[i][s] = in ? into(i, s, Double.POSITIVE_INFINITY) : -1;
          efforts[i][s] = in ? reached + own[i][s] : Double.POSITIVE_INFINITY;
        }
      }
    }
  }

  private Path<S> path(int layer, int state) {
    int[] states = new int[length];
    states[layer] = state;
    for (int i = layer; i > 0; i--) {
      states[i - 1] = from[i][states[i]];
    }
    double total = forward[layer][state];
    if (layer < length - 1) {
      total += backward[layer][state];
    }
    for (int i = layer; i < length - 1; i++) {
      states[i + 1] = next[i][states[i]];
    }
    return pathOf(states, total);
  }

  private Path<S> pathOf(int[] states, double total) {
    List<S> chosen = new ArrayList<>(length);
    for (int i = 0; i < length; i++) {
      chosen.add(problem.layers().get(i).get(states[i]));
    }
    return new Path<>(chosen, total);
  }

  private static int smallest(double[] values) {
    int best = -1;
    for (int i = 0; i < values.length; i++) {
      if (values[i] < Double.POSITIVE_INFINITY && (best < 0 || values[i] < values[best])) {
        best = i;
      }
    }
    return best;
  }
}
