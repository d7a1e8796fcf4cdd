package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.drill.DrillKind;
import fret.intonation.Tuned;
import fret.mark.Strand;
import fret.mark.StrandLevels;
import fret.session.Session;
import fret.session.Strands;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.SpinnerValueFactory;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The lines within broken chords: marked, heard, practised apart, each with its own loudness. */
final class StrandsPane extends Cards {
  private static final double STEP = 0.5;

  private final Studio studio;
  private final LeftHandModel selection;
  private final TuningModel model;
  private final PracticeModel practice;
  private final MainView main;
  private final Map<Strand, Label> counts = new EnumMap<>(Strand.class);
  private final Map<Strand, Spinner<Double>> levels = new EnumMap<>(Strand.class);
  private final Label here = Parts.label("", "plain");
  private boolean showing;

  StrandsPane(Areas.Room room) {
    this.studio = room.studio();
    this.selection = room.leftHand();
    this.model = room.tuning();
    this.practice = room.practice();
    this.main = room.main();
    VBox rows = new VBox(6);
    for (Strand strand : Strand.values()) {
      rows.getChildren().add(row(strand));
    }
    rows.getChildren().add(Parts.label(Sentences.of("strands.why"), "quiet"));
    VBox lines =
        Parts.card(
            Sentences.of("strands"),
            Parts.flow(
                8,
                Parts.button(
                    Sentences.of("strands.propose"),
                    "strands-propose",
                    model::proposeLines,
                    "small"),
                Parts.button(
                    Sentences.of("strands.practise"), "strands-practise", this::practise, "small")),
            Parts.scroll(rows));
    FlowPane as = Parts.flow(8);
    for (Strand strand : Strand.values()) {
      as.getChildren()
          .add(
              Parts.button(
                  Sentences.of("strands.as." + strand),
                  "strand-" + strand,
                  () -> model.mark(Optional.of(strand)),
                  "small"));
    }
    as.getChildren()
        .add(
            Parts.button(
                Sentences.of("strands.as.none"),
                "strand-none",
                () -> model.mark(Optional.empty()),
                "small"));
    VBox marks = Parts.card(Sentences.of("strands.selected"), as, Parts.scroll(new VBox(here)));
    marks.setId("strand-here");
    lines.setPrefWidth(560);
    marks.setPrefWidth(300);
    HBox.setHgrow(lines, Priority.ALWAYS);
    HBox.setHgrow(marks, Priority.ALWAYS);
    getChildren().addAll(lines, marks);
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
    model.tunedProperty().addListener(o -> show());
    show();
  }

  private FlowPane row(Strand strand) {
    Label count = Parts.line("", "quiet");
    count.setMinWidth(90);
    counts.put(strand, count);
    Spinner<Double> level =
        new Spinner<>(
            new SpinnerValueFactory.DoubleSpinnerValueFactory(
                -StrandLevels.MOST, StrandLevels.MOST, 0, STEP));
    level.setId("strand-level-" + strand);
    level.setPrefWidth(80);
    level.setAccessibleText(Sentences.of("strands.level", Sentences.of("strand." + strand)));
    level
        .valueProperty()
        .addListener(
            (o, before, now) -> {
              if (!showing && now != null) {
                model.level(strand, now);
              }
            });
    levels.put(strand, level);
    Label name = Parts.line(Sentences.of("strand." + strand), "strong");
    name.setMinWidth(96);
    return Parts.flow(
        8,
        name,
        count,
        level,
        Parts.line(Sentences.of("strands.levels-unit"), "quiet"),
        Parts.button(
            Sentences.of("strands.hear"),
            "strand-hear-" + strand,
            () -> model.sounds().hear(strand),
            "small"));
  }

  /** All of the passage, or what is selected, its lines one by one. */
  private void practise() {
    Session s = studio.shown();
    if (s == null || Strands.of(s).isEmpty()) {
      studio.tell(Sentences.of("strands.none"));
      return;
    }
    boolean part = selection.hasRange();
    int last = s.resolved().notes().size() - 1;
    practice
        .own()
        .practise(
            part ? selection.firstSelected() : 0,
            part ? selection.lastSelected() : last,
            DrillKind.STRANDS);
    main.go("practise");
  }

  private void show() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Map<Integer, Strand> all = Strands.of(s);
    showing = true;
    for (Strand strand : Strand.values()) {
      long count = all.values().stream().filter(x -> x == strand).count();
      counts.get(strand).setText(Sentences.of("strands.count", count));
      levels.get(strand).getValueFactory().setValue(Strands.levels(s).of(strand));
    }
    showing = false;
    here.setText(told(s, studio.selectedProperty().get()));
  }

  /** The selected note in its line, with the notes of that line around it. */
  private String told(Session s, int note) {
    if (note < 0 || note >= s.resolved().notes().size()) {
      return Sentences.of("strands.no-note");
    }
    Strand own = Strands.of(s).get(note);
    if (own == null) {
      return Sentences.of("strands.in-none", s.resolved().notes().get(note).pitch());
    }
    return Sentences.of(
        "strands.in",
        s.resolved().notes().get(note).pitch(),
        Sentences.of("strand." + own),
        interval(s, note, Strands.neighbour(s, note, -1), "strands.first"),
        interval(s, note, Strands.neighbour(s, note, 1), "strands.last"));
  }

  private String interval(Session s, int note, OptionalInt other, String none) {
    if (other.isEmpty()) {
      return Sentences.of(none);
    }
    var own = s.resolved().notes().get(note).pitch();
    var there = s.resolved().notes().get(other.getAsInt()).pitch();
    double equal = 100.0 * (there.midi() - own.midi());
    double cents = equal + cents(other.getAsInt()) - cents(note);
    return Sentences.of(
        other.getAsInt() < note ? "strands.from" : "strands.to",
        there,
        Words.shown("%.1f", Math.abs(cents)));
  }

  private double cents(int note) {
    return model
        .tunedProperty()
        .get()
        .filter(t -> note < t.notes().size())
        .flatMap(t -> t.notes().get(note))
        .map(Tuned.Place::cents)
        .orElse(0.0);
  }
}
