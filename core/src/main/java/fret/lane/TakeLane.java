package fret.lane;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.take.Expected.Moment;
import fret.take.Fault;
import fret.take.Finding;
import fret.take.HeardNote;
import fret.take.TakeReport;
import fret.take.TempoLine.BarTempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A take: above, the tempo of each bar against the take's own, with what came late or early as a
 * flag; in the middle each note's pitch against the tuning; below, its loudness.
 */
final class TakeLane implements Lane {
  @Override
  public String id() {
    return "take";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.take().isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  private static final class Drawing {
    private static final double TOP = 2.6;
    private static final double BOTTOM = 0.8;
    private static final double SCALE = 6;
    private static final double TEMPO_SHARE = 0.34;
    private static final double PITCH_SHARE = 0.74;
    private static final double MOST_PERCENT = 15;
    private static final double MOST_CENTS = 30;
    private static final double TOLD_PERCENT = 4;
    private static final double NEAR_CENTS = 12;
    private static final double LOUDEST_DB = -6;
    private static final double SOFTEST_DB = -46;

    private final TakeReport take;
    private final Optional<TakeReport> beside;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;
    private final int slices;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.take = input.take().orElseThrow();
      this.beside = input.beside();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
      this.slices = input.passage().slices().size();
    }

    private double at(double share) {
      return TOP + share * (height - TOP - BOTTOM);
    }

    /** Faster is higher. */
    private double tempoY(double percent) {
      double half = at(TEMPO_SHARE) / 2 - TOP / 2;
      double middle = (TOP + at(TEMPO_SHARE)) / 2;
      return middle - Math.max(-1, Math.min(1, percent / MOST_PERCENT)) * half * 0.9;
    }

    private double pitchY(double cents) {
      double top = at(TEMPO_SHARE) + 0.5;
      double bottom = at(PITCH_SHARE);
      double middle = (top + bottom) / 2;
      return middle - Math.max(-1, Math.min(1, cents / MOST_CENTS)) * (bottom - top) / 2 * 0.9;
    }

    private double levelY(double db) {
      double top = at(PITCH_SHARE) + 0.6;
      double share = (db - SOFTEST_DB) / (LOUDEST_DB - SOFTEST_DB);
      return height - BOTTOM - Math.max(0, Math.min(1, share)) * (height - BOTTOM - top);
    }

    private boolean has(int slice) {
      return slice >= 0 && slice < slices && axis.has(slice);
    }

    LaneDrawing drawn() {
      scale();
      beside.ifPresent(this::faint);
      tempo();
      int before = -1;
      double levelBefore = 0;
      for (HeardNote n : take.heard().notes()) {
        Moment m = moment(n.moment());
        if (!has(m.slice())) {
          continue;
        }
        pitch(n, m.slice());
        if (before >= 0 && m.slice() == before + 1 && n.confidence() > 0) {
          pen.line(
              axis.x(before),
              levelY(levelBefore),
              axis.x(m.slice()),
              levelY(n.levelDb()),
              0.22,
              Ink.BOW,
              m.slice());
        }
        before = m.slice();
        levelBefore = n.levelDb();
      }
      for (Finding f : take.findings()) {
        told(f);
      }
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private Moment moment(int index) {
      return take.expected().moments().get(index);
    }

    private void scale() {
      boolean tall = tempoY(-10) - tempoY(10) > 1.7;
      if (tall) {
        figure("+10%", tempoY(10));
        figure("\u221210%", tempoY(-10));
        figure("+20 c", pitchY(20));
        figure("\u221220 c", pitchY(-20));
      } else {
        figure("tempo", tempoY(0));
        figure("cents", pitchY(0));
      }
      figure("dB", levelY(-26));
    }

    private void figure(String text, double y) {
      scale.text(text, 0.4, y + 0.4, 1.05, Style.REGULAR, false, Ink.FAINT, -1);
      scale.line(SCALE - 0.5, y, SCALE, y, 0.12, Ink.FAINT, -1);
    }

    /** Another take: its bars and pitches, so that what became better is seen. */
    private void faint(TakeReport other) {
      for (BarTempo b : other.tempo().bars()) {
        int[] ends = ends(other, b);
        if (ends[0] >= 0) {
          double y = tempoY(b.percent());
          double from = axis.start(ends[0]);
          pen.line(from, y, axis.end(ends[1]), y, 0.2, Ink.FAINT, ends[0]);
        }
      }
      for (HeardNote n : other.heard().notes()) {
        int at = other.expected().moments().get(n.moment()).slice();
        if (has(at) && n.pitch().isTold()) {
          spot(axis.x(at) + 0.9, pitchY(other.cents(n)), 0.3, false, Ink.FAINT, at);
        }
      }
    }

    /** The first and the last moment of a bar that can be seen; -1 for none. */
    private int[] ends(TakeReport of, BarTempo b) {
      int first = -1;
      int last = -1;
      for (Moment m : of.expected().moments()) {
        if (m.bar() == b.bar() && has(m.slice())) {
          first = first < 0 ? m.slice() : first;
          last = m.slice();
        }
      }
      return new int[] {first, last};
    }

    private void spot(double x, double y, double size, boolean filled, Ink ink, int at) {
      pen.add(new Primitive.Spot(Primitive.Spot.Form.CIRCLE, x, y, size, filled, ink, at));
    }

    /** Each bar's tempo as a step over its own notes. */
    private void tempo() {
      for (BarTempo b : take.tempo().bars()) {
        int first = ends(take, b)[0];
        int last = ends(take, b)[1];
        if (first < 0) {
          continue;
        }
        double y = tempoY(b.percent());
        boolean told = Math.abs(b.percent()) >= TOLD_PERCENT;
        pen.line(axis.start(first), tempoY(0), axis.end(last), tempoY(0), 0.08, Ink.FAINT, first);
        pen.line(axis.start(first), y, axis.end(last), y, told ? 0.42 : 0.2, Ink.TIME, first);
        if (told) {
          String text =
              (b.percent() > 0 ? "+" : "\u2212") + Math.round(Math.abs(b.percent())) + " %";
          double above = b.percent() > 0 ? y - 0.4 : y + 1.3;
          pen.text(text, axis.x(first) + 0.4, above, 1.15, Style.BOLD, false, Ink.TIME, first);
        }
      }
    }

    private void pitch(HeardNote n, int at) {
      double x = axis.x(at);
      pen.line(axis.start(at), pitchY(0), axis.end(at), pitchY(0), 0.08, Ink.FAINT, at);
      List<Double> cents = n.pitch().isTold() ? List.of(take.cents(n)) : take.tones(n);
      for (double c : cents) {
        if (!Double.isNaN(c)) {
          double y = pitchY(c);
          boolean off = Math.abs(c) >= NEAR_CENTS;
          pen.line(x, pitchY(0), x, y, 0.12, Ink.HAND, at);
          spot(x, y, off ? 0.5 : 0.3, off, Ink.HAND, at);
        }
      }
    }

    /** What was found at a note, as letters over the tempo. */
    private void told(Finding f) {
      int at = moment(f.moment()).slice();
      Fault.Kind kind = f.kind();
      boolean drawn =
          kind == Fault.Kind.RUSH
              || kind == Fault.Kind.DRAG
              || kind == Fault.Kind.SHARP
              || kind == Fault.Kind.FLAT;
      if (!has(at) || drawn) {
        return;
      }
      String sign = kind == Fault.Kind.EARLY ? "\u2212" : kind == Fault.Kind.LATE ? "+" : "";
      String text =
          kind == Fault.Kind.LATE || kind == Fault.Kind.EARLY
              ? sign + Math.round(f.amount()) + " ms"
              : letters(kind);
      pen.text(text, axis.x(at), 1.7, 1.15, Style.BOLD, true, Ink.TIME, at);
    }

    private static String letters(Fault.Kind kind) {
      return switch (kind) {
        case WRONG -> "\u2260";
        case MISSING -> "\u2205";
        case ADDED -> "+1";
        case RESTART -> "\u21ba";
        case CLIPPED, GAP -> "><";
        case OVER_HELD -> "<>";
        case UNEVEN -> "~";
        case DRIFT -> "/";
        default -> "!";
      };
    }

    private List<Said> spoken() {
      List<Said> all = new ArrayList<>();
      for (int slice = 0; slice < slices; slice++) {
        all.add(spoken(slice));
      }
      return all;
    }

    private Said spoken(int slice) {
      for (HeardNote n : take.heard().notes()) {
        Moment m = moment(n.moment());
        if (m.slice() == slice) {
          double late = take.tempo().lateMs(n.moment()).orElse(0.0);
          return n.pitch().isTold()
              ? Said.of("lane.take.at", Math.round(take.cents(n)), Math.round(late))
              : Said.of("lane.take.unpitched", Math.round(late));
        }
      }
      return Said.of("lane.take.none");
    }

    private Said summary() {
      Optional<BarTempo> most =
          take.tempo().bars().stream()
              .max(java.util.Comparator.comparingDouble(b -> Math.abs(b.percent())));
      long aligned = Math.round(100 * take.heard().alignedShare());
      return most.map(
              b ->
                  Said.of(
                      "lane.take.summary",
                      aligned,
                      take.expected().bars().get(b.bar()).number(),
                      Math.round(b.percent()),
                      take.findings().size()))
          .orElse(Said.of("lane.take.none"));
    }
  }
}
