package fret.lane;

import fret.engraving.GlyphMetrics;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import java.util.ArrayList;
import java.util.List;

/** Draws the lines and texts of a lane. */
final class LanePen {
  private final GlyphMetrics metrics;
  private final List<Primitive> all = new ArrayList<>();

  LanePen(GlyphMetrics metrics) {
    this.metrics = metrics;
  }

  List<Primitive> drawn() {
    return all;
  }

  void add(Primitive primitive) {
    all.add(primitive);
  }

  void line(double x1, double y1, double x2, double y2, double thick, Ink ink, int at) {
    all.add(new Primitive.Line(x1, y1, x2, y2, thick, false, ink, at));
  }

  void dashed(double x1, double y1, double x2, double y2, double thick, Ink ink, int at) {
    all.add(new Primitive.Line(x1, y1, x2, y2, thick, true, ink, at));
  }

  void text(
      String text, double x, double y, double size, Style style, boolean centred, Ink ink, int at) {
    all.add(
        new Primitive.Text(text, x, y, size, width(text, size, style), style, centred, ink, at));
  }

  double width(String text, double size, Style style) {
    return metrics.textWidth(text, style) * size;
  }
}
