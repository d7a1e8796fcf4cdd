package fret.search;

import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;

/** What a span costs, laid out on the grid. */
final class RulerTable<S extends RulerProblem.Span> {
  final S span;
  final double[] side = new double[2];
  final double[] length;
  final double[] start;

  /** By the sum of both places; null where it is 0 everywhere. */
  final double[] middle;

  final double[] end;
  final int least;
  final int most;

  /**
   * @param known tables that spans share, by their keys
   */
  RulerTable(S span, double step, int places, Map<Object, double[]> known) {
    this.span = span;
    this.least = (int) Math.min(places - 1, Math.ceil(span.least() / step - 1e-9));
    int longest = (int) Math.floor(span.most() / step + 1e-9);
    this.most = Math.max(least, Math.min(places - 1, longest));
    side[0] = span.bySide(0);
    side[1] = span.bySide(1);
    this.length =
        shared(
            span.lengthKey(),
            known,
            places,
            p -> p <= most ? span.byLength(p * step, step) : Double.POSITIVE_INFINITY);
    this.end = shared(span.endKey(), known, places, p -> span.byEnd(p * step));
    this.start = laid(places, p -> span.byStart(p * step));
    this.middle = span.hasMiddle() ? laid(2 * places - 1, p -> span.byMiddle(p * step / 2)) : null;
  }

  private static double[] shared(
      Optional<Object> key, Map<Object, double[]> known, int count, IntToDoubleFunction price) {
    return key.isEmpty()
        ? laid(count, price)
        : known.computeIfAbsent(key.get(), k -> laid(count, price));
  }

  private static double[] laid(int count, IntToDoubleFunction price) {
    double[] all = new double[count];
    for (int p = 0; p < count; p++) {
      all[p] = price.applyAsDouble(p);
    }
    return all;
  }

  double middle(int sum) {
    return middle == null ? 0 : middle[sum];
  }

  /** Effort without side and without end. */
  double within(int from, int to) {
    return length[Math.abs(to - from)] + start[from] + middle(from + to);
  }
}
