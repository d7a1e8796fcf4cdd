package fret.app.widget;

import fret.engraving.Primitive;
import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;

/**
 * Paints primitives on a canvas. Places are scaled by {@code sx} and {@code sy}, sizes by the
 * smaller of both: what is zoomed from left to right alone stays as readable as it was.
 */
final class Brush {
  private final GraphicsContext g;
  private final MusicFont font;
  private final Inks inks;
  private final double sx;
  private final double sy;
  private final double size;

  Brush(GraphicsContext g, MusicFont font, Inks inks, double sx, double sy) {
    this.g = g;
    this.font = font;
    this.inks = inks;
    this.sx = sx;
    this.sy = sy;
    this.size = Math.min(sx, sy);
  }

  /** Paints what lies between two x, in staff spaces. */
  void paint(List<Primitive> primitives, double left, double right) {
    for (Primitive p : primitives) {
      if (p.right() >= left && p.left() <= right) {
        paint(p);
      }
    }
  }

  private void paint(Primitive p) {
    Color color = inks.of(p.ink());
    if (p instanceof Primitive.Glyph glyph) {
      g.setFill(color);
      g.setFont(font.atSpace(size * glyph.scale()));
      g.setTextAlign(TextAlignment.LEFT);
      g.setTextBaseline(VPos.BASELINE);
      g.fillText(Character.toString(glyph.glyph().codePoint()), glyph.x() * sx, glyph.y() * sy);
    } else if (p instanceof Primitive.Line line) {
      line(line, color);
    } else if (p instanceof Primitive.Beam b) {
      double half = b.thickness() / 2 * sy;
      g.setFill(color);
      g.fillPolygon(
          new double[] {b.x1() * sx, b.x2() * sx, b.x2() * sx, b.x1() * sx},
          new double[] {
            b.y1() * sy - half, b.y2() * sy - half, b.y2() * sy + half, b.y1() * sy + half
          },
          4);
    } else if (p instanceof Primitive.Curve c) {
      curve(c, color);
    } else if (p instanceof Primitive.Text t) {
      text(t, color);
    } else if (p instanceof Primitive.Area a) {
      double[] xs = a.xs().stream().mapToDouble(x -> x * sx).toArray();
      double[] ys = a.ys().stream().mapToDouble(y -> y * sy).toArray();
      g.setFill(color);
      g.fillPolygon(xs, ys, xs.length);
    } else if (p instanceof Primitive.Spot s) {
      spot(s, color);
    }
  }

  private void line(Primitive.Line line, Color color) {
    g.setStroke(color);
    g.setLineWidth(Math.max(1, line.thickness() * size));
    if (line.dashed()) {
      g.setLineDashes(size * 0.6, size * 0.5);
    }
    g.strokeLine(line.x1() * sx, line.y1() * sy, line.x2() * sx, line.y2() * sy);
    g.setLineDashes((double[]) null);
  }

  private void curve(Primitive.Curve c, Color color) {
    double dx = (c.x2() - c.x1()) * 0.28;
    double half = c.thickness() / 2 * 4 / 3;
    g.setFill(color);
    g.beginPath();
    g.moveTo(c.x1() * sx, c.y1() * sy);
    g.bezierCurveTo(
        (c.x1() + dx) * sx,
        (c.controlY(true) - half) * sy,
        (c.x2() - dx) * sx,
        (c.controlY(false) - half) * sy,
        c.x2() * sx,
        c.y2() * sy);
    g.bezierCurveTo(
        (c.x2() - dx) * sx,
        (c.controlY(false) + half) * sy,
        (c.x1() + dx) * sx,
        (c.controlY(true) + half) * sy,
        c.x1() * sx,
        c.y1() * sy);
    g.closePath();
    g.fill();
  }

  private void text(Primitive.Text t, Color color) {
    g.setFont(MusicFont.textFont(t.style(), t.size() * size));
    g.setFill(color);
    g.setTextAlign(t.centred() ? TextAlignment.CENTER : TextAlignment.LEFT);
    g.setTextBaseline(VPos.BASELINE);
    g.fillText(t.text(), t.x() * sx, t.y() * sy);
    if (t.ink() == Primitive.Ink.PINNED) {
      g.setStroke(color);
      g.setLineWidth(1.4);
      g.strokeRoundRect(
          t.left() * sx - 3,
          t.top() * sy - 3,
          t.width() * sx + 6,
          (t.bottom() - t.top()) * sy + 5,
          5,
          5);
    }
  }

  private void spot(Primitive.Spot s, Color color) {
    double x = s.x() * sx;
    double y = s.y() * sy;
    double r = s.radius() * size;
    g.setFill(color);
    g.setStroke(color);
    g.setLineWidth(1.5);
    if (s.form() == Primitive.Spot.Form.CIRCLE) {
      if (s.filled()) {
        g.fillOval(x - r, y - r, 2 * r, 2 * r);
      } else {
        g.strokeOval(x - r, y - r, 2 * r, 2 * r);
      }
      return;
    }
    List<Double> corners = s.form().corners();
    double[] xs = new double[corners.size() / 2];
    double[] ys = new double[xs.length];
    for (int i = 0; i < xs.length; i++) {
      xs[i] = x + corners.get(2 * i) * r;
      ys[i] = y + corners.get(2 * i + 1) * r;
    }
    if (s.filled()) {
      g.fillPolygon(xs, ys, xs.length);
    } else {
      g.strokePolygon(xs, ys, xs.length);
    }
  }
}
