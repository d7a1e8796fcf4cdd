package fret.app.view;

import fret.app.viewmodel.Proofing;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.drill.Figure;
import fret.fingering.Release;
import fret.fingering.Releases;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.ReturnsLayer;
import fret.mark.ReturnsWish;
import fret.passage.Details;
import fret.passage.Layers;
import fret.score.Bar;
import fret.score.NoteKey;
import fret.score.Returns;
import fret.session.Decisions;
import fret.session.Session;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The bar of the selected note: all that is decided in it, and all that is open. */
final class BarPane extends Cards {
  private final Studio studio;
  private final VBox decided = new VBox(4);
  private final VBox open = new VBox(4);
  private final VBox comesBack = new VBox(4);
  private final ComboBox<ReturnsWish> returns = new ComboBox<>();
  private boolean showing;
  private final PageWords words;
  private final Label title = Parts.line("", "card-title");
  private final Label openTitle = Parts.line("", "card-title");

  BarPane(Studio studio) {
    this.studio = studio;
    this.words = new PageWords(studio);
    VBox left = Parts.card("", title, Parts.scroll(decided));
    VBox right = Parts.card("", openTitle, Parts.scroll(open));
    VBox said = Parts.card(Sentences.of("bar.words"), Parts.scroll(words));
    returns.setId("returns");
    returns.setAccessibleText(Sentences.of("returns"));
    returns.getItems().setAll(ReturnsWish.values());
    returns.setConverter(Parts.named(w -> Sentences.of("returns." + w)));
    returns.setOnAction(e -> wish());
    returns.setMaxWidth(Double.MAX_VALUE);
    VBox back = Parts.card(Sentences.of("returns"), returns, Parts.scroll(comesBack));
    for (VBox card : List.of(left, right, back, said)) {
      HBox.setHgrow(card, Priority.ALWAYS);
      card.setPrefWidth(card == said ? 290 : card == back ? 270 : 190);
      getChildren().add(card);
    }
    studio.shownProperty().addListener(o -> show());
    studio.shownProperty().addListener(o -> showReturns());
    studio.selectedProperty().addListener(o -> show());
    studio.proofing().proofProperty().addListener(o -> show());
  }

  /** How figures that come back are to be fingered. */
  private void wish() {
    ReturnsWish wanted = returns.getValue();
    if (!showing && wanted != null && studio.shown() != null) {
      studio.decide(s -> Decisions.returns(s, wanted));
    }
  }

