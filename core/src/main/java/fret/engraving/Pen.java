package fret.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import org.apache.commons.numbers.fraction.Fraction;

/** Collects primitives and keeps the skyline of what was set. */
final class Pen {
  /** Room for the frame round a mark that the player pinned. */
  private static final double FRAME = 0.35;

  private final GlyphMetrics metrics;
  private final List<Primitive> primitives = new ArrayList<>();
  private final Skyline skyline = new Skyline();

  /** The signs alone, inside the stave too. */
  private final Skyline signs = new Skyline(Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY);

  Pen(GlyphMetrics metrics) {
    this.metrics = metrics;
  }

  Skyline skyline() {
    return skyline;
  }

  /** What curves have to pass: signs without the lines of the stave and the bars. */
  Skyline signs() {
    return signs;
  }

  GlyphMetrics metrics() {
    return metrics;
  }

  void add(Primitive p) {
    primitives.add(p);
    if (p.ink() != Primitive.Ink.STAVE) {
      skyline.add(p);
      if (p instanceof Primitive.Glyph || p.slice() >= 0 && !(p instanceof Primitive.Curve)) {
        signs.add(p);
      }
    }
    if (p.ink() == Primitive.Ink.PINNED) {
      skyline.add(p.left() - FRAME, p.right() + FRAME, p.top() - FRAME, p.bottom() + FRAME);
    }
  }

  void glyph(MusicGlyph glyph, double x, double y, double scale, Primitive.Ink ink, int slice) {
    add(new Primitive.Glyph(glyph, x, y, scale, metrics.box(glyph), ink, slice));
  }

  void line(
      double x1, double y1, double x2, double y2, double thickness, Primitive.Ink ink, int slice) {
    add(new Primitive.Line(x1, y1, x2, y2, thickness, false, ink, slice));
  }

  /** Text centred over an x, clear of everything already set; returns its baseline. */
  double textAbove(
      String text,
      double x,
      double size,
      double gap,
      Primitive.Text.Style style,
      Primitive.Ink ink,
      int slice) {
    double half = widthOf(text, size, style) / 2;
    double sky = skyline.topOver(x - half - 0.1, x + half + 0.1);
    double y = sky - gap - Primitive.Text.descent(text) * size;
    return centred(text, x, y, size, style, ink, slice);
  }

  /** Text centred under an x, clear of everything already set; returns its baseline. */
  double textBelow(
      String text,
      double x,
      double size,
      double gap,
      Primitive.Text.Style style,
      Primitive.Ink ink,
      int slice) {
    double half = widthOf(text, size, style) / 2;
    double ground = skyline.bottomOver(x - half - 0.1, x + half + 0.1);
    double y = ground + gap + Primitive.Text.ASCENT * size;
    return centred(text, x, y, size, style, ink, slice);
  }

  /** Text with the middle of its baseline at a place; returns its y. */
  double centred(
      String text,
      double x,
      double y,
      double size,
      Primitive.Text.Style style,
      Primitive.Ink ink,
      int slice) {
    add(new Primitive.Text(text, x, y, size, widthOf(text, size, style), style, true, ink, slice));
    return y;
  }

  /** A glyph centred over an x, clear of everything already set. */
  void glyphAbove(
      MusicGlyph glyph, double x, double scale, double gap, Primitive.Ink ink, int slice) {
    GlyphMetrics.Box box = metrics.box(glyph);
    double half = box.width() * scale / 2;
    double y = skyline.topOver(x - half - 0.1, x + half + 0.1) - gap - box.bottom() * scale;
    glyph(glyph, x - half - box.left() * scale, y, scale, ink, slice);
  }

  void glyphBelow(
      MusicGlyph glyph, double x, double scale, double gap, Primitive.Ink ink, int slice) {
    GlyphMetrics.Box box = metrics.box(glyph);
    double half = box.width() * scale / 2;
    double y = skyline.bottomOver(x - half - 0.1, x + half + 0.1) + gap - box.top() * scale;
    glyph(glyph, x - half - box.left() * scale, y, scale, ink, slice);
  }

  double widthOf(String text, double size, Primitive.Text.Style style) {
    return metrics.textWidth(text, style) * size;
  }

  Strip strip(
      double width,
      List<Double> sliceX,
      List<Strip.BarSpan> bars,
      NavigableMap<Fraction, Double> onsetX) {
    double top = primitives.stream().mapToDouble(Primitive::top).min().orElse(0);
    double bottom = primitives.stream().mapToDouble(Primitive::bottom).max().orElse(4);
    return new Strip(primitives, width, top, bottom, sliceX, bars, onsetX);
  }
}
