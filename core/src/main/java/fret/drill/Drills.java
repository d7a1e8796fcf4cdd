package fret.drill;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

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
    Score played = chunk.jump().map(j -> played(score, chunk, j)).orElse(score);
    Fraction to =
        chunk.jump().isEmpty()
            ? chunk.toOnset()
            : end(score, chunk).add(chunk.jump().get().to().subtract(start(score, chunk)));
    Score cut = ScoreCut.cut(played, chunk.fromOnset(), to);
    List<Score> parts =
        new ChunkDrills(played, cut)
            .parts(kind).stream().map(p -> p.withTitle(chunk.label())).toList();
    return parts.isEmpty() ? Optional.empty() : Optional.of(new Drill(kind, parts));
  }

  /** The bars of a chunk as they are played: those that a repeat goes back to come after it. */
  private static Score played(Score score, Chunk chunk, Chunk.Jump jump) {
    List<Bar> bars = new ArrayList<>();
    for (Bar b : score.bars()) {
      boolean tail =
          b.end().compareTo(chunk.fromOnset()) > 0 && b.start().compareTo(chunk.toOnset()) < 0;
      if (tail) {
        bars.add(b.at(bars.size(), b.start()));
      }
    }
    Fraction at = end(score, chunk);
    for (Bar b : score.bars()) {
      if (b.end().compareTo(jump.from()) > 0 && b.start().compareTo(jump.to()) < 0) {
        bars.add(b.at(bars.size(), at));
        at = at.add(b.length());
      }
    }
    return score.withBars(bars);
  }

  /** The end of the bar in which a chunk ends. */
  private static Fraction end(Score score, Chunk chunk) {
    return score.barAt(chunk.to().onset()).end();
  }

  /** The start of the bar that its repeat goes back to. */
  private static Fraction start(Score score, Chunk chunk) {
    return score.barAt(chunk.jump().orElseThrow().from()).start();
  }
}
