package fret.format.page;

import fret.engraving.Page;
import fret.engraving.Primitive;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.util.EnumMap;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** A page of a PDF document: music as outlines, text in its embedded family. */
final class PdfSurface implements Surface, AutoCloseable {
  private static final double POINTS_PER_MM = 72 / 25.4;

  private final PDPageContentStream out;
  private final double height;
  private final Map<Primitive.Text.Style, PDFont> fonts;

  PdfSurface(PDDocument document, Page.Paper paper, Map<Primitive.Text.Style, PDFont> fonts)
      throws IOException {
    PDPage page = new PDPage(new PDRectangle(points(paper.widthMm()), points(paper.heightMm())));
    document.addPage(page);
    this.out = new PDPageContentStream(document, page);
    this.height = paper.heightMm();
    this.fonts = fonts;
  }

  static Map<Primitive.Text.Style, PDFont> embed(PDDocument document, PageFonts fonts)
      throws IOException {
    Map<Primitive.Text.Style, PDFont> embedded = new EnumMap<>(Primitive.Text.Style.class);
    for (Primitive.Text.Style style : Primitive.Text.Style.values()) {
      embedded.put(style, PDType0Font.load(document, fonts.text(style)));
    }
    return embedded;
  }

  private static float points(double mm) {
    return (float) (mm * POINTS_PER_MM);
  }

  private float y(double mm) {
    return points(height - mm);
  }

  private void colour(int rgb, boolean stroke) throws IOException {
    float r = (rgb >> 16 & 0xFF) / 255f;
    float g = (rgb >> 8 & 0xFF) / 255f;
    float b = (rgb & 0xFF) / 255f;
    if (stroke) {
      out.setStrokingColor(r, g, b);
    } else {
      out.setNonStrokingColor(r, g, b);
    }
  }

  @Override
  public void fill(GeneralPath path, int rgb) throws IOException {
    colour(rgb, false);
    float[] c = new float[6];
    float lastX = 0;
    float lastY = 0;
    for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(c)) {
        case PathIterator.SEG_MOVETO -> out.moveTo(points(c[0]), y(c[1]));
        case PathIterator.SEG_LINETO -> out.lineTo(points(c[0]), y(c[1]));
        case PathIterator.SEG_QUADTO ->
            out.curveTo(
                points(lastX + 2 * (c[0] - lastX) / 3),
                y(lastY + 2 * (c[1] - lastY) / 3),
                points(c[2] + 2 * (c[0] - c[2]) / 3),
                y(c[3] + 2 * (c[1] - c[3]) / 3),
                points(c[2]),
                y(c[3]));
        case PathIterator.SEG_CUBICTO ->
            out.curveTo(points(c[0]), y(c[1]), points(c[2]), y(c[3]), points(c[4]), y(c[5]));
        default -> out.closePath();
      }
      int last =
          switch (i.currentSegment(c)) {
            case PathIterator.SEG_QUADTO -> 2;
            case PathIterator.SEG_CUBICTO -> 4;
            default -> 0;
          };
      lastX = c[last];
      lastY = c[last + 1];
    }
    out.fill();
  }

  @Override
  public void line(
      double x1, double y1, double x2, double y2, double width, boolean dashed, int rgb)
      throws IOException {
    colour(rgb, true);
    out.setLineWidth(points(width));
    out.setLineDashPattern(dashed ? new float[] {points(1.1), points(0.9)} : new float[] {}, 0);
    out.moveTo(points(x1), y(y1));
    out.lineTo(points(x2), y(y2));
    out.stroke();
  }

  @Override
  public void text(
      String text, double x, double y, double sizeMm, Primitive.Text.Style style, int rgb)
      throws IOException {
    String known = known(text, style);
    if (known.isEmpty()) {
      return;
    }
    colour(rgb, false);
    out.beginText();
    out.setFont(fonts.get(style), points(sizeMm));
    out.newLineAtOffset(points(x), y(y));
    out.showText(known);
    out.endText();
  }

  /** The text with characters that the family lacks replaced. */
  private String known(String text, Primitive.Text.Style style) {
    StringBuilder known = new StringBuilder();
    text.codePoints()
        .forEach(
            c -> {
              String one = Character.toString(c);
              try {
                fonts.get(style).encode(one);
                known.append(one);
              } catch (IOException | IllegalArgumentException e) {
                known.append('?');
              }
            });
    return known.toString();
  }

  @Override
  public double width(String text, double sizeMm, Primitive.Text.Style style) throws IOException {
    return fonts.get(style).getStringWidth(known(text, style)) / 1000 * sizeMm;
  }

  @Override
  public void close() throws IOException {
    out.close();
  }
}
