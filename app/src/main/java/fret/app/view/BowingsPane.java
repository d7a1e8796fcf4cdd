package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.LanePicture;
import fret.app.widget.Look;
import fret.app.words.Harder;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.bowing.BowTraits;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.joint.TogetherSolver;
import fret.session.Arm;
import fret.session.BowVersions;
import fret.session.Session;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Bowings side by side, each as a small picture of its bow lane on one axis. */
final class BowingsPane extends Cards {
  private static final double LANE_HEIGHT = 9;
  private static final double BESIDE = 700;
  private static final int MOST_BARS = 6;

  /** Less than this both hands together do not spare. */
  private static final double LEAST_GAIN = 0.05;

  private final Studio studio;
  private final BowModel model;
  private final LanePictures pictures;
  private final VBox list = new VBox(10);
  private final VBox together = new VBox(4);
  private final TextField name = new TextField();

  BowingsPane(Studio studio, BowModel model, LeftHandModel selection, Look look) {
    this.studio = studio;
    this.model = model;
    this.pictures = new LanePictures(new StudioAway(studio), look, "bow", LANE_HEIGHT);
    name.setPromptText(Sentences.of("bowings.name"));
    name.setAccessibleText(Sentences.of("bowings.name.long"));
    name.setId("bowing-name");
    name.setPrefWidth(190);
    FlowPane keep =
        new FlowPane(
            8,
            6,
            name,
            Parts.button(
                Sentences.of("bowings.keep"),
                "bowing-keep",
                () -> {
                  model.decisions().keep(name.getText());
                  name.clear();
                },
                "small"),
            Parts.button(
                Sentences.of("together.ask"),
                "together",
                () -> model.askTogether(selection.firstSelected(), selection.lastSelected()),
                "small"),
            Parts.label(Sentences.of("bowings.about"), "quiet"));
    VBox card = Parts.card("", Parts.scroll(new VBox(10, list, together, keep)));
    card.setMinHeight(0);
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.optionsProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    model.togetherProperty().addListener(o -> showTogether());
    studio.shownProperty().addListener(o -> show());
    studio.preferences().onFigures(this::show);
    studio.preferences().onFigures(this::showTogether);
    widthProperty()
        .addListener(
            (o, a, b) -> {
              if (a.doubleValue() < BESIDE != b.doubleValue() < BESIDE) {
                show();
              }
            });
  }

  private void show() {
    list.getChildren().clear();
    pictures.clear();
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Optional<List<BowModel.Option>> all = model.optionsProperty().get();
    if (all.isEmpty()) {
      list.getChildren().add(Parts.label(Sentences.of("bowings.looking"), "quiet"));
      return;
    }
    Set<String> names = new HashSet<>();
    for (int i = 0; i < all.get().size(); i++) {
      list.getChildren().add(row(s, all.get().get(i), i, names));
    }
    pictures.paint(s.resolved());
  }

  /** What both hands together spare, and where. */
  private void showTogether() {
    together.getChildren().clear();
    Session s = studio.shown();
    Optional<TogetherSolver.Together> found = model.togetherProperty().get();
    if (s == null || found.isEmpty()) {
      return;
    }
    TogetherSolver.Together t = found.get();
    if (t.gain() < LEAST_GAIN) {
      together.getChildren().add(Parts.label(Sentences.of("together.none"), "quiet"));
      return;
    }
    String facts =
        Sentences.of(
            "together.gain",
            Harder.than(-t.gain(), figures()),
            t.fingering().notesUnlike(s.fingering()),
            t.bowing().differsFrom(s.bowing()).size());
    FlowPane buttons = new FlowPane(6, 4);
    add(buttons, "fingerings.try-it", "together-try", () -> model.tryOut(t.bowing()));
    add(buttons, "together.adopt", "together-adopt", model::adoptTogether);
    together.getChildren().addAll(Parts.label(facts, "strong"), buttons);
  }

