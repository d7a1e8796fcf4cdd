package fret.app.widget;

import fret.engraving.LaneDrawing;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** A lane drawn small, the whole passage on one line, with some stretches of it marked. */
public final class LanePicture extends Region {
  /** A stretch from left to right, in staff spaces. */
  public record Span(double left, double right) {}

  private final Canvas canvas = new Canvas();
  private final Look look;
  private LaneDrawing drawing;
  private double width;
  private List<Span> marked = List.of();

  public LanePicture(Look look) {
    this.look = look;
    getChildren().add(canvas);
    look.inksProperty().addListener(o -> paint());
    setMinHeight(44);
    setPrefHeight(52);
  }

  /**
   * Shows a lane.
   *
   * @param staffSpaces width of the whole passage
   */
  public void show(LaneDrawing lane, double staffSpaces, List<Span> differing) {
    drawing = lane;
    width = staffSpaces;
    marked = List.copyOf(differing);
    paint();
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      paint();
    }
  }

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    Inks inks = look.inksProperty().get();
    g.setFill(inks.lane());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (drawing == null || canvas.getWidth() <= 0) {
      return;
    }
    double sx = canvas.getWidth() / width;
    double sy = canvas.getHeight() / drawing.height();
    g.setFill(inks.selection());
    for (Span s : marked) {
      g.fillRect(s.left() * sx, 0, (s.right() - s.left()) * sx, canvas.getHeight());
    }
    new Brush(g, look.font(), inks, sx, sy).paint(drawing.primitives(), 0, width);
  }
}
