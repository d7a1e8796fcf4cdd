package fret.lane;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.fingering.Fingering;
import fret.fingering.KeepDown;
import fret.fingering.NoteFinger;
import fret.fingering.PositionChanges;
import fret.fingering.Release;
import fret.fingering.Releases;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.PositionNames;
import fret.player.Region;
import fret.player.Shape;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The hand: height is mm from the nut. Its frame is a band, each stopped note a mark with its
 * finger whose shape tells the string, a shift the slope between two bands with its mm; an open
 * string leaves the band hollow.
 */
final class HandLane implements Lane {
  @Override
  public String id() {
    return "hand";
  }

  @Override
  public boolean suits(LaneInput input) {
    return input.fingering().isPresent();
  }

  @Override
  public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
    return new Drawing(input, axis, metrics, height).drawn();
  }

  private static final class Drawing {
    private static final double PAD = 1.9;
    private static final double SCALE = 6;
    private static final double RADIUS = 0.82;

    /** Least distance of two figures of the scale. */
    private static final double FIGURES = 1.6;

    /** Where in a note its new finger is drawn. */
    private static final double HANDED_OVER = 0.6;

    private final LaneInput input;
    private final Fingering fingering;
    private final Instrument instrument;
    private final Axis axis;
    private final double height;
    private final LanePen pen;
    private final LanePen ruler;
    private double mostMm;
    private double leastMm = Double.MAX_VALUE;

    Drawing(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      this.input = input;
      this.fingering = input.fingering().orElseThrow();
      this.instrument = input.instrument();
      this.axis = axis;
      this.pen = new LanePen(metrics);
      this.ruler = new LanePen(metrics);
      this.height = height;
      measure();
    }

    private void measure() {
      for (Optional<NoteFinger> place : fingering.notes()) {
        place
            .filter(n -> !n.isOpen())
            .ifPresent(
                n -> {
                  mostMm = Math.max(mostMm, Math.max(n.mmFromNut(), topMm(n)));
                  leastMm = Math.min(leastMm, Math.min(n.mmFromNut(), bottomMm(n)));
                });
      }
      if (mostMm == 0) {
        mostMm = 100;
        leastMm = 0;
      }
      double room = Math.max(10, (mostMm - leastMm) * 0.12);
      mostMm += room;
      leastMm = Math.max(0, leastMm - room);
    }

    LaneDrawing drawn() {
      bands();
      slopes();
      stays();
      marks();
      positions();
      return new LaneDrawing(height, pen.drawn(), scale(), SCALE, spoken(), summary());
    }

    private double bottomMm(NoteFinger n) {
      int back = n.region() == Region.THUMB ? 2 : n.shape() == Shape.BACK ? 1 : 0;
      return instrument.mmFromNut(n.base() - back);
    }

    private double topMm(NoteFinger n) {
      if (n.region() == Region.THUMB) {
        return instrument.mmFromNut(n.base() + 3);
      }
      int frame =
          switch (instrument.type()) {
            case CELLO -> n.shape() == Shape.FORWARD ? 4 : 3;
            case BASS -> 2;
            default -> 5;
          };
      return instrument.mmFromNut(n.base() + frame);
    }

    /** Up the string is up: the nut lies at the bottom. */
    private double y(double mm) {
      return height - PAD - (mm - leastMm) / (mostMm - leastMm) * (height - 2 * PAD);
    }

    // ---- bands and slopes --------------------------------------------------------------------

    private void bands() {
      for (Slice slice : input.passage().slices()) {
        Optional<NoteFinger> place = hand(slice);
        if (place.isPresent() && axis.has(slice.index())) {
          band(slice.index(), place.get());
        }
      }
    }

    /** The stopped note that tells where the hand is, else an open one. */
    private Optional<NoteFinger> hand(Slice slice) {
      return slice.starting().stream()
          .map(n -> fingering.notes().get(n))
          .flatMap(Optional::stream)
          .filter(n -> n.base() > 0)
          .reduce((a, b) -> a.isOpen() ? b : a);
    }

    private void band(int slice, NoteFinger n) {
      double left = axis.start(slice);
      double right = axis.end(slice);
      boolean moves =
          fingering.shifts().stream().anyMatch(s -> !s.isOnHeldNote() && s.toSlice() - 1 == slice);
      right -= moves && axis.has(slice + 1) ? slope(right - left) : 0;
      if (n.replaced().isPresent()) {
        double middle = left + (right - left) * HANDED_OVER;
        band(n, left, middle - slope(right - left), slice);
        band(n.last(), middle, right, slice);
      } else {
        band(n, left, right, slice);
      }
    }

    private void band(NoteFinger n, double left, double right, int slice) {
      double upper = y(topMm(n));
      double lower = y(bottomMm(n));
      if (n.isOpen()) {
        pen.line(left, upper, right, upper, 0.15, Ink.HAND_BAND, slice);
        pen.line(left, lower, right, lower, 0.15, Ink.HAND_BAND, slice);
      } else {
        pen.add(Primitive.Area.box(left, upper, right, lower, Ink.HAND_BAND, slice));
      }
    }

    private static final double HEARD = 0.6;

    /** About as wide as the name of a string. */
    private static final double LETTER = 0.9;

    private static final double NAME_LETTER = 0.62;

    private static final double CREEP = 0.1;

    /** Width of the slope of a shift within a moment. */
    private static double slope(double width) {
      return Math.min(width * 0.45, 3);
    }

    private void slopes() {
      for (Shift s : fingering.shifts()) {
        if (axis.has(s.toSlice()) && (s.isOnHeldNote() || axis.has(s.toSlice() - 1))) {
          slope(s);
        }
      }
    }

    private void slope(Shift s) {
      double end = axis.start(s.toSlice());
      double before = s.isOnHeldNote() ? end : axis.start(s.toSlice() - 1);
      if (s.isOnHeldNote()) {
        end = before + (axis.end(s.toSlice()) - before) * HANDED_OVER;
      }
      double start = end - slope(end - before);
      double y1 = y(instrument.mmFromNut(s.fromBase()));
      double y2 = y(instrument.mmFromNut(s.toBase()));
      // A hand that creeps leaves a finger where it was: a thin slope, no aim and so no figure.
      pen.line(start, y1, end, y2, s.creep() ? CREEP : 0.28, Ink.HAND, s.toSlice());
      if (s.creep()) {
        return;
      }
      if (s.heard()) {
        // A slide that is meant to be heard is drawn double.
        pen.line(start + HEARD, y1, end + HEARD, y2, 0.16, Ink.HAND, s.toSlice());
      }
      // Below the lower frame: above it the label would meet the marks of the higher one.
      double labelY = Math.min(height - 0.35, Math.max(y1, y2) + 1.75);
      // The ring of an open string would stand in the label's place.
      double labelX = s.moveSlice() == s.fromSlice() ? (start + end) / 2 : end + 1.5;
      String label = Math.round(s.travelMm()) + " mm";
      pen.text(label, labelX, labelY, 1.25, Style.BOLD, true, Ink.HAND, s.toSlice());
    }

    // ---- notes -------------------------------------------------------------------------------

    private void marks() {
      int string = 0;
      for (Slice slice : input.passage().slices()) {
        int open = 0;
        double[] aside = aside(slice);
        for (int i = 0; i < slice.starting().size(); i++) {
          Optional<NoteFinger> place = fingering.notes().get(slice.starting().get(i));
          if (place.isPresent()) {
            if (axis.has(slice.index())) {
              mark(slice, place.get(), place.get().string() != string, open, aside[i]);
            }
            string = place.get().string();
            open += place.get().isOpen() ? 1 : 0;
          }
        }
      }
    }

    /** How far each mark of a chord stands aside, so that none covers another. */
    private double[] aside(Slice slice) {
      double[] aside = new double[slice.starting().size()];
      for (int i = 0; i < aside.length; i++) {
        while (isCovered(slice, aside, i)) {
          aside[i] += 2 * RADIUS;
        }
      }
      return aside;
    }

    private boolean isCovered(Slice slice, double[] aside, int which) {
      Optional<Double> y = markY(slice.starting().get(which));
      for (int i = 0; i < which && y.isPresent(); i++) {
        Optional<Double> other = markY(slice.starting().get(i));
        boolean near = other.filter(o -> Math.abs(o - y.get()) < 2 * RADIUS).isPresent();
        if (near && aside[i] == aside[which]) {
          return true;
        }
      }
      return false;
    }

    private Optional<Double> markY(int note) {
      return fingering.notes().get(note).filter(p -> !p.isOpen()).map(p -> y(p.mmFromNut()));
    }

    /** Fingers that stay because their note comes back, and voices that sound on. */
    private void stays() {
      for (KeepDown k : KeepDown.of(input.passage(), fingering)) {
        if (k.pays()) {
          NoteFinger p = fingering.notes().get(k.note()).orElseThrow();
          stay(p, input.passage().notes().get(k.note()).slice(), k.untilSlice(), 0.12, 0.55);
        }
      }
      for (Slice slice : input.passage().slices()) {
        for (int note : slice.held()) {
          boolean first = input.passage().notes().get(note).slice() == slice.index() - 1;
          fingering
              .notes()
              .get(note)
              .filter(p -> first)
              .ifPresent(p -> sounding(p, slice.index() - 1));
        }
      }
    }

    /** A voice that is held, up to the moment at which it is let go. */
    private void sounding(NoteFinger p, int from) {
      Optional<Release> release = fingering.release(p.note());
      int until = release.map(Release::slice).orElse(endOf(p.note()));
      if (until > from + 1 || release.isEmpty()) {
        stay(p, from, until, 0.3, 0);
      }
      if (release.isPresent() && axis.has(until)) {
        double x = axis.start(until);
        double y = p.isOpen() ? height - RADIUS - 0.35 : y(p.mmFromNut());
        pen.line(x, y - 0.7, x, y + 0.7, 0.2, Ink.HAND, until);
      }
    }

    private int endOf(int note) {
      int slice = input.passage().notes().get(note).slice() + 1;
      while (slice < input.passage().slices().size()
          && input.passage().slices().get(slice).held().contains(note)) {
        slice++;
      }
      return slice;
    }

    private void stay(NoteFinger p, int from, int until, double width, double under) {
      int last = until - 1;
      if (axis.has(from) && axis.has(last) && last > from) {
        double y = (p.isOpen() ? height - RADIUS - 0.35 : y(p.mmFromNut())) + under;
        pen.line(
            axis.x(from) + RADIUS,
            y,
            axis.end(last),
            y,
            width,
            width < 0.2 ? Ink.FAINT : Ink.HAND,
            from);
      }
    }

    /** Open strings that sound together stand over each other. */
    private void mark(Slice slice, NoteFinger p, boolean named, int openBelow, double aside) {
      int at = slice.index();
      double x = axis.x(at) + aside;
      double y = p.isOpen() ? height - RADIUS - 0.35 - 2 * RADIUS * openBelow : y(p.mmFromNut());
      Primitive.Spot.Form form = StringMark.of(p.string());
      if (p.isOpen()) {
        pen.add(new Primitive.Spot(form, x, y, RADIUS * 0.8, false, Ink.HAND, at));
      } else {
        spot(form, x, y, p.finger().digit(), at);
        p.replaced()
            .ifPresent(
                r -> spot(form, x + (axis.end(at) - x) * HANDED_OVER, y, r.by().digit(), at));
      }
      if (named) {
        name(slice, p, x, y);
      }
    }

    /** The string where it changes: beside the mark, or over it where the rest of a chord is. */
    private void name(Slice slice, NoteFinger p, double x, double y) {
      int at = slice.index();
      String name = instrument.stringName(p.string());
      if (slice.starting().size() > 1 && !p.isOpen()) {
        pen.text(name, x, y - RADIUS * 1.35, 1.15, Style.REGULAR, true, Ink.HAND, at);
        return;
      }
      // Lower where the next mark would cover it.
      double right = x + RADIUS * 1.25;
      double under = Math.min(height - 0.2, y + RADIUS * 1.5);
      double beside = isMarkAt(at + 1, right, y - RADIUS * 0.9) ? under : y - RADIUS * 0.55;
      pen.text(name, right, beside, 1.15, Style.REGULAR, false, Ink.HAND, at);
    }

    /** Whether the mark of a moment stands over a letter that begins at a place. */
    private boolean isMarkAt(int moment, double left, double middle) {
      if (moment >= input.passage().slices().size() || !axis.has(moment)) {
        return false;
      }
      boolean near = axis.x(moment) - RADIUS < left + LETTER;
      return near
          && input.passage().slices().get(moment).starting().stream()
              .flatMap(n -> fingering.notes().get(n).stream())
              .mapToDouble(n -> n.isOpen() ? height - RADIUS - 0.35 : y(n.mmFromNut()))
              .anyMatch(y -> Math.abs(y - middle) < RADIUS * 1.4);
    }

    /** The names of the positions along the top, where they change, in mid-note too. */
    private void positions() {
      Set<Integer> changes = PositionChanges.of(fingering);
      double free = 0;
      for (Slice slice : input.passage().slices()) {
        int at = slice.index();
        for (int note : axis.has(at) ? slice.starting() : List.<Integer>of()) {
          Optional<NoteFinger> place = fingering.notes().get(note);
          double x = axis.x(at) - RADIUS;
          if (place.isPresent() && changes.contains(note)) {
            free = position(place.get(), x, free, at);
          }
          if (place.filter(p -> p.lastBase() != p.base()).isPresent()) {
            double middle = x + (axis.end(at) - axis.x(at)) * HANDED_OVER;
            free = position(place.get().last(), middle, free, at);
          }
        }
      }
    }

    /**
     * Names a position, unless the name would run into the one before it.
     *
     * @return where the next one may begin
     */
    private double position(NoteFinger p, double x, double free, int slice) {
      if (x < free) {
        return free;
      }
      String name = PositionNames.shortOf(instrument.type(), p.base(), p.region() == Region.THUMB);
      pen.text(name, x, 1.15, 1.15, Style.REGULAR, false, Ink.HAND, slice);
      return x + (name.length() + 1) * NAME_LETTER;
    }

    private void spot(Primitive.Spot.Form form, double x, double y, String digit, int at) {
      pen.add(new Primitive.Spot(form, x, y, RADIUS, true, Ink.HAND, at));
      pen.text(digit, x, y + 0.44, 1.2, Style.BOLD, true, Ink.PAPER, at);
    }

    // ---- scale and words ---------------------------------------------------------------------

    private List<Primitive> scale() {
      double perMm = (height - 2 * PAD) / (mostMm - leastMm);
      double step = 20;
      while (step * perMm < FIGURES) {
        step = step == 20 ? 50 : 2 * step;
      }
      for (double mm = Math.ceil(leastMm / step) * step; mm <= mostMm; mm += step) {
        double y = y(mm);
        if (y > 3.1 && y < height - 3.2) {
          ruler.text(Math.round(mm) + " mm", 1, y + 0.4, 1.15, Style.REGULAR, false, Ink.FAINT, -1);
          ruler.line(SCALE - 0.5, y, SCALE, y, 0.12, Ink.FAINT, -1);
        }
      }
      double x = 1.2;
      for (int string = 1; string <= instrument.stringCount(); string++) {
        ruler.add(
            new Primitive.Spot(StringMark.of(string), x, height - 1.9, 0.42, true, Ink.HAND, -1));
        ruler.text(
            instrument.stringName(string).substring(0, 1),
            x,
            height - 0.45,
            1,
            Style.REGULAR,
            true,
            Ink.HAND,
            -1);
        x += 4.6 / Math.max(4, instrument.stringCount());
      }
      return ruler.drawn();
    }

    private List<Said> spoken() {
      List<Said> spoken = new ArrayList<>();
      for (Slice slice : input.passage().slices()) {
        Said said = Said.words("");
        for (Release r : fingering.releases()) {
          said =
              r.slice() == slice.index()
                  ? Releases.said(input.passage(), instrument, fingering, r)
                  : said;
        }
        for (int note : slice.starting()) {
          Said one = spoken(note);
          said = said.args().get(0).equals("") ? one : Said.of("lane.and", said, one);
        }
        for (Shift s : fingering.shifts()) {
          if (s.toSlice() == slice.index()) {
            said =
                Said.of(
                    s.creep()
                        ? "lane.hand.creep"
                        : s.heard() ? "lane.hand.slide" : "lane.hand.shift",
                    said,
                    Math.round(s.travelMm()),
                    Math.round(s.timeMs()));
          }
        }
        spoken.add(said);
      }
      return spoken;
    }

    private Said spoken(int note) {
      SoundingNote n = input.passage().notes().get(note);
      Optional<NoteFinger> place = fingering.notes().get(note);
      if (place.isEmpty()) {
        return Said.of("lane.hand.none", n.pitch());
      }
      NoteFinger p = place.get();
      String string = instrument.stringName(p.string());
      return p.isOpen()
          ? Said.of("lane.hand.open", p.sounding(), string)
          : Said.of(
              p.harmonic() ? "lane.hand.harmonic" : "lane.hand.stopped",
              p.sounding(),
              p.fingers(),
              string,
              PositionNames.of(instrument.type(), p.base(), p.region() == Region.THUMB));
    }

    private Said summary() {
      List<Shift> shifts = fingering.shifts().stream().filter(s -> !s.creep()).toList();
      return shifts.stream()
          .max(Comparator.comparingDouble(Shift::bitsPerSecond))
          .map(
              s ->
                  Said.of(
                      shifts.size() == 1 ? "lane.hand.summary.one" : "lane.hand.summary",
                      shifts.size(),
                      Math.round(s.travelMm()),
                      Math.round(s.timeMs()),
                      Math.round(leastMm),
                      Math.round(mostMm)))
          .orElseGet(() -> Said.of("lane.hand.still"));
    }
  }
}
