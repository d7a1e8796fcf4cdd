package fret.app.widget;

import fret.engraving.Strip;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.player.Region;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;

/**
 * The hand lane: height is mm from the nut. The hand's frame is a band, each stopped note a dot
 * with its finger, a shift the slope between two bands with its mm; an open string leaves the band
 * hollow.
 */
final class HandLane {
  private static final double PAD = 18;
  private static final double FOLDED = 26;
  private static final double LABEL = 58;

  /** Least distance of two figures on the axis. */
  private static final double LABEL_PX = 15;

  /** Where in a note its new finger is drawn. */
  private static final double HANDED_OVER = 0.6;

  private double height;
  private Optional<Fingering> fingering = Optional.empty();
  private Instrument instrument;
  private double mostMm = 100;
  private double leastMm;
  private boolean folded;
  private Inks inks = Inks.LIGHT;

  HandLane(double height) {
    this.height = height;
  }

  /** Gives the lane another height, in px. */
  void setHeight(double other) {
    height = other;
  }

  double height() {
    return fingering.isEmpty() ? 0 : folded ? FOLDED : height;
  }

  /** The lane in one line. */
  String summary() {
    List<Shift> shifts = fingering.map(Fingering::shifts).orElse(List.of());
    return shifts.stream()
        .max(Comparator.comparingDouble(Shift::bitsPerSecond))
        .map(
            s ->
                String.format(
                    Locale.ROOT,
                    "Hand: %d %s, the hardest %.0f mm in %.0f ms; %.0f to %.0f mm from the nut",
                    shifts.size(),
                    shifts.size() == 1 ? "shift" : "shifts",
                    s.travelMm(),
                    s.timeMs(),
                    leastMm,
                    mostMm))
        .orElse("Hand: it stays where it is");
  }

  void show(Optional<Fingering> shown, Instrument on) {
    fingering = height > 0 ? shown : Optional.empty();
    instrument = on;
    mostMm = 0;
    leastMm = Double.MAX_VALUE;
    fingering.ifPresent(
        f ->
            f.notes().stream()
                .flatMap(Optional::stream)
                .filter(n -> !n.isOpen())
                .forEach(
                    n -> {
                      mostMm =
                          Math.max(
                              mostMm, Math.max(n.mmFromNut(), instrument.mmFromNut(frameTop(n))));
                      leastMm =
                          Math.min(
                              leastMm,
                              Math.min(n.mmFromNut(), instrument.mmFromNut(frameBottom(n))));
                    }));
    if (mostMm == 0) {
      mostMm = 100;
      leastMm = 0;
    }
    double room = Math.max(10, (mostMm - leastMm) * 0.12);
    mostMm += room;
    leastMm = Math.max(0, leastMm - room);
  }

  private static int frameBottom(NoteFinger n) {
    return n.region() == Region.THUMB ? n.base() - 2 : n.base();
  }

  private int frameTop(NoteFinger n) {
    if (n.region() == Region.THUMB) {
      return n.base() + 3;
    }
    InstrumentType type = instrument.type();
    return n.base() + (type == InstrumentType.CELLO ? 3 : type == InstrumentType.BASS ? 2 : 5);
  }

  void fold() {
    folded = !folded;
  }

  void paint(
      GraphicsContext g,
      Inks palette,
      ResolvedPassage passage,
      Strip strip,
      double top,
      double width,
      double shiftX,
      double space,
      int selected) {
    if (fingering.isEmpty()) {
      return;
    }
    inks = palette;
    g.setFill(inks.lane());
    g.fillRect(0, top, width, height());
    g.setStroke(inks.rule());
    g.setLineWidth(1);
    g.strokeLine(0, top + 0.5, width, top + 0.5);
    if (folded) {
      g.setFill(inks.ebony());
      g.setFont(Font.font("Lato", 13));
      g.setTextAlign(TextAlignment.LEFT);
      g.setTextBaseline(VPos.CENTER);
      g.fillText(summary(), 12, top + FOLDED / 2);
      return;
    }
    bands(g, passage, strip, top, shiftX, space, width);
    slopes(g, strip, top, shiftX, space, width);
    dots(g, passage, strip, top, shiftX, space, selected, width);
    axis(g, top);
  }

  private double y(double mm, double top) {
    // Up the string is up on the screen: the nut lies at the bottom.
    return top + height - PAD - (mm - leastMm) / (mostMm - leastMm) * (height - 2 * PAD);
  }

