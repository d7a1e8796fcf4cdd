package fret.drill;

import fret.score.Score;
import java.util.List;
import java.util.Optional;

/** Makes drills from a chunk, as real notation. */
public final class Drills {
  private Drills() {}

  /**
   * A drill of a chunk.
   *
   * @param kind one that is made of a chunk's notes, see {@link DrillKind.Of#CHUNK}
   * @return empty where the chunk has nothing for it
   * @throws IllegalArgumentException if the kind is made of something else
   */
  public static Optional<Drill> of(Score score, Chunk chunk, DrillKind kind) {
    if (kind.of() != DrillKind.Of.CHUNK) {
      throw new IllegalArgumentException(kind + " is not made of a chunk");
    }
    Score cut = ScoreCut.cut(score, chunk.fromOnset(), chunk.toOnset());
    List<Score> parts =
        new ChunkDrills(score, cut)
            .parts(kind).stream().map(p -> p.withTitle(chunk.label())).toList();
    return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, parts));
  }
}
