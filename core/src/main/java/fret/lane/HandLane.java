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
import fret.lane.LanePen.Place;
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
    private final List<Named> named = new ArrayList<>();
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
      labels();
      names();
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

    /** Size of the name of a string. */
    private static final double NAME = 1.15;

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
      double end = end(s);
      double start = end - slope(end - before(s));
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
    }

    /** How far each shift goes: under its slope, which no mark covers, or over it. */
    private void labels() {
      for (Shift s : fingering.shifts()) {
        if (!s.creep()
            && axis.has(s.toSlice())
            && (s.isOnHeldNote() || axis.has(s.toSlice() - 1))) {
          label(s);
        }
      }
    }

    private void label(Shift s) {
      double end = end(s);
      double start = end - slope(end - before(s));
      double y1 = y(instrument.mmFromNut(s.fromBase()));
      double y2 = y(instrument.mmFromNut(s.toBase()));
      double under = Math.min(height - 0.35, Math.max(y1, y2) + 1.75);
      double over = Math.max(2.6, Math.min(y1, y2) - 0.8);
      double middle = (start + end) / 2;
      // The ring of an open string would stand in the label's place.
      double first = s.moveSlice() == s.fromSlice() ? middle : end + 1.5;
      List<Place> places = new ArrayList<>();
      for (double x : new double[] {first, middle, end + 1.5, start - 1.5}) {
        for (double y : new double[] {under, height - 0.35, over, over - 1.5}) {
          places.add(new Place(x, y, true));
        }
      }
      String label = Math.round(s.travelMm()) + " mm";
      pen.text(label, 1.25, Style.BOLD, Ink.HAND, s.toSlice(), height, places);
    }

    private double before(Shift s) {
      return s.isOnHeldNote() ? axis.start(s.toSlice()) : axis.start(s.toSlice() - 1);
    }

    private double end(Shift s) {
      double start = axis.start(s.toSlice());
      return s.isOnHeldNote() ? start + (axis.end(s.toSlice()) - start) * HANDED_OVER : start;
    }

    // ---- notes -------------------------------------------------------------------------------

    private void marks() {
      int string = 0;
      for (Slice slice : input.passage().slices()) {
        double[] heights = heights(slice);
        double[] aside = aside(slice, heights);
        for (int i = 0; i < heights.length; i++) {
          Optional<NoteFinger> place = fingering.notes().get(slice.starting().get(i));
          if (place.isPresent()) {
            if (axis.has(slice.index())) {
              boolean other = place.get().string() != string;
              mark(slice, place.get(), other, heights[i], aside[i]);
            }
            string = place.get().string();
          }
        }
      }
    }

    /** Where each mark of a moment stands; open strings that sound together over each other. */
    private double[] heights(Slice slice) {
      double[] y = new double[slice.starting().size()];
      int open = 0;
      for (int i = 0; i < y.length; i++) {
        Optional<NoteFinger> place = fingering.notes().get(slice.starting().get(i));
        if (place.filter(NoteFinger::isOpen).isPresent()) {
          y[i] = openY() - 2 * RADIUS * open++;
        } else {
          y[i] = place.map(p -> y(p.mmFromNut())).orElse(Double.NaN);
        }
      }
      return y;
    }

    private double openY() {
      return height - RADIUS - 0.35;
    }

    /** Where marks stand aside that would cover another one: as near as can be, on either side. */
    private static final double[] ASIDE = {
      0, 2 * RADIUS, -2 * RADIUS, 4 * RADIUS, -4 * RADIUS, 6 * RADIUS
    };

    /** Where there is no room beside either: over or under their height. */
    private static final double[] RAISED = {0, -2 * RADIUS, 2 * RADIUS, -4 * RADIUS, 4 * RADIUS};

    /**
     * How far each mark of a moment stands aside, so that none covers another one of its chord, of
     * the moment before or of the next one.
     */
    private double[] aside(Slice slice, double[] heights) {
      double[] aside = new double[heights.length];
      if (!axis.has(slice.index())) {
        return aside;
      }
      double x = axis.x(slice.index());
      for (int i = 0; i < aside.length; i++) {
        settle(slice, x, heights, aside, i);
      }
      return aside;
    }

    /** Moves one mark to the nearest place where it covers none. */
    private void settle(Slice slice, double x, double[] heights, double[] aside, int which) {
      double middle = heights[which];
      for (double raised : RAISED) {
        for (double candidate : ASIDE) {
          aside[which] = candidate;
          heights[which] = middle + raised;
          boolean inside = heights[which] >= RADIUS && heights[which] <= height - RADIUS;
          if (inside && !isCovered(slice, x + candidate, heights, aside, which)) {
            return;
          }
        }
      }
      aside[which] = 0;
      heights[which] = middle;
    }

    private boolean isCovered(Slice slice, double x, double[] heights, double[] aside, int which) {
      double y = heights[which];
      for (int i = 0; i < which; i++) {
        if (isNear(axis.x(slice.index()) + aside[i] - x, heights[i] - y)) {
          return true;
        }
      }
      return pen.has(x, y, 2 * RADIUS) || aside[which] != 0 && isOverNext(slice, x, y);
    }

    /** Whether the next moment has a mark there before it stands aside itself. */
    private boolean isOverNext(Slice slice, double x, double y) {
      int next = slice.index() + 1;
      if (next >= input.passage().slices().size() || !axis.has(next)) {
        return false;
      }
      for (double height : heights(input.passage().slices().get(next))) {
        if (isNear(axis.x(next) - x, height - y)) {
          return true;
        }
      }
      return false;
    }

    private static boolean isNear(double x, double y) {
      return Math.abs(x) < 2 * RADIUS - 0.01 && Math.abs(y) < 2 * RADIUS - 0.01;
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
        double y = p.isOpen() ? openY() : y(p.mmFromNut());
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
        double y = (p.isOpen() ? openY() : y(p.mmFromNut())) + under;
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

    private void mark(Slice slice, NoteFinger p, boolean other, double y, double aside) {
      int at = slice.index();
      double x = axis.x(at) + aside;
      Primitive.Spot.Form form = StringMark.of(p.string());
      if (p.isOpen()) {
        pen.add(new Primitive.Spot(form, x, y, RADIUS * 0.8, false, Ink.HAND, at));
      } else {
        spot(form, x, y, p.finger().digit(), at);
        p.replaced()
            .ifPresent(
                r -> spot(form, x + (axis.end(at) - x) * HANDED_OVER, y, r.by().digit(), at));
      }
      if (other) {
        named.add(new Named(slice, p, x, y));
      }
    }

    /** A mark beside which its string is named. */
    private record Named(Slice slice, NoteFinger place, double x, double y) {}

    /** The strings where they change: beside the mark, over it or under it, where there is room. */
    private void names() {
      for (Named n : named) {
        String name = instrument.stringName(n.place().string());
        double right = n.x() + RADIUS * 1.25;
        double left = n.x() - RADIUS * 1.25 - pen.width(name, NAME, Style.REGULAR);
        List<Place> places =
            List.of(
                new Place(right, n.y() - RADIUS * 0.55, false),
                new Place(right, n.y() + RADIUS * 1.5, false),
                new Place(n.x(), n.y() - RADIUS * 1.35, true),
                new Place(left, n.y() - RADIUS * 0.55, false),
                new Place(n.x(), n.y() + RADIUS * 2.5, true),
                new Place(left, n.y() + RADIUS * 1.5, false));
        pen.text(name, NAME, Style.REGULAR, Ink.HAND, n.slice().index(), height, places);
      }
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
     * Names a position, unless the name would run into the one before it or a mark.
     *
     * @return where the next one may begin
     */
    private double position(NoteFinger p, double x, double free, int slice) {
      if (x < free) {
        return free;
      }
      String name = PositionNames.shortOf(instrument.type(), p.base(), p.region() == Region.THUMB);
      List<Place> top = List.of(new Place(x, 1.15, false));
      boolean shown = pen.text(name, NAME, Style.REGULAR, Ink.HAND, slice, height, top);
      return shown ? x + pen.width(name, NAME, Style.REGULAR) + NAME_LETTER : free;
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
