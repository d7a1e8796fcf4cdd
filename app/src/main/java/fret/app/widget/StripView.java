package fret.app.widget;

import fret.engraving.FingerText;
import fret.engraving.Primitive;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.engraving.StripStyle;
import fret.fingering.Fingering;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The strip: the engraved stave and, where asked, the hand lane under it on the same axis. Only
 * what is visible is painted.
 */
public final class StripView extends Region {
  private static final double MARGIN = 12;
  private static final double HEIGHT_STEP = 40;

  /** Below this staff space a strip stands in a card, where room is short. */
  private static final double SMALL = 7;

  private final Canvas canvas = new Canvas();
  private final MusicFont font;
  private final HandLane lane;
  private Inks inks;
  private Strip strip;
  private ResolvedPassage passage;
  private double space = 9;
  private double scrollX;
  private int selectedSlice = -1;
  private int rangeFrom = -1;
  private int rangeTo = -1;
  private List<Stretch> stretches = List.of();
  private IntConsumer onPick = s -> {};
  private IntConsumer onExtend = s -> {};
  private Consumer<Fraction> onPlace = o -> {};
  private boolean writing;
  private double placeX = Double.NaN;
  private double caretX;

  /**
   * Something that is asked of a stretch of notes, shown as a line under the stave.
   *
   * @param from moment at which it starts; {@code to} the last one
   */
  public record Stretch(int from, int to, String label) {}

