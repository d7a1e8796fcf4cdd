package fret.engraving;

import java.util.List;

/**
 * A passage engraved as one continuous stave.
 *
 * @param width in staff spaces
 * @param top highest ink (negative above the stave); {@code bottom} lowest
 * @param sliceX middle of the notehead of each moment: the axis that all lanes share
 * @param bars where each bar starts and ends
 */
public record Strip(
    List<Primitive> primitives,
    double width,
    double top,
    double bottom,
    List<Double> sliceX,
    List<BarSpan> bars) {
  /** Extent of a bar. */
  public record BarSpan(int index, String number, double left, double right) {}

  public Strip {
    primitives = List.copyOf(primitives);
    sliceX = List.copyOf(sliceX);
    bars = List.copyOf(bars);
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
