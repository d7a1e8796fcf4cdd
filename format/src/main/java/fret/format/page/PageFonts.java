package fret.format.page;

import fret.engraving.GlyphMetrics;
import fret.engraving.MusicGlyph;
import fret.engraving.Primitive;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * The fonts that pages are set in: outlines of the music glyphs, the text family's files, and the
 * sizes of both.
 */
public final class PageFonts implements GlyphMetrics {
  private static final float MEASURED_AT = 100;
  private static final FontRenderContext CONTEXT =
      new FontRenderContext(new AffineTransform(), true, true);

  private static final double UNITS_PER_SPACE = 250;

  private final Map<MusicGlyph, GeneralPath> outlines = new EnumMap<>(MusicGlyph.class);
  private final Map<MusicGlyph, Box> boxes = new ConcurrentHashMap<>();
  private final Map<Primitive.Text.Style, Font> measured = new ConcurrentHashMap<>();
  private final Map<Primitive.Text.Style, byte[]> texts = new EnumMap<>(Primitive.Text.Style.class);

  /**
   * @param music an OpenType font laid out as SMuFL says, 1000 units an em
   */
  public PageFonts(byte[] music, byte[] regular, byte[] bold, byte[] italic) {
    texts.put(Primitive.Text.Style.REGULAR, regular);
    texts.put(Primitive.Text.Style.BOLD, bold);
    texts.put(Primitive.Text.Style.ITALIC, italic);
    try (OpenTypeFont font = new OTFParser().parse(new RandomAccessReadBuffer(music))) {
      var cmap = font.getUnicodeCmapLookup();
      for (MusicGlyph glyph : MusicGlyph.values()) {
        int id = cmap.getGlyphId(glyph.codePoint());
        GeneralPath path = font.getCFF().getFont().getType2CharString(id).getPath();
        GeneralPath scaled = new GeneralPath(path);
        // Staff spaces, y downwards.
        scaled.transform(
            AffineTransform.getScaleInstance(1 / UNITS_PER_SPACE, -1 / UNITS_PER_SPACE));
        outlines.put(glyph, scaled);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public Box box(MusicGlyph glyph) {
    return boxes.computeIfAbsent(
        glyph,
        g -> {
          Rectangle2D b = outlines.get(g).getBounds2D();
          return new Box(b.getMinX(), b.getMinY(), b.getMaxX(), b.getMaxY());
        });
  }

  @Override
  public double textWidth(String text, Primitive.Text.Style style) {
    return font(style).getStringBounds(text, CONTEXT).getWidth() / MEASURED_AT;
  }

  private Font font(Primitive.Text.Style style) {
    return measured.computeIfAbsent(
        style,
        s -> {
          try {
            return Font.createFont(Font.TRUETYPE_FONT, text(s)).deriveFont(MEASURED_AT);
          } catch (FontFormatException | IOException e) {
            throw new IllegalStateException(e);
          }
        });
  }

  /** A glyph's outline in staff spaces, y downwards. */
  GeneralPath outline(MusicGlyph glyph) {
    return outlines.get(glyph);
  }

  ByteArrayInputStream text(Primitive.Text.Style style) {
    return new ByteArrayInputStream(texts.get(style));
  }
}
