package fret.drill;

import fret.score.Score;
import fret.tempo.Tempo;
import java.util.List;
import java.util.Objects;
import java.util.function.UnaryOperator;

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

  /**
   * With other titles over its parts.
   *
   * @param title from the one that a part has, which may be empty
   */
  public Drill titled(UnaryOperator<String> title) {
    return new Drill(kind, parts.stream().map(p -> p.withTitle(title.apply(p.title()))).toList());
  }

  /** With the tempo over it at which it is played, see {@link DrillTempo}. */
  public Drill at(Tempo start, double share) {
    return new Drill(kind, parts.stream().map(p -> DrillTempo.at(p, start, share)).toList());
  }

  /** All parts one after the other. */
  public Score whole() {
    return Stitch.of(parts);
  }
}
