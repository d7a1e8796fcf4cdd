package fret.score;

import java.util.Collections;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What is added to a line of loudness, in levels, from onset to onset.
 *
 * @param points levels added, by onset
 * @param even whether it goes evenly from one to the next; else each holds to the next
 */
public record LineShape(NavigableMap<Fraction, Double> points, boolean even) {
  public static final LineShape NONE = new LineShape(new TreeMap<>(), false);

  public LineShape {
    points = Collections.unmodifiableNavigableMap(new TreeMap<>(points));
  }

  /** Levels added at an onset. */
  double at(Fraction onset) {
    return between(points.floorEntry(onset), onset);
  }

  /** Levels added just before an onset. */
  double before(Fraction onset) {
    Map.Entry<Fraction, Double> lower = points.lowerEntry(onset);
    return between(lower == null ? points.floorEntry(onset) : lower, onset);
  }

  private double between(Map.Entry<Fraction, Double> here, Fraction onset) {
    if (here == null) {
      return 0;
    }
    Map.Entry<Fraction, Double> next = even ? points.higherEntry(here.getKey()) : null;
    if (next == null) {
      return here.getValue();
    }
    double way = onset.subtract(here.getKey()).doubleValue();
    double share = way / next.getKey().subtract(here.getKey()).doubleValue();
    return here.getValue() + (next.getValue() - here.getValue()) * Math.min(1, share);
  }
}
