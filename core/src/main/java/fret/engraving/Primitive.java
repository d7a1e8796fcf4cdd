package fret.engraving;

/**
 * Something to paint, in staff spaces: x to the right from the strip's start, y downwards from the
 * top line of the stave. Each is tied to the moment it belongs to ({@code slice}, -1 for none).
 */
public sealed interface Primitive {
  /** What it is, for colour and for reading collisions. */
  enum Ink {
    STAVE,
    NOTE,
    FINGER,
    PINNED,
    STRING,
    BOW,
    WORDS,
    FAINT
  }

  int slice();

  Ink ink();

  double left();

  double right();

  double top();

  double bottom();

  /** A music glyph with its origin at (x, y). */
  record Glyph(
      MusicGlyph glyph, double x, double y, double scale, GlyphMetrics.Box box, Ink ink, int slice)
      implements Primitive {
    @Override
    public double left() {
      return x + box.left() * scale;
    }

    @Override
    public double right() {
      return x + box.right() * scale;
    }

    @Override
    public double top() {
      return y + box.top() * scale;
    }

    @Override
    public double bottom() {
      return y + box.bottom() * scale;
    }
  }

  /** A straight line. */
  record Line(
      double x1,
      double y1,
      double x2,
      double y2,
      double thickness,
      boolean dashed,
      Ink ink,
      int slice)
      implements Primitive {
    @Override
    public double left() {
      return Math.min(x1, x2) - thickness / 2;
    }

    @Override
    public double right() {
      return Math.max(x1, x2) + thickness / 2;
    }

    @Override
    public double top() {
      return Math.min(y1, y2) - thickness / 2;
    }

    @Override
    public double bottom() {
      return Math.max(y1, y2) + thickness / 2;
    }
  }

  /** A beam: a slanted bar with upright ends; {@code y} is its middle. */
  record Beam(double x1, double y1, double x2, double y2, double thickness, Ink ink, int slice)
      implements Primitive {
    @Override
    public double left() {
      return x1;
    }

    @Override
    public double right() {
      return x2;
    }

    @Override
    public double top() {
      return Math.min(y1, y2) - thickness / 2;
    }

    @Override
    public double bottom() {
      return Math.max(y1, y2) + thickness / 2;
    }
  }

  /** A slur or tie: a cubic curve, thicker in the middle. */
  record Curve(
      double x1,
      double y1,
      double x2,
      double y2,
      double height,
      double thickness,
      Ink ink,
      int slice)
      implements Primitive {
    /** Y of the two control points; {@code height} is negative for a curve above. */
    public double controlY(boolean first) {
      return (first ? y1 : y2) + height * 4 / 3;
    }

    @Override
    public double left() {
      return x1;
    }

    @Override
    public double right() {
      return x2;
    }

    @Override
    public double top() {
      return Math.min(Math.min(y1, y2), (y1 + y2) / 2 + height);
    }

    @Override
    public double bottom() {
      return Math.max(Math.max(y1, y2), (y1 + y2) / 2 + height);
    }

    /** Y of the curve at a share 0 to 1 of its way. */
    public double yAt(double t) {
      double u = 1 - t;
      return u * u * u * y1
          + 3 * u * u * t * controlY(true)
          + 3 * u * t * t * controlY(false)
          + t * t * t * y2;
    }
  }

  /**
   * Text, with (x, y) at the middle or start of its baseline.
   *
   * @param size height of the type in staff spaces
   */
  record Text(
      String text,
      double x,
      double y,
      double size,
      double width,
      Style style,
      boolean centred,
      Ink ink,
      int slice)
      implements Primitive {
    /** Type styles. */
    public enum Style {
      REGULAR,
      BOLD,
      ITALIC
    }

    @Override
    public double left() {
      return centred ? x - width / 2 : x;
    }

    @Override
    public double right() {
      return left() + width;
    }

    @Override
    public double top() {
      return y - size * 0.73;
    }

    @Override
    public double bottom() {
      return y + size * 0.05;
    }
  }
}
