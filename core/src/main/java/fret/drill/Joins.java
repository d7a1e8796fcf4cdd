package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;

/** Where one chunk goes on into the next: the last notes of the one, the first of the other. */
final class Joins {
  private static final int NOTES = 3;

  /** A rest in whole notes that parts two chunks: what is practised is the entry after it. */
  private static final Fraction PARTED = Fraction.of(1, 2);

  private Joins() {}

  static List<Chunk> between(ResolvedPassage passage, List<Chunk> chunks, Boundaries bounds) {
    List<Chunk> all = new ArrayList<>();
    for (int i = 0; i + 1 < chunks.size(); i++) {
      Chunk a = chunks.get(i);
      Chunk b = chunks.get(i + 1);
      int last = slice(passage, a, false);
      int first = slice(passage, b, true);
      if (first != last + 1 || !isPlayed(passage, bounds, last, first)) {
        continue;
      }
      int to = Math.min(slice(passage, b, false), first + NOTES - 1);
      boolean parted = passage.slices().get(last).restAfter().compareTo(PARTED) >= 0;
      if (parted) {
        all.add(entry(passage, b, first, to));
      } else {
        int from = Math.max(slice(passage, a, true), last - NOTES + 1);
        all.add(join(passage, a, b, from, to));
      }
    }
    return all;
  }

  /** Whether the one note is ever followed by the other: not from a first ending into a second. */
  private static boolean isPlayed(ResolvedPassage passage, Boundaries bounds, int last, int first) {
    int from = note(passage, last).key().barIndex();
    int to = note(passage, first).key().barIndex();
    return IntStream.range(from, to).allMatch(bounds::goesOn);
  }

  /** After a rest the last bar is counted, then comes the entry. */
  private static Chunk entry(ResolvedPassage passage, Chunk b, int first, int to) {
    Slice entry = passage.slices().get(first);
    Slice before = passage.slices().get(first - 1);
    Bar bar = passage.score().bar(note(passage, first).key().barIndex());
    Fraction counted =
        entry.onset().equals(bar.start())
            ? passage.score().bar(bar.index() - 1).start()
            : bar.start();
    Fraction free = before.onset().add(before.duration());
    Slice last = passage.slices().get(to);
    return new Chunk(
        "entry-" + b.fromBar(),
        Chunk.Kind.JOIN,
        note(passage, first).key(),
        note(passage, to).key(),
        note(passage, first).bar(),
        note(passage, to).bar(),
        Fractions.max(counted, free),
        last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64))),
        to - first + 1,
        Said.of("chunk.entry", b.fromBar()));
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
