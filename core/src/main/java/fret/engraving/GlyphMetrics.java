package fret.engraving;

/** Sizes of a music font's glyphs and of text, in staff spaces. */
public interface GlyphMetrics {
  /**
   * Box around a glyph's ink.
   *
   * @param left from the glyph's origin, likewise the others; y grows downwards, so {@code top} is
   *     usually negative
   */
  record Box(double left, double top, double right, double bottom) {
    public double width() {
      return right - left;
    }

    public double height() {
      return bottom - top;
    }
  }

  Box box(MusicGlyph glyph);

  /** Width of a text set one staff space high. */
  double textWidth(String text, Primitive.Text.Style style);
}