  /**
   * @param laneHeight height of the hand lane in px; 0 for none
   */
  public StripView(Look look, double laneHeight) {
    this.font = look.font();
    this.inks = look.inksProperty().get();
    this.lane = new HandLane(laneHeight);
    look.inksProperty()
        .addListener(
            (o, before, now) -> {
              inks = now;
              paint();
            });
    getChildren().add(canvas);
    getStyleClass().add("strip");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.TEXT);
    canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
    addEventHandler(ScrollEvent.SCROLL, this::scroll);
    focusedProperty().addListener(o -> paint());
  }

  /** Called with the moment that was clicked. */
  public void setOnPick(IntConsumer handler) {
    onPick = handler;
  }

  /** Called with the moment that was clicked with the shift key down. */
  public void setOnExtend(IntConsumer handler) {
    onExtend = handler;
  }

  /** Shows which moments are selected together; the same moment twice for none but that. */
  public void selectRange(int from, int to) {
    rangeFrom = from;
    rangeTo = to;
    paint();
  }

  /** Shows what is asked of stretches of notes. */
  public void showStretches(List<Stretch> asked) {
    stretches = List.copyOf(asked);
    paint();
  }

  /** Called with the onset that was clicked while writing. */
  public void setOnPlace(Consumer<Fraction> handler) {
    onPlace = handler;
  }

  /** Shows a passage; the fingering may be missing, as in drills. */
  public void show(
      ResolvedPassage shown,
      List<FingerText> digits,
      Optional<Fingering> fingering,
      Instrument instrument) {
    show(shown, digits, fingering, instrument, Map.of());
  }

  /**
   * Shows a passage with marks over the events during which the hand moves.
   *
   * @param shiftMarks moments with whether the hand moves up the string
   */
  public void show(
      ResolvedPassage shown,
      List<FingerText> digits,
      Optional<Fingering> fingering,
      Instrument instrument,
      Map<Integer, Boolean> shiftMarks) {
    StripStyle style = writing ? StripStyle.WRITING : StripStyle.PLAIN.withShiftMarks(shiftMarks);
    strip = StripEngraver.engrave(shown, digits, font, style);
    passage = shown;
    lane.show(fingering, instrument);
    scrollX = Math.max(0, Math.min(scrollX, maxScroll()));
    requestLayout();
    paint();
  }

  /** Marks a moment and scrolls it into view; -1 for none. */
  public void select(int slice) {
    selectedSlice = slice;
    if (strip != null && slice >= 0 && slice < strip.sliceX().size()) {
      reveal(strip.sliceX().get(slice) * space + MARGIN, 120);
    }
    paint();
  }

  /**
   * Scrolls a place into view. A strip that has no width yet, in an area that was not shown, waits
   * until it has one.
   *
   * @param x from the start of the strip, in px
   * @param room px that stay free on its right
   */
  private void reveal(double x, double room) {
    if (getWidth() <= 0) {
      return;
    }
    if (x - scrollX < 90) {
      scrollX = Math.max(0, x - 200);
    } else if (x - scrollX > getWidth() - room) {
      scrollX = Math.max(0, Math.min(maxScroll(), x - getWidth() / 2));
    }
  }

  /**
   * Shows where writing goes on, and scrolls it into view.
   *
   * @param onset of the current note; empty at a bar's start
   * @param bar place of the bar
   */
  public void showPlace(Optional<Fraction> onset, int bar) {
    if (strip == null || bar >= strip.bars().size()) {
      placeX = Double.NaN;
    } else {
      Strip.BarSpan span = strip.bars().get(bar);
      placeX = onset.map(o -> strip.onsetX().get(o)).orElse(Double.NaN);
      caretX =
          Double.isNaN(placeX)
              ? Math.max(span.left() + 0.4, firstX(span).orElse(span.right() - 3) - 0.7)
              : placeX + 1.75;
      reveal(caretX * space + MARGIN, 160);
    }
    writing = true;
    paint();
  }

  private Optional<Double> firstX(Strip.BarSpan span) {
    return strip.onsetX().values().stream()
        .filter(x -> x >= span.left() && x <= span.right())
        .findFirst();
  }

  /** Writing begins: every bar is shown. */
  public void startPlace() {
    writing = true;
  }

  /** Writing is over. */
  public void hidePlace() {
    writing = false;
    paint();
  }

  /** Larger or smaller notes; the selected note stays in place. */
  public void zoom(double factor) {
    double before = anchor();
    // Half px steps, so that glyphs drawn before at a size are used again.
    space = Math.max(5, Math.min(22, Math.rint(space * factor * 2) / 2));
    scrollX = Math.max(0, Math.min(maxScroll(), scrollX + anchor() - before));
    requestLayout();
    paint();
  }

  /** Gives the hand lane another height, in px. */
  public void setLaneHeight(double height) {
    lane.setHeight(height);
    requestLayout();
    paint();
  }

  /** Folds the hand lane to one line of summary, or opens it. */
  public void foldLane() {
    lane.fold();
    requestLayout();
    paint();
  }

  private double anchor() {
    boolean has = strip != null && selectedSlice >= 0 && selectedSlice < strip.sliceX().size();
    return has ? strip.sliceX().get(selectedSlice) * space : 0;
  }

  private double maxScroll() {
    return strip == null ? 0 : Math.max(0, strip.width() * space + 2 * MARGIN - getWidth());
  }

  private double staveTop() {
    return MARGIN - strip.top() * space;
  }

  /** In coarse steps, so that what stands below seldom moves while zooming. */
  private double staveHeight() {
    double needed = strip == null ? 160 : (strip.bottom() - strip.top()) * space + 2 * MARGIN;
    double step = space < SMALL ? 1 : HEIGHT_STEP;
    return Math.ceil(needed / step) * step;
  }

  @Override
  protected double computePrefHeight(double width) {
    return staveHeight() + lane.height();
  }

  @Override
  protected double computeMinHeight(double width) {
    return computePrefHeight(width);
  }

  @Override
  protected double computePrefWidth(double height) {
    return 600;
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      boolean first = canvas.getWidth() == 0;
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      if (first) {
        select(selectedSlice);
      } else {
        paint();
      }
    }
  }

  private void press(MouseEvent e) {
    requestFocus();
    if (strip != null && (writing || !strip.sliceX().isEmpty())) {
      double x = (e.getX() + scrollX - MARGIN) / space;
      if (writing) {
        onPlace.accept(strip.onsetAt(x));
      } else {
        (e.isShiftDown() ? onExtend : onPick).accept(strip.sliceAt(x));
      }
    }
  }

  private void scroll(ScrollEvent e) {
    if (e.isShortcutDown()) {
      zoom(e.getDeltaY() > 0 ? 1.1 : 1 / 1.1);
    } else {
      double delta = e.getDeltaX() != 0 ? e.getDeltaX() : e.getDeltaY();
      scrollX = Math.max(0, Math.min(maxScroll(), scrollX - delta));
      paint();
    }
    e.consume();
  }

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.setFill(inks.paper());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (strip == null) {
      return;
    }
    double left = (scrollX - MARGIN) / space - 2;
    double right = (scrollX + canvas.getWidth() - MARGIN) / space + 2;
    if (writing) {
      paintPlace(g);
    } else {
      paintSelection(g);
    }
    g.save();
    g.translate(MARGIN - scrollX, staveTop());
    for (Primitive p : strip.primitives()) {
      if (p.right() >= left && p.left() <= right) {
        paint(g, p);
      }
    }
    g.restore();
    stretches.forEach(w -> paintStretch(g, w));
    lane.paint(
        g,
        inks,
        passage,
        strip,
        staveHeight(),
        canvas.getWidth(),
        MARGIN - scrollX,
        space,
        selectedSlice);
    if (isFocused()) {
      g.setStroke(inks.time());
      g.setLineWidth(2);
      g.strokeRect(1, 1, canvas.getWidth() - 2, canvas.getHeight() - 2);
    }
  }

  private void paintPlace(GraphicsContext g) {
    if (!Double.isNaN(placeX)) {
      double x = (placeX + 0.59) * space + MARGIN - scrollX;
      g.setFill(inks.selection());
      g.fillRoundRect(x - space * 1.1, 4, space * 2.2, staveHeight() - 8, 8, 8);
    }
    double x = caretX * space + MARGIN - scrollX;
    g.setStroke(inks.time());
    g.setLineWidth(2);
    g.strokeLine(x, staveTop() - space, x, staveTop() + 5 * space);
  }

  private double sliceX(int slice) {
    int last = strip.sliceX().size() - 1;
    return strip.sliceX().get(Math.max(0, Math.min(last, slice))) * space + MARGIN - scrollX;
  }

  /** A line under the stave with short ends and its words, in the ink of the left hand. */
  private void paintStretch(GraphicsContext g, Stretch w) {
    if (strip.sliceX().isEmpty()) {
      return;
    }
    double left = sliceX(w.from()) - space;
    double right = sliceX(w.to()) + space;
    double y = staveHeight() - 8;
    g.setStroke(inks.hand());
    g.setLineWidth(1.5);
    g.strokeLine(left, y, right, y);
    g.strokeLine(left, y, left, y - 5);
    g.strokeLine(right, y, right, y - 5);
    g.setFill(inks.hand());
    g.setFont(MusicFont.textFont(Primitive.Text.Style.ITALIC, 12));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.BOTTOM);
    g.fillText(w.label(), Math.max(left + 4, 8), y - 2);
  }

  private void paintSelection(GraphicsContext g) {
    if (rangeFrom >= 0 && rangeTo > rangeFrom && !strip.sliceX().isEmpty()) {
      double left = sliceX(rangeFrom) - space * 1.1;
      g.setFill(inks.selection().deriveColor(0, 1, 1, 0.5));
      double width = sliceX(rangeTo) + space * 1.1 - left;
      g.fillRoundRect(left, 4, width, staveHeight() + lane.height() - 8, 8, 8);
    }
    if (selectedSlice >= 0 && selectedSlice < strip.sliceX().size()) {
      double x = strip.sliceX().get(selectedSlice) * space + MARGIN - scrollX;
      g.setFill(inks.selection());
      g.fillRoundRect(x - space * 1.1, 4, space * 2.2, staveHeight() + lane.height() - 8, 8, 8);
    }
  }

  private void paint(GraphicsContext g, Primitive p) {
    Color color = inks.of(p.ink());
    if (p instanceof Primitive.Glyph glyph) {
      g.setFill(color);
      g.setFont(font.atSpace(space * glyph.scale()));
      g.setTextAlign(TextAlignment.LEFT);
      g.setTextBaseline(VPos.BASELINE);
      g.fillText(
          Character.toString(glyph.glyph().codePoint()), glyph.x() * space, glyph.y() * space);
    } else if (p instanceof Primitive.Line line) {
      g.setStroke(color);
      g.setLineWidth(Math.max(1, line.thickness() * space));
      if (line.dashed()) {
        g.setLineDashes(space * 0.6, space * 0.5);
      }
      g.strokeLine(line.x1() * space, line.y1() * space, line.x2() * space, line.y2() * space);
      g.setLineDashes((double[]) null);
    } else if (p instanceof Primitive.Beam b) {
      double half = b.thickness() / 2 * space;
      g.setFill(color);
      g.fillPolygon(
          new double[] {b.x1() * space, b.x2() * space, b.x2() * space, b.x1() * space},
          new double[] {
            b.y1() * space - half,
            b.y2() * space - half,
            b.y2() * space + half,
            b.y1() * space + half
          },
          4);
    } else if (p instanceof Primitive.Curve c) {
      curve(g, c, color);
    } else if (p instanceof Primitive.Text t) {
      text(g, t, color);
    }
  }

  private void curve(GraphicsContext g, Primitive.Curve c, Color color) {
    double dx = (c.x2() - c.x1()) * 0.28;
    double half = c.thickness() / 2 * 4 / 3;
    g.setFill(color);
    g.beginPath();
    g.moveTo(c.x1() * space, c.y1() * space);
    g.bezierCurveTo(
        (c.x1() + dx) * space,
        (c.controlY(true) - half) * space,
        (c.x2() - dx) * space,
        (c.controlY(false) - half) * space,
        c.x2() * space,
        c.y2() * space);
    g.bezierCurveTo(
        (c.x2() - dx) * space,
        (c.controlY(false) + half) * space,
        (c.x1() + dx) * space,
        (c.controlY(true) + half) * space,
        c.x1() * space,
        c.y1() * space);
    g.closePath();
    g.fill();
  }

  private void text(GraphicsContext g, Primitive.Text t, Color color) {
    g.setFont(MusicFont.textFont(t.style(), t.size() * space));
    g.setFill(color);
    g.setTextAlign(t.centred() ? TextAlignment.CENTER : TextAlignment.LEFT);
    g.setTextBaseline(VPos.BASELINE);
    g.fillText(t.text(), t.x() * space, t.y() * space);
    if (t.ink() == Primitive.Ink.PINNED) {
      g.setStroke(color);
      g.setLineWidth(1.4);
      g.strokeRoundRect(
          t.left() * space - 3,
          t.top() * space - 3,
          t.width() * space + 6,
          (t.bottom() - t.top()) * space + 5,
          5,
          5);
    }
  }
}
