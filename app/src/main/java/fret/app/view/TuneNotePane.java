package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.instrument.Instrument;
import fret.intonation.Check;
import fret.intonation.Tuned;
import fret.score.SoundingNote;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The selected note: where it stands, what rings, what it can be checked against. */
final class TuneNotePane extends Cards {
  private final Studio studio;
  private final TuningModel model;
  private final VBox stands = new VBox(5);
  private final VBox checks = new VBox(4);

  TuneNotePane(Studio studio, TuningModel model) {
    this.studio = studio;
    this.model = model;
    VBox left = Parts.card("", Parts.scroll(stands));
    left.setPrefWidth(360);
    left.setMinWidth(250);
    left.setId("tune-note");
    VBox right = Parts.card(Sentences.of("tuning.checks"), Parts.scroll(checks));
    right.setId("tune-checks");
    HBox.setHgrow(right, Priority.ALWAYS);
    right.setMinWidth(330);
    getChildren().addAll(left, right);
    studio.selectedProperty().addListener(o -> show());
    model.tunedProperty().addListener(o -> show());
  }

  private void show() {
    stands.getChildren().clear();
    checks.getChildren().clear();
    Optional<Tuned.Place> place = model.selected();
    if (place.isEmpty() || studio.shown() == null) {
      return;
    }
    Session s = studio.shown();
    Tuned.Place p = place.get();
    SoundingNote n = s.resolved().notes().get(p.note());
    add(n.pitch() + ", " + Sentences.of("bar.head", n.bar()), "card-title");
    add(
        Sentences.of(
            "tuning.stands",
            Sentences.of("tuning.temperament." + p.temperament().id()),
            cents(p.cents())),
        "plain");
    if (p.mm() != 0) {
      add(Sentences.of("tuning.finger", Words.one(Math.abs(p.mm())), way(p.mm())), "plain");
    }
    Instrument on = s.task().hand().instrument();
    for (Tuned.Ring r : p.ring()) {
      add(
          Sentences.of(
              r.faint() ? "tuning.rings.faint" : "tuning.rings", on.stringName(r.string())),
          "hand");
    }
    p.conflict().ifPresent(c -> add(conflict(c), "warning"));
    if (n.trill()
        || s.fingering().notes().get(p.note()).map(f -> f.semitone() >= 12).orElse(false)) {
      add(Sentences.of("tuning.drift"), "warning");
    }
    order(s, n);
    if (p.checks().isEmpty()) {
      boolean free =
          s.fingering().notes().get(p.note()).map(f -> f.isOpen() || f.harmonic()).orElse(false);
      String id = free ? "tuning.no-checks" : "tuning.nothing";
      checks.getChildren().add(Parts.label(Sentences.of(id), "quiet"));
    }
    p.checks().forEach(c -> checks.getChildren().add(row(on, c)));
  }

  private void add(String text, String style) {
    stands.getChildren().add(Parts.label(text, style));
  }

  private static String conflict(Tuned.Conflict c) {
    return Sentences.of(
        "tuning.apart",
        c.first().against(),
        c.second().against(),
        Words.one(c.apartCents()),
        Words.one(c.apartMm()));
  }

  /** In which order a chord is tuned, after both schools. */
  private void order(Session s, SoundingNote n) {
    Tuned t = model.tunedProperty().get().orElseThrow();
    Tuned.Order order = t.orders().get(n.slice());
    if (order == null) {
      return;
    }
    Tuned.School own = model.setup().school();
    for (Tuned.School school : Tuned.School.values()) {
      List<Integer> notes = order.notes(school);
      String names =
          String.join(
              ", ",
              notes.stream().map(i -> s.resolved().notes().get(i).pitch().toString()).toList());
      add(Sentences.of("tuning.order." + school.id(), names), school == own ? "strong" : "quiet");
    }
    if (order.barre()) {
      add(Sentences.of("tuning.barre"), "hand");
    }
  }

  private static String cents(double cents) {
    return Words.shown("%+.1f", cents);
  }

  private static String way(double mm) {
    return Sentences.of(mm > 0 ? "tuning.bridge" : "tuning.nut");
  }

  private HBox row(Instrument on, Check c) {
    String what =
        Sentences.of(
            "tuning.check." + c.kind().id(),
            c.string() > 0 ? on.stringName(c.string()) : c.against().toString(),
            c.against(),
            c.ratio());
    double mm = c.mm();
    String moves =
        Math.abs(mm) < 0.05
            ? Sentences.of("tuning.stays")
            : Sentences.of("tuning.moves", Words.one(Math.abs(mm)), way(mm));
    String gap =
        c.gapMm().isPresent()
            ? " "
                + Sentences.of(
                    "tuning.gap",
                    Words.one(c.gapMm().getAsDouble()),
                    Words.one(c.gapEqualMm().getAsDouble()))
            : "";
    Button hear =
        Parts.button(
            Sentences.of("tuning.hear-check"),
            "check-" + checks.getChildren().size(),
            () -> model.sounds().hear(c),
            "small");
    hear.setAccessibleText(Sentences.of("tuning.hear-with", c.against()));
    return Parts.row(
        8,
        Parts.line(what, "plain"),
        Parts.spring(),
        Parts.line(moves + gap, "quiet"),
        Parts.line(cents(c.centsFromEqual()), "effort"),
        hear);
  }
}
