package fret.session;

import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * One mark that becomes another one.
 *
 * @param before empty where there was none
 * @param after empty where it is taken away
 */
public record Delta<A extends Anchor, V>(
    Layer<A, V> layer, Place place, Optional<V> before, Optional<V> after) {
  public Delta {
    Objects.requireNonNull(layer);
    Objects.requireNonNull(place);
  }

  public Delta<A, V> inverse() {
    return new Delta<>(layer, place, after, before);
  }

  Marks applyTo(Marks marks) {
    return marks.with(layer, place, after);
  }

  /** Whether marks are as they are before this. */
  boolean fits(Marks marks) {
    return marks.at(layer, place).equals(before);
  }

  /** This and then a later one of the same place, as one. */
  @SuppressWarnings("unchecked") // The same layer holds the same values.
  Delta<A, V> then(Delta<?, ?> later) {
    return new Delta<>(layer, place, before, ((Delta<A, V>) later).after);
  }

  boolean isAt(Delta<?, ?> other) {
    return layer.equals(other.layer) && place.equals(other.place);
  }

  /** What makes some marks from others. */
  static List<Delta<?, ?>> between(Marks before, Marks after) {
    Set<Layer<?, ?>> layers = new LinkedHashSet<>();
    before.forEach((layer, values) -> layers.add(layer));
    after.forEach((layer, values) -> layers.add(layer));
    List<Delta<?, ?>> all = new ArrayList<>();
    layers.forEach(layer -> add(layer, before, after, all));
    return all;
  }

  private static <A extends Anchor, V> void add(
      Layer<A, V> layer, Marks before, Marks after, List<Delta<?, ?>> all) {
    Set<Place> places = new LinkedHashSet<>(before.of(layer).keySet());
    places.addAll(after.of(layer).keySet());
    for (Place place : places) {
      Optional<V> was = before.at(layer, place);
      Optional<V> is = after.at(layer, place);
      if (!was.equals(is)) {
        all.add(new Delta<>(layer, place, was, is));
      }
    }
  }
}
