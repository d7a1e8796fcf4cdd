package fret.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What several takes of a passage show at the same place.
 *
 * @param fault with the median of its amounts
 * @param times in how many of them, {@code takes} of all
 */
public record Recurring(Fault fault, int times, int takes) {
  /** Fewer takes are not told. */
  public static final int FEWEST_TAKES = 3;

  private static final int FEWEST_TIMES = 2;
  private static final double SHARE = 0.4;

  /**
   * What comes back in two takes and two of five or more, the most frequent first.
   *
   * @param takes of one passage, all against the same expected moments
   */
  public static List<Recurring> of(List<TakeReport> takes) {
    if (takes.size() < FEWEST_TAKES) {
      return List.of();
    }
    Map<Fault.Kind, Map<Integer, List<Double>>> found = new TreeMap<>();
    for (TakeReport r : takes) {
      for (Finding f : r.findings()) {
        found
            .computeIfAbsent(f.kind(), k -> new TreeMap<>())
            .computeIfAbsent(f.moment(), m -> new ArrayList<>())
            .add(f.amount());
      }
    }
    List<Recurring> all = new ArrayList<>();
    found.forEach(
        (kind, byMoment) ->
            byMoment.forEach(
                (moment, amounts) -> {
                  int times = Math.min(takes.size(), amounts.size());
                  if (times >= FEWEST_TIMES && times >= SHARE * takes.size()) {
                    Fault usual = new Fault(kind, moment, median(amounts));
                    all.add(new Recurring(usual, times, takes.size()));
                  }
                }));
    all.sort(
        Comparator.comparingInt(Recurring::times)
            .reversed()
            .thenComparing(r -> r.fault().moment()));
    return all;
  }

  private static double median(List<Double> amounts) {
    double[] sorted = amounts.stream().mapToDouble(a -> a).toArray();
    Arrays.sort(sorted);
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2;
  }
}
