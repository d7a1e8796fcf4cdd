package fret.format.page;

import fret.engraving.Page;
import fret.engraving.Strip;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Writes engraved pages and strips as files. */
public final class PageFiles {
  private static final double PICTURE_SPACE_MM = 1.75;
  private static final double PICTURE_MARGIN_MM = 3;

  private final PageFonts fonts;

  public PageFiles(PageFonts fonts) {
    this.fonts = fonts;
  }

  /** Pages as a PDF document. */
  public byte[] pdf(List<Page> pages, String title) {
    try (PDDocument document = new PDDocument()) {
      document.getDocumentInformation().setTitle(title);
      document.getDocumentInformation().setProducer("Fret");
      var embedded = PdfSurface.embed(document, fonts);
      for (Page page : pages) {
        try (PdfSurface surface = new PdfSurface(document, page.paper(), embedded)) {
          new Painter(fonts, surface).paint(page);
        }
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A strip as an SVG picture. */
  public byte[] svg(Strip strip) {
    SvgSurface surface = new SvgSurface(fonts);
    try {
      new Painter(fonts, surface).paint(new Page(Page.Paper.A4, List.of(block(strip))));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return surface
        .picture(
            strip.width() * PICTURE_SPACE_MM + 2 * PICTURE_MARGIN_MM,
            (strip.bottom() - strip.top()) * PICTURE_SPACE_MM + 2 * PICTURE_MARGIN_MM)
        .getBytes(StandardCharsets.UTF_8);
  }

  private static Page.MusicBlock block(Strip strip) {
    return new Page.MusicBlock(
        strip,
        PICTURE_MARGIN_MM,
        PICTURE_MARGIN_MM - strip.top() * PICTURE_SPACE_MM,
        PICTURE_SPACE_MM);
  }

  /**
   * A page of a PDF document as a PNG picture.
   *
   * @param page from 0
   * @param dotsPerInch 20 to 600
   * @throws IOException if the bytes are no PDF document with that page
   */
  public static BufferedImage picture(byte[] pdf, int page, float dotsPerInch) throws IOException {
    try (PDDocument document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
      if (page < 0 || page >= document.getNumberOfPages()) {
        throw new IOException("no page " + (page + 1));
      }
      return new PDFRenderer(document).renderImageWithDPI(page, dotsPerInch);
    }
  }

  /** A strip as a PNG picture. */
  public byte[] png(Strip strip, float dotsPerInch) {
    double width = strip.width() * PICTURE_SPACE_MM + 2 * PICTURE_MARGIN_MM;
    double height = (strip.bottom() - strip.top()) * PICTURE_SPACE_MM + 2 * PICTURE_MARGIN_MM;
    double scale = dotsPerInch / 25.4;
    BufferedImage image =
        new BufferedImage(
            (int) Math.ceil(width * scale),
            (int) Math.ceil(height * scale),
            BufferedImage.TYPE_INT_RGB);
    try (ImageSurface surface = new ImageSurface(image, scale, fonts)) {
      new Painter(fonts, surface).paint(new Page(Page.Paper.A4, List.of(block(strip))));
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
