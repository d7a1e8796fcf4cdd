package fret.bowing;

import fret.instrument.BowGeometry;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A change of string.
 *
 * @param fromMoment and {@code toMoment}: the moments on both sides
 * @param strings strings that lie between their nearest ones, 1 for neighbours
 * @param degrees turn of the bow, never negative
 * @param hereCm way of the hand at the planned place; {@code frogCm}, {@code middleCm} and {@code
 *     tipCm} elsewhere
 * @param insideSlur within one stroke
 * @param single whether the note stands alone on its string and the bow comes straight back
 * @param outer whether the string reached has no neighbour to stop an overshoot
 */
public record Crossing(
    int fromMoment,
    int toMoment,
    List<Integer> fromStrings,
    List<Integer> toStrings,
    int strings,
    double degrees,
    double hereCm,
    double frogCm,
    double middleCm,
    double tipCm,
    boolean insideSlur,
    boolean single,
    boolean outer) {
  public Crossing {
    fromStrings = List.copyOf(fromStrings);
    toStrings = List.copyOf(toStrings);
  }

  /** All crossings of a bowing, in order. */
  public static List<Crossing> of(Bowing bowing, BowGeometry bow) {
    List<Crossing> all = new ArrayList<>();
    List<BowMoment> moments = bowing.moments();
    for (int i = 0; i + 1 < moments.size(); i++) {
      BowMoment from = moments.get(i);
      BowMoment to = moments.get(i + 1);
      if (from.isBowed() && to.isBowed() && !from.strings().equals(to.strings())) {
        all.add(crossing(bowing, bow, i));
      }
    }
    return all;
  }

  private static Crossing crossing(Bowing bowing, BowGeometry bow, int i) {
    List<BowMoment> moments = bowing.moments();
    BowMoment from = moments.get(i);
    BowMoment to = moments.get(i + 1);
    double degrees = Math.abs(bow.planeDegrees(from.strings()) - bow.planeDegrees(to.strings()));
    Stroke stroke = bowing.strokeAt(i + 1).orElseThrow();
    double place = stroke.at(i + 1).fromCm();
    Optional<BowMoment> next =
        i + 2 < moments.size() ? Optional.of(moments.get(i + 2)) : Optional.empty();
    return new Crossing(
        i,
        i + 1,
        from.strings(),
        to.strings(),
        Math.max(1, from.stringsTo(to)),
        degrees,
        bow.handCm(degrees, place),
        bow.handCm(degrees, 0),
        bow.handCm(degrees, bow.hairCm() / 2),
        bow.handCm(degrees, bow.hairCm()),
        stroke.has(i),
        next.filter(n -> n.strings().equals(from.strings())).isPresent(),
        to.strings().contains(1) || to.strings().contains(bow.strings()));
  }
}
