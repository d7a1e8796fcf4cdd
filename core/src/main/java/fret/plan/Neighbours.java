package fret.plan;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Which units stand side by side in the part: each belongs to a chunk, a join to the one before it
 * and the one after it.
 */
final class Neighbours {
  private final int[] before;
  private final int[] after;
  private final int[] chunks;

  private Neighbours(int[] before, int[] after, int[] chunks) {
    this.before = before;
    this.after = after;
    this.chunks = chunks;
  }

  /** Of the units of a goal, in the order of the part. */
  static Neighbours of(List<Unit> units) {
    int[] before = new int[units.size()];
    int[] after = new int[units.size()];
    int[] places =
        IntStream.range(0, units.size())
            .filter(i -> units.get(i).kind() == Unit.Kind.CHUNK)
            .toArray();
    int seen = 0;
    for (int i = 0; i < before.length; i++) {
      Unit.Kind kind = units.get(i).kind();
      seen += kind == Unit.Kind.CHUNK ? 1 : 0;
      before[i] = Math.max(0, seen - 1);
      after[i] =
          kind == Unit.Kind.JOIN ? Math.max(0, Math.min(seen, places.length - 1)) : before[i];
    }
    return new Neighbours(before, after, places);
  }

  /** Places of the chunks that a unit belongs to; none where there are only joins. */
  List<Integer> chunksOf(int place) {
    return chunks.length == 0
        ? List.of()
        : IntStream.rangeClosed(before[place], after[place]).mapToObj(i -> chunks[i]).toList();
  }

  int before(int place) {
    return before[place];
  }

  int after(int place) {
    return after[place];
  }
}
