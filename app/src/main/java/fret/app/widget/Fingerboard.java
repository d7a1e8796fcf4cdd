package fret.app.widget;

import fret.app.words.Sentences;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.animation.Interpolator;
import javafx.animation.KeyFrame;
import javafx.animation.KeyValue;
import javafx.animation.Timeline;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;
import javafx.util.Duration;

/**
 * The fingerboard to scale in mm, the nut at the left: the hand's frame before a shift (outlined)
 * and after it (filled), the notes with their fingers, the guide note as a ring, and the harmonic
 * nodes of the string reached as small diamonds. When another shift is shown, the frame moves once.
 */
public final class Fingerboard extends Painted {
  private static final double SIDE = 34;
  private static final double TOP = 6;
  private static final double BOTTOM = 24;
  private static final int[] NODES = {4, 5, 7, 9, 12, 16, 19, 24};

  private final DoubleProperty moved = new SimpleDoubleProperty(1);
  private final Timeline move =
      new Timeline(
          new KeyFrame(Duration.ZERO, new KeyValue(moved, 0)),
          new KeyFrame(Duration.millis(700), new KeyValue(moved, 1, Interpolator.EASE_BOTH)));
  private Instrument instrument;
  private Shift shift;
  private NoteFinger left;
  private NoteFinger reached;
  private Optional<Shift.Guide> guide = Optional.empty();
  private OptionalDouble tuned = OptionalDouble.empty();
  private double mostMm = 100;

  public Fingerboard(Look look) {
    super(look);
    moved.addListener(o -> paint());
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setMinHeight(86);
    setPrefHeight(90);
  }

  /**
   * Shows a shift.
   *
   * @param from how the note that is left is fingered; {@code to} the note that is reached
   */
  public void show(
      Instrument on, Shift shown, NoteFinger from, NoteFinger to, Optional<Shift.Guide> heard) {
    boolean other = !shown.equals(shift);
    instrument = on;
    shift = shown;
    left = from;
    reached = to;
    guide = heard;
    tuned = other ? OptionalDouble.empty() : tuned;
    double top = Math.max(frameTop(shown.fromBase()), frameTop(shown.toBase()));
    mostMm = on.mmFromNut(Math.max(top + 1, 8));
    setAccessibleText(
        Sentences.of(
            "fingerboard.shift",
            Math.round(shown.travelMm()),
            Math.round(on.mmFromNut(shown.fromBase())),
            Math.round(on.mmFromNut(shown.toBase()))));
    if (other) {
      move.playFromStart();
    }
    paint();
  }

  /** Whether the shift that is shown reaches a note. */
  public boolean isShowing(int note) {
    return shift != null && shift.toNote() == note;
  }

  /** Marks where the note that is reached stands in the chosen tuning, in mm from the nut. */
  public void showTuned(OptionalDouble mm) {
    tuned = mm;
    paint();
  }

  /** Shows nothing. */
  public void clear() {
    shift = null;
    paint();
  }

  private double frameTop(int base) {
    InstrumentType type = instrument.type();
    return base + (type == InstrumentType.CELLO ? 3 : type == InstrumentType.BASS ? 2 : 5);
  }

  private double x(double mm) {
    return SIDE * letters() + mm / mostMm * (canvas.getWidth() - SIDE * letters() - 14);
  }

  private double y(int string) {
    double room = canvas.getHeight() - TOP - BOTTOM * letters();
    return TOP + room * (string - 0.5) / instrument.stringCount();
  }

