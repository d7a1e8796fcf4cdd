package fret.engraving;

/** Sizes of glyphs for tests that need no font. */
public final class PlainMetrics {
  private PlainMetrics() {}

  /** Boxes about as large as those of common music fonts, enough to test spacing. */
  public static final GlyphMetrics BOXES =
      new GlyphMetrics() {
        @Override
        public Box box(MusicGlyph g) {
          return switch (g) {
            case G_CLEF -> new Box(0, -4.4, 2.7, 2.6);
            case HEAD_BLACK, HEAD_HALF, HEAD_WHOLE -> new Box(0, -0.5, 1.18, 0.5);
            case SHARP, FLAT, NATURAL -> new Box(0, -1.4, 1, 1.4);
            default -> new Box(0, -0.5, 1, 0.5);
          };
        }

        @Override
        public double textWidth(String text, Primitive.Text.Style style) {
          return 0.55 * text.length();
        }
      };
}
