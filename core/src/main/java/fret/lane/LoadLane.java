package fret.lane;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.lane.LanePen.Place;
import fret.load.Limit;
import fret.load.Load;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The load: how near the way into each note comes to what a practised player can do, as a column
 * whose pattern and letter tell what is hard; the hardest carry the tempo up to which they hold.
 */
final class LoadLane implements Lane {
  @Override
  public String id() {
    return "load";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.load().isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  private static final class Drawing {
    private static final double TOP = 3.2;
    private static final double BOTTOM = 1.4;
    private static final double SCALE = 6;
    private static final double HALF = 0.55;
    private static final double HIGHEST = 1.3;
    private static final int NAMED = 5;

    /** Least distance of two figures of the scale. */
    private static final double FIGURES = 1.6;

    /** Where the hardest moment needs less of what can be done, nothing is told to break. */
    private static final double EASY = 0.4;

    private final LaneInput.Loaded loaded;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.loaded = input.load().orElseThrow().get();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
    }

    private double y(double share) {
      return height - BOTTOM - Math.min(HIGHEST, share) / HIGHEST * (height - TOP - BOTTOM);
    }

    LaneDrawing drawn() {
      scale();
      int count = loaded.load().moments().size();
      for (int m = 0; m < count; m++) {
        Optional<Load.Share> hardest = loaded.load().hardest(m);
        if (hardest.isPresent() && axis.has(m)) {
          column(hardest.get());
        }
        if (axis.has(m)) {
          pen.line(axis.start(m), y(1), axis.end(m), y(1), 0.1, Ink.FAINT, m);
        }
      }
      loaded.load().hardest().stream()
          .limit(NAMED)
          .filter(s -> axis.has(s.moment()))
          .forEach(this::label);
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private void scale() {
      boolean low = y(0.5) - y(1) < FIGURES;
      for (double share : low ? new double[] {1} : new double[] {0.5, 1}) {
        String figure = Math.round(100 * share) + "%";
        scale.text(figure, 1.4, y(share) + 0.4, 1.15, Style.REGULAR, false, Ink.FAINT, -1);
        scale.line(SCALE - 0.5, y(share), SCALE, y(share), 0.12, Ink.FAINT, -1);
      }
    }

    private void column(Load.Share s) {
      int at = s.moment();
      double x = axis.x(at);
      double top = y(s.share());
      double base = height - BOTTOM;
      Ink ink = ink(s);
      switch (s.limit()) {
        case SHIFT -> pen.add(Primitive.Area.box(x - HALF, top, x + HALF, base, ink, at));
        case FINGER -> frame(x, top, base, ink, at);
        case CROSSING -> {
          for (double y = base; y > top; y -= 0.6) {
            pen.line(x - HALF, y, x + HALF, y, 0.16, ink, at);
          }
          pen.line(x - HALF, top, x + HALF, top, 0.16, ink, at);
        }
        case STROKE -> {
          pen.line(x, base, x, top, 0.2, ink, at);
          pen.line(x - HALF, top, x + HALF, top, 0.16, ink, at);
        }
        case RETAKE -> {
          frame(x, top, base, ink, at);
          pen.line(x - HALF, base, x + HALF, top, 0.16, ink, at);
        }
        default -> throw new IllegalStateException(s.limit().name());
      }
    }

    /** Up to which tempo the hardest moments hold: over their columns, whose form tells why. */
    private void label(Load.Share s) {
      double x = axis.x(s.moment());
      double top = y(s.share());
      Ink ink = ink(s);
      String label = String.valueOf(Math.round(s.ceiling(loaded.perMinute().get(s.moment()))));
      List<Place> places = new ArrayList<>();
      for (double y : new double[] {Math.max(2.6, top - 0.4), Math.max(1.3, top - 1.8)}) {
        for (double aside : new double[] {0, 1, -1}) {
          places.add(new Place(x + aside, y, true));
        }
      }
      pen.text(label, 1.15, Style.BOLD, ink, s.moment(), height, places);
    }

    private static Ink ink(Load.Share s) {
      return s.limit() == Limit.SHIFT || s.limit() == Limit.FINGER ? Ink.HAND : Ink.TIME;
    }

    private void frame(double x, double top, double base, Ink ink, int at) {
      pen.line(x - HALF, base, x - HALF, top, 0.16, ink, at);
      pen.line(x + HALF, base, x + HALF, top, 0.16, ink, at);
      pen.line(x - HALF, top, x + HALF, top, 0.16, ink, at);
    }

    private List<Said> spoken() {
      List<Said> all = new ArrayList<>();
      for (int m = 0; m < loaded.load().moments().size(); m++) {
        all.add(
            loaded
                .load()
                .hardest(m)
                .map(
                    s ->
                        Said.of(
                            "lane.load." + s.limit().id(),
                            Math.round(100 * s.share()),
                            Math.round(s.ceiling(loaded.perMinute().get(s.moment())))))
                .orElse(Said.of("lane.load.none")));
      }
      return all;
    }

    private Said summary() {
      return loaded.load().hardest().stream()
          .findFirst()
          .map(
              s ->
                  s.share() < EASY
                      ? Said.of("lane.load.easy")
                      : Said.of(
                          "lane.load.summary",
                          Math.round(s.ceiling(loaded.perMinute().get(s.moment()))),
                          loaded.barOf(s.moment()),
                          Said.of("limit." + s.limit().id())))
          .orElse(Said.of("lane.load.none"));
    }
  }
}