  private Region row(Session s, BowModel.Option o, int index, Set<String> names) {
    String does = Texts.telling(BowTraits.of(o.bowing(), s.bowing()), names);
    String title =
        Texts.capital(
            Sentences.of(
                "bowings.kind." + o.kind(),
                o.name(),
                does.isEmpty() ? Sentences.of("bowings.same") : does));
    VBox text = new VBox(2, Parts.label(title, "strong"), Parts.label(facts(s, o), "quiet"));
    FlowPane buttons = new FlowPane(6, 4);
    if (o.kind() != BowModel.Kind.STANDING) {
      boolean tried = isTried(o);
      add(
          buttons,
          tried ? "fingerings.back" : "fingerings.try-it",
          "bow-try-" + index,
          () -> {
            if (tried) {
              model.stopTrying();
            } else {
              model.tryOut(o.arm());
            }
          });
    }
    switch (o.kind()) {
      case PROPOSED -> {
        if (isTried(o)) {
          add(buttons, "bow.adopt", "bow-adopt-" + index, model::adopt);
        }
      }
      case PRINTED ->
          add(buttons, "bowings.use", "bow-use-" + index, () -> model.decisions().use(""));
      case KEPT -> {
        add(buttons, "bowings.use", "bow-use-" + index, () -> model.decisions().use(o.name()));
        add(
            buttons,
            "fingerings.forget",
            "bow-forget-" + index,
            () -> model.decisions().forget(o.name()));
      }
      case STANDING -> {}
    }
    LanePicture picture = picture(s, o.arm(), title);
    return LanePictures.row(text, picture, buttons, getWidth() < BESIDE);
  }

  private boolean isTried(BowModel.Option o) {
    return model.triedProperty().get().filter(a -> a.bowing().equals(o.bowing())).isPresent();
  }

  private static void add(FlowPane into, String words, String id, Runnable action) {
    into.getChildren().add(Parts.button(Sentences.of(words), id, action, "small"));
  }

  private boolean figures() {
    return studio.preferences().figuresProperty().get();
  }

  /** How hard it is, and the bars in which it differs. */
  private String facts(Session s, BowModel.Option o) {
    Bowing standing = s.bowing();
    String effort =
        o.kind() != BowModel.Kind.STANDING
            ? Texts.capital(Harder.than(o.bowing().effort() - standing.effort(), figures()))
            : figures() ? Sentences.of("option.effort", Words.one(o.bowing().effort())) : "";
    List<Integer> differ = o.bowing().differsFrom(standing);
    if (differ.isEmpty()) {
      return effort;
    }
    List<String> bars =
        differ.stream().map(m -> o.bowing().moments().get(m).bar()).distinct().toList();
    String few = bars.stream().limit(MOST_BARS).collect(Collectors.joining(", "));
    List<Integer> uncovered = BowVersions.uncovered(s, o.bowing());
    String cover =
        uncovered.isEmpty()
            ? ""
            : " "
                + Sentences.of(
                    uncovered.size() == 1 ? "bowings.uncovered.one" : "bowings.uncovered",
                    uncovered.size(),
                    o.bowing().moments().get(uncovered.get(0)).bar());
    return differs(effort, bars, few) + cover;
  }

  private static String differs(String effort, List<String> bars, String few) {
    return Sentences.of(
        bars.size() > MOST_BARS ? "bowings.differ.more" : "bowings.differ",
        effort,
        few,
        bars.size());
  }

  private LanePicture picture(Session s, Arm arm, String words) {
    List<LanePictures.Stretch> differing = new ArrayList<>();
    for (int m : arm.bowing().differsFrom(s.bowing())) {
      Stroke stroke = arm.bowing().strokeAt(m).orElseThrow();
      differing.add(new LanePictures.Stretch(stroke.fromMoment(), stroke.toMoment()));
    }
    return pictures.picture(s.laneInput(s.fingering(), arm), differing, words);
  }
}
