package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.LanePicture;
import fret.app.widget.Look;
import fret.app.words.Harder;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.TempoRange;
import fret.fingering.Traits;
import fret.session.BetterAnswer;
import fret.session.Session;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Whole fingerings side by side: each as a picture of its hand on one axis, named by what it does.
 */
final class FingeringsPane extends VBox {
  private static final double LANE_HEIGHT = 9;
  private static final double BESIDE = 560;
  private static final int MOST_DIGITS = 10;

  private final Studio studio;
  private final LeftHandModel model;
  private final LanePictures pictures;
  private final VBox better = new VBox(4);
  private final VBox list = new VBox(8);
  private final Label of = Parts.label("", "quiet");
  private final Label range = Parts.label(Sentences.of("range.looking"), "plain");
  private final Label few = Parts.label("", "quiet");
  private final TextField name = new TextField();

  FingeringsPane(Studio studio, LeftHandModel model, Look look) {
    super(8);
    this.studio = studio;
    this.model = model;
    this.pictures = new LanePictures(new StudioAway(studio), look, "hand", LANE_HEIGHT);
    name.setPromptText(Sentences.of("fingerings.name-such"));
    name.setPrefWidth(170);
    name.setId("keep-name");
    name.setAccessibleText(Sentences.of("fingerings.name-under"));
    FlowPane keep =
        new FlowPane(
            8,
            6,
            name,
            Parts.button(Sentences.of("fingerings.keep-the"), "keep", this::keep, "small"),
            Parts.button(Sentences.of("fingerings.let-go"), "release", model::release, "small"),
            of);
    range.setId("tempo-range");
    VBox inside = new VBox(8, range, better, list, few, keep);
    VBox card = Parts.card("", Parts.scroll(inside));
    card.setMinHeight(0);
    VBox.setVgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.optionsProperty().addListener(o -> show());
    model.tempoRangeProperty().addListener(o -> showRange());
    model.betterProperty().addListener(o -> showBetter());
    model.triedProperty().addListener(o -> showBetter());
    studio.preferences().onFigures(this::show);
    studio.preferences().onFigures(this::showBetter);
    model.triedProperty().addListener(o -> show());
    studio.shownProperty().addListener(o -> show());
    parentProperty().addListener(o -> model.setRanging(getParent() != null));
    widthProperty().addListener((o, a, b) -> reflow(a.doubleValue(), b.doubleValue()));
  }

  private void showRange() {
    range.setText(
        model
            .tempoRangeProperty()
            .get()
            .filter(r -> studio.shown() != null)
            .map(r -> told(studio.shown(), r))
            .orElse(Sentences.of("range.looking")));
  }

  private void showBetter() {
    better.getChildren().clear();
    List<BetterAnswer> all = model.betterProperty().get();
    Session s = studio.shown();
    better.setManaged(s != null && !all.isEmpty());
    if (!better.isManaged()) {
      return;
    }
    better.getChildren().add(Parts.label(Sentences.of("better.title"), "strong"));
    for (int i = 0; i < all.size(); i++) {
      BetterAnswer a = all.get(i);
      boolean tried = model.triedProperty().get().filter(f -> f.equals(a.whole())).isPresent();
      Button look =
          Parts.button(
              Sentences.of(tried ? "fingerings.adopt" : "fingerings.try-it"),
              "better-" + i,
              tried ? model::adopt : () -> lookAt(a),
              "small");
      better.getChildren().add(Parts.row(8, Parts.label(told(s, a), "plain"), look));
    }
  }

  private void lookAt(BetterAnswer answer) {
    studio.select(answer.fromNote());
    model.tryOut(answer.whole());
  }

  private boolean figures() {
    return studio.preferences().figuresProperty().get();
  }

  private String told(Session s, BetterAnswer a) {
    String from = s.resolved().notes().get(a.fromNote()).bar();
    String to = s.resolved().notes().get(a.toNote()).bar();
    String where =
        from.equals(to) ? Sentences.of("better.bar", from) : Sentences.of("better.bars", from, to);
    return Sentences.of(
        "better.answer",
        where,
        digits(a.whole(), a),
        digits(s.fingering(), a),
        Harder.than(-a.gain(), figures()));
  }

  private static String digits(Fingering f, BetterAnswer a) {
    int to = Math.min(a.toNote(), a.fromNote() + MOST_DIGITS - 1);
    String digits =
        f.notes().subList(a.fromNote(), to + 1).stream()
            .map(n -> n.map(NoteFinger::digits).orElse("."))
            .collect(Collectors.joining(" "));
    return to < a.toNote() ? digits + " ..." : digits;
  }

  private static String told(Session s, TempoRange r) {
    if (r.other().isPresent()) {
      // Only what is kept was chosen.
      String words = s.isAdopted() ? "range.other" : "range.other.proposed";
      return Sentences.of(words, r.perMinute(), note(s, r.other()), bar(s, r.other()));
    }
    String held = Sentences.of("range.holds", r.lowest(), r.highest());
    String below =
        r.below().isEmpty()
            ? ""
            : " " + Sentences.of("range.below", r.lowest(), note(s, r.below()), bar(s, r.below()));
    String above =
        r.above().isEmpty()
            ? ""
            : " " + Sentences.of("range.above", r.highest(), note(s, r.above()), bar(s, r.above()));
    return held + above + below;
  }

