package fret.app.view;

import fret.app.viewmodel.PracticeModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Today's visits in their order, the one that is on opened to its stages, what is done ticked. */
final class TodayList extends VBox {
  private final PracticeModel practice;
  private Node current;

  TodayList(PracticeModel practice) {
    super(2);
    this.practice = practice;
  }

  void show() {
    getChildren().clear();
    current = null;
    long passage = 0;
    int session = 1;
    int at = 0;
    for (List<Item> visit : PracticePlan.visits(practice.items())) {
      Item first = visit.get(0);
      if (first.session() != session) {
        session = first.session();
        getChildren().add(heading(Sentences.of("practise.later", session)));
        passage = 0;
      }
      if (first.passageId() > 0 && first.passageId() != passage) {
        passage = first.passageId();
        getChildren().add(heading(practice.passage(first)));
      }
      show(visit, at);
      at += visit.size();
    }
    if (practice.items().isEmpty()) {
      String none =
          practice.isRest()
              ? "practise.rest"
              : practice.isPlanned() ? "practise.nothing-is-due" : "practise.is-planned";
      getChildren().add(Parts.label(Sentences.of(none), "quiet"));
    }
    Platform.runLater(this::keepInSight);
  }

  private static Label heading(String text) {
    Label heading = Parts.label(text, "strong");
    heading.setMinHeight(Region.USE_PREF_SIZE);
    return heading;
  }

  private void show(List<Item> visit, int from) {
    int now = practice.indexProperty().get();
    boolean open = now >= from && now < from + visit.size();
    boolean alone = visit.size() == 1;
    row(visit, from, open && alone);
    if (open && !alone) {
      long passage = visit.get(0).passageId();
      for (int i = 0; i < visit.size(); i++) {
        boolean other = visit.get(i).passageId() != passage;
        boolean one = visit.stream().map(Item::unit).distinct().count() == 1;
        stage(visit.get(i), from + i, other, one);
      }
    }
  }

  private void row(List<Item> visit, int from, boolean isCurrent) {
    Item first = visit.get(0);
    boolean alone = visit.size() == 1;
    boolean done = practice.areDone(from, from + visit.size());
    String what = alone ? stageText(first, true) : Texts.capital(practice.label(visit));
    double minutes = visit.stream().mapToDouble(Item::minutes).sum();
    Button b =
        button(what, minutes, alone ? "item-" + from : "visit-" + from, firstOpen(visit, from));
    b.getStyleClass().add(isCurrent ? "current" : done ? "done" : "other");
    mark(b, done, isCurrent);
    b.setAccessibleText(what + (alone ? ", " + Sentences.of(first.why()) : ""));
  }

  private void stage(Item item, int at, boolean named, boolean one) {
    boolean isCurrent = at == practice.indexProperty().get();
    String what = named ? practice.passage(item) : stageText(item, !one);
    Button b = button(what, item.minutes(), "item-" + at, at);
    b.getStyleClass()
        .addAll("stage", isCurrent ? "current" : practice.isDone(at) ? "done" : "other");
    mark(b, practice.isDone(at), isCurrent);
    b.setAccessibleText(what + ", " + Sentences.of(item.why()));
  }

  private void mark(Button b, boolean done, boolean isCurrent) {
    current = isCurrent ? b.getParent() : current;
    if (done) {
      b.setText("\u2713 " + b.getText());
    }
  }

  /** The first stage of a visit that is not done. */
  private int firstOpen(List<Item> visit, int from) {
    for (int i = 0; i < visit.size(); i++) {
      if (!practice.isDone(from + i)) {
        return from + i;
      }
    }
    return from;
  }

  private Button button(String what, double minutes, String id, int shows) {
    Button b = Parts.button(Texts.capital(what), id, () -> practice.show(shows), "choice", "visit");
    b.setWrapText(true); // Read whole, on two lines where it is long.
    b.setMinSize(0, Region.USE_PREF_SIZE);
    b.setMaxWidth(Double.MAX_VALUE);
    Label time = Parts.line(Sentences.of("practise.minutes", Words.one(minutes)), "figure");
    time.setMinWidth(Region.USE_PREF_SIZE);
    time.setMouseTransparent(true);
    StackPane row = new StackPane(b, time);
    StackPane.setAlignment(time, Pos.CENTER_RIGHT);
    StackPane.setMargin(time, new Insets(0, 10, 0, 0));
    row.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().add(row);
    return b;
  }

  private String stageText(Item item, boolean named) {
    String drill = Sentences.of("drill." + item.drill().id()).toLowerCase(Locale.ROOT);
    boolean unit = item.kind() == Kind.CHUNK || item.kind() == Kind.JOIN;
    if (!unit) {
      return practice.label(item);
    }
    String level = Words.level(practice.ladder(item), item.level());
    return named
        ? Sentences.of("practise.row", practice.label(item), drill, level)
        : Sentences.of("practise.stage", drill, level);
  }

  /** What is on the stand stays in sight. */
  private void keepInSight() {
    Node pane = getParent();
    while (pane != null && !(pane instanceof ScrollPane)) {
      pane = pane.getParent();
    }
    if (current == null || current.getScene() == null || pane == null) {
      return;
    }
    ScrollPane scroll = (ScrollPane) pane;
    Bounds here = current.getBoundsInParent();
    double all = getBoundsInLocal().getHeight();
    double seen = scroll.getViewportBounds().getHeight();
    if (all > seen) {
      double middle = (here.getMinY() + here.getMaxY()) / 2 - seen / 2;
      scroll.setVvalue(Math.max(0, Math.min(1, middle / (all - seen))));
    }
  }
}
