package fret.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/** A part with the player's own dynamics, each in place of a printed one that stands there. */
public final class OwnLevels {
  private OwnLevels() {}

  /**
   * The part as it is meant to be loud.
   *
   * @param levels of {@link LoudnessLine} by onset
   */
  public static Score on(Score score, Map<Fraction, Double> levels) {
    return levels.isEmpty()
        ? score
        : score.withBars(score.bars().stream().map(b -> on(b, levels)).toList());
  }

  private static Bar on(Bar bar, Map<Fraction, Double> levels) {
    List<Direction> all = new ArrayList<>();
    for (Direction d : bar.directions()) {
      boolean replaced =
          d.kind() == Direction.Kind.DYNAMIC
              && LoudnessLine.level(d.text()) >= 0
              && levels.containsKey(d.onset());
      if (!replaced) {
        all.add(d);
      }
    }
    levels.entrySet().stream()
        .filter(e -> e.getKey().compareTo(bar.start()) >= 0 && e.getKey().compareTo(bar.end()) < 0)
        .sorted(Map.Entry.comparingByKey())
        .map(
            e ->
                new Direction(
                    e.getKey(), Direction.Kind.DYNAMIC, LoudnessLine.word(e.getValue()), 0))
        .forEach(all::add);
    return all.equals(bar.directions()) ? bar : bar.withDirections(all);
  }
}
