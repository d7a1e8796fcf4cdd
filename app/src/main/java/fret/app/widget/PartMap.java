package fret.app.widget;

import fret.engraving.Primitive.Text.Style;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;

/**
 * The whole part as a thin line over the strip: its sections and marks, the chunks, what is pinned,
 * what breaks, and which of it is in sight. Places are shares of the part's length, 0 to 1.
 */
public final class PartMap extends Painted {
  private static final double HEIGHT = 22;
  private static final double MARKS = 12;

  /** From one place to another. */
  public record Span(double from, double to) {}

  /** A mark at a place, such as a rehearsal letter. */
  public record Mark(double at, String text) {}

  /**
   * What is on it.
   *
   * @param sections where a tempo of its own begins, the first one at 0
   * @param pinned notes that the player decided
   * @param broken stretches in which something breaks
   */
  public record Shown(
      List<Double> sections,
      List<Mark> marks,
      List<Span> chunks,
      List<Double> pinned,
      List<Span> broken) {
    public static final Shown NOTHING =
        new Shown(List.of(), List.of(), List.of(), List.of(), List.of());
  }

  private Shown shown = Shown.NOTHING;
  private Span sight = new Span(0, 0);
  private DoubleConsumer onPick = x -> {};

  public PartMap(Look look) {
    super(look);
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setId("part-map");
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    addEventHandler(MouseEvent.MOUSE_PRESSED, e -> pick(e.getX()));
    addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> pick(e.getX()));
  }

  /** Called with the place that was pressed. */
  public void setOnPick(DoubleConsumer handler) {
    onPick = handler;
  }

  public void show(Shown what) {
    shown = what;
    paint();
  }

  /** What of the part is in sight. */
  public void showSight(double from, double to) {
    if (sight.from() != from || sight.to() != to) {
      sight = new Span(from, to);
      paint();
    }
  }

  private void pick(double x) {
    if (getWidth() > 0) {
      onPick.accept(Math.max(0, Math.min(1, x / getWidth())));
    }
  }

  private double x(double share) {
    return share * getWidth();
  }

  @Override
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    double bottom = HEIGHT - 1;
    g.clearRect(0, 0, getWidth(), HEIGHT);
    g.setFill(inks().lane());
    g.fillRect(0, MARKS, getWidth(), bottom - MARKS);
    g.setFill(inks().selection());
    g.fillRoundRect(
        x(sight.from()), MARKS - 1, Math.max(4, x(sight.to()) - x(sight.from())), 10, 3, 3);
    g.setStroke(inks().faint());
    g.setLineWidth(1);
    for (Span c : shown.chunks()) {
      // An open bracket: its ends are told apart from those of its neighbours.
      g.strokeLine(x(c.from()) + 1.5, bottom - 2, x(c.to()) - 1.5, bottom - 2);
    }
    g.setFill(inks().hand());
    for (Span b : shown.broken()) {
      for (double x = x(b.from()); x < x(b.to()) - 2; x += 4) {
        g.fillRect(x, MARKS + 1, 2, 4);
      }
    }
    for (double p : shown.pinned()) {
      g.fillOval(x(p) - 1.5, MARKS + 1, 3, 3);
    }
    g.setStroke(inks().time());
    for (double s : shown.sections()) {
      g.strokeLine(x(s) + 0.5, MARKS - 3, x(s) + 0.5, bottom);
    }
    g.setFill(inks().ebony());
    g.setFont(MusicFont.textFont(Style.BOLD, 10.5));
    g.setTextBaseline(VPos.CENTER);
    for (Mark m : shown.marks()) {
      boolean last = x(m.at()) > getWidth() - 20;
      g.setTextAlign(last ? TextAlignment.RIGHT : TextAlignment.LEFT);
      g.fillText(m.text(), x(m.at()) + (last ? -3 : 3), MARKS / 2);
    }
  }
}
