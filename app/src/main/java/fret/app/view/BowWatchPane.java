package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.bowing.ArmPath;
import fret.bowing.BowCounts;
import fret.bowing.BowMoment;
import fret.bowing.BowReport;
import fret.bowing.BowWarning;
import fret.bowing.Clearance;
import fret.bowing.Crossing;
import fret.bowing.Cure;
import fret.bowing.Drift;
import fret.bowing.Stroke;
import fret.bowing.Swing;
import fret.fingering.FingerAhead;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.session.PassBow;
import fret.session.Session;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What the bow has to watch: where it runs out or wanders, and every change of string. */
final class BowWatchPane extends Cards {
  /** Less is not felt. */
  private static final double TOLD_DEGREES = 0.5;

  private static final int MOST_SHOWN = 40;

  private final Studio studio;
  private final BowModel model;
  private final VBox troubles = new VBox(10);
  private final ListView<String> crossings = new ListView<>();
  private final List<Crossing> shown = new ArrayList<>();
  private final Label counted = Parts.label("", "quiet");

  BowWatchPane(Studio studio, BowModel model) {
    this.studio = studio;
    this.model = model;
    counted.setMinHeight(Region.USE_PREF_SIZE);
    crossings.setId("bow-crossings");
    crossings.setPlaceholder(Parts.label(Sentences.of("watch.one-string"), "quiet"));
    crossings.setCellFactory(v -> new Wrapped());
    crossings
        .getSelectionModel()
        .selectedIndexProperty()
        .addListener(
            (o, a, i) -> {
              if (i.intValue() >= 0 && i.intValue() < shown.size()) {
                studio.selectSlice(shown.get(i.intValue()).toMoment());
              }
            });
    VBox.setVgrow(crossings, Priority.ALWAYS);
    VBox left = Parts.card(Sentences.of("watch.troubles"), Parts.scroll(troubles));
    VBox right = Parts.card(Sentences.of("watch.crossings"), counted, crossings);
    for (VBox card : List.of(left, right)) {
      HBox.setHgrow(card, Priority.ALWAYS);
      card.setPrefWidth(400);
      card.setMinHeight(0);
      getChildren().add(card);
    }
    studio.shownProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
  }

  private static final class Wrapped extends ListCell<String> {
    @Override
    protected void updateItem(String text, boolean empty) {
      super.updateItem(text, empty);
      setText(empty ? "" : text);
      setWrapText(true);
      setPrefWidth(100);
    }
  }

  private void show() {
    troubles.getChildren().clear();
    shown.clear();
    crossings.getItems().clear();
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    BowReport report = model.shown().report();
    List<BowWarning> warnings = report.warnings();
    for (BowWarning w : warnings.subList(0, Math.min(MOST_SHOWN, warnings.size()))) {
      String text = Sentences.of("noticed.finding", w.bar(), Sentences.of(w.message()));
      troubles.getChildren().add(trouble(text, w.moment(), w.cures()));
    }
    for (Drift d : report.drifts()) {
      troubles.getChildren().add(trouble(told(d), d.fromMoment(), d.cures()));
    }
    for (PassBow p : model.shown().passes()) {
      int first = p.down().keySet().stream().min(Integer::compare).orElseThrow();
      String bar = model.shown().bowing().moments().get(first).bar();
      String text = Sentences.of("watch.pass", p.pass(), p.down().size(), bar);
      troubles.getChildren().add(trouble(text, first, List.of()));
    }
    if (troubles.getChildren().isEmpty()) {
      troubles.getChildren().add(Parts.label(Sentences.of("watch.nothing"), "quiet"));
    }
    report.swings().forEach(w -> troubles.getChildren().add(swing(s, w)));
    troubles.getChildren().add(Parts.label(counts(s, report.counts()), "quiet"));
    crossings(s, report);
  }

  private VBox swing(Session s, Swing w) {
    return trouble(told(s, w), w.fromMoment(), List.of());
  }

  private static String told(Drift d) {
    String steady =
        d.steady()
            .map(
                s ->
                    " "
                        + Sentences.of(
                            "drift.even",
                            s.cm().stream().map(String::valueOf).collect(Collectors.joining(", "))))
            .orElse("");
    return walks(d) + steady;
  }

  private static String walks(Drift d) {
    return Sentences.of(
        d.breaksInTime() > 0 && d.breaksInTime() <= d.times() ? "drift.breaks" : "drift.walks",
        d.fromBar(),
        d.toBar(),
        Words.one(Math.abs(d.cmPerTime())),
        Sentences.of(d.cmPerTime() > 0 ? "drift.tip" : "drift.frog"),
        d.times(),
        d.breaksInTime());
  }

