package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.session.Session;
import fret.shelf.Deed;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The line over all areas: what is open, the tempo of what is in sight, what is asked, undo. The
 * tools of an area stand in it where there is room, else they stay in a line of their own.
 */
final class HeadLine extends HBox {
  private static final double GAP = 14;

  private final Studio studio;
  private final Label title = Parts.line(Sentences.of("main.no-passage"), "passage-title");
  private final Label tempo = Parts.line("", "quiet");
  private final Label question = Parts.line("", "quiet");
  private final HBox slot = new HBox();
  private final Region spring = Parts.spring();
  private final GoTo goTo;
  private final Button undo;
  private final Button redo;
  private Optional<Composition> area = Optional.empty();
  private int seen;

  HeadLine(Studio studio, Look look, GoTo goTo) {
    super(GAP);
    this.studio = studio;
    this.goTo = goTo;
    getStyleClass().add("header");
    setId("head-line");
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    slot.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
    undo = Parts.button(Sentences.of("main.undo"), "undo", studio::undo, "small");
    redo = Parts.button(Sentences.of("main.redo"), "redo", studio::redo, "small");
    for (Label l : new Label[] {tempo, question}) {
      l.setMinWidth(USE_PREF_SIZE);
    }
    getChildren().addAll(title, tempo, spring, goTo, question, slot, undo, redo);
    studio.shownProperty().addListener(o -> show());
    studio.deeds().countProperty().addListener(o -> dim());
    widthProperty().addListener(o -> fitLater());
    look.lettersProperty().addListener(o -> fitLater());
    goTo.visibleProperty().addListener(o -> fitLater());
    dim();
  }

  // ---- what is open ----------------------------------------------------------------------------

  private void show() {
    dim();
    Session s = studio.shown();
    if (s != null) {
      title.setText(s.passage().settings().title());
      Tooltip.install(title, new Tooltip(title.getText()));
      sees(seen);
    }
  }

  /** This moment is the first in sight. */
  void sees(int slice) {
    seen = Math.max(0, slice);
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    tempo.setText(
        seen < s.resolved().slices().size()
            ? Words.tempoAt(s, s.resolved().slices().get(seen).onset())
            : Words.tempo(s.passage().settings().target()));
    tempo.setTooltip(
        new Tooltip(
            Sentences.of(
                "main.facts",
                s.passage().settings().setup().instrument().displayName(),
                Words.tempos(s.passage().settings()))));
    fitLater();
  }

  private void dim() {
    Optional<Deed> last = studio.deeds().last();
    Optional<Deed> next = studio.deeds().next();
    boolean older = studio.session() != null && studio.session().undo().isPresent();
    undo.setDisable(last.isEmpty() && !older);
    redo.setDisable(next.isEmpty());
    undo.setTooltip(told("undo.button", last));
    redo.setTooltip(told("redo.button", next));
  }

  private Tooltip told(String words, Optional<Deed> deed) {
    return deed.map(d -> new Tooltip(Sentences.of(words, studio.deeds().told(d)))).orElse(null);
  }

  // ---- the area --------------------------------------------------------------------------------

  /** Another area is shown, with what it asks. */
  void show(String asked, Node node) {
    give();
    question.setText(asked);
    area = node instanceof Composition c ? Optional.of(c) : Optional.empty();
    area.ifPresent(c -> c.setOnHead(this::fitLater));
    fit();
  }

  /** The tools go back to their area. */
  private void give() {
    if (!slot.getChildren().isEmpty()) {
      slot.getChildren().clear();
      area.ifPresent(c -> c.lendHead(false));
    }
  }

  private boolean waits;

  private void fitLater() {
    if (!waits) {
      waits = true;
      Platform.runLater(
          () -> {
            waits = false;
            fit();
          });
    }
  }

  private void fit() {
    double room = getWidth() - getInsets().getLeft() - getInsets().getRight();
    double used = width(title) + width(tempo) + width(undo) + width(redo) + 5 * GAP;
    used += goTo.isVisible() ? goTo.prefWidth(-1) + GAP : 0;
    double tools = area.map(c -> oneLine(c.head())).orElse(0.0);
    boolean fits = area.isPresent() && getWidth() > 0 && used + tools <= room;
    if (fits && slot.getChildren().isEmpty()) {
      Region head = area.get().head();
      area.get().lendHead(true);
      slot.getChildren().add(head);
    } else if (!fits) {
      give();
    }
    if (fits && area.get().head() instanceof FlowPane f) {
      f.setPrefWrapLength(tools + 1);
    }
    double left = room - used - (fits ? tools : 0);
    PractiseView.shown(question, left >= width(question) + GAP);
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    fitLater();
  }

  private static double width(Region r) {
    return Math.ceil(r.prefWidth(-1));
  }

  /** Width of tools in one line; endless for what stands in more than one. */
  private static double oneLine(Region tools) {
    if (tools instanceof VBox box) {
      List<Node> lines = box.getChildren().stream().filter(Node::isManaged).toList();
      double padding = box.getInsets().getLeft() + box.getInsets().getRight();
      return lines.size() == 1 && lines.get(0) instanceof HBox line
          ? oneLine(line) + padding
          : Double.POSITIVE_INFINITY;
    }
    if (!(tools instanceof HBox || tools instanceof FlowPane)) {
      return Double.POSITIVE_INFINITY;
    }
    double gap = tools instanceof FlowPane f ? f.getHgap() : ((HBox) tools).getSpacing();
    double sum = 0;
    int count = 0;
    for (Node n : ((Pane) tools).getChildren()) {
      if (n.isManaged()) {
        sum += Math.ceil(n.prefWidth(-1));
        count++;
      }
    }
    return sum + Math.max(0, count - 1) * gap;
  }
}
