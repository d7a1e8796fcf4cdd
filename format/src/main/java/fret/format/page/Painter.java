package fret.format.page;

import fret.engraving.Page;
import fret.engraving.Primitive;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Paints pages on a surface. */
final class Painter {
  private static final int BLACK = 0x1c1815;
  private static final int HAND = 0x8a3b1e;
  private static final int HAND_BAND = 0xeadbd5;
  private static final int BOW_BAND = 0xe3ecec;
  private static final int BOW = 0x245a5e;
  private static final int TIME = 0x53407f;
  private static final int PAPER = 0xffffff;
  private static final int FAINT = 0x6f6558;
  private static final int STAVE = 0x5c544a;

  private static final double INSIDE = 0.78;
  private static final int ROUND = 32;

  private final PageFonts fonts;
  private final Surface on;

  Painter(PageFonts fonts, Surface on) {
    this.fonts = fonts;
    this.on = on;
  }

  void paint(Page page) throws IOException {
    for (Page.Block block : page.blocks()) {
      if (block instanceof Page.TextBlock t) {
        on.text(t.text(), t.xMm(), t.yMm(), t.sizeMm(), t.style(), BLACK);
      } else if (block instanceof Page.MusicBlock m) {
        for (Primitive p : m.strip().primitives()) {
          paint(p, m);
        }
      }
    }
  }

  private static int ink(Primitive p) {
    return switch (p.ink()) {
      case STAVE -> STAVE;
      case NOTE, WORDS -> BLACK;
      case FINGER, PINNED, STRING, HAND -> HAND;
      case HAND_BAND -> HAND_BAND;
      case BOW -> BOW;
      case BOW_BAND -> BOW_BAND;
      case TIME -> TIME;
      case PAPER -> PAPER;
      case FAINT -> FAINT;
    };
  }

  private void paint(Primitive p, Page.MusicBlock m) throws IOException {
    double s = m.spaceMm();
    AffineTransform place = new AffineTransform(s, 0, 0, s, m.xMm(), m.yMm());
    if (p instanceof Primitive.Glyph g) {
      GeneralPath path = new GeneralPath(fonts.outline(g.glyph()));
      path.transform(AffineTransform.getScaleInstance(g.scale(), g.scale()));
      path.transform(AffineTransform.getTranslateInstance(g.x(), g.y()));
      path.transform(place);
      on.fill(path, ink(p));
    } else if (p instanceof Primitive.Line l) {
      on.line(
          m.xMm() + l.x1() * s,
          m.yMm() + l.y1() * s,
          m.xMm() + l.x2() * s,
          m.yMm() + l.y2() * s,
          l.thickness() * s,
          l.dashed(),
          ink(p));
    } else if (p instanceof Primitive.Beam b) {
      double half = b.thickness() / 2;
      GeneralPath path = new GeneralPath();
      path.moveTo(b.x1(), b.y1() - half);
      path.lineTo(b.x2(), b.y2() - half);
      path.lineTo(b.x2(), b.y2() + half);
      path.lineTo(b.x1(), b.y1() + half);
      path.closePath();
      path.transform(place);
      on.fill(path, ink(p));
    } else if (p instanceof Primitive.Curve c) {
      GeneralPath path = curve(c);
      path.transform(place);
      on.fill(path, ink(p));
    } else if (p instanceof Primitive.Text t) {
      text(t, m);
    } else if (p instanceof Primitive.Area a) {
      List<double[]> corners = new ArrayList<>();
      for (int i = 0; i < a.xs().size(); i++) {
        corners.add(new double[] {a.xs().get(i), a.ys().get(i)});
      }
      GeneralPath path = polygon(corners);
      path.transform(place);
      on.fill(path, ink(p));
    } else if (p instanceof Primitive.Spot spot) {
      spot(spot, place);
    }
  }

  private static GeneralPath polygon(List<double[]> corners) {
    GeneralPath path = new GeneralPath();
    path.moveTo(corners.get(0)[0], corners.get(0)[1]);
    corners.subList(1, corners.size()).forEach(c -> path.lineTo(c[0], c[1]));
    path.closePath();
    return path;
  }

  /** An outline is the shape with a smaller one, the other way round, taken out of it. */
  private void spot(Primitive.Spot s, AffineTransform place) throws IOException {
    GeneralPath path = polygon(corners(s, s.radius(), false));
    if (!s.filled()) {
      path.append(polygon(corners(s, s.radius() * INSIDE, true)), false);
    }
    path.transform(place);
    on.fill(path, ink(s));
  }

  private static List<double[]> corners(Primitive.Spot s, double r, boolean backwards) {
    List<double[]> all = new ArrayList<>();
    List<Double> form = s.form().corners();
    for (int i = 0; i < form.size(); i += 2) {
      all.add(new double[] {s.x() + form.get(i) * r, s.y() + form.get(i + 1) * r});
    }
    for (int i = 0; form.isEmpty() && i < ROUND; i++) {
      double angle = 2 * Math.PI * i / ROUND;
      all.add(new double[] {s.x() + r * Math.cos(angle), s.y() + r * Math.sin(angle)});
    }
    if (backwards) {
      Collections.reverse(all);
    }
    return all;
  }

  private static GeneralPath curve(Primitive.Curve c) {
    double dx = (c.x2() - c.x1()) * 0.28;
    double half = c.thickness() / 2 * 4 / 3;
    GeneralPath path = new GeneralPath();
    path.moveTo(c.x1(), c.y1());
    path.curveTo(
        c.x1() + dx,
        c.controlY(true) - half,
        c.x2() - dx,
        c.controlY(false) - half,
        c.x2(),
        c.y2());
    path.curveTo(
        c.x2() - dx,
        c.controlY(false) + half,
        c.x1() + dx,
        c.controlY(true) + half,
        c.x1(),
        c.y1());
    path.closePath();
    return path;
  }

  private void text(Primitive.Text t, Page.MusicBlock m) throws IOException {
    double s = m.spaceMm();
    double size = t.size() * s;
    double x = m.xMm() + t.x() * s;
    double left = t.centred() ? x - on.width(t.text(), size, t.style()) / 2 : x;
    on.text(t.text(), left, m.yMm() + t.y() * s, size, t.style(), ink(t));
    if (t.ink() == Primitive.Ink.PINNED) {
      box(m, t);
    }
  }

  private void box(Page.MusicBlock m, Primitive.Text t) throws IOException {
    double s = m.spaceMm();
    double left = m.xMm() + (t.left() - 0.3) * s;
    double right = m.xMm() + (t.right() + 0.3) * s;
    double top = m.yMm() + (t.top() - 0.25) * s;
    double bottom = m.yMm() + (t.bottom() + 0.25) * s;
    double[][] sides = {
      {left, top, right, top},
      {right, top, right, bottom},
      {right, bottom, left, bottom},
      {left, bottom, left, top}
    };
    for (double[] side : sides) {
      on.line(side[0], side[1], side[2], side[3], 0.2, false, HAND);
    }
  }
}
