package fret.engraving;

import fret.score.Bar;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Where things stand on one strip, for a smaller stave under it.
 *
 * @param bars of the strip's part
 * @param scale staff space of the smaller stave against the strip's
 */
record Along(Strip main, List<Bar> bars, double scale) {
  /** Between the beginning of a bar and its first note, in spaces of the strip. */
  private static final double FIRST = 1.2;

  /** The bar of the strip that sounds together with one of another part. */
  Optional<Strip.BarSpan> span(Bar other) {
    int at = Collections.binarySearch(bars, other, Comparator.comparing(Bar::start));
    return at < 0 ? Optional.empty() : Optional.of(main.bars().get(at));
  }

  /** Left edge of the notes at an onset of a bar, in spaces of the smaller stave. */
  double x(Bar bar, Fraction onset) {
    Double exact = main.onsetX().get(onset);
    Strip.BarSpan span = span(bar).orElseThrow();
    if (onset.compareTo(bar.end()) >= 0) {
      return span.right() / scale;
    }
    if (exact != null) {
      return exact / scale;
    }
    Map.Entry<Fraction, Double> floor = main.onsetX().floorEntry(onset);
    Map.Entry<Fraction, Double> ceiling = main.onsetX().ceilingEntry(onset);
    boolean fromHere = floor != null && floor.getKey().compareTo(bar.start()) >= 0;
    boolean toHere = ceiling != null && ceiling.getKey().compareTo(bar.end()) < 0;
    double x1 = fromHere ? floor.getValue() : span.left() + FIRST;
    double x2 = toHere ? ceiling.getValue() : span.right();
    Fraction from = fromHere ? floor.getKey() : bar.start();
    Fraction to = toHere ? ceiling.getKey() : bar.end();
    double share = onset.subtract(from).divide(to.subtract(from)).doubleValue();
    return (x1 + (x2 - x1) * share) / scale;
  }
}
