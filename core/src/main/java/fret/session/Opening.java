package fret.session;

import fret.base.Problem;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.Layers;
import fret.passage.Passage;
import fret.score.Score;
import fret.search.Token;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Opens what is stored. A decision with which nothing can be computed never keeps a passage shut:
 * it is found, set aside for as long as the passage is open, and named; it stays stored.
 */
public final class Opening {
  /** Kinds of decisions without which a passage is still the same one. */
  private static final Set<Layer.Concern> SPARED =
      EnumSet.of(Layer.Concern.HAND, Layer.Concern.BOW, Layer.Concern.EAR, Layer.Concern.PLAN);

  /** More single marks of a kind are not tried one by one: the kind is set aside. */
  private static final int MOST_TRIED = 60;

  private Opening() {}

  /** What was computed, and of what. */
  public record Opened(Passage passage, Computed computed, List<Problem> problems) {}

  /** Computes a passage, without what cannot be heeded if need be. */
  public static Opened of(Passage passage, Score page, Token token) {
    try {
      return new Opened(passage, compute(passage, page, token), List.of());
    } catch (Token.Cancelled e) {
      throw e;
    } catch (RuntimeException e) {
      return without(passage, page, token, e);
    }
  }

  private static Computed compute(Passage passage, Score page, Token token) {
    return Pipeline.compute(passage, page, Optional.empty(), token);
  }

  private static Opened without(
      Passage passage, Score page, Token token, RuntimeException failure) {
    for (Layer<?, ?> layer : Layers.ALL) {
      boolean there = !passage.marks().of(layer).isEmpty() && SPARED.contains(layer.concern());
      Optional<Opened> opened = there ? without(passage, page, token, layer) : Optional.empty();
      if (opened.isPresent()) {
        return opened.get();
      }
    }
    throw failure; // It is nothing that was decided.
  }

  private static <A extends Anchor, V> Optional<Opened> without(
      Passage passage, Score page, Token token, Layer<A, V> layer) {
    Map<Place, V> all = passage.marks().of(layer);
    Marks none = passage.marks();
    for (Place p : all.keySet()) {
      none = none.with(layer, p, Optional.empty());
    }
    Optional<Computed> helped = tried(passage.withMarks(none), page, token);
    if (helped.isEmpty()) {
      return Optional.empty();
    }
    List<Map.Entry<Place, V>> single =
        new ArrayList<>(all.size() > MOST_TRIED ? List.of() : all.entrySet());
    single.sort(java.util.Comparator.comparing(e -> e.getKey().anchor().text()));
    for (Map.Entry<Place, V> e : single) {
      Passage less = passage.withMarks(passage.marks().with(layer, e.getKey(), Optional.empty()));
      Optional<Computed> computed = tried(less, page, token);
      if (computed.isPresent()) {
        return Optional.of(
            new Opened(less, computed.get(), List.of(told(page, layer, e.getKey(), e.getValue()))));
      }
    }
    Said kind = Said.of("kind." + layer.id());
    Problem told = Problem.of(Said.of("opening.aside.all", kind), Said.of("opening.aside.do"));
    return Optional.of(new Opened(passage.withMarks(none), helped.get(), List.of(told)));
  }

  private static <A extends Anchor, V> Problem told(
      Score page, Layer<A, V> layer, Place place, V value) {
    Optional<Integer> bar =
        place.anchor() instanceof Anchor.Note n
            ? Optional.of(n.key().barIndex())
            : place.anchor() instanceof Anchor.Stretch s
                ? Optional.of(s.from().barIndex())
                : Optional.empty();
    Said what = Said.of("opening.aside", layer.told(value));
    Said next = Said.of("opening.aside.do");
    return bar.flatMap(i -> page.bars().stream().filter(b -> b.index() == i).findFirst())
        .map(b -> Problem.atBar(b.number(), what, next))
        .orElse(Problem.of(what, next));
  }

  private static Optional<Computed> tried(Passage passage, Score page, Token token) {
    try {
      return Optional.of(compute(passage, page, token));
    } catch (Token.Cancelled e) {
      throw e;
    } catch (RuntimeException e) {
      return Optional.empty();
    }
  }
}
