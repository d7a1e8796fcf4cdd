package fret.format.page;

import fret.engraving.GlyphMetrics;
import fret.engraving.Primitive;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.util.Locale;

/** An SVG picture (W3C "Scalable Vector Graphics 1.1"), in mm. */
final class SvgSurface implements Surface {
  private final StringBuilder out = new StringBuilder();
  private final GlyphMetrics metrics;

  SvgSurface(GlyphMetrics metrics) {
    this.metrics = metrics;
  }

  private void add(String format, Object... values) {
    out.append(String.format(Locale.ROOT, format, values));
  }

  private static String colour(int rgb) {
    return String.format(Locale.ROOT, "#%06x", rgb);
  }

  @Override
  public void fill(GeneralPath path, int rgb) {
    add("<path fill=\"%s\" d=\"", colour(rgb));
    float[] c = new float[6];
    for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(c)) {
        case PathIterator.SEG_MOVETO -> add("M%.3f %.3f", c[0], c[1]);
        case PathIterator.SEG_LINETO -> add("L%.3f %.3f", c[0], c[1]);
        case PathIterator.SEG_QUADTO -> add("Q%.3f %.3f %.3f %.3f", c[0], c[1], c[2], c[3]);
        case PathIterator.SEG_CUBICTO ->
            add("C%.3f %.3f %.3f %.3f %.3f %.3f", c[0], c[1], c[2], c[3], c[4], c[5]);
        default -> out.append('Z');
      }
    }
    out.append("\"/>\n");
  }

  @Override
  public void line(
      double x1, double y1, double x2, double y2, double width, boolean dashed, int rgb) {
    add(
        "<line x1=\"%.3f\" y1=\"%.3f\" x2=\"%.3f\" y2=\"%.3f\" stroke=\"%s\" stroke-width=\"%.3f\"%s/>%n",
        x1, y1, x2, y2, colour(rgb), width, dashed ? " stroke-dasharray=\"1.1 0.9\"" : "");
  }

  @Override
  public void text(
      String text, double x, double y, double sizeMm, Primitive.Text.Style style, int rgb) {
    String kind =
        switch (style) {
          case REGULAR -> "";
          case BOLD -> " font-weight=\"bold\"";
          case ITALIC -> " font-style=\"italic\"";
        };
    String safe = text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    add(
        "<text x=\"%.3f\" y=\"%.3f\" font-family=\"Lato, sans-serif\" font-size=\"%.3f\" fill=\"%s\"%s>%s</text>%n",
        x, y, sizeMm, colour(rgb), kind, safe);
  }

  @Override
  public double width(String text, double sizeMm, Primitive.Text.Style style) {
    return metrics.textWidth(text, style) * sizeMm;
  }

  /** The whole picture. */
  String picture(double widthMm, double heightMm) {
    return String.format(
            Locale.ROOT,
            "<?xml version=\"1.0\" encoding=\"UTF-8\"?>%n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%1$.2fmm\" height=\"%2$.2fmm\" viewBox=\"0 0 %1$.2f %2$.2f\">%n",
            widthMm,
            heightMm)
        + out
        + "</svg>\n";
  }
}
