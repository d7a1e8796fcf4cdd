package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Marks;
import fret.mark.Place;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What the player cut: chunks of their own, frames of the picture whose notes are written by now,
 * and the ends of excerpts, over which no chunk goes.
 */
final class OwnChunks {
  private final ResolvedPassage passage;
  private final Marks marks;
  private final List<Chunk> bars = new ArrayList<>();
  private final List<Chunk> layers = new ArrayList<>();
  private final Map<String, Integer> order = new HashMap<>();

  OwnChunks(ResolvedPassage passage, Marks marks) {
    this.passage = passage;
    this.marks = marks;
    for (Map.Entry<Place, OwnChunkLayer.Own> e : marks.of(OwnChunkLayer.OWN).entrySet()) {
      OwnChunkLayer.Own own = e.getValue();
      range((Anchor.Stretch) e.getKey().anchor())
          .ifPresent(
              r -> {
                order.put(own.id(), own.order());
                (own.way() == Way.ALL ? bars : layers)
                    .add(chunk(own.id(), r, own.name(), own.way()));
              });
    }
    for (Frame f : marks.at(FrameLayer.FRAMES, Place.WHOLE).orElse(List.of())) {
      boolean own = order.containsKey(f.id());
      if (!own) {
        written(f).ifPresent(r -> bars.add(chunk(f.id(), r, f.name(), Way.ALL)));
      }
    }
    bars.sort(Comparator.comparing(Chunk::fromOnset));
    layers.sort(Comparator.comparing(Chunk::fromOnset).thenComparing(Chunk::way));
  }

  /** First and last moment. */
  private record Range(int from, int to) {}

  private Optional<Range> range(Anchor.Stretch s) {
    Optional<Integer> from = passage.indexOf(s.from());
    Optional<Integer> to = passage.indexOf(s.to());
    if (from.isEmpty() || to.isEmpty()) {
      return Optional.empty();
    }
    int a = passage.notes().get(from.get()).slice();
    int b = passage.notes().get(to.get()).slice();
    return Optional.of(new Range(Math.min(a, b), Math.max(a, b)));
  }

  /** The moments of a frame's bars, once all of these bars are on the page and none is empty. */
  private Optional<Range> written(Frame f) {
    Optional<Bar> first = passage.score().barNumbered(String.valueOf(f.fromBar()));
    Optional<Bar> last = passage.score().barNumbered(String.valueOf(f.toBar()));
    if (first.isEmpty() || last.isEmpty() || last.get().index() < first.get().index()) {
      return Optional.empty();
    }
    boolean full =
        passage.score().bars().subList(first.get().index(), last.get().index() + 1).stream()
            .noneMatch(b -> b.events().isEmpty());
    List<Slice> in =
        passage.slices().stream()
            .filter(s -> s.onset().compareTo(first.get().start()) >= 0)
            .filter(s -> s.onset().compareTo(last.get().end()) < 0)
            .toList();
    return full && !in.isEmpty()
        ? Optional.of(new Range(in.get(0).index(), in.get(in.size() - 1).index()))
        : Optional.empty();
  }

  private Chunk chunk(String id, Range r, String name, Way way) {
    Slice last = passage.slices().get(r.to());
    Fraction end = last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64)));
    SoundingNote from = note(r.from());
    SoundingNote to = note(r.to());
    return new Chunk(
        id,
        way == Way.ALL ? Chunk.Kind.BARS : Chunk.Kind.LAYER,
        from.key(),
        to.key(),
        from.bar(),
        to.bar(),
        passage.slices().get(r.from()).onset(),
        way == Way.ALL ? Chunker.overlapEnd(passage, end) : end,
        r.to() - r.from() + 1,
        Said.of("chunk.yours"),
        name,
        way);
  }

  private SoundingNote note(int slice) {
    return passage.notes().get(passage.slices().get(slice).starting().get(0));
  }

  private int slice(Chunk c, boolean first) {
    return passage.notes().get(passage.indexOf(first ? c.from() : c.to()).orElseThrow()).slice();
  }

  /** Chunks of bars, frames among them, by their start. */
  List<Chunk> bars() {
    return bars;
  }

  /**
   * The same: what the player left as it was proposed, when cutting elsewhere, is what it was, with
   * the note after it and its reason.
   */
  List<Chunk> bars(List<Chunk> proposed) {
    return bars.stream().map(own -> asProposed(own, proposed)).toList();
  }

  private static Chunk asProposed(Chunk own, List<Chunk> proposed) {
    return proposed.stream()
        .filter(p -> p.from().equals(own.from()) && p.to().equals(own.to()))
        .findFirst()
        .map(p -> p.withId(own.id()).named(own.name()))
        .orElse(own);
  }

  /** Layers of bars. */
  List<Chunk> layers() {
    return layers;
  }

  /**
   * Those proposed that no chunk of the player's own has a note of, cut at the ends of excerpts.
   */
  List<Chunk> without(List<Chunk> proposed) {
    List<Chunk> left = new ArrayList<>();
    for (Chunk c : proposed) {
      int from = slice(c, true);
      int to = slice(c, false);
      boolean taken = bars.stream().anyMatch(o -> slice(o, true) <= to && slice(o, false) >= from);
      if (!taken) {
        left.addAll(parted(c, from, to));
      }
    }
    return left;
  }

  private List<Chunk> parted(Chunk c, int from, int to) {
    TreeSet<Integer> starts = new TreeSet<>(List.of(from));
    for (Place p : marks.of(ExcerptLayer.EXCERPT).keySet()) {
      range((Anchor.Stretch) p.anchor())
          .ifPresent(
              r -> {
                starts.add(r.from());
                starts.add(r.to() + 1);
              });
    }
    List<Integer> in = List.copyOf(starts.subSet(from, true, to, true));
    if (in.size() == 1) {
      return List.of(c);
    }
    List<Chunk> parts = new ArrayList<>();
    for (int i = 0; i < in.size(); i++) {
      int end = i + 1 < in.size() ? in.get(i + 1) - 1 : to;
      String id = c.id() + (i == 0 ? "" : "." + (char) ('a' + i));
      parts.add(chunk(id, new Range(in.get(i), end), "", Way.ALL));
    }
    return parts;
  }

  /** The list as the player ordered it; what is not ordered stands by its start. */
  List<Chunk> inOrder(List<Chunk> byStart) {
    List<Chunk> all = new ArrayList<>(byStart);
    all.sort(Comparator.comparingInt(c -> order.getOrDefault(c.id(), Integer.MAX_VALUE)));
    return all;
  }
}
