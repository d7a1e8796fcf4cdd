package fret.bowing;

import java.util.ArrayList;
import java.util.List;

/**
 * Notes that go to and fro between two strings, the hand drawing a small figure over and over: a
 * circle where each note has a stroke of its own, a wave where they are slurred.
 *
 * @param strings of the first note, {@code others} of the second, 1 the highest
 * @param wideCm bow of a note, the figure's width
 * @param highCm way of the hand from string to string where it is played, the figure's height
 * @param circle whether strokes and strings change together
 * @param downOnFirst whether a circle has its down-bows on the strings of the first note
 */
public record Swing(
    int fromMoment,
    int toMoment,
    List<Integer> strings,
    List<Integer> others,
    double wideCm,
    double highCm,
    boolean circle,
    boolean downOnFirst) {
  private static final int FEWEST = 6;

  public Swing {
    strings = List.copyOf(strings);
    others = List.copyOf(others);
  }

  /** All swings of six notes and more. */
  public static List<Swing> of(Bowing bowing, List<Crossing> crossings) {
    List<Swing> all = new ArrayList<>();
    List<BowMoment> moments = bowing.moments();
    int at = 0;
    while (at + 1 < moments.size()) {
      int to = end(moments, at);
      if (to - at + 1 >= FEWEST) {
        all.add(swing(bowing, crossings, at, to));
        at = to;
      } else {
        at++;
      }
    }
    return all;
  }

  /** The last moment that still goes to and fro. */
  private static int end(List<BowMoment> moments, int from) {
    List<Integer> one = moments.get(from).strings();
    List<Integer> other = moments.get(from + 1).strings();
    int to = from;
    while (to + 1 < moments.size()
        && moments.get(to).isBowed()
        && moments.get(to + 1).isBowed()
        && moments.get(to).restMs() < 1
        && !one.equals(other)
        && moments.get(to + 1).strings().equals((to + 1 - from) % 2 == 0 ? one : other)) {
      to++;
    }
    return to;
  }

  private static Swing swing(Bowing bowing, List<Crossing> crossings, int from, int to) {
    double wide = 0;
    boolean circle = true;
    for (int m = from; m <= to; m++) {
      Stroke s = bowing.strokeAt(m).orElseThrow();
      wide += s.at(m).bowCm() / (to - from + 1);
      circle &= s.fromMoment() == s.toMoment();
      circle &= m == from || bowing.strokeAt(m - 1).orElseThrow().down() != s.down();
    }
    double high =
        crossings.stream()
            .filter(c -> c.fromMoment() >= from && c.toMoment() <= to)
            .mapToDouble(Crossing::hereCm)
            .average()
            .orElse(0);
    BowMoment first = bowing.moments().get(from);
    return new Swing(
        from,
        to,
        first.strings(),
        bowing.moments().get(from + 1).strings(),
        wide,
        high,
        circle,
        bowing.strokeAt(from).orElseThrow().down());
  }
}
