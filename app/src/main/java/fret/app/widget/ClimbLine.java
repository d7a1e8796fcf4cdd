package fret.app.widget;

import fret.app.words.Days;
import fret.engraving.Primitive.Text.Style;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;

/**
 * A passage's climb: tempo over days, what was played clean and what is planned, up to its target.
 */
public final class ClimbLine extends Painted {
  /** A tempo on a day. */
  public record Point(LocalDate day, double tempo) {}

  /**
   * When it will be at its target.
   *
   * @param expected empty where that is not before the date
   */
  public record Band(LocalDate earliest, Optional<LocalDate> expected, LocalDate latest) {}

  /**
   * What is drawn.
   *
   * @param done played clean, in order of days
   * @param planned from today on
   * @param start tempo at the foot of the picture; {@code target} at its top
   */
  public record Climb(
      List<Point> done,
      List<Point> planned,
      double start,
      double target,
      LocalDate today,
      LocalDate ready,
      Optional<Band> band) {
    public Climb {
      done = List.copyOf(done);
      planned = List.copyOf(planned);
      Objects.requireNonNull(ready);
    }
  }

  private static final double PAD = 4;

  private final boolean labelled;
  private Climb climb;

  /**
   * @param labelled with figures and days, where there is room for them
   */
  public ClimbLine(Look look, boolean labelled) {
    super(look);
    this.labelled = labelled;
    setMinHeight(30);
    setPrefHeight(labelled ? 150 : 44);
  }

  public void show(Climb shown) {
    climb = shown;
    paint();
  }

  private LocalDate first() {
    return climb.done().isEmpty() ? climb.today() : climb.done().get(0).day();
  }

  private double x(LocalDate day) {
    LocalDate last =
        climb.band().map(Band::latest).filter(climb.ready()::isBefore).orElse(climb.ready());
    double days = Math.max(1, ChronoUnit.DAYS.between(first(), last));
    double left = labelled ? 44 * letters() : PAD;
    return left
        + ChronoUnit.DAYS.between(first(), day) / days * (canvas.getWidth() - left - PAD - 4);
  }

  private double y(double tempo) {
    double bottom = canvas.getHeight() - (labelled ? 24 * letters() : PAD);
    double top = labelled ? 14 : PAD + 2;
    double share = (tempo - climb.start()) / Math.max(1, climb.target() - climb.start());
    return bottom - Math.max(-0.05, Math.min(1.05, share)) * (bottom - top);
  }

  @Override
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    Inks inks = inks();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (climb == null || canvas.getWidth() <= 0) {
      return;
    }
    g.setStroke(inks.time());
    g.setLineWidth(1);
    g.setLineDashes(2, 3);
    g.strokeLine(x(first()), y(climb.target()), canvas.getWidth() - PAD, y(climb.target()));
    g.setLineDashes((double[]) null);
    g.setStroke(inks.rule());
    g.strokeLine(x(climb.today()), PAD, x(climb.today()), canvas.getHeight() - PAD);
    climb.band().ifPresent(b -> band(g, inks, b));
    line(g, climb.planned(), inks, true);
    line(g, climb.done(), inks, false);
    if (labelled) {
      labels(g, inks);
    }
  }

  /** From the earliest day to the latest at the height of the target, the expected one marked. */
  private void band(GraphicsContext g, Inks inks, Band b) {
    double y = y(climb.target());
    g.setFill(inks.selection());
    g.fillRect(x(b.earliest()), y - 4, Math.max(3, x(b.latest()) - x(b.earliest())), 8);
    g.setStroke(inks.ebony());
    g.setLineWidth(2);
    b.expected().ifPresent(d -> g.strokeLine(x(d), y - 6, x(d), y + 6));
    g.setStroke(inks.time());
    g.setLineWidth(1);
    g.strokeLine(x(climb.ready()), y - 2, x(climb.ready()), canvas.getHeight() - PAD);
  }

  private void line(GraphicsContext g, List<Point> points, Inks inks, boolean planned) {
    g.setStroke(planned ? inks.time() : inks.ebony());
    g.setFill(planned ? inks.time() : inks.ebony());
    g.setLineWidth(planned ? 1.5 : 2);
    if (planned) {
      g.setLineDashes(5, 4);
    }
    for (int i = 1; i < points.size(); i++) {
      g.strokeLine(
          x(points.get(i - 1).day()),
          y(points.get(i - 1).tempo()),
          x(points.get(i).day()),
          y(points.get(i).tempo()));
    }
    g.setLineDashes((double[]) null);
    for (Point p : planned ? List.<Point>of() : points) {
      g.fillOval(x(p.day()) - 2.5, y(p.tempo()) - 2.5, 5, 5);
    }
  }

  private void labels(GraphicsContext g, Inks inks) {
    g.setFont(MusicFont.textFont(Style.REGULAR, 12 * letters()));
    g.setTextBaseline(VPos.CENTER);
    g.setFill(inks.time());
    g.setTextAlign(TextAlignment.RIGHT);
    g.fillText(String.valueOf(Math.round(climb.target())), 38, y(climb.target()));
    g.setFill(inks.faint());
    g.fillText(String.valueOf(Math.round(climb.start())), 38, y(climb.start()));
    double foot = canvas.getHeight() - 9;
    g.setTextAlign(TextAlignment.LEFT);
    g.fillText(Days.onAxis(first()), x(first()), foot);
    g.setTextAlign(TextAlignment.CENTER);
    double today = x(climb.today());
    if (today - x(first()) > 60 && x(climb.ready()) - today > 70) {
      g.fillText(Days.of(climb.today(), climb.today()), today, foot);
    }
    g.setTextAlign(TextAlignment.RIGHT);
    g.fillText("ready " + Days.onAxis(climb.ready()), canvas.getWidth() - PAD, foot);
  }
}
