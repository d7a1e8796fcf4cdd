package fret.format.page;

import fret.engraving.Primitive;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.GeneralPath;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.EnumMap;
import java.util.Map;

/** A picture in memory, on white. */
final class ImageSurface implements Surface, AutoCloseable {
  private final Graphics2D g;
  private final Map<Primitive.Text.Style, Font> fonts = new EnumMap<>(Primitive.Text.Style.class);

  /**
   * @param scale pixels a mm
   */
  ImageSurface(BufferedImage image, double scale, PageFonts pageFonts) throws IOException {
    g = image.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, image.getWidth(), image.getHeight());
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
    g.scale(scale, scale);
    for (Primitive.Text.Style style : Primitive.Text.Style.values()) {
      try {
        fonts.put(style, Font.createFont(Font.TRUETYPE_FONT, pageFonts.text(style)));
      } catch (FontFormatException e) {
        throw new IOException(e);
      }
    }
  }

  @Override
  public void fill(GeneralPath path, int rgb) {
    g.setColor(new Color(rgb));
    g.fill(path);
  }

  @Override
  public void line(
      double x1, double y1, double x2, double y2, double width, boolean dashed, int rgb) {
    g.setColor(new Color(rgb));
    g.setStroke(
        dashed
            ? new BasicStroke(
                (float) width,
                BasicStroke.CAP_BUTT,
                BasicStroke.JOIN_MITER,
                10,
                new float[] {1.1f, 0.9f},
                0)
            : new BasicStroke((float) width, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
    g.draw(new Line2D.Double(x1, y1, x2, y2));
  }

  @Override
  public void text(
      String text, double x, double y, double sizeMm, Primitive.Text.Style style, int rgb) {
    g.setColor(new Color(rgb));
    g.setFont(fonts.get(style).deriveFont((float) sizeMm));
    g.drawString(text, (float) x, (float) y);
  }

  @Override
  public double width(String text, double sizeMm, Primitive.Text.Style style) {
    Font font = fonts.get(style).deriveFont((float) (sizeMm * 100));
    return font.getStringBounds(text, g.getFontRenderContext()).getWidth() / 100;
  }

  @Override
  public void close() {
    g.dispose();
  }
}
