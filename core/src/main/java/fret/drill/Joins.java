package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.score.Bar;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    all.addAll(back(passage, chunks));
    return all;
  }

  /** Where a repeat goes back: the last notes before its sign, the first of where it begins. */
  private static List<Chunk> back(ResolvedPassage passage, List<Chunk> chunks) {
    List<Bar> bars = passage.score().bars();
    List<Integer> order = Repeats.playingOrder(passage.score());
    Map<List<Integer>, Chunk> all = new LinkedHashMap<>();
    for (int i = 0; i + 1 < order.size(); i++) {
      Bar end = bars.get(order.get(i));
      Bar start = bars.get(order.get(i + 1));
      if (order.get(i + 1) == order.get(i) + 1) {
        continue;
      }
      List<Integer> tail = slicesOf(passage, end);
      List<Integer> head = slicesOf(passage, start);
      if (tail.isEmpty() || head.isEmpty()) {
        continue;
      }
      int last = tail.get(tail.size() - 1);
      int first = head.get(0);
      Optional<Chunk> a = holding(passage, chunks, last);
      Optional<Chunk> b = holding(passage, chunks, first);
      boolean parted = passage.slices().get(last).restAfter().compareTo(PARTED) >= 0;
      if (a.isPresent() && b.isPresent() && !parted) {
        int from = Math.max(slice(passage, a.get(), true), last - NOTES + 1);
        int to = Math.min(slice(passage, b.get(), false), first + NOTES - 1);
        all.putIfAbsent(List.of(end.index(), start.index()), back(passage, from, last, first, to));
      }
    }
    return List.copyOf(all.values());
  }

  private static List<Integer> slicesOf(ResolvedPassage passage, Bar bar) {
    return passage.slices().stream()
        .filter(s -> s.grace() == 0 && !s.starting().isEmpty())
        .map(Slice::index)
        .filter(s -> note(passage, s).key().barIndex() == bar.index())
        .toList();
  }

  private static Optional<Chunk> holding(ResolvedPassage passage, List<Chunk> chunks, int slice) {
    return chunks.stream()
        .filter(c -> slice(passage, c, true) <= slice && slice(passage, c, false) >= slice)
        .findFirst();
  }

  private static Chunk back(ResolvedPassage passage, int from, int last, int first, int to) {
    SoundingNote goes = note(passage, last);
    SoundingNote comes = note(passage, first);
    return new Chunk(
        "join-" + goes.bar() + "-" + comes.bar(),
        Chunk.Kind.JOIN,
        note(passage, from).key(),
        goes.key(),
        note(passage, from).bar(),
        comes.bar(),
        passage.slices().get(from).onset(),
        end(passage, last),
        last - from + 1 + to - first + 1,
        Said.of("chunk.join", comes.bar()),
        "",
        Way.ALL,
        Optional.of(new Chunk.Jump(passage.slices().get(first).onset(), end(passage, to))));
  }

  private static Fraction end(ResolvedPassage passage, int slice) {
    Slice s = passage.slices().get(slice);
    return s.onset().add(Fractions.max(s.duration(), Fraction.of(1, 64)));
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
    return new Chunk(
        "entry-" + b.fromBar(),
        Chunk.Kind.JOIN,
        note(passage, first).key(),
        note(passage, to).key(),
        note(passage, first).bar(),
        note(passage, to).bar(),
        Fractions.max(counted, free),
        end(passage, to),
        to - first + 1,
        Said.of("chunk.entry", b.fromBar()));
  }

  private static int slice(ResolvedPassage passage, Chunk c, boolean first) {
    int note = passage.indexOf(first ? c.from() : c.to()).orElseThrow();
    return passage.notes().get(note).slice();
  }

  private static Chunk join(ResolvedPassage passage, Chunk a, Chunk b, int from, int to) {
    SoundingNote first = note(passage, from);
    return new Chunk(
        "join-" + a.toBar() + "-" + b.fromBar(),
        Chunk.Kind.JOIN,
        first.key(),
        note(passage, to).key(),
        first.bar(),
        note(passage, to).bar(),
        passage.slices().get(from).onset(),
        end(passage, to),
        to - from + 1,
        Said.of("chunk.join", b.fromBar()));
  }

  private static SoundingNote note(ResolvedPassage passage, int slice) {
    return passage.notes().get(passage.slices().get(slice).starting().get(0));
  }
}
