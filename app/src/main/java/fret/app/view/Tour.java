package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import javafx.beans.InvalidationListener;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * Five steps through the work, each with something that is really done: it goes on by itself once
 * that was done, or by its button, and is left at once by Escape.
 */
final class Tour extends VBox {
  private static final double WIDTH = 360;

  /**
   * A step.
   *
   * @param area in which it is done
   * @param did counts what was done of it: more than at its start ends it
   */
  private record Step(String area, LongSupplier did) {}

  private final Studio studio;
  private final Consumer<String> go;
  private final List<Step> steps;
  private final Label title = Parts.line("", "card-title");
  private final Label words = Parts.whole("", "plain");
  private final Button next;
  private int at = -1;
  private long before;
  private boolean wanted;

  /**
   * @param go opens an area
   */
  Tour(Studio studio, Consumer<String> go) {
    super(8);
    this.studio = studio;
    this.go = go;
    getStyleClass().addAll("card", "tour");
    setId("tour");
    setMaxSize(WIDTH, Region.USE_PREF_SIZE);
    setPrefWidth(WIDTH);
    StackPane.setAlignment(this, Pos.BOTTOM_RIGHT);
    LongSupplier deeds = () -> studio.deeds().countProperty().get();
    steps =
        List.of(
            new Step("part", () -> Math.max(0, studio.selectedProperty().get())),
            new Step("left-hand", deeds),
            new Step("bow-arm", deeds),
            new Step("plan", () -> 0),
            new Step("practise", () -> studio.journal().size()));
    next = Parts.button("", "tour-next", this::next, "primary");
    Button leave = Parts.button(Sentences.of("tour.leave"), "tour-leave", this::leave, "small");
    words.setPrefWidth(WIDTH - 30);
    getChildren().addAll(title, words, Parts.row(8, next, Parts.spring(), leave));
    PractiseView.shown(this, false);
    InvalidationListener look = o -> look();
    studio.selectedProperty().addListener(look);
    studio.deeds().countProperty().addListener(look);
    studio.journal().addListener((ListChangeListener<Object>) c -> look());
    // It begins once its passage is open.
    studio.shownProperty().addListener(o -> begin());
  }

  /** Begins, with the passage that is open, or the first there is. */
  void start() {
    wanted = true;
    if (studio.shown() != null) {
      begin();
    } else if (!studio.passages().isEmpty()) {
      studio.open(studio.passages().get(0));
    }
  }

  private void begin() {
    if (wanted && studio.shown() != null) {
      wanted = false;
      show(0);
    }
  }

  /** Whether it was open. */
  boolean leave() {
    boolean was = isVisible();
    wanted = false;
    at = -1;
    PractiseView.shown(this, false);
    return was;
  }

  private void next() {
    if (at + 1 < steps.size()) {
      show(at + 1);
    } else {
      leave();
      studio.tell(Sentences.of("tour.over"));
    }
  }

  private void show(int step) {
    at = step;
    title.setText(Sentences.of("tour.step", step + 1, steps.size()));
    words.setText(Sentences.of("tour." + steps.get(step).area()));
    next.setText(Sentences.of(step + 1 < steps.size() ? "tour.next" : "tour.end"));
    PractiseView.shown(this, true);
    go.accept(steps.get(step).area());
    before = steps.get(step).did().getAsLong();
  }

  private void look() {
    if (at >= 0 && steps.get(at).did().getAsLong() != before) {
      next();
    }
  }
}
