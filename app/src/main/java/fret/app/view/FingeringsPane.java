package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.LanePicture;
import fret.app.widget.Look;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Traits;
import fret.lane.LaneInput;
import fret.lane.Lanes;
import fret.score.ResolvedPassage;
import fret.session.Session;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Whole fingerings side by side: each as a picture of its hand on one axis, named by what it does.
 */
final class FingeringsPane extends VBox {
  private static final double LANE_HEIGHT = 9;
  private static final double BESIDE = 560;

  private final Studio studio;
  private final LeftHandModel model;
  private final Look look;
  private final VBox list = new VBox(8);
  private final Label of = Parts.label("", "quiet");
  private final Label few = Parts.label("", "quiet");
  private final TextField name = new TextField();
  private Optional<Strip> axis = Optional.empty();
  private ResolvedPassage axisOf;

  FingeringsPane(Studio studio, LeftHandModel model, Look look) {
    super(8);
    this.studio = studio;
    this.model = model;
    this.look = look;
    name.setPromptText("name, such as: for the hall");
    name.setPrefWidth(170);
    name.setId("keep-name");
    name.setAccessibleText("Name under which the fingering shown is kept");
    FlowPane keep =
        new FlowPane(
            8,
            6,
            name,
            Parts.button("Keep the one shown", "keep", this::keep, "small"),
            Parts.button("Let go of the adopted", "release", model::release, "small"),
            of);
    VBox inside = new VBox(8, list, few, keep);
    VBox card = Parts.card("", Parts.scroll(inside));
    card.setMinHeight(0);
    VBox.setVgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.optionsProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    studio.shownProperty().addListener(o -> show());
    widthProperty().addListener((o, a, b) -> reflow(a.doubleValue(), b.doubleValue()));
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
    few.setText("");
    Session session = studio.shown();
    if (session == null) {
      return;
    }
    of.setText(
        model.hasRange()
            ? "Of the notes selected; the rest stays as it is."
            : "Of the whole passage; select notes for a part of it.");
    Optional<List<LeftHandModel.Option>> all = model.optionsProperty().get();
    if (all.isEmpty()) {
      few.setText("Looking for others...");
      return;
    }
    Set<String> names = new HashSet<>();
    for (int i = 0; i < all.get().size(); i++) {
      list.getChildren().add(row(session, all.get(), i, names));
    }
    long others = all.get().stream().filter(o -> o.keptName().isEmpty()).count() - 1;
    if (others < 3) {
      few.setText(
          others == 0
              ? "No other fingering really differs."
              : "Only "
                  + others
                  + (others == 1 ? " other really differs." : " others really differ."));
    }
  }

  /** As few traits as tell it apart from those before it, two at least. */
  private static String named(Session s, Fingering f, Fingering standing, Set<String> names) {
    List<Said> traits = Traits.of(f, standing, s.task().hand().instrument());
    for (int count = 2; count <= traits.size(); count++) {
      String text =
          String.join(", ", traits.subList(0, count).stream().map(Sentences::of).toList());
      if (names.add(text) || count == traits.size()) {
        return text;
      }
    }
    return "";
  }

  private javafx.scene.Node row(
      Session session, List<LeftHandModel.Option> all, int index, Set<String> names) {
    LeftHandModel.Option o = all.get(index);
    Fingering standing = all.get(0).fingering();
    String does = named(session, o.fingering(), standing, names);
    boolean first = index == 0;
    String title =
        first
            ? Sentences.of("option.standing", does)
            : o.keptName().isEmpty()
                ? capital(does)
                : Sentences.of("option.kept", o.keptName(), does);
    VBox text =
        new VBox(2, Parts.label(title, "strong"), Parts.label(facts(o, standing, first), "quiet"));
    FlowPane buttons = new FlowPane(6, 4);
    if (!first) {
      boolean tried = model.triedProperty().get().filter(f -> f.equals(o.fingering())).isPresent();
      Button look =
          Parts.button(
              tried ? "On the strip now" : "Try it",
              "try-" + index,
              () -> model.tryOut(o.fingering()),
              "small");
      look.setDisable(tried);
      buttons.getChildren().add(look);
      if (tried) {
        buttons.getChildren().add(Parts.button("Adopt", "adopt-" + index, model::adopt, "small"));
        buttons.getChildren().add(Parts.button("Back", "back", model::stopTrying, "small"));
      }
      if (!o.keptName().isEmpty()) {
        buttons
            .getChildren()
            .add(
                Parts.button(
                    "Forget", "forget-" + index, () -> model.forget(o.keptName()), "small"));
      }
    }
    LanePicture picture = picture(session, o.fingering(), standing);
    picture.setAccessibleText(title);
    if (getWidth() < BESIDE) {
      text.getChildren().add(buttons);
      return new VBox(4, text, picture);
    }
    text.setMinWidth(300);
    text.setPrefWidth(300);
    buttons.setPrefWrapLength(110);
    buttons.setMinWidth(118);
    buttons.setPrefWidth(118);
    HBox.setHgrow(picture, Priority.ALWAYS);
    return new HBox(12, text, picture, buttons);
  }

  private static String capital(String text) {
    return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }

  private static String facts(LeftHandModel.Option o, Fingering standing, boolean first) {
    double more = o.fingering().effort() - standing.effort();
    String effort =
        first
            ? Sentences.of("option.effort", Words.one(o.fingering().effort()))
            : Sentences.of(more >= 0 ? "option.more" : "option.less", Words.one(Math.abs(more)));
    String differ =
        first
            ? ""
            : ", "
                + (o.unlike() == 0
                    ? Sentences.of("option.same")
                    : Sentences.of(
                        o.unlike() == 1 ? "option.differ.one" : "option.differ", o.unlike()));
    String hardest =
        o.tally()
            .hardest()
            .map(
                s ->
                    ", "
                        + Sentences.of(
                            "option.hardest",
                            Math.round(s.travelMm()) + " mm in " + Math.round(s.timeMs()) + " ms"))
            .orElse("");
    return effort + differ + hardest;
  }

  private LanePicture picture(Session session, Fingering f, Fingering standing) {
    if (axis.isEmpty() || !session.resolved().equals(axisOf)) {
      axisOf = session.resolved();
      axis = Optional.of(StripEngraver.engrave(axisOf, List.of(), look.font()));
    }
    Axis on = Axis.of(axis.get());
    LaneInput input = new LaneInput(axisOf, Optional.of(f), session.task().hand().instrument());
    LaneDrawing lane = Lanes.of("hand").orElseThrow().draw(input, on, look.font(), LANE_HEIGHT);
    List<LanePicture.Span> differing = new ArrayList<>();
    for (int i = 0; i < f.notes().size(); i++) {
      Optional<NoteFinger> mine = f.notes().get(i);
      Optional<NoteFinger> other = standing.notes().get(i);
      int slice = axisOf.notes().get(i).slice();
      boolean same =
          mine.isPresent() && other.isPresent()
              ? mine.get().samePlace(other.get())
              : mine.isEmpty() == other.isEmpty();
      if (!same && on.has(slice)) {
        differing.add(new LanePicture.Span(on.start(slice), on.end(slice)));
      }
    }
    LanePicture picture = new LanePicture(look);
    picture.show(lane, on.width(), differing);
    return picture;
  }
}
