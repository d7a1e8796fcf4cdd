package fret.passage;

import fret.base.Form;
import fret.base.Outcome;
import fret.base.Problem;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * All decisions of a passage as one form that travels with its file: by kind the values that occur,
 * each once, and the places that have them. What belongs to a library and not to the passage stays
 * behind: from which file it is read, and the heading of a page that was mended.
 */
public final class MarksForm {
  private static final Set<Layer<?, ?>> STAY = Set.of(SourceLayer.SOURCE, HeadingLayer.HEADING);

  private static final String LAYERS = "layers";

  private MarksForm() {}

  /** What travels of some marks. */
  public static Marks travelling(Marks marks) {
    return marks.only(Layers.ALL.stream().filter(l -> !STAY.contains(l)).toList());
  }

  /** The form of some marks; the same marks give the same form. */
  public static Form of(Marks marks) {
    List<Form> all = new ArrayList<>();
    for (Layer<?, ?> layer : Layers.ALL) {
      if (!STAY.contains(layer) && !marks.of(layer).isEmpty()) {
        all.add(layer(layer, marks));
      }
    }
    return Form.version(1).with(LAYERS, all);
  }

  private static <A extends Anchor, V> Form layer(Layer<A, V> layer, Marks marks) {
    List<Map.Entry<Place, V>> entries = new ArrayList<>(marks.of(layer).entrySet());
    entries.sort(
        Comparator.comparing((Map.Entry<Place, V> e) -> e.getKey().version())
            .thenComparing(e -> e.getKey().pass())
            .thenComparing(e -> e.getKey().anchor().text()));
    Map<Form, Integer> values = new LinkedHashMap<>();
    List<Form> places = new ArrayList<>();
    for (Map.Entry<Place, V> e : entries) {
      int value = values.computeIfAbsent(layer.write(e.getValue()), f -> values.size());
      places.add(place(e.getKey(), value));
    }
    return Form.EMPTY
        .with("id", layer.id())
        .with("values", List.copyOf(values.keySet()))
        .with("at", places);
  }

  private static Form place(Place place, int value) {
    Form form = Form.EMPTY.with("on", place.anchor().text()).with("value", value);
    form = place.pass() == 0 ? form : form.with("pass", place.pass());
    return place.counts() ? form : form.with("version", place.version());
  }

  /**
   * Reads what {@link #of} wrote; a kind or a value that this version does not know is left out and
   * told.
   */
  public static Outcome<Marks> read(Form form) {
    List<Problem> problems = new ArrayList<>();
    Marks all = Marks.NONE;
    for (Form layer : form.list(LAYERS, f -> f)) {
      String id = layer.text("id", "?");
      try {
        Layer<?, ?> known =
            Layers.of(id).orElseThrow(() -> new IllegalArgumentException("not known"));
        all = STAY.contains(known) ? all : read(known, layer, all);
      } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
        problems.add(Problem.of(Said.of("kept.unread", id), Said.of("kept.unread.do")));
      }
    }
    return new Outcome<>(all, problems);
  }

  private static <A extends Anchor, V> Marks read(Layer<A, V> layer, Form form, Marks marks) {
    List<V> values = form.list("values", layer::read);
    Map<Place, V> all = new HashMap<>();
    for (Form at : form.list("at", f -> f)) {
      Place place =
          new Place(Anchor.parse(at.text("on")), at.whole("pass", 0), at.text("version", ""));
      all.put(place, values.get(at.whole("value")));
    }
    return marks.with(layer, all);
  }
}
