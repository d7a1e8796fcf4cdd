package fret.drill;

import fret.mark.Anchor;
import fret.mark.Marks;
import fret.mark.Place;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Gives chunks the ids under which the record knows them, and no two of them the same. */
final class Identities {
  /** Share of its notes that a chunk must have in common with a known one to be it. */
  private static final double SAME = 0.8;

  private record Known(ChunkLayer.Named named, int from, int to) {}

  private final Map<NoteKey, Integer> order = new HashMap<>();
  private final List<Known> known = new ArrayList<>();
  private final Set<String> taken = new HashSet<>();
  private final Set<String> used = new HashSet<>();

  Identities(ResolvedPassage passage, Marks marks) {
    for (int i = 0; i < passage.notes().size(); i++) {
      order.put(passage.notes().get(i).key(), i);
    }
    for (Map.Entry<Place, ChunkLayer.Named> e : marks.of(ChunkLayer.CHUNK).entrySet()) {
      taken.add(e.getValue().id());
      Anchor.Stretch s = (Anchor.Stretch) e.getKey().anchor();
      if (order.containsKey(s.from()) && order.containsKey(s.to())) {
        known.add(new Known(e.getValue(), order.get(s.from()), order.get(s.to())));
      }
    }
    known.sort((a, b) -> a.from != b.from ? a.from - b.from : a.to - b.to);
  }

  /** Ids that are given already. */
  void take(List<Chunk> named) {
    named.forEach(
        c -> {
          used.add(c.id());
          taken.add(c.id());
        });
  }

  /** The chunks with their ids; no id is given twice. */
  List<Chunk> named(List<Chunk> cut) {
    List<Chunk> named = new ArrayList<>();
    for (Chunk chunk : cut) {
      String id = knownAs(chunk).filter(k -> !used.contains(k)).orElseGet(() -> fresh(chunk.id()));
      used.add(id);
      taken.add(id);
      named.add(chunk.withId(id));
    }
    return named;
  }

  private Optional<String> knownAs(Chunk chunk) {
    int from = order.get(chunk.from());
    int to = order.get(chunk.to());
    return known.stream()
        .filter(k -> k.named.kind() == chunk.kind())
        .filter(k -> common(k, from, to) >= SAME)
        .max((a, b) -> Double.compare(common(a, from, to), common(b, from, to)))
        .map(k -> k.named.id());
  }

  private static double common(Known k, int from, int to) {
    double both = Math.min(k.to, to) - Math.max(k.from, from) + 1.0;
    return both / (Math.max(k.to, to) - Math.min(k.from, from) + 1.0);
  }

  /** Bar numbers may begin again, and places move: the id of another chunk is not taken. */
  private String fresh(String wanted) {
    String id = wanted;
    for (int i = 2; taken.contains(id); i++) {
      id = wanted + "." + i;
    }
    return id;
  }
}
