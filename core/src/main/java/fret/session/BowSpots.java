package fret.session;

import fret.drill.BowDrillKind;
import fret.drill.BowDrills;
import fret.drill.Chunk;
import fret.score.Score;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The drills of the bow that chunks ask for, by what is hard for the bow in them. */
public final class BowSpots {
  /** A drill with its notation. */
  public record Spot(BowDrillKind kind, Score notation) {}

  private BowSpots() {}

  /** The drills of a chunk, the most wanted first; none where nothing is hard for the bow. */
  public static List<Spot> of(Session s, Chunk chunk) {
    List<Slice> inside =
        s.bowTask().passage().slices().stream()
            .filter(
                x ->
                    x.onset().compareTo(chunk.fromOnset()) >= 0
                        && x.onset().compareTo(chunk.toOnset()) < 0)
            .toList();
    List<Spot> all = new ArrayList<>();
    if (inside.isEmpty()) {
      return all;
    }
    int from = inside.get(0).index();
    int to = inside.get(inside.size() - 1).index();
    for (BowDrillKind kind : BowDrills.askedFor(s.bowing(), s.arm().report(), from, to)) {
      BowDrills.notation(
              s.resolved(), s.bowing(), s.arm().report(), s.bowTask().instrument(), from, to, kind)
          .ifPresent(score -> all.add(new Spot(kind, score)));
    }
    return all;
  }

  /** Notated length in whole notes of each chunk's most wanted drill, by the chunk's id. */
  public static Map<String, Double> lengths(Session s, List<Chunk> chunks) {
    Map<String, Double> all = new HashMap<>();
    for (Chunk c : chunks) {
      of(s, c).stream()
          .findFirst()
          .ifPresent(spot -> all.put(c.id(), spot.notation().end().doubleValue()));
    }
    return all;
  }
}
