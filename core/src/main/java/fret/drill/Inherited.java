package fret.drill;

import fret.mark.Anchor;
import fret.mark.Marks;
import fret.mark.Place;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The tries that a piece keeps where it is cut otherwise than before: those of a chunk that is no
 * more and within whose notes it lies.
 */
public final class Inherited {
  private final Map<NoteKey, Integer> order = new HashMap<>();
  private final Marks marks;
  private final Set<String> now;

  /**
   * @param now ids of the chunks that there are
   */
  public Inherited(ResolvedPassage passage, Marks marks, Collection<String> now) {
    this.marks = marks;
    this.now = Set.copyOf(now);
    for (int i = 0; i < passage.notes().size(); i++) {
      order.put(passage.notes().get(i).key(), i);
    }
  }

  /** Ids of the record whose tries count for a chunk too. */
  public Set<String> of(Chunk c) {
    Set<String> ids = new TreeSet<>();
    for (Map.Entry<Place, ChunkLayer.Named> e : marks.of(ChunkLayer.CHUNK).entrySet()) {
      Anchor.Stretch s = (Anchor.Stretch) e.getKey().anchor();
      boolean gone = e.getValue().kind() == c.kind() && !now.contains(e.getValue().id());
      if (gone && holds(s, c)) {
        ids.add(e.getValue().id());
      }
    }
    return ids;
  }

  private boolean holds(Anchor.Stretch s, Chunk c) {
    Integer from = order.get(s.from());
    Integer to = order.get(s.to());
    return from != null && to != null && from <= order.get(c.from()) && to >= order.get(c.to());
  }
}
