package fret.lane;

import fret.engraving.GlyphMetrics;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Draws the lines and texts of a lane. */
final class LanePen {
  /** What is drawn is looked up by stretches of this many staff spaces. */
  private static final double STRETCH = 8;

  /** Letters come this near to each other, in staff spaces. */
  private static final double NEAR = 0.05;

  private final GlyphMetrics metrics;
  private final List<Primitive> all = new ArrayList<>();
  private final Map<Integer, List<Primitive>> solid = new HashMap<>();

  /** A place for a text: its baseline, and its left end or middle. */
  record Place(double x, double y, boolean centred) {}

  LanePen(GlyphMetrics metrics) {
    this.metrics = metrics;
  }

  List<Primitive> drawn() {
    return all;
  }

  void add(Primitive primitive) {
    all.add(primitive);
    if (primitive instanceof Primitive.Text || primitive instanceof Primitive.Spot) {
      for (int i = stretch(primitive.left()); i <= stretch(primitive.right()); i++) {
        solid.computeIfAbsent(i, k -> new ArrayList<>()).add(primitive);
      }
    }
  }

  private static int stretch(double x) {
    return (int) Math.floor(x / STRETCH);
  }

  /**
   * Draws a text at the first of some places where it covers no other text and no mark and stays
   * within the lane; where there is none it is left out.
   *
   * @return whether it is drawn
   */
  boolean text(
      String text, double size, Style style, Ink ink, int at, double height, List<Place> places) {
    double width = width(text, size, style);
    for (Place p : places) {
      Primitive.Text t =
          new Primitive.Text(text, p.x(), p.y(), size, width, style, p.centred(), ink, at);
      if (t.top() >= 0 && t.bottom() <= height && isFree(t)) {
        add(t);
        return true;
      }
    }
    return false;
  }

  /** Whether a mark stands nearer than so much to a place, across and down. */
  boolean has(double x, double y, double near) {
    return solid.getOrDefault(stretch(x), List.of()).stream()
        .filter(p -> p instanceof Primitive.Spot)
        .map(p -> (Primitive.Spot) p)
        .anyMatch(s -> Math.abs(s.x() - x) < near - 0.01 && Math.abs(s.y() - y) < near - 0.01);
  }

  private boolean isFree(Primitive t) {
    for (int i = stretch(t.left()); i <= stretch(t.right()); i++) {
      for (Primitive o : solid.getOrDefault(i, List.of())) {
        boolean apart =
            t.left() + NEAR >= o.right()
                || o.left() + NEAR >= t.right()
                || t.top() + NEAR >= o.bottom()
                || o.top() + NEAR >= t.bottom();
        if (!apart) {
          return false;
        }
      }
    }
    return true;
  }

  void line(double x1, double y1, double x2, double y2, double thick, Ink ink, int at) {
    all.add(new Primitive.Line(x1, y1, x2, y2, thick, false, ink, at));
  }

  void dashed(double x1, double y1, double x2, double y2, double thick, Ink ink, int at) {
    all.add(new Primitive.Line(x1, y1, x2, y2, thick, true, ink, at));
  }

  void text(
      String text, double x, double y, double size, Style style, boolean centred, Ink ink, int at) {
    add(new Primitive.Text(text, x, y, size, width(text, size, style), style, centred, ink, at));
  }

  double width(String text, double size, Style style) {
    return metrics.textWidth(text, style) * size;
  }
}
