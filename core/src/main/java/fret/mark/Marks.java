package fret.mark;

import fret.score.NoteKey;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.BiConsumer;

/** All that was decided about a passage: by layer and place, at most one value. Immutable. */
public final class Marks {
  public static final Marks NONE = new Marks(Map.of());

  private final Map<Layer<?, ?>, Map<Place, Object>> layers;

  private Marks(Map<Layer<?, ?>, Map<Place, Object>> layers) {
    this.layers = layers;
  }

  /** Everything of one kind. */
  @SuppressWarnings("unchecked") // A layer's map is only filled through with().
  public <V> Map<Place, V> of(Layer<?, V> layer) {
    return (Map<Place, V>) layers.getOrDefault(layer, Map.of());
  }

  public <V> Optional<V> at(Layer<?, V> layer, Place place) {
    return Optional.ofNullable(of(layer).get(place));
  }

  /** What counts on a note. */
  public <V> Optional<V> at(NoteLayer<V> layer, NoteKey key) {
    return at(layer, Place.of(key));
  }

  /** Whether anything of a kind counts. */
  public boolean any(Layer<?, ?> layer) {
    return of(layer).keySet().stream().anyMatch(Place::counts);
  }

  /** These marks with one more, in place of the one that was there; empty takes it away. */
  public <A extends Anchor, V> Marks with(Layer<A, V> layer, Place place, Optional<V> value) {
    return with(layer, Collections.singletonMap(place, value.orElse(null)));
  }

  public <V> Marks with(NoteLayer<V> layer, NoteKey key, V value) {
    return with(layer, Place.of(key), Optional.of(value));
  }

  /**
   * These marks with several of one kind.
   *
   * @param values null where a mark is taken away
   */
  public <A extends Anchor, V> Marks with(Layer<A, V> layer, Map<Place, ? extends V> values) {
    Map<Place, Object> of = new HashMap<>(layers.getOrDefault(layer, Map.of()));
    values.forEach(
        (place, value) -> {
          if (!layer.anchorType().isInstance(place.anchor())) {
            throw new IllegalArgumentException(layer.id() + " does not hang on " + place);
          }
          if (value == null) {
            of.remove(place);
          } else {
            of.put(place, value);
          }
        });
    Map<Layer<?, ?>, Map<Place, Object>> all = new HashMap<>(layers);
    if (of.isEmpty()) {
      all.remove(layer);
    } else {
      all.put(layer, Collections.unmodifiableMap(of));
    }
    return new Marks(Collections.unmodifiableMap(all));
  }

  /** These marks, those of every kind that the others hold taken from them. */
  public Marks over(Marks others) {
    Map<Layer<?, ?>, Map<Place, Object>> all = new HashMap<>(layers);
    all.putAll(others.layers);
    return new Marks(Collections.unmodifiableMap(all));
  }

  /** Only the marks of some kinds. */
  public Marks only(Collection<? extends Layer<?, ?>> kinds) {
    Map<Layer<?, ?>, Map<Place, Object>> all = new HashMap<>(layers);
    all.keySet().retainAll(kinds);
    return new Marks(Collections.unmodifiableMap(all));
  }

  /** Hands on every mark, layer by layer. */
  public void forEach(BiConsumer<Layer<?, ?>, Map<Place, Object>> action) {
    layers.forEach(action);
  }

  /** Names of the versions of a kind that are kept beside what counts. */
  public Collection<String> versions(Layer<?, ?> layer) {
    Collection<String> names = new TreeSet<>();
    of(layer).keySet().forEach(p -> names.add(p.version()));
    names.remove("");
    return names;
  }

  public int size() {
    return layers.values().stream().mapToInt(Map::size).sum();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Marks m && m.layers.equals(layers);
  }

  @Override
  public int hashCode() {
    return layers.hashCode();
  }

  @Override
  public String toString() {
    Map<String, Object> all = new java.util.TreeMap<>();
    layers.forEach((layer, values) -> all.put(layer.id(), values));
    return all.toString();
  }
}
