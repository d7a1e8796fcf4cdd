package fret.lane;

import fret.base.Said;
import fret.bowing.BowMoment;
import fret.bowing.PhraseMark;
import fret.bowing.Vibrato;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The line: how loud it is meant to be, as one drawn line over the printed steps, a peak where an
 * accent stands, and vibrato as a wave under the notes that have it.
 */
final class LineLane implements Lane {
  @Override
  public String id() {
    return "line";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.bow().filter(b -> !b.bowing().moments().isEmpty()).isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  /** A level of loudness, 0 for ppp to 7 for fff. */
  @Override
  public OptionalDouble valueAt(LaneInput input, double height, double y) {
    double level = (height - BOTTOM - y) / (height - TOP - BOTTOM) * LOUDEST;
    return OptionalDouble.of(Math.max(0, Math.min(LOUDEST, level)));
  }

  /** Room for the lane's name. */
  private static final double TOP = 2.7;

  private static final double BOTTOM = 2.4;
  private static final int LOUDEST = 7;

  private static final class Drawing {
    private static final double SCALE = 6;

    /** Length of one swing of a wave, in staff spaces. */
    private static final double SWING = 0.8;

    private final LaneInput input;
    private final LaneInput.Bow bow;
    private final List<BowMoment> moments;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.input = input;
      this.bow = input.bow().orElseThrow();
      this.moments = bow.bowing().moments();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
    }

    LaneDrawing drawn() {
      scale();
      printed();
      own();
      moments.forEach(this::wave);
      moments.forEach(this::phrase);
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private double y(double level) {
      return height - BOTTOM - level / LOUDEST * (height - TOP - BOTTOM);
    }

    private void scale() {
      for (int level = 0; level <= LOUDEST; level++) {
        boolean named = level % 2 == 0 && (height > 10 || level % 4 == 0) && level > 0;
        if (named) {
          scale.text(
              LoudnessLine.word(level),
              2.6,
              y(level) + 0.4,
              1.15,
              Style.ITALIC,
              false,
              Ink.FAINT,
              -1);
          scale.line(SCALE - 0.5, y(level), SCALE, y(level), 0.12, Ink.FAINT, -1);
        }
      }
    }

    private void printed() {
      LoudnessLine page = bow.printed();
      for (BowMoment m : moments) {
        int at = m.slice().index();
        if (axis.has(at)) {
          double end = page.levelBefore(m.slice().onset().add(m.slice().duration()));
          double from = page.levelAt(m.slice().onset());
          double to = m.isGrace() ? from : end;
          pen.line(axis.start(at), y(from), axis.end(at), y(to), 0.1, Ink.FAINT, at);
        }
      }
    }

    private void own() {
      double before = Double.NaN;
      for (BowMoment m : moments) {
        int at = m.slice().index();
        if (!axis.has(at)) {
          before = Double.NaN;
          continue;
        }
        double x1 = axis.start(at);
        double from = y(m.fromLevel());
        if (!Double.isNaN(before) && Math.abs(before - from) > 0.05) {
          pen.line(x1, before, x1, from, 0.26, Ink.TIME, at);
        }
        pen.line(x1, from, axis.end(at), y(m.toLevel()), 0.32, Ink.TIME, at);
        if (m.isAccented()) {
          double x = axis.x(at);
          double peak = Math.max(0.3, from - 1.1);
          pen.line(x - 0.45, from, x, peak, 0.24, Ink.TIME, at);
          pen.line(x, peak, x + 0.45, from, 0.24, Ink.TIME, at);
        }
        before = m.restMs() > 1 ? Double.NaN : y(m.toLevel());
      }
    }

    private Optional<Vibrato> vibrato(BowMoment m) {
      return Vibrato.of(m, Optional.ofNullable(bow.vibrato().get(m.slice().index())));
    }

    private void wave(BowMoment m) {
      int at = m.slice().index();
      Optional<Vibrato> vibrato = vibrato(m);
      if (vibrato.isEmpty() || !axis.has(at)) {
        return;
      }
      double y = height - 1.1;
      double start = axis.start(at) + 0.4;
      double end = axis.end(at) - 0.5;
      double half = SWING / 2 * Vibrato.USUAL.hertz() / vibrato.get().hertz();
      double widest = 0.3 * Math.min(2, vibrato.get().cents() / Vibrato.USUAL.cents());
      double way = 1;
      for (double x = start; x + half <= end; x += half) {
        double from = widest * (vibrato.get().growing() ? (x - start) / (end - start) : 1);
        double to = widest * (vibrato.get().growing() ? (x + half - start) / (end - start) : 1);
        pen.line(x, y + way * from, x + half, y - way * to, 0.16, Ink.HAND, at);
        way = -way;
      }
    }

    /** A top points up over the line; an end closes it. */
    private void phrase(BowMoment m) {
      int at = m.slice().index();
      PhraseMark mark = bow.phrases().get(at);
      if (mark == null || !axis.has(at)) {
        return;
      }
      if (mark == PhraseMark.TOP) {
        double x = axis.x(at);
        double y = Math.max(0.8, y(m.fromLevel()) - 2);
        pen.line(x - 0.6, y + 0.6, x, y, 0.22, Ink.PINNED, at);
        pen.line(x, y, x + 0.6, y + 0.6, 0.22, Ink.PINNED, at);
      } else {
        double x = axis.end(at) - 0.3;
        pen.line(x, TOP, x, height - BOTTOM, 0.12, Ink.PINNED, at);
        pen.line(x - 0.8, height - BOTTOM, x, height - BOTTOM, 0.12, Ink.PINNED, at);
      }
    }

    // ---- words -------------------------------------------------------------------------------

    private List<Said> spoken() {
      List<Said> all = new ArrayList<>();
      for (BowMoment m : moments) {
        String from = LoudnessLine.word(m.fromLevel());
        String to = LoudnessLine.word(m.toLevel());
        Said loud =
            from.equals(to) ? Said.of("lane.line.at", from) : Said.of("lane.line.to", from, to);
        Said line = m.isAccented() ? Said.of("lane.line.accent", loud) : loud;
        all.add(
            vibrato(m)
                .map(
                    v ->
                        Said.of(
                            "lane.line.vibrato",
                            line,
                            Math.round(v.cents()),
                            Said.tenths(v.widthMm(input.instrument(), m.stopped()))))
                .orElse(line));
      }
      return all;
    }

    private Said summary() {
      double least = moments.stream().mapToDouble(BowMoment::fromLevel).min().orElse(0);
      double most =
          moments.stream().mapToDouble(m -> Math.max(m.fromLevel(), m.toLevel())).max().orElse(0);
      long waves = moments.stream().filter(m -> vibrato(m).isPresent()).count();
      return Said.of("lane.line.summary", LoudnessLine.word(least), LoudnessLine.word(most), waves);
    }
  }
}
