package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Where one chunk goes on into the next: the last notes of the one, the first of the other. */
final class Joins {
  private static final int NOTES = 3;

  /** A rest in whole notes that parts two chunks, so that nothing is to be joined. */
  private static final Fraction PARTED = Fraction.of(1, 2);

  private Joins() {}

  static List<Chunk> between(ResolvedPassage passage, List<Chunk> chunks) {
    List<Chunk> all = new ArrayList<>();
    for (int i = 0; i + 1 < chunks.size(); i++) {
      Chunk a = chunks.get(i);
      Chunk b = chunks.get(i + 1);
      int last = slice(passage, a, false);
      int first = slice(passage, b, true);
      boolean parted = passage.slices().get(last).restAfter().compareTo(PARTED) >= 0;
      if (!parted && first == last + 1) {
        int from = Math.max(slice(passage, a, true), last - NOTES + 1);
        int to = Math.min(slice(passage, b, false), first + NOTES - 1);
        all.add(join(passage, a, b, from, to));
      }
    }
    return all;
  }

  private static int slice(ResolvedPassage passage, Chunk c, boolean first) {
    int note = passage.indexOf(first ? c.from() : c.to()).orElseThrow();
    return passage.notes().get(note).slice();
  }

  private static Chunk join(ResolvedPassage passage, Chunk a, Chunk b, int from, int to) {
    Slice last = passage.slices().get(to);
    SoundingNote first = note(passage, from);
    return new Chunk(
        "join-" + a.toBar() + "-" + b.fromBar(),
        Chunk.Kind.JOIN,
        first.key(),
        note(passage, to).key(),
        first.bar(),
        note(passage, to).bar(),
        passage.slices().get(from).onset(),
        last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64))),
        to - from + 1,
        Said.of("chunk.join", b.fromBar()));
  }

  private static SoundingNote note(ResolvedPassage passage, int slice) {
    return passage.notes().get(passage.slices().get(slice).starting().get(0));
  }
}