  /** The stretches that come back, with what is marked otherwise in them. */
  private void showReturns() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    showing = true;
    returns.setValue(
        s.passage().marks().at(ReturnsLayer.RETURNS, Place.WHOLE).orElse(ReturnsWish.USUAL));
    showing = false;
    studio.elsewhere(
        "returns",
        () -> Returns.of(s.resolved()).stream().map(r -> told(s, r)).toList(),
        this::fillReturns);
  }

  private void fillReturns(List<String> all) {
    comesBack.getChildren().clear();
    all.forEach(t -> comesBack.getChildren().add(Parts.label(t, "plain")));
    if (all.isEmpty()) {
      comesBack.getChildren().add(Parts.label(Sentences.of("returns.none"), "quiet"));
    }
  }

  private static String told(Session s, Returns r) {
    List<Bar> bars = s.resolved().score().bars();
    String where =
        Sentences.of(
            r.semitones() == 0 ? "returns.same" : "returns.moved",
            bars.get(r.firstBar()).number(),
            bars.get(r.firstBar() + r.bars() - 1).number(),
            bars.get(r.otherBar()).number(),
            bars.get(r.otherBar() + r.bars() - 1).number(),
            Words.shown("%+d", r.semitones()));
    List<String> other = new ArrayList<>();
    for (Returns.Difference d : r.differences()) {
      other.add(
          Sentences.of("returns.other." + d.what(), bars.get(r.otherBar() + d.bar()).number()));
    }
    return other.isEmpty()
        ? Sentences.of("returns.alike", where)
        : Sentences.of("returns.but", where, String.join(", ", other));
  }

  private void show() {
    decided.getChildren().clear();
    open.getChildren().clear();
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    if (s == null || note < 0 || note >= s.resolved().notes().size()) {
      return;
    }
    int index = s.resolved().notes().get(note).key().barIndex();
    String bar = s.resolved().notes().get(note).bar();
    words.show(s, index);
    title.setText(Sentences.of("bar.decided", bar));
    openTitle.setText(Sentences.of("bar.open", bar));
    decided(s, index).forEach(t -> decided.getChildren().add(Parts.label(t, "hand")));
    if (decided.getChildren().isEmpty()) {
      decided.getChildren().add(Parts.label(Sentences.of("bar.decided.nothing"), "quiet"));
    }
    for (Figure f : Figure.of(s.resolved())) {
      if (f.has(s.resolved().notes().get(note).slice())) {
        open.getChildren().add(Parts.label(Sentences.of("bar.figure", f.words()), "plain"));
      }
    }
    open(s, index, bar).forEach(t -> open.getChildren().add(Parts.label(t, "plain")));
    if (open.getChildren().isEmpty()) {
      open.getChildren().add(Parts.label(Sentences.of("bar.open.nothing"), "quiet"));
    }
  }

  private record Told(NoteKey at, String text) {}

  private static List<String> decided(Session s, int bar) {
    List<Told> all = new ArrayList<>();
    for (Layer<?, ?> layer : Layers.ALL) {
      add(s.passage().marks(), layer, bar, all);
    }
    all.sort(Comparator.comparing((Told t) -> t.at().onset()).thenComparing(t -> t.at().pitch()));
    return all.stream().map(Told::text).distinct().toList();
  }

  private static <A extends Anchor, V> void add(
      Marks marks, Layer<A, V> layer, int bar, List<Told> all) {
    marks
        .of(layer)
        .forEach(
            (place, value) -> {
              Optional<NoteKey> at = place.counts() ? in(place.anchor(), bar) : Optional.empty();
              at.ifPresent(
                  key ->
                      all.add(
                          new Told(
                              key,
                              Sentences.of(
                                  "bar.mark", layer.told(value), key.pitch().toString()))));
            });
  }

  /** The note at which something stands in a bar. */
  private static Optional<NoteKey> in(Anchor anchor, int bar) {
    if (anchor instanceof Anchor.Note n) {
      return Optional.of(n.key()).filter(k -> k.barIndex() == bar);
    } else if (anchor instanceof Anchor.Stretch s) {
      boolean over = s.from().barIndex() <= bar && s.to().barIndex() >= bar;
      return over ? Optional.of(s.from()) : Optional.empty();
    }
    return Optional.empty();
  }

  private List<String> open(Session s, int index, String bar) {
    List<String> all = new ArrayList<>();
    Details details = s.passage().settings().details();
    details
        .barNotes()
        .getOrDefault(bar, List.of())
        .forEach(t -> all.add(Sentences.of("bar.question", t)));
    List<Problem> problems = new ArrayList<>(s.problems());
    problems.addAll(s.handProblems());
    for (Release r : s.fingering().releases()) {
      if (s.resolved().notes().get(r.note()).bar().equals(bar)) {
        all.add(
            Sentences.of(
                Releases.said(s.resolved(), s.task().hand().instrument(), s.fingering(), r)));
      }
    }
    problems.stream().filter(p -> p.bar().equals(bar)).forEach(p -> all.add(Sentences.of(p)));
    studio.proofing().proofProperty().get().findings().stream()
        .filter(f -> f.bar().equals(bar) && !Proofing.isAccepted(details, f))
        .forEach(f -> all.add(Sentences.of(f.message())));
    long notes = s.resolved().notes().stream().filter(n -> n.key().barIndex() == index).count();
    Map<NoteKey, Boolean> placed = new java.util.HashMap<>();
    s.resolved().notes().stream()
        .map(n -> n.key())
        .filter(k -> k.barIndex() == index)
        .filter(
            k ->
                s.passage().marks().at(fret.mark.FingerLayer.PINNED, k).isPresent()
                    || s.passage().marks().at(fret.mark.FingerLayer.ADOPTED, k).isPresent())
        .forEach(k -> placed.put(k, true));
    long free = notes - placed.size();
    if (free > 0) {
      all.add(Sentences.of(free == 1 ? "bar.free.one" : "bar.free", free));
    }
    return all;
  }
}