  private VBox trouble(String text, int moment, List<Cure> cures) {
    FlowPane offers = new FlowPane(6, 4);
    offers
        .getChildren()
        .add(Parts.button(Sentences.of("watch.go"), "", () -> studio.selectSlice(moment), "small"));
    for (Cure c : cures) {
      offers
          .getChildren()
          .add(Parts.button(Sentences.of(c.told()), "", () -> model.decisions().take(c), "small"));
    }
    return new VBox(4, Parts.label(text, "plain"), offers);
  }

  private void crossings(Session s, BowReport report) {
    Map<Integer, FingerAhead> fingers = new HashMap<>();
    FingerAhead.of(s.task(), s.fingering())
        .forEach(f -> fingers.put(s.resolved().notes().get(f.note()).slice(), f));
    for (Crossing c : report.crossings()) {
      shown.add(c);
      Optional<FingerAhead> finger = Optional.ofNullable(fingers.get(c.toMoment()));
      crossings.getItems().add(told(c, report.path(), finger, s));
    }
    long single = shown.stream().filter(Crossing::single).count();
    long slurred = shown.stream().filter(Crossing::insideSlur).count();
    long skips = shown.stream().filter(c -> c.strings() > 1).count();
    counted.setText(Sentences.of("watch.counted", shown.size(), single, slurred, skips));
  }

  /** A finger that goes down ahead lowers the next string, and the bow tips so much further. */
  private String tips(Session s, Crossing c) {
    Stroke.Note n = model.shown().bowing().strokeAt(c.toMoment()).orElseThrow().at(c.toMoment());
    BowMoment to = model.shown().bowing().moments().get(c.toMoment());
    double degrees = Clearance.tips(s.bowTask(), to, n.contactMm());
    return degrees >= TOLD_DEGREES ? " " + Sentences.of("watch.tips", Words.one(degrees)) : "";
  }

  private static String counts(Session s, BowCounts counts) {
    Instrument on = s.bowTask().instrument();
    String strings =
        counts.onString().entrySet().stream()
            .map(
                e ->
                    Sentences.of("watch.string", on.stringNames(List.of(e.getKey())), e.getValue()))
            .collect(Collectors.joining(", "));
    String strokes =
        counts.inStroke().entrySet().stream()
            .map(e -> Sentences.of("watch.in-stroke", e.getKey(), e.getValue()))
            .collect(Collectors.joining(", "));
    return Sentences.of("watch.on-strings", strings)
        + " "
        + Sentences.of("watch.in-strokes", strokes);
  }

  private static String told(Session s, Swing w) {
    Instrument on = s.bowTask().instrument();
    List<BowMoment> moments = s.bowing().moments();
    return Sentences.of(
        w.circle() ? "watch.swing.circle" : "watch.swing.wave",
        moments.get(w.fromMoment()).bar(),
        moments.get(w.toMoment()).bar(),
        on.stringNames(w.strings()),
        on.stringNames(w.others()),
        Words.one(w.wideCm()),
        Words.one(w.highCm()),
        on.stringNames(w.downOnFirst() ? w.strings() : w.others()));
  }

  /** How far the arm has gone when the bow changes, of the way from plane to plane. */
  private static String armShare(Crossing c, ArmPath path, Session s, BowMoment to) {
    BowGeometry bow = s.bowTask().bow();
    double from = bow.planeDegrees(c.fromStrings());
    double way = bow.planeDegrees(c.toStrings()) - from;
    double gone = Math.max(0, Math.min(1, (path.at(to.startMs()) - from) / way)) * Math.abs(way);
    return Sentences.of("watch.arm-share", Math.round(gone), Math.round(Math.abs(way)));
  }

  private String told(Crossing c, ArmPath path, Optional<FingerAhead> finger, Session s) {
    Instrument on = s.bowTask().instrument();
    BowMoment to = model.shown().bowing().moments().get(c.toMoment());
    String text =
        Sentences.of(
            "watch.crossing",
            to.bar(),
            on.stringNames(c.fromStrings()),
            on.stringNames(c.toStrings()),
            Words.one(c.hereCm()),
            Words.one(c.frogCm()),
            Words.one(c.middleCm()),
            Words.one(c.tipCm()));
    String arm =
        Sentences.of(
            "watch.arm",
            Math.round(path.aheadMs(to.startMs())),
            Math.round(path.behindMs(to.startMs())));
    String first =
        finger
            .map(
                f ->
                    " "
                        + Sentences.of(
                            f.timeMs() > 0 ? "watch.finger" : "watch.finger.late",
                            f.finger().digit(),
                            Math.round(f.timeMs()))
                        + tips(s, c))
            .orElse("");
    return text
        + arm
        + " "
        + armShare(c, path, s, to)
        + first
        + (c.outer() ? " " + Sentences.of("watch.outer") : "");
  }
}
