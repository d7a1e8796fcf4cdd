package fret.passage;

import fret.base.Form;
import fret.base.Fractions;
import fret.tempo.Beat;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

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

  private static Form tempoMark(TempoMark m) {
    Form form =
        Form.EMPTY
            .with("bar", m.bar())
            .with("index", m.spot().index())
            .with("offset", Fractions.text(m.spot().offset()))
            .with("kind", m.kind().name())
            .with("value", m.value())
            .with("upper", m.upper())
            .with("source", m.source().name())
            .with("words", m.words());
    return m.counted().map(b -> form.with("counted", Fractions.text(b.length()))).orElse(form);
  }

  /** Marks of before there were parts of a bar are the player's, counted as the target is. */
  private static TempoMark readTempoMark(Form f) {
    return new TempoMark(
        new TempoMark.Spot(
            f.text("bar"),
            f.whole("index", -1),
            find(f, "offset").map(Fractions::parse).orElse(Fraction.ZERO)),
        f.word("kind", TempoMark.Kind.class),
        find(f, "counted").map(t -> new Beat(Fractions.parse(t))),
        f.decimal("value"),
        f.decimal("upper", 0),
        find(f, "source").map(TempoMark.Source::valueOf).orElse(TempoMark.Source.MINE),
        find(f, "words").orElse(""));
  }

  private static Optional<String> find(Form f, String name) {
    return f.has(name) ? Optional.of(f.text(name)) : Optional.empty();
  }
}
