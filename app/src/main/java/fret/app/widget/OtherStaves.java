package fret.app.widget;

import fret.engraving.Primitive;
import fret.engraving.Strip;
import java.util.List;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.geometry.VPos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;

/** The other parts of a score as small staves under a strip, moving along with it. */
public final class OtherStaves extends Region {
  /** Their size against the strip's. */
  public static final double SCALE = 0.6;

  private static final double GAP = 10;
  private static final double NAME_PX = 11;

  /** Beside the number of the first bar. */
  private static final double NAME_LEFT = 34;

  /** One of them. */
  public record Stave(String name, Strip strip) {}

  private final Look look;
  private final Canvas canvas = new Canvas();
  private final InvalidationListener repaint = o -> paint();
  private List<Stave> staves = List.of();
  private double shift;
  private double space = 9;

  public OtherStaves(Look look) {
    this.look = look;
    getChildren().add(canvas);
    look.inksProperty().addListener(new WeakInvalidationListener(repaint));
    setMinHeight(0);
  }

  public void show(List<Stave> wanted) {
    staves = List.copyOf(wanted);
    setAccessibleText(
        staves.stream().map(Stave::name).collect(java.util.stream.Collectors.joining(", ")));
    requestLayout();
    paint();
  }

  /** The strip over them was painted. */
  public void follow(StripView.Painted main) {
    boolean larger = main.space() != space;
    shift = main.shift();
    space = main.space();
    if (larger) {
      requestLayout();
    }
    paint();
  }

  private double height(Stave s) {
    return (s.strip().bottom() - s.strip().top()) * space * SCALE + GAP;
  }

  @Override
  protected double computePrefHeight(double width) {
    return staves.stream().mapToDouble(this::height).sum();
  }

  @Override
  protected void layoutChildren() {
    canvas.setWidth(getWidth());
    canvas.setHeight(getHeight());
    paint();
  }

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    Inks inks = look.inksProperty().get();
    g.setFill(inks.paper());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    double unit = space * SCALE;
    double top = 0;
    for (Stave s : staves) {
      g.save();
      g.translate(shift, top + GAP / 2 - s.strip().top() * unit);
      double left = -shift / unit;
      new Brush(g, look.font(), inks, unit, unit)
          .paint(s.strip().primitives(), left, left + canvas.getWidth() / unit);
      g.restore();
      g.setFill(inks.of(Primitive.Ink.FAINT));
      g.setFont(
          MusicFont.textFont(Primitive.Text.Style.REGULAR, NAME_PX * look.lettersProperty().get()));
      g.setTextAlign(TextAlignment.LEFT);
      g.setTextBaseline(VPos.TOP);
      g.fillText(s.name(), NAME_LEFT, top);
      top += height(s);
    }
  }
}
