package fret.app.widget;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.engraving.GlyphMetrics;
import fret.engraving.MusicGlyph;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import javafx.scene.text.Font;

/** The shipped fonts and the sizes of the music glyphs. */
public final class MusicFont implements GlyphMetrics {
  private static final String ROOT = "/fret/app/fonts/";

  private final Map<MusicGlyph, Box> boxes = new EnumMap<>(MusicGlyph.class);
  private final String family;

  private MusicFont(String family) {
    this.family = family;
    try (InputStream in = MusicFont.class.getResourceAsStream(ROOT + "bravura-metadata.json")) {
      JsonNode all = new ObjectMapper().readTree(in).path("glyphBBoxes");
      for (MusicGlyph glyph : MusicGlyph.values()) {
        JsonNode ne = all.path(glyph.smuflName()).path("bBoxNE");
        JsonNode sw = all.path(glyph.smuflName()).path("bBoxSW");
        boxes.put(
            glyph,
            new Box(
                sw.path(0).asDouble(),
                -ne.path(1).asDouble(),
                ne.path(0).asDouble(),
                -sw.path(1).asDouble()));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Loads the fonts. */
  public static MusicFont load() {
    for (String text : new String[] {"Lato-Regular.ttf", "Lato-Bold.ttf", "Lato-Italic.ttf"}) {
      loadFont(text);
    }
    return new MusicFont(loadFont("bravura.otf").getFamily());
  }

  private static Font loadFont(String name) {
    try (InputStream in = MusicFont.class.getResourceAsStream(ROOT + name)) {
      return Font.loadFont(in, 12);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public Box box(MusicGlyph glyph) {
    return boxes.get(glyph);
  }

  /** The music font at a staff space of so many pixels; its size is four staff spaces. */
  public Font atSpace(double space) {
    return Font.font(family, 4 * space);
  }
}
