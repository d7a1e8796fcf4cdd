package fret.app.widget;

import fret.engraving.LaneDrawing;
import java.util.List;
import javafx.scene.canvas.GraphicsContext;

/** A lane drawn small, the whole passage on one line, with some stretches of it marked. */
public final class LanePicture extends Painted {
  /** A stretch from left to right, in staff spaces. */
  public record Span(double left, double right) {}

  private LaneDrawing drawing;
  private double width;
  private List<Span> marked = List.of();

  public LanePicture(Look look) {
    super(look);
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
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    Inks inks = inks();
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
    new Brush(g, look().font(), inks, sx, sy).paint(drawing.primitives(), 0, width);
  }
}