  private static String note(Session s, OptionalInt note) {
    return s.resolved().notes().get(note.getAsInt()).pitch().toString();
  }

  private static String bar(Session s, OptionalInt note) {
    return s.resolved().notes().get(note.getAsInt()).bar();
  }

  private void reflow(double before, double now) {
    if (before < BESIDE != now < BESIDE) {
      show();
    }
  }

  private void keep() {
    model.keep(name.getText());
    name.clear();
  }

  private void show() {
    list.getChildren().clear();
    pictures.clear();
    few.setText("");
    Session session = studio.shown();
    if (session == null) {
      return;
    }
    of.setText(
        model.hasRange()
            ? Sentences.of("fingerings.of-the")
            : Sentences.of("fingerings.of-the-whole"));
    Optional<List<LeftHandModel.Option>> all = model.optionsProperty().get();
    if (all.isEmpty()) {
      few.setText(Sentences.of("fingerings.looking-for"));
      return;
    }
    Set<String> names = new HashSet<>();
    for (int i = 0; i < all.get().size(); i++) {
      list.getChildren().add(row(session, all.get(), i, names));
    }
    pictures.paint(session.resolved());
    long others = all.get().stream().filter(o -> o.keptName().isEmpty()).count() - 1;
    if (others < 3) {
      few.setText(
          others == 0
              ? Sentences.of("fingerings.no-other")
              : Sentences.of(others == 1 ? "fingerings.few.one" : "fingerings.few", others));
    }
  }

  private javafx.scene.Node row(
      Session session, List<LeftHandModel.Option> all, int index, Set<String> names) {
    LeftHandModel.Option o = all.get(index);
    Fingering standing = all.get(0).fingering();
    String does =
        Texts.telling(
            Traits.of(o.fingering(), standing, session.task().hand().instrument()), names);
    boolean first = index == 0;
    String title =
        first
            ? Sentences.of("option.standing", does)
            : o.keptName().isEmpty()
                ? Texts.capital(does)
                : Sentences.of("option.kept", o.keptName(), does);
    VBox text =
        new VBox(2, Parts.label(title, "strong"), Parts.label(facts(o, standing, first), "quiet"));
    FlowPane buttons = new FlowPane(6, 4);
    if (!first) {
      boolean tried = model.triedProperty().get().filter(f -> f.equals(o.fingering())).isPresent();
      Button look =
          Parts.button(
              tried ? Sentences.of("fingerings.on-the") : Sentences.of("fingerings.try-it"),
              "try-" + index,
              () -> model.tryOut(o.fingering()),
              "small");
      look.setDisable(tried);
      buttons.getChildren().add(look);
      if (tried) {
        buttons
            .getChildren()
            .add(
                Parts.button(
                    Sentences.of("fingerings.adopt"), "adopt-" + index, model::adopt, "small"));
        buttons
            .getChildren()
            .add(Parts.button(Sentences.of("fingerings.back"), "back", model::stopTrying, "small"));
      }
      if (!o.keptName().isEmpty()) {
        buttons
            .getChildren()
            .add(
                Parts.button(
                    Sentences.of("fingerings.forget"),
                    "forget-" + index,
                    () -> model.forget(o.keptName()),
                    "small"));
      }
    }
    LanePicture picture = picture(session, o.fingering(), standing, title);
    return LanePictures.row(text, picture, buttons, getWidth() < BESIDE);
  }

  private String facts(LeftHandModel.Option o, Fingering standing, boolean first) {
    List<String> facts = new ArrayList<>();
    if (!first) {
      facts.add(Harder.than(o.fingering().effort() - standing.effort(), figures()));
      facts.add(
          o.unlike() == 0
              ? Sentences.of("option.same")
              : Sentences.of(o.unlike() == 1 ? "option.differ.one" : "option.differ", o.unlike()));
    } else if (figures()) {
      facts.add(Sentences.of("option.effort", Words.one(o.fingering().effort())));
    }
    o.tally()
        .hardest()
        .ifPresent(
            s ->
                facts.add(
                    Sentences.of(
                        "option.hardest",
                        Sentences.of(
                            "mm.in.ms", Math.round(s.travelMm()), Math.round(s.timeMs())))));
    return Texts.capital(String.join(", ", facts));
  }

  private LanePicture picture(Session session, Fingering f, Fingering standing, String words) {
    List<LanePictures.Stretch> differing = new ArrayList<>();
    for (int i = 0; i < f.notes().size(); i++) {
      Optional<NoteFinger> mine = f.notes().get(i);
      Optional<NoteFinger> other = standing.notes().get(i);
      int slice = session.resolved().notes().get(i).slice();
      boolean same =
          mine.isPresent() && other.isPresent()
              ? mine.get().samePlace(other.get())
              : mine.isEmpty() == other.isEmpty();
      if (!same) {
        differing.add(new LanePictures.Stretch(slice, slice));
      }
    }
    return pictures.picture(session.laneInput(f, session.arm()), differing, words);
  }
}