  private void axis(GraphicsContext g, double top) {
    g.setFill(inks.lane());
    g.fillRect(0, top + 1, LABEL, height - 1);
    g.setFill(inks.hand());
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.CENTER);
    g.setFont(Font.font("Lato", FontWeight.BOLD, 13));
    g.fillText("Hand", 10, top + 14);
    g.setFont(Font.font("Lato", 11));
    g.setFill(inks.faint());
    double pxPerMm = (height - 2 * PAD) / (mostMm - leastMm);
    double step = 20;
    while (step * pxPerMm < LABEL_PX) {
      step = step == 20 ? 50 : 2 * step;
    }
    for (double mm = Math.ceil(leastMm / step) * step; mm <= mostMm; mm += step) {
      double y = y(mm, top);
      if (y > top + 26) {
        g.fillText(Math.round(mm) + " mm", 10, y);
        g.setStroke(inks.rule());
        g.strokeLine(LABEL, y, LABEL + 4, y);
      }
    }
  }

  private static double x(Strip strip, int slice, double shiftX, double space) {
    return strip.sliceX().get(slice) * space + shiftX;
  }

  /** Where the next moment begins. */
  private static double end(Strip strip, int slice, double shiftX, double space) {
    boolean last = slice + 1 >= strip.sliceX().size();
    return last
        ? x(strip, slice, shiftX, space) + 3 * space
        : x(strip, slice + 1, shiftX, space) - space * 0.9;
  }

  private void bands(
      GraphicsContext g,
      ResolvedPassage passage,
      Strip strip,
      double top,
      double shiftX,
      double space,
      double width) {
    for (Slice slice : passage.slices()) {
      Optional<NoteFinger> found =
          slice.starting().stream()
              .map(n -> fingering.get().notes().get(n))
              .flatMap(Optional::stream)
              .filter(n -> n.base() > 0)
              .reduce((a, b) -> a.isOpen() ? b : a);
      if (found.isEmpty()) {
        continue;
      }
      NoteFinger n = found.get();
      double left = x(strip, slice.index(), shiftX, space) - space * 0.9;
      double right = end(strip, slice.index(), shiftX, space);
      if (right < LABEL || left > width) {
        continue;
      }
      boolean moves =
          fingering.get().shifts().stream()
              .anyMatch(s -> !s.isOnHeldNote() && s.toSlice() - 1 == slice.index());
      right -= moves ? slope(right - left, space) : 0;
      if (n.replaced().isPresent()) {
        double middle = left + (right - left) * HANDED_OVER;
        band(g, n, left, middle - slope(right - left, space), top);
        band(g, n.last(), middle, right, top);
      } else {
        band(g, n, left, right, top);
      }
    }
  }

  private void band(GraphicsContext g, NoteFinger n, double left, double right, double top) {
    double upper = y(instrument.mmFromNut(frameTop(n)), top);
    double lower = y(instrument.mmFromNut(frameBottom(n)), top);
    if (n.isOpen()) {
      g.setStroke(inks.handBand());
      g.setLineWidth(1.5);
      g.strokeLine(left, upper, right, upper);
      g.strokeLine(left, lower, right, lower);
    } else {
      g.setFill(inks.handBand());
      g.fillRect(left, upper, right - left, lower - upper);
    }
  }

  /** Width of the slope of a shift within {@code width} px. */
  private static double slope(double width, double space) {
    return Math.min(width * 0.45, 3 * space);
  }

  private void slopes(
      GraphicsContext g, Strip strip, double top, double shiftX, double space, double width) {
    g.setFont(Font.font("Lato", FontWeight.BOLD, 11));
    g.setTextAlign(TextAlignment.CENTER);
    g.setTextBaseline(VPos.BOTTOM);
    for (Shift s : fingering.get().shifts()) {
      double end = x(strip, s.toSlice(), shiftX, space) - space * 0.9;
      double before = x(strip, s.toSlice() - 1, shiftX, space) - space * 0.9;
      if (s.isOnHeldNote()) {
        before = end;
        end = before + (end(strip, s.toSlice(), shiftX, space) - before) * HANDED_OVER;
      }
      double start = end - slope(end - before, space);
      if (end < LABEL || start > width) {
        continue;
      }
      double y1 = y(instrument.mmFromNut(s.fromBase()), top);
      double y2 = y(instrument.mmFromNut(s.toBase()), top);
      g.setStroke(inks.hand());
      g.setLineWidth(2.5);
      g.strokeLine(start, y1, end, y2);
      g.setFill(inks.hand());
      // Below the lower frame: above it the label would meet the dots of the higher one.
      double labelY = Math.min(top + height - 4, Math.max(y1, y2) + 18);
      // The ring of an open string would stand in the label's place.
      double labelX = s.moveSlice() == s.fromSlice() ? (start + end) / 2 : end + LABEL / 4;
      g.fillText(Math.round(s.travelMm()) + " mm", labelX, labelY);
    }
  }

  private void dot(GraphicsContext g, double x, double y, double radius, String digit) {
    Paint fill = g.getFill();
    g.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
    g.setFill(inks.paper());
    g.fillText(digit, x, y + 0.5);
    g.setFill(fill);
  }

  private void dots(
      GraphicsContext g,
      ResolvedPassage passage,
      Strip strip,
      double top,
      double shiftX,
      double space,
      int selected,
      double width) {
    g.setTextAlign(TextAlignment.CENTER);
    g.setTextBaseline(VPos.CENTER);
    double radius = Math.min(8, space * 0.8);
    g.setFont(Font.font("Lato", FontWeight.BOLD, radius * 1.45));
    for (Slice slice : passage.slices()) {
      double x = x(strip, slice.index(), shiftX, space);
      if (x < LABEL - 10 || x > width + 20) {
        continue;
      }
      for (int note : slice.starting()) {
        Optional<NoteFinger> place = fingering.get().notes().get(note);
        if (place.isEmpty()) {
          continue;
        }
        if (place.get().isOpen()) {
          double y = top + height - radius - 4;
          g.setStroke(inks.hand());
          g.setLineWidth(1.5);
          g.strokeOval(x - radius * 0.8, y - radius * 0.8, radius * 1.6, radius * 1.6);
        } else {
          double y = y(place.get().mmFromNut(), top);
          g.setFill(slice.index() == selected ? inks.ebony() : inks.hand());
          dot(g, x, y, radius, place.get().finger().digit());
          place
              .get()
              .replaced()
              .ifPresent(
                  r -> {
                    double end = end(strip, slice.index(), shiftX, space);
                    double later = x + (end - x) * HANDED_OVER;
                    dot(g, later, y, radius, r.by().digit());
                  });
        }
      }
    }
  }
}
