package fret.store;

import fret.base.Form;
import fret.format.json.FormJson;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.Layers;
import fret.session.Delta;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;

/** The table with one row a mark. */
final class MarkRows {
  private record Row(
      long passageId, String layer, String anchor, int pass, String version, String form) {}

  private MarkRows() {}

  /** The marks of all passages, or of one; rows that are not understood are handed on. */
  static Map<Long, Marks> read(
      Handle h, Optional<Long> passageId, BiConsumer<Long, Map.Entry<String, String>> unread) {
    var query =
        passageId.isPresent()
            ? h.createQuery("SELECT * FROM mark WHERE passage_id = ?").bind(0, passageId.get())
            : h.createQuery("SELECT * FROM mark");
    Map<Long, Map<Layer<?, ?>, Map<Place, Object>>> found = new HashMap<>();
    List<Row> rows =
        query
            .map(
                (r, c) ->
                    new Row(
                        r.getLong("passage_id"),
                        r.getString("layer"),
                        r.getString("anchor"),
                        r.getInt("pass"),
                        r.getString("version"),
                        r.getString("form")))
            .list();
    for (Row row : rows) {
      try {
        Layer<?, ?> layer =
            Layers.of(row.layer())
                .orElseThrow(() -> new IllegalArgumentException("not known to this version"));
        Place place = new Place(Anchor.parse(row.anchor()), row.pass(), row.version());
        found
            .computeIfAbsent(row.passageId(), id -> new HashMap<>())
            .computeIfAbsent(layer, l -> new HashMap<>())
            .put(place, layer.read(FormJson.form(row.form())));
      } catch (IllegalArgumentException e) {
        unread.accept(
            row.passageId(), Map.entry("mark " + row.layer(), String.valueOf(e.getMessage())));
      }
    }
    Map<Long, Marks> all = new HashMap<>();
    found.forEach((id, layers) -> all.put(id, marks(layers)));
    return all;
  }

  private static Marks marks(Map<Layer<?, ?>, Map<Place, Object>> layers) {
    Marks all = Marks.NONE;
    for (Map.Entry<Layer<?, ?>, Map<Place, Object>> e : layers.entrySet()) {
      all = with(all, e.getKey(), e.getValue());
    }
    return all;
  }

  @SuppressWarnings("unchecked") // Every value was read by its layer.
  private static <A extends Anchor, V> Marks with(
      Marks all, Layer<A, V> layer, Map<Place, Object> values) {
    return all.with(layer, (Map<Place, V>) (Map<?, ?>) values);
  }

  static void insert(Handle h, long passageId, Marks marks) {
    PreparedBatch batch = h.prepareBatch(INSERT);
    marks.forEach((layer, values) -> insert(batch, passageId, layer, marks));
    if (batch.size() > 0) {
      batch.execute();
    }
  }

  private static final String INSERT =
      "INSERT INTO mark (passage_id, layer, anchor, pass, version, form) VALUES (?, ?, ?, ?, ?, ?)";

  private static <A extends Anchor, V> void insert(
      PreparedBatch batch, long passageId, Layer<A, V> layer, Marks marks) {
    marks
        .of(layer)
        .forEach((place, value) -> add(batch, passageId, layer, place, layer.write(value)));
  }

  private static void add(
      PreparedBatch batch, long passageId, Layer<?, ?> layer, Place place, Form form) {
    batch
        .bind(0, passageId)
        .bind(1, layer.id())
        .bind(2, place.anchor().text())
        .bind(3, place.pass())
        .bind(4, place.version())
        .bind(5, FormJson.text(form))
        .add();
  }

  /** Whether what is stored is what a change starts from. */
  static boolean fit(Handle h, long passageId, List<Delta<?, ?>> deltas) {
    return deltas.stream().allMatch(d -> fits(h, passageId, d));
  }

  private static <A extends Anchor, V> boolean fits(Handle h, long passageId, Delta<A, V> d) {
    Optional<String> stored =
        h.createQuery(
                "SELECT form FROM mark WHERE passage_id = ? AND layer = ? AND anchor = ? AND pass = ? AND version = ?")
            .bind(0, passageId)
            .bind(1, d.layer().id())
            .bind(2, d.place().anchor().text())
            .bind(3, d.place().pass())
            .bind(4, d.place().version())
            .mapTo(String.class)
            .findOne();
    try {
      return stored.map(t -> d.layer().read(FormJson.form(t))).equals(d.before());
    } catch (IllegalArgumentException e) {
      return d.before().isEmpty(); // What is not understood was left out, and is now decided.
    }
  }

  /** Writes what a change makes of marks. */
  static void apply(Handle h, long passageId, List<Delta<?, ?>> deltas) {
    PreparedBatch gone =
        h.prepareBatch(
            "DELETE FROM mark WHERE passage_id = ? AND layer = ? AND anchor = ? AND pass = ? AND version = ?");
    PreparedBatch there = h.prepareBatch(INSERT);
    for (Delta<?, ?> d : deltas) {
      gone.bind(0, passageId)
          .bind(1, d.layer().id())
          .bind(2, d.place().anchor().text())
          .bind(3, d.place().pass())
          .bind(4, d.place().version())
          .add();
      apply(there, passageId, d);
    }
    if (gone.size() > 0) {
      gone.execute();
    }
    if (there.size() > 0) {
      there.execute();
    }
  }

  private static <A extends Anchor, V> void apply(
      PreparedBatch there, long passageId, Delta<A, V> d) {
    d.after().ifPresent(v -> add(there, passageId, d.layer(), d.place(), d.layer().write(v)));
  }
}
