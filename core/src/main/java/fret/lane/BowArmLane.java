package fret.lane;

import fret.base.Said;
import fret.bowing.BowMoment;
import fret.bowing.BowSpeed;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The bow: height is the place between frog (below) and tip (above). A stroke is a slope, steeper
 * where the bow is faster; a lift is dotted; where the bow runs out a dashed line leaves the band.
 * Under the band stands each note's sounding length as a bar.
 */
final class BowArmLane implements Lane {
  @Override
  public String id() {
    return "bow";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.bow().filter(b -> !b.bowing().strokes().isEmpty()).isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  /** A share of the hair: 0 at the frog, 1 at the tip. */
  @Override
  public OptionalDouble valueAt(LaneInput input, double height, double y) {
    double share = (height - BOTTOM - y) / (height - TOP - BOTTOM);
    return OptionalDouble.of(Math.max(0, Math.min(1, share)));
  }

  /** Room for the lane's name. */
  private static final double TOP = 2.7;

  private static final double BOTTOM = 2.1;

  private static final class Drawing {
    private static final double SCALE = 6;
    private static final double FIGURE = 1.2;

    private final LaneInput input;
    private final Bowing bowing;
    private final double hair;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.input = input;
      this.bowing = input.bow().orElseThrow().bowing();
      this.hair = input.bow().orElseThrow().geometry().hairCm();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
    }

    LaneDrawing drawn() {
      band();
      for (int i = 0; i < bowing.strokes().size(); i++) {
        stroke(i);
      }
      scale();
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private double y(double cm) {
      return height - BOTTOM - cm / hair * (height - TOP - BOTTOM);
    }

    private void band() {
      double right = axis.width();
      pen.add(Primitive.Area.box(0, y(hair), right, y(0), Ink.BOW_BAND, -1));
      pen.line(0, y(hair / 2), right, y(hair / 2), 0.08, Ink.FAINT, -1);
    }

    private void stroke(int i) {
      Stroke s = bowing.strokes().get(i);
      for (Stroke.Note n : s.notes()) {
        if (axis.has(n.moment())) {
          note(s, n);
        }
      }
      if (axis.has(s.fromMoment())) {
        begin(i, s);
        amount(s);
        if (s.missingCm() > 0) {
          runsOut(s);
        }
      }
    }

    private void note(Stroke s, Stroke.Note n) {
      int at = n.moment();
      double x1 = axis.start(at);
      double x2 = axis.end(at);
      double thick = s.notes().size() > 1 && n.moment() == s.fromMoment() ? 0.34 : 0.3;
      double sounding = x1 + (x2 - x1) * Math.min(1, n.sounds());
      pen.line(x1, y(n.fromCm()), sounding, y(n.toCm()), thick, Ink.BOW, at);
      if (sounding < x2 - 0.2) {
        pen.line(sounding, y(n.toCm()), x2, y(n.toCm()), 0.08, Ink.FAINT, at);
      }
      double below = height - 1.1;
      double end = Math.max(x1 + 0.3, sounding - 0.25);
      pen.line(x1, below, end, below, n.accent() ? 0.6 : 0.35, Ink.TIME, at);
    }

    /** How the bow came to where a stroke begins: lifted, hooked, or just turned. */
    private void begin(int i, Stroke s) {
      double x = axis.start(s.fromMoment());
      if (i == 0) {
        return;
      }
      Stroke before = bowing.strokes().get(i - 1);
      if (s.retake().isPresent()) {
        double from =
            Math.max(x - 2, axis.has(before.toMoment()) ? axis.x(before.toMoment()) : x - 2);
        pen.dashed(from, y(before.endCm()), x, y(s.startCm()), 0.12, Ink.BOW, s.fromMoment());
        pen.add(
            new Primitive.Spot(
                Primitive.Spot.Form.DIAMOND,
                x,
                y(s.startCm()),
                0.42,
                true,
                Ink.BOW,
                s.fromMoment()));
      } else if (s.hooked()) {
        pen.line(x, y(s.startCm()) - 0.7, x, y(s.startCm()) + 0.7, 0.2, Ink.BOW, s.fromMoment());
      } else {
        pen.add(
            new Primitive.Spot(
                Primitive.Spot.Form.CIRCLE,
                x,
                y(s.startCm()),
                0.28,
                true,
                Ink.BOW,
                s.fromMoment()));
      }
    }

    /** A figure keeps so far from its line, in staff spaces. */
    private static final double CLEAR = 0.85;

    private static final double MOST_OFF = 2.2;

    /** The centimetres of a stroke beside its slope, where there is room. */
    private void amount(Stroke s) {
      double x1 = axis.start(s.fromMoment());
      double x2 = axis.has(s.toMoment()) ? axis.end(s.toMoment()) : axis.end(s.fromMoment());
      String text = Math.round(s.bowCm()) + (x2 - x1 > 5 ? " cm" : "");
      double width = pen.width(text, FIGURE, Style.BOLD);
      if (width + 0.4 > x2 - x1) {
        return;
      }
      double x = (x1 + x2) / 2;
      double middle = yAt(s, x);
      double top = Math.min(yAt(s, x - width / 2), yAt(s, x + width / 2));
      double off = CLEAR + Math.max(0, middle - top);
      double aside = width / 2 + 0.6;
      if (off > MOST_OFF && width + 2 * aside < x2 - x1) {
        // Beside a steep line: left of one that rises, right of one that falls.
        double beside = s.down() ? x - aside : x + aside;
        double y = middle + FIGURE * 0.35;
        pen.text(text, beside, y, FIGURE, Style.BOLD, true, Ink.BOW, s.fromMoment());
        return;
      }
      double above = middle - off;
      double y = above - FIGURE * 0.7 > 0.1 ? above : middle + off + FIGURE * 0.7;
      pen.text(text, x, y, FIGURE, Style.BOLD, true, Ink.BOW, s.fromMoment());
    }

    /** Where the line of a stroke stands at a place of the axis. */
    private double yAt(Stroke s, double x) {
      for (Stroke.Note n : s.notes()) {
        if (axis.has(n.moment()) && axis.end(n.moment()) >= x) {
          double left = axis.start(n.moment());
          double share = (x - left) / Math.max(0.1, axis.end(n.moment()) - left);
          return y(n.fromCm() + (n.toCm() - n.fromCm()) * Math.max(0, Math.min(1, share)));
        }
      }
      return y((s.startCm() + s.endCm()) / 2);
    }

    /** The line that the least speed would need leaves the band. */
    private void runsOut(Stroke s) {
      double x1 = axis.start(s.fromMoment());
      double x2 = axis.has(s.toMoment()) ? axis.end(s.toMoment()) : axis.end(s.fromMoment());
      double needed = s.naturalCm() * BowSpeed.LEAST;
      double end = s.down() ? s.startCm() + needed : s.startCm() - needed;
      double y2 = Math.max(0.2, Math.min(height - 0.2, y(end)));
      double share = (y2 - y(s.startCm())) / Math.min(-1e-6, y(end) - y(s.startCm()));
      double reach = Math.min(1, Math.abs(share));
      pen.dashed(x1, y(s.startCm()), x1 + (x2 - x1) * reach, y2, 0.22, Ink.PINNED, s.fromMoment());
      String text = "−" + Math.round(s.missingCm()) + " cm";
      double y = s.down() ? 1.1 : height - 1.5;
      pen.text(text, (x1 + x2) / 2, y, FIGURE, Style.BOLD, true, Ink.PINNED, s.fromMoment());
    }

    private void scale() {
      for (int share = 0; share <= 4; share++) {
        double cm = hair * share / 4;
        double y = y(cm);
        scale.line(SCALE - 0.5, y, SCALE, y, 0.12, Ink.FAINT, -1);
        boolean room = height > 11 || share % 2 == 0;
        if (room) {
          scale.text(
              Math.round(cm) + (share == 0 ? " cm" : ""),
              2.9,
              y + 0.4,
              1.1,
              Style.REGULAR,
              false,
              Ink.FAINT,
              -1);
        }
      }
      // A frog below and a tip above, drawn as on the bow.
      double x = 1.2;
      scale.add(
          new Primitive.Spot(Primitive.Spot.Form.SQUARE, x, y(0) - 0.2, 0.55, true, Ink.BOW, -1));
      scale.line(x, y(0), x, y(hair), 0.16, Ink.BOW, -1);
      scale.add(
          new Primitive.Spot(Primitive.Spot.Form.DIAMOND, x, y(hair), 0.35, true, Ink.BOW, -1));
    }

    // ---- words -------------------------------------------------------------------------------

    private List<Said> spoken() {
      List<Said> all = new ArrayList<>();
      for (Slice slice : input.passage().slices()) {
        Optional<Stroke> s = bowing.strokeAt(slice.index());
        all.add(
            s.map(stroke -> spoken(stroke, slice.index()))
                .orElseGet(() -> Said.of("lane.bow.plucked")));
      }
      return all;
    }

    private Said spoken(Stroke s, int moment) {
      Stroke.Note n = s.at(moment);
      BowMoment m = bowing.moments().get(moment);
      return Said.of(
          s.down() ? "lane.bow.down" : "lane.bow.up",
          Math.round(n.bowCm()),
          Math.round(n.fromCm()),
          Math.round(n.toCm()),
          Math.round(n.cmPerS()),
          Math.round(n.contactMm()),
          Said.of("weight." + n.weight().name()),
          m.bar());
    }

    private Said summary() {
      long out = bowing.strokes().stream().filter(s -> s.missingCm() > 0).count();
      double longest =
          bowing.strokes().stream()
              .max(Comparator.comparingDouble(Stroke::bowCm))
              .map(Stroke::bowCm)
              .orElse(0.0);
      return Said.of(
          out == 0 ? "lane.bow.summary" : "lane.bow.summary.out",
          bowing.strokes().size(),
          Math.round(longest),
          Said.of("lane.bow.out", out));
    }
  }
}
