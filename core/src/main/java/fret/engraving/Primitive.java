package fret.engraving;

import java.util.Collections;
import java.util.List;

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
    FAINT,
    /** The left hand. */
    HAND,
    /** The left hand, thin: room in which something lies. */
    HAND_BAND,
    /** The bow, thin: the hair on which it moves. */
    BOW_BAND,
    /** Time and what goes on in it. */
    TIME,
    /** The ground that something is written on. */
    PAPER
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
    /** Of its size: how high capitals and figures are. */
    static final double ASCENT = 0.73;

    private static final double DESCENT = 0.21;
    private static final double FOOT = 0.02;

    /** Of its size: how far a text reaches below its line. */
    static double descent(String text) {
      boolean deep = text.chars().anyMatch(c -> "gjpqy,;()[]Qçµ".indexOf(c) >= 0);
      return deep ? DESCENT : FOOT;
    }

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
      return y - size * ASCENT;
    }

    @Override
    public double bottom() {
      return y + size * descent(text);
    }
  }

  /** A filled area with straight sides. */
  record Area(List<Double> xs, List<Double> ys, Ink ink, int slice) implements Primitive {
    public Area {
      xs = List.copyOf(xs);
      ys = List.copyOf(ys);
      if (xs.size() != ys.size() || xs.size() < 3) {
        throw new IllegalArgumentException("an area with " + xs.size() + " corners");
      }
    }

    /** An upright rectangle. */
    public static Area box(
        double left, double top, double right, double bottom, Ink ink, int slice) {
      return new Area(
          List.of(left, right, right, left), List.of(top, top, bottom, bottom), ink, slice);
    }

    @Override
    public double left() {
      return Collections.min(xs);
    }

    @Override
    public double right() {
      return Collections.max(xs);
    }

    @Override
    public double top() {
      return Collections.min(ys);
    }

    @Override
    public double bottom() {
      return Collections.max(ys);
    }
  }

  /**
   * A small mark around a point.
   *
   * @param radius of the circle that it fills
   * @param filled whether it is filled, or only its outline drawn
   */
  record Spot(Form form, double x, double y, double radius, boolean filled, Ink ink, int slice)
      implements Primitive {
    /** Shapes that are told apart without colour. */
    public enum Form {
      CIRCLE(List.of()),
      SQUARE(List.of(-0.84, -0.84, 0.84, -0.84, 0.84, 0.84, -0.84, 0.84)),
      DIAMOND(List.of(0.0, -1.2, 1.2, 0.0, 0.0, 1.2, -1.2, 0.0)),
      HOUSE(List.of(0.0, -1.15, 1.0, -0.35, 1.0, 0.9, -1.0, 0.9, -1.0, -0.35)),
      CUP(List.of(-1.0, -0.9, 1.0, -0.9, 1.0, 0.35, 0.0, 1.15, -1.0, 0.35));

      private final List<Double> corners;

      Form(List<Double> corners) {
        this.corners = corners;
      }

      /** Corners as x, y, x, y about a middle of 0 and a radius of 1; none for the circle. */
      public List<Double> corners() {
        return corners;
      }
    }

    @Override
    public double left() {
      return x - radius;
    }

    @Override
    public double right() {
      return x + radius;
    }

    @Override
    public double top() {
      return y - radius;
    }

    @Override
    public double bottom() {
      return y + radius;
    }
  }

  /** The same thing lower down. */
  default Primitive lowered(double by) {
    if (this instanceof Glyph g) {
      return new Glyph(g.glyph, g.x, g.y + by, g.scale, g.box, g.ink, g.slice);
    } else if (this instanceof Line l) {
      return new Line(l.x1, l.y1 + by, l.x2, l.y2 + by, l.thickness, l.dashed, l.ink, l.slice);
    } else if (this instanceof Beam b) {
      return new Beam(b.x1, b.y1 + by, b.x2, b.y2 + by, b.thickness, b.ink, b.slice);
    } else if (this instanceof Curve c) {
      return new Curve(c.x1, c.y1 + by, c.x2, c.y2 + by, c.height, c.thickness, c.ink, c.slice);
    } else if (this instanceof Text t) {
      return new Text(t.text, t.x, t.y + by, t.size, t.width, t.style, t.centred, t.ink, t.slice);
    } else if (this instanceof Area a) {
      return new Area(a.xs, a.ys.stream().map(y -> y + by).toList(), a.ink, a.slice);
    }
    Spot s = (Spot) this;
    return new Spot(s.form, s.x, s.y + by, s.radius, s.filled, s.ink, s.slice);
  }
}
