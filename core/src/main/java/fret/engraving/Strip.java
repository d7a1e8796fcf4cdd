package fret.engraving;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A passage engraved as one continuous stave.
 *
 * @param width in staff spaces
 * @param top highest ink (negative above the stave); {@code bottom} lowest
 * @param sliceX middle of the notehead of each moment: the axis that all lanes share
 * @param bars where each bar starts and ends
 * @param onsetX left edge of the notes at each onset that has any
 */
public record Strip(
    List<Primitive> primitives,
    double width,
    double top,
    double bottom,
    List<Double> sliceX,
    List<BarSpan> bars,
    NavigableMap<Fraction, Double> onsetX) {
  /** Extent of a bar. */
  public record BarSpan(int index, String number, double left, double right) {}

  public Strip {
    primitives = List.copyOf(primitives);
    sliceX = List.copyOf(sliceX);
    bars = List.copyOf(bars);
    onsetX = Collections.unmodifiableNavigableMap(onsetX);
  }

  /** Highest and lowest ink of a part of it, in staff spaces. */
  public record Reach(double top, double bottom) {
    public double height() {
      return bottom - top;
    }
  }

  /** How far what stands between two places reaches; at least over the stave itself. */
  public Reach reach(double from, double to) {
    double highest = 0;
    double lowest = 4;
    for (Primitive p : primitives) {
      if (p.right() >= from && p.left() <= to) {
        highest = Math.min(highest, p.top());
        lowest = Math.max(lowest, p.bottom());
      }
    }
    return new Reach(highest, lowest);
  }

  /** The onset whose notes stand nearest to an x; 0 when there is none. */
  public Fraction onsetAt(double x) {
    Fraction best = Fraction.ZERO;
    double distance = Double.MAX_VALUE;
    for (Map.Entry<Fraction, Double> e : onsetX.entrySet()) {
      if (Math.abs(e.getValue() + 0.59 - x) < distance) {
        distance = Math.abs(e.getValue() + 0.59 - x);
        best = e.getKey();
      }
    }
    return best;
  }

  /** The moment whose note stands nearest to an x; -1 when there is none. */
  public int sliceAt(double x) {
    int best = -1;
    for (int i = 0; i < sliceX.size(); i++) {
      if (best < 0 || Math.abs(sliceX.get(i) - x) < Math.abs(sliceX.get(best) - x)) {
        best = i;
      }
    }
    return best;
  }
}
