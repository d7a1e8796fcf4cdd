package fret.search;

import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;

/**
 * What a span costs, laid out on the grid when it is first asked for: most spans are dearer than
 * others by their side alone.
 */
final class RulerTable<S extends RulerProblem.Span> {
  final S span;
  final double[] side = new double[2];
  final int least;
  final int most;

  private final boolean taken;
  private final double step;
  private final int places;
  private final Map<Object, double[]> known;
  private final double[][] start = new double[2][];
  private double[] length;

  /** By the sum of both places; null where it is 0 everywhere. */
  private double[] middle;

  private double[] end;

  /**
   * @param known tables that spans share, by their keys
   */
  RulerTable(S span, double step, int places, Map<Object, double[]> known) {
    this.span = span;
    this.step = step;
    this.places = places;
    this.known = known;
    this.taken = false;
    this.least = (int) Math.min(places - 1, Math.ceil(span.least() / step - 1e-9));
    int longest = (int) Math.floor(span.most() / step + 1e-9);
    this.most = Math.max(least, Math.min(places - 1, longest));
    side[0] = span.bySide(0);
    side[1] = span.bySide(1);
  }

  /**
   * The table of a span that costs the same as another.
   *
   * @param known tables that spans share, by their keys
   */
  RulerTable(S span, RulerTable<S> same, Map<Object, double[]> known) {
    this.span = span;
    this.step = same.step;
    this.places = same.places;
    this.known = known;
    this.taken = true;
    this.least = same.least;
    this.most = same.most;
    side[0] = same.side[0];
    side[1] = same.side[1];
    // What is not laid out there is laid out here when it is asked for: nothing holds the other.
    start[0] = same.start[0];
    start[1] = same.start[1];
    length = same.length;
    middle = same.middle;
    end = same.end;
  }

  /** Whether it costs the same as before. */
  boolean isTaken() {
    return taken;
  }

  private void lay() {
    if (length == null) {
      this.end = shared(span.endKey(), p -> span.byEnd(p * step));
      start[0] = laid(places, p -> span.byStart(0, p * step));
      start[1] = span.startsBySide() ? laid(places, p -> span.byStart(1, p * step)) : start[0];
      this.middle =
          span.hasMiddle() ? laid(2 * places - 1, p -> span.byMiddle(p * step / 2)) : null;
      this.length =
          shared(
              span.lengthKey(),
              p -> p <= most ? span.byLength(p * step, step) : Double.POSITIVE_INFINITY);
    }
  }

  private double[] shared(Optional<Object> key, IntToDoubleFunction price) {
    return key.isEmpty()
        ? laid(places, price)
        : known.computeIfAbsent(key.get(), k -> laid(places, price));
  }

  private static double[] laid(int count, IntToDoubleFunction price) {
    double[] all = new double[count];
    for (int p = 0; p < count; p++) {
      all[p] = price.applyAsDouble(p);
    }
    return all;
  }

  double[] start(int which) {
    lay();
    return start[which];
  }

  double[] length() {
    lay();
    return length;
  }

  double[] end() {
    lay();
    return end;
  }

  /** By the sum of both places; null where it is 0 everywhere. */
  double[] middle() {
    lay();
    return middle;
  }

  /** Effort without side and without end. */
  double within(int which, int from, int to) {
    lay();
    double between = middle == null ? 0 : middle[from + to];
    return length[Math.abs(to - from)] + start[which][from] + between;
  }
}
