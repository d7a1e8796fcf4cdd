package fret.session;

import fret.drill.BowDrillKind;
import fret.drill.BowDrills;
import fret.drill.Chunk;
import fret.score.Score;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The drills of the bow that chunks ask for, by what is hard for the bow in them. */
public final class BowSpots {
  /** A drill with its notation. */
  public record Spot(BowDrillKind kind, Score notation) {}

  private BowSpots() {}

  /** The drills of a chunk, the most wanted first; none where nothing is hard for the bow. */
  public static List<Spot> of(Session s, Chunk chunk) {
    List<Spot> all = new ArrayList<>();
    List<Slice> inside = inside(s, chunk);
    if (inside.isEmpty()) {
      return all;
    }
    int from = inside.get(0).index();
    int to = inside.get(inside.size() - 1).index();
    for (BowDrillKind kind : BowDrills.askedFor(s.bowing(), s.arm().report(), from, to)) {
      made(s, chunk, kind).ifPresent(score -> all.add(new Spot(kind, score)));
    }
    return all;
  }

  /** One drill of the bow over a chunk; empty where the chunk has nothing for it. */
  public static Optional<Score> made(Session s, Chunk chunk, BowDrillKind kind) {
    List<Slice> inside = inside(s, chunk);
    return inside.isEmpty()
        ? Optional.empty()
        : BowDrills.notation(
            s.resolved(),
            s.bowing(),
            s.arm().report(),
            s.bowTask().instrument(),
            inside.get(0).index(),
            inside.get(inside.size() - 1).index(),
            kind);
  }

  private static List<Slice> inside(Session s, Chunk chunk) {
    return s.bowTask().passage().slices().stream()
        .filter(x -> x.onset().compareTo(chunk.fromOnset()) >= 0)
        .filter(x -> x.onset().compareTo(chunk.toOnset()) < 0)
        .toList();
  }
}
