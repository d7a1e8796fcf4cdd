package fret.lane;

import fret.base.Said;
import fret.bowing.ArmPath;
import fret.bowing.BowMoment;
import fret.bowing.Crossing;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.instrument.BowGeometry;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The plane: on which string, or pair, the bow lies, as a stepped line over the strings' angles,
 * the highest string above; through it the arm's own way. Going to and fro fast shows as a comb.
 */
final class PlaneLane implements Lane {
  @Override
  public String id() {
    return "plane";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.bow().filter(b -> !b.bowing().moments().isEmpty()).isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  private static final class Drawing {
    /** Room for the lane's name. */
    private static final double TOP = 2.9;

    private static final double BOTTOM = 1.1;
    private static final double SCALE = 6;

    private final LaneInput input;
    private final List<BowMoment> moments;
    private final BowGeometry bow;
    private final ArmPath arm;
    private final List<Crossing> crossings;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      LaneInput.Bow from = input.bow().orElseThrow();
      this.input = input;
      this.moments = from.bowing().moments();
      this.bow = from.geometry();
      this.arm = from.report().path();
      this.crossings = from.report().crossings();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
    }

    LaneDrawing drawn() {
      strings();
      steps();
      arm();
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private double y(double degrees) {
      double most = bow.planeDegrees(bow.strings());
      double share = (degrees / Math.max(1, most) + 1) / 2;
      return TOP + share * (height - TOP - BOTTOM);
    }

    private void strings() {
      for (int string = 1; string <= bow.strings(); string++) {
        double y = y(bow.planeDegrees(string));
        pen.line(0, y, axis.width(), y, 0.08, Ink.STAVE, -1);
        scale.add(new Primitive.Spot(StringMark.of(string), 1.4, y, 0.5, true, Ink.HAND, -1));
        scale.text(
            input.instrument().stringName(string),
            3.2,
            y + 0.42,
            1.2,
            Style.REGULAR,
            false,
            Ink.HAND,
            -1);
      }
    }

    private void steps() {
      double before = Double.NaN;
      for (BowMoment m : moments) {
        int at = m.slice().index();
        if (!m.isBowed() || !axis.has(at)) {
          before = Double.NaN;
          continue;
        }
        double y = y(bow.planeDegrees(m.strings()));
        double x1 = axis.start(at);
        double x2 = axis.end(at);
        if (!Double.isNaN(before) && Math.abs(before - y) > 1e-6) {
          pen.line(x1, before, x1, y, 0.14, Ink.BOW, at);
        }
        if (m.strings().size() > 1) {
          pen.add(
              Primitive.Area.box(
                  x1,
                  y(bow.planeDegrees(m.strings().get(0))),
                  x2 - 0.2,
                  y(bow.planeDegrees(m.strings().get(m.strings().size() - 1))),
                  Ink.BOW_BAND,
                  at));
        }
        pen.line(x1, y, x2, y, 0.42, Ink.BOW, at);
        before = m.restMs() > 1 ? Double.NaN : y;
      }
    }

    /** The arm's way, drawn where time stands on the axis. */
    private void arm() {
      List<double[]> line = new ArrayList<>();
      for (BowMoment m : moments) {
        int at = m.slice().index();
        if (!axis.has(at)) {
          continue;
        }
        double x1 = axis.start(at);
        double x2 = axis.end(at);
        line.add(new double[] {x1, y(arm.at(m.startMs()))});
        double span = m.endMs() - m.startMs();
        for (ArmPath.Point p : arm.points()) {
          if (p.ms() > m.startMs() + 1 && p.ms() < m.endMs() - 1) {
            line.add(new double[] {x1 + (x2 - x1) * (p.ms() - m.startMs()) / span, y(p.degrees())});
          }
        }
        line.add(new double[] {x2, y(arm.at(m.endMs() + m.restMs()))});
      }
      for (int i = 1; i < line.size(); i++) {
        double[] a = line.get(i - 1);
        double[] b = line.get(i);
        if (b[0] > a[0]) {
          pen.dashed(a[0], a[1], b[0], b[1], 0.16, Ink.NOTE, -1);
        }
      }
    }

    // ---- words -------------------------------------------------------------------------------

    private List<Said> spoken() {
      Map<Integer, Crossing> into = new HashMap<>();
      crossings.forEach(c -> into.put(c.toMoment(), c));
      List<Said> all = new ArrayList<>();
      for (BowMoment m : moments) {
        Said on = Said.of("lane.plane.on", input.instrument().stringNames(m.strings()));
        Crossing c = into.get(m.slice().index());
        all.add(
            c == null
                ? on
                : Said.of(
                    "lane.plane.crossing",
                    on,
                    Said.tenths(c.degrees()),
                    Said.tenths(c.hereCm()),
                    Math.round(arm.aheadMs(m.startMs()))));
      }
      return all;
    }

    private Said summary() {
      long single = crossings.stream().filter(Crossing::single).count();
      double widest =
          crossings.stream()
              .max(Comparator.comparingDouble(Crossing::hereCm))
              .map(Crossing::hereCm)
              .orElse(0.0);
      return Said.of("lane.plane.summary", crossings.size(), single, Said.tenths(widest));
    }
  }
}
