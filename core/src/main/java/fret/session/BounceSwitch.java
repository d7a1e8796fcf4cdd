package fret.session;

import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A stroke that bounces at the target and cannot below some tempo: until then it is practised on
 * the string.
 *
 * @param perMinute lowest tempo, in the value of the ladder, at which every such stroke bounces
 */
public record BounceSwitch(StrokeKind kind, int perMinute) {
  /** The switches of a whole passage, the slowest first. */
  public static List<BounceSwitch> of(Session s) {
    Tempo target = s.passage().settings().target();
    Ladder only = new Ladder(target.beat(), List.of(Level.at(target.perMinute())));
    return of(s, only, s.score().bars().get(0).start(), s.score().end());
  }

  /** The switches of the strokes that begin in a stretch, the end excluded, on its ladder. */
  public static List<BounceSwitch> of(Session s, Ladder ladder, Fraction from, Fraction to) {
    Map<StrokeKind, Integer> all = new EnumMap<>(StrokeKind.class);
    double target = ladder.target();
    for (Stroke stroke : s.bowing().strokes()) {
      Fraction onset = s.bowing().moments().get(stroke.fromMoment()).slice().onset();
      boolean inside = onset.compareTo(from) >= 0 && onset.compareTo(to) < 0;
      if (inside && stroke.kind().leastRate() > 0) {
        double share = stroke.kind().leastRate() / s.bowing().rate(stroke);
        // A hair under a whole number is that number.
        int perMinute = (int) Math.ceil(share * target - 1e-6);
        all.merge(stroke.kind(), perMinute, Math::max);
      }
    }
    return all.entrySet().stream()
        .map(e -> new BounceSwitch(e.getKey(), e.getValue()))
        .sorted(java.util.Comparator.comparingInt(BounceSwitch::perMinute))
        .toList();
  }
}
