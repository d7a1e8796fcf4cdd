package fret.app.batch;

import fret.format.page.PageFonts;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** The fonts that ship with the program, for pages. */
public final class ShippedFonts {
  private static final String ROOT = "/fret/app/fonts/";

  private ShippedFonts() {}

  /** Loads them; takes a moment. */
  public static PageFonts load() {
    return new PageFonts(
        bytes("bravura.otf"),
        bytes("Lato-Regular.ttf"),
        bytes("Lato-Bold.ttf"),
        bytes("Lato-Italic.ttf"));
  }

  private static byte[] bytes(String name) {
    try (InputStream in = ShippedFonts.class.getResourceAsStream(ROOT + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
