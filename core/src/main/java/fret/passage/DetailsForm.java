package fret.passage;

import fret.base.Form;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/** The stored form of what is known of a passage. */
final class DetailsForm {
  private DetailsForm() {}

  static Form of(Details d) {
    Form texts = Form.EMPTY;
    for (Map.Entry<Details.Topic, String> e : new TreeMap<>(d.texts()).entrySet()) {
      texts = texts.with(e.getKey().name(), e.getValue());
    }
    Form notes = Form.EMPTY;
    for (Map.Entry<String, List<String>> e : new TreeMap<>(d.barNotes()).entrySet()) {
      notes = notes.with(e.getKey(), e.getValue());
    }
    return Form.version(1)
        .with("texts", texts)
        .with("barNotes", notes)
        .with("tempoMarks", d.tempoMarks().stream().map(DetailsForm::tempoMark).toList())
        .with("performance", d.performance())
        .with("accepted", List.copyOf(new TreeSet<>(d.accepted())))
        .with("running", d.running());
  }

  /** Details from their form; an empty one has none. */
  static Details read(Form f) {
    Map<Details.Topic, String> texts = new EnumMap<>(Details.Topic.class);
    Form told = f.findForm("texts").orElse(Form.EMPTY);
    told.fields().keySet().forEach(k -> texts.put(Details.Topic.valueOf(k), told.text(k)));
    Map<String, List<String>> notes = new HashMap<>();
    Form bars = f.findForm("barNotes").orElse(Form.EMPTY);
    bars.fields().keySet().forEach(k -> notes.put(k, bars.texts(k)));
    return new Details(
        texts,
        notes,
        f.list("tempoMarks", DetailsForm::readTempoMark),
        f.decimal("performance", 0),
        new HashSet<>(f.texts("accepted")),
        f.whole("running", 0));
  }

  private static Form tempoMark(Details.TempoMark m) {
    return Form.EMPTY.with("bar", m.bar()).with("kind", m.kind().name()).with("value", m.value());
  }

  private static Details.TempoMark readTempoMark(Form f) {
    return new Details.TempoMark(
        f.text("bar"), f.word("kind", Details.TempoMark.Kind.class), f.decimal("value"));
  }
}
