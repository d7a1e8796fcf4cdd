package fret.bowing;

import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * How much is played where.
 *
 * @param onString bowed moments on each string, 1 the highest; a double stop counts on both
 * @param inStroke strokes by how many moments they have
 */
public record BowCounts(
    SortedMap<Integer, Integer> onString, SortedMap<Integer, Integer> inStroke) {
  public BowCounts {
    onString = new TreeMap<>(Map.copyOf(onString));
    inStroke = new TreeMap<>(Map.copyOf(inStroke));
  }

  public static BowCounts of(Bowing bowing) {
    SortedMap<Integer, Integer> onString = new TreeMap<>();
    SortedMap<Integer, Integer> inStroke = new TreeMap<>();
    for (Stroke s : bowing.strokes()) {
      inStroke.merge(s.notes().size(), 1, Integer::sum);
      for (Stroke.Note n : s.notes()) {
        bowing
            .moments()
            .get(n.moment())
            .strings()
            .forEach(string -> onString.merge(string, 1, Integer::sum));
      }
    }
    return new BowCounts(onString, inStroke);
  }
}
