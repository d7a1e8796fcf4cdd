package fret.session;

import fret.base.Fractions;
import fret.base.Said;
import fret.drill.Chunk;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Which planned chunks a stretch that the player chose counts for. */
public final class Covered {
  /** Share of a chunk's notes that must have been played. */
  private static final double ENOUGH = 0.8;

  private Covered() {}

  /** Whether a passage has both ends of a chunk: chunks may be of the page as it was before. */
  public static boolean isIn(ResolvedPassage passage, Chunk c) {
    return passage.indexOf(c.from()).isPresent() && passage.indexOf(c.to()).isPresent();
  }

  /**
   * The chunks of which enough notes lie in a stretch; those that are not there are left out.
   *
   * @param fromSlice first moment, {@code toSlice} the last one
   */
  public static List<Chunk> by(
      ResolvedPassage passage, List<Chunk> chunks, int fromSlice, int toSlice) {
    List<Chunk> all = new ArrayList<>();
    for (Chunk c : chunks.stream().filter(c -> isIn(passage, c)).toList()) {
      int from = slice(passage, c, true);
      int to = slice(passage, c, false);
      double common = Math.min(to, toSlice) - Math.max(from, fromSlice) + 1.0;
      if (common / (to - from + 1) >= ENOUGH) {
        all.add(c);
      }
    }
    return all;
  }

  /** The smallest chunk that a moment lies in; empty where it lies in none. */
  public static Optional<Chunk> around(ResolvedPassage passage, List<Chunk> chunks, int slice) {
    return chunks.stream()
        .filter(c -> isIn(passage, c))
        .filter(c -> slice(passage, c, true) <= slice && slice <= slice(passage, c, false))
        .min(Comparator.comparingInt(Chunk::noteCount));
  }

  /** A stretch as a chunk of the player's own. */
  public static Chunk stretch(ResolvedPassage passage, int fromSlice, int toSlice) {
    Slice first = passage.slices().get(fromSlice);
    Slice last = passage.slices().get(toSlice);
    SoundingNote from = passage.notes().get(first.starting().get(0));
    SoundingNote to = passage.notes().get(last.starting().get(0));
    return new Chunk(
        "own-" + fromSlice + "-" + toSlice,
        Chunk.Kind.BARS,
        from.key(),
        to.key(),
        from.bar(),
        to.bar(),
        first.onset(),
        last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64))),
        toSlice - fromSlice + 1,
        Said.of("chunk.own"));
  }

  private static int slice(ResolvedPassage passage, Chunk c, boolean first) {
    int note = passage.indexOf(first ? c.from() : c.to()).orElseThrow();
    return passage.notes().get(note).slice();
  }
}