  @Override
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (shift == null || canvas.getWidth() < 60) {
      return;
    }
    double bottom = canvas.getHeight() - BOTTOM * letters();
    g.setFill(inks().lane());
    g.fillRect(x(0), TOP, x(mostMm) - x(0), bottom - TOP);
    frame(g, shift.fromBase(), false, bottom);
    double base = shift.fromBase() + (shift.toBase() - shift.fromBase()) * moved.get();
    frame(g, base, true, bottom);
    strings(g);
    nodes(g);
    scale(g, bottom);
    guide.ifPresent(s -> ring(g, s));
    dot(g, left, false);
    dot(g, reached, true);
    tuned.ifPresent(mm -> place(g, mm));
  }

  private void frame(GraphicsContext g, double base, boolean filled, double bottom) {
    double from = x(instrument.mmFromNut(base)) - 5;
    double to = x(instrument.mmFromNut(frameTop(0) + base)) + 5;
    if (filled) {
      g.setFill(inks().handBand());
      g.fillRoundRect(from, TOP, to - from, bottom - TOP, 8, 8);
    } else {
      g.setStroke(inks().hand());
      g.setLineWidth(1.2);
      g.setLineDashes(5, 4);
      g.strokeRoundRect(from, TOP + 1, to - from, bottom - TOP - 2, 8, 8);
      g.setLineDashes((double[]) null);
    }
  }

  private void strings(GraphicsContext g) {
    g.setStroke(inks().ebony());
    g.setLineWidth(4);
    g.strokeLine(x(0), TOP, x(0), canvas.getHeight() - BOTTOM * letters());
    for (int s = 1; s <= instrument.stringCount(); s++) {
      g.setStroke(inks().stave());
      g.setLineWidth(0.7 + 0.5 * s);
      g.strokeLine(x(0), y(s), x(mostMm), y(s));
      g.setFill(inks().faint());
      g.setFont(Font.font("Lato", 12 * letters()));
      g.setTextAlign(TextAlignment.RIGHT);
      g.setTextBaseline(VPos.CENTER);
      g.fillText(instrument.stringName(s), x(0) - 9, y(s));
    }
  }

  private void nodes(GraphicsContext g) {
    g.setFill(inks().stave());
    for (int node : NODES) {
      double x = x(instrument.mmFromNut(node));
      if (node <= instrument.highestSemitone() && x < canvas.getWidth() - 10) {
        double y = y(shift.arrivalString());
        double r = node == 12 ? 5.5 : 3.5;
        g.fillPolygon(new double[] {x - r, x, x + r, x}, new double[] {y, y - r, y, y + r}, 4);
      }
    }
  }

  private void scale(GraphicsContext g, double bottom) {
    g.setFill(inks().faint());
    g.setStroke(inks().rule());
    g.setLineWidth(1);
    g.setFont(Font.font("Lato", 11 * letters()));
    g.setTextBaseline(VPos.TOP);
    double step = mostMm > 400 ? 100 : mostMm > 160 ? 50 : 20;
    for (double mm = 0; mm <= mostMm; mm += step) {
      g.strokeLine(x(mm), bottom, x(mm), bottom + 5);
      g.setTextAlign(mm == 0 ? TextAlignment.LEFT : TextAlignment.CENTER);
      g.fillText(
          mm == 0 ? Sentences.of("fingerboard.nut") : String.valueOf(Math.round(mm)),
          x(mm),
          bottom + 8);
    }
  }

  private void ring(GraphicsContext g, Shift.Guide s) {
    double x = x(instrument.mmFromNut(s.semitone()));
    double y = y(s.string());
    g.setFill(inks().paper());
    g.fillOval(x - 9, y - 9, 18, 18);
    g.setStroke(inks().hand());
    g.setLineWidth(2);
    g.strokeOval(x - 9, y - 9, 18, 18);
    digit(g, s.finger().digit(), x, y, false);
  }

  private void dot(GraphicsContext g, NoteFinger n, boolean after) {
    double x = x(n.mmFromNut());
    double y = y(n.string());
    g.setFill(after ? inks().hand() : inks().ebony());
    g.fillOval(x - 9, y - 9, 18, 18);
    digit(g, n.digit(), x, y, true);
  }

  /** A line over the string where the finger stands in tune; the dot stands at its equal place. */
  private void place(GraphicsContext g, double mm) {
    double y = y(reached.string());
    g.setStroke(inks().bow());
    g.setLineWidth(2);
    g.strokeLine(x(mm), y - 13, x(mm), y + 13);
  }

  private void digit(GraphicsContext g, String digit, double x, double y, boolean onInk) {
    g.setFill(onInk ? inks().paper() : inks().hand());
    g.setFont(Font.font("Lato", FontWeight.BOLD, 12 * letters()));
    g.setTextAlign(TextAlignment.CENTER);
    g.setTextBaseline(VPos.CENTER);
    g.fillText(digit, x, y);
  }
}
