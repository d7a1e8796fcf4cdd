package fret.app.widget;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import fret.engraving.GlyphMetrics;
import fret.engraving.MusicGlyph;
import fret.engraving.Primitive;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javafx.scene.text.Font;
import javafx.scene.text.FontPosture;
import javafx.scene.text.FontWeight;
import javafx.scene.text.Text;

/** The shipped fonts and the sizes of the music glyphs. */
public final class MusicFont implements GlyphMetrics {
  private static final String ROOT = "/fret/app/fonts/";

  private final Map<MusicGlyph, Box> boxes = new EnumMap<>(MusicGlyph.class);
  private static final double MEASURED_AT = 100;

  private final Map<Primitive.Text.Style, Map<Character, Double>> advances =
      new ConcurrentHashMap<>();

  private record TextFont(Primitive.Text.Style style, double size) {}

  private static final Map<TextFont, Font> TEXT_FONTS = new ConcurrentHashMap<>();

  /** Music fonts by staff space; few, as the strip zooms in half px steps. */
  private final Map<Double, Font> sizes = new ConcurrentHashMap<>();

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

  @Override
  public double textWidth(String text, Primitive.Text.Style style) {
    double width = 0;
    for (int i = 0; i < text.length(); i++) {
      width += advance(text.charAt(i), style);
    }
    return width;
  }

  /** Advance of a character, measured once; may be asked for on any thread. */
  private double advance(char c, Primitive.Text.Style style) {
    return advances
        .computeIfAbsent(style, s -> new ConcurrentHashMap<>())
        .computeIfAbsent(c, x -> measured(x, style));
  }

  private static double measured(char c, Primitive.Text.Style style) {
    // Between two strokes, so that a space is measured too.
    Font font = textFont(style, MEASURED_AT);
    return (width("|" + c + "|", font) - width("||", font)) / MEASURED_AT;
  }

  private static double width(String text, Font font) {
    Text node = new Text(text);
    node.setFont(font);
    return node.getLayoutBounds().getWidth();
  }

  /** The text family in a style of the page. */
  public static Font textFont(Primitive.Text.Style style, double size) {
    return TEXT_FONTS.computeIfAbsent(
        new TextFont(style, size),
        f ->
            Font.font(
                "Lato",
                style == Primitive.Text.Style.BOLD ? FontWeight.BOLD : FontWeight.NORMAL,
                style == Primitive.Text.Style.ITALIC ? FontPosture.ITALIC : FontPosture.REGULAR,
                size));
  }

  /** The music font at a staff space of so many pixels; its size is four staff spaces. */
  public Font atSpace(double space) {
    return sizes.computeIfAbsent(space, s -> Font.font(family, 4 * s));
  }
}
