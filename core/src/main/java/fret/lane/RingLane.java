package fret.lane;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.harmony.Harmony;
import fret.intonation.Check;
import fret.intonation.DroneLine;
import fret.intonation.Tuned;
import fret.mark.Strand;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The ring: where each note stands against equal temperament in the chosen tuning, as a short line
 * over or under the middle; a ring around it where an open string answers; its best check as a mark
 * of the string; the chords' numerals above.
 */
final class RingLane implements Lane {
  @Override
  public String id() {
    return "ring";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.tuned().isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  private static final class Drawing {
    private static final double TOP = 4.6;
    private static final double BOTTOM = 2.2;
    private static final double SCALE = 6;

    /** The comma fits: what is further away is drawn at the edge. */
    private static final double MOST_CENTS = 24;

    private static final double RINGING = 0.62;
    private static final double NUMERAL = 1.35;
    private static final double NUMERAL_Y = 3.9;

    /** Figures of an inversion stand over each other. */
    private static final double FIGURE = 0.85;

    private final LaneInput input;
    private final Tuned tuned;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen scale;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.input = input;
      this.tuned = input.tuned().orElseThrow().get();
      this.axis = axis;
      this.height = height;
      this.pen = new LanePen(metrics);
      this.scale = new LanePen(metrics);
    }

    private double y(double cents) {
      double middle = TOP + (height - TOP - BOTTOM) / 2;
      double half = (height - TOP - BOTTOM) / 2;
      return middle - Math.max(-1, Math.min(1, cents / MOST_CENTS)) * half;
    }

    LaneDrawing drawn() {
      scale();
      numerals();
      drone();
      for (Slice slice : input.passage().slices()) {
        int at = slice.index();
        if (!axis.has(at)) {
          continue;
        }
        pen.line(axis.start(at), y(0), axis.end(at), y(0), 0.08, Ink.FAINT, at);
        for (int note : slice.starting()) {
          tuned.notes().get(note).ifPresent(p -> place(p, at));
        }
      }
      strand(Strand.LOWER);
      strand(Strand.UPPER);
      return new LaneDrawing(height, pen.drawn(), scale.drawn(), SCALE, spoken(), summary());
    }

    private void scale() {
      for (int cents : new int[] {-20, 0, 20}) {
        String figure = (cents > 0 ? "+" : "") + cents + (cents == 0 ? " c" : "");
        if (cents != 0 && y(0) - y(20) < 1.5) {
          continue;
        }
        scale.text(figure, 1.2, y(cents) + 0.4, 1.15, Style.REGULAR, false, Ink.FAINT, -1);
        scale.line(SCALE - 0.5, y(cents), SCALE, y(cents), 0.12, Ink.FAINT, -1);
      }
    }

    /**
     * Numerals where chords are clear; where two readings share a place both, each as a question.
     */
    private void numerals() {
      List<Numeral> all = new ArrayList<>();
      for (Harmony.ChordSpan c : tuned.harmony().chords()) {
        if (c.chord().isPresent()) {
          sliceOf(c).ifPresent(s -> all.add(new Numeral(c, s, axis.start(s) + 0.4)));
        }
      }
      for (int i = 0; i < all.size(); i++) {
        double room = i + 1 < all.size() ? all.get(i + 1).x() - all.get(i).x() : axis.width();
        numeral(all.get(i), room - 0.4);
      }
    }

    private record Numeral(Harmony.ChordSpan chord, int slice, double x) {}

    private Optional<Integer> sliceOf(Harmony.ChordSpan c) {
      return input.passage().slices().stream()
          .filter(s -> s.onset().compareTo(c.onset()) >= 0)
          .findFirst()
          .filter(
              s ->
                  input.passage().notes().get(s.starting().get(0)).key().barIndex() == c.bar()
                      && axis.has(s.index()))
          .map(Slice::index);
    }

    private void numeral(Numeral n, double room) {
      Harmony.ChordSpan c = n.chord();
      String plain = tuned.harmony().numeral(c);
      Optional<String> second = tuned.harmony().secondNumeral(c);
      // V7/V with figures would be read as a fraction.
      boolean bare = second.isPresent() || plain.contains("/");
      List<Integer> figures = bare ? List.of() : c.figures();
      String stem =
          figures.isEmpty() || !plain.endsWith("7")
              ? plain
              : plain.substring(0, plain.length() - 1);
      String over =
          c.bass().filter(Harmony.Bass::over).isPresent()
              ? " (" + tuned.harmony().bassName(c).orElseThrow() + ")"
              : "";
      String told = second.map(s -> plain + "? " + s + "?").orElse(stem + over);
      boolean fits = width(told) + (figures.isEmpty() ? 0 : 1) <= room;
      String shown = fits ? told : second.isPresent() ? plain + "?" : plain;
      Ink ink = c.own() ? Ink.PINNED : second.isPresent() ? Ink.FAINT : Ink.TIME;
      List<LanePen.Place> place = List.of(new LanePen.Place(n.x(), NUMERAL_Y, false));
      boolean drawn = pen.text(shown, NUMERAL, Style.BOLD, ink, n.slice(), height, place);
      for (int i = 0; drawn && fits && i < figures.size(); i++) {
        double y = NUMERAL_Y + (figures.size() == 1 ? -0.5 : i == 0 ? -0.62 : 0.15);
        String figure = String.valueOf(figures.get(i));
        double x = n.x() + width(shown) + 0.12;
        pen.text(figure, x, y, FIGURE, Style.BOLD, false, ink, n.slice());
      }
    }

    private double width(String text) {
      return pen.width(text, NUMERAL, Style.BOLD);
    }

    /** A line within broken chords goes from place to place of its own notes. */
    private void strand(Strand which) {
      int before = -1;
      for (Slice slice : input.passage().slices()) {
        for (int note : slice.starting()) {
          boolean own = input.strands().get(note) == which;
          if (own && tuned.notes().get(note).isPresent() && axis.has(slice.index())) {
            if (before >= 0) {
              joined(before, note, slice.index());
            }
            before = note;
          }
        }
      }
    }

    private void joined(int from, int to, int at) {
      double a = axis.x(input.passage().notes().get(from).slice());
      pen.line(a, noteY(from), axis.x(at), noteY(to), 0.1, Ink.TIME, at);
    }

    private double noteY(int note) {
      return y(tuned.notes().get(note).orElseThrow().cents());
    }

    /** Where a drone that follows would change. */
    private void drone() {
      if (input.passage().slices().isEmpty()) {
        return;
      }
      for (DroneLine.Span s : DroneLine.of(input.passage(), tuned).spans()) {
        if (axis.has(s.slice())) {
          double x = axis.start(s.slice()) + 0.4;
          String name = s.pitch().name().replaceAll("-?\\d+$", "");
          pen.text(name, x, 2.2, 1.1, Style.REGULAR, false, Ink.FAINT, s.slice());
        }
      }
    }

    private void place(Tuned.Place p, int at) {
      double x = axis.x(at);
      double y = y(p.cents());
      pen.line(x, y(0), x, y, 0.14, Ink.HAND, at);
      pen.line(x - 0.6, y, x + 0.6, y, 0.34, Ink.HAND, at);
      if (!p.ring().isEmpty()) {
        boolean full = p.isMilestone();
        pen.add(
            new Primitive.Spot(
                Primitive.Spot.Form.CIRCLE, x, y, full ? RINGING : 0.34, false, Ink.TIME, at));
      }
      best(p)
          .ifPresent(
              c ->
                  pen.add(
                      new Primitive.Spot(
                          StringMark.of(c.string()), x, height - 1.1, 0.42, true, Ink.TIME, at)));
    }

    private static Optional<Check> best(Tuned.Place p) {
      return p.checks().stream().filter(c -> c.kind() == Check.Kind.OPEN).findFirst();
    }

    private List<Said> spoken() {
      List<Said> all = new ArrayList<>();
      for (Slice slice : input.passage().slices()) {
        Said said = Said.of("lane.ring.none");
        for (int note : slice.starting()) {
          Optional<Tuned.Place> p = tuned.notes().get(note);
          if (p.isPresent()) {
            said =
                Said.of(
                    p.get().isMilestone() ? "lane.ring.rings" : "lane.ring.at",
                    Said.tenths(p.get().cents()),
                    Said.tenths(p.get().mm()));
          }
        }
        all.add(said);
      }
      return all;
    }

    private Said summary() {
      long rings =
          tuned.notes().stream().flatMap(Optional::stream).filter(Tuned.Place::isMilestone).count();
      long apart =
          tuned.notes().stream()
              .flatMap(Optional::stream)
              .filter(p -> p.conflict().isPresent())
              .count();
      return Said.of("lane.ring.summary", rings, apart, tuned.pairs().size());
    }
  }
}
