package fret.drill;

import fret.score.Score;
import java.util.List;
import java.util.Objects;

/**
 * A drill as notation.
 *
 * @param parts patterns, steps or stages, each played and judged by itself; at least one
 */
public record Drill(DrillKind kind, List<Score> parts) {
  public Drill {
    Objects.requireNonNull(kind);
    parts = List.copyOf(parts);
    if (parts.isEmpty()) {
      throw new IllegalArgumentException(kind + " has nothing to play");
    }
  }

  /** Notated length of each part in whole notes, rests included. */
  public List<Double> lengths() {
    return parts.stream()
        .map(p -> p.end().subtract(p.bars().get(0).start()).doubleValue())
        .toList();
  }

  /** All parts one after the other. */
  public Score whole() {
    return Stitch.of(parts);
  }
}
