package fret.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * The choices of one layer as ends of ways from or to another: families with one key of the bound,
 * each with its cheapest choice first. For one thread.
 *
 * @param <S> a choice made at one moment
 */
final class Ends<S> {
  private final LayeredProblem<S> problem;
  private final boolean starts;
  private final Family<S>[] families;
  private double best;
  private int bestIndex;

  /** Choices that are alike to the bound, in order of their efforts. */
  private record Family<S>(S any, Object[] states, int[] indices, double[] efforts) {}

  private Ends(LayeredProblem<S> problem, boolean starts, Family<S>[] families) {
    this.problem = problem;
    this.starts = starts;
    this.families = families;
  }

  /** The choices that a way can start from, with what it took to get to them. */
  static <S> Ends<S> starts(LayeredProblem<S> problem, int layer, double[] efforts) {
    return new Ends<>(problem, true, families(problem, layer, efforts, true));
  }

  /** The choices that a way can lead to, with what comes after. */
  static <S> Ends<S> goals(LayeredProblem<S> problem, int layer, double[] efforts) {
    return new Ends<>(problem, false, families(problem, layer, efforts, false));
  }

  /** Without the choices that cannot be reached. */
  @SuppressWarnings({"unchecked", "rawtypes"})
  private static <S> Family<S>[] families(
      LayeredProblem<S> problem, int layer, double[] efforts, boolean starts) {
    List<S> states = problem.layers().get(layer);
    long[] keys = new long[efforts.length];
    int[] order = new int[efforts.length];
    int count = 0;
    for (int s = 0; s < efforts.length; s++) {
      if (efforts[s] < Double.POSITIVE_INFINITY) {
        S state = states.get(s);
        keys[s] = starts ? problem.bound().leaving(state) : problem.bound().entering(state);
        int at = count++; // By insertion: layers are short, and nothing is boxed.
        while (at > 0 && isBefore(s, order[at - 1], keys, efforts)) {
          order[at] = order[at - 1];
          at--;
        }
        order[at] = s;
      }
    }
    List<Family<S>> families = new ArrayList<>();
    for (int first = 0; first < count; ) {
      int end = first + 1;
      while (end < count && keys[order[end]] == keys[order[first]]) {
        end++;
      }
      int[] indices = Arrays.copyOfRange(order, first, end);
      Object[] members = new Object[indices.length];
      double[] own = new double[indices.length];
      for (int m = 0; m < indices.length; m++) {
        members[m] = states.get(indices[m]);
        own[m] = efforts[indices[m]];
      }
      families.add(new Family<>(states.get(indices[0]), members, indices, own));
      first = end;
    }
    families.sort(Comparator.comparingDouble(f -> f.efforts[0]));
    return families.toArray(new Family[0]);
  }

  private static boolean isBefore(int a, int b, long[] keys, double[] efforts) {
    return keys[a] < keys[b] || keys[a] == keys[b] && efforts[a] < efforts[b];
  }

  /** Finds the easiest way to or from a choice on the other side. */
  void seek(S other) {
    best = Double.POSITIVE_INFINITY;
    bestIndex = -1;
    LayeredProblem.Bound<S> bound = problem.bound();
    for (Family<S> family : families) {
      if (family.efforts[0] > best) {
        return; // Efforts are never negative, so no family from here on can win.
      }
      double way = starts ? bound.atLeast(family.any, other) : bound.atLeast(other, family.any);
      if (way < Double.POSITIVE_INFINITY) {
        seek(other, family, way);
      }
    }
  }

  @SuppressWarnings("unchecked")
  private void seek(S other, Family<S> family, double way) {
    for (int m = 0; m < family.efforts.length; m++) {
      double effort = family.efforts[m];
      if (effort + way > best) {
        return; // Those behind it take no less.
      }
      S end = (S) family.states[m];
      S from = starts ? end : other;
      S to = starts ? other : end;
      if (problem.allowed().mayFollow(from, to)) {
        double sum = effort + problem.moveEffort(from, to, best - effort);
        int index = family.indices[m];
        if (sum < best || sum == best && index < bestIndex) {
          best = sum;
          bestIndex = index;
        }
      }
    }
  }

  /** What the last way that was sought takes; infinite where there is none. */
  double best() {
    return best;
  }

  /** The place of its end in the layer; -1 where there is none. */
  int bestIndex() {
    return bestIndex;
  }
}
