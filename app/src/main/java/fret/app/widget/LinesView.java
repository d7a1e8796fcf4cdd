package fret.app.widget;

import fret.engraving.FittedLines;
import fret.engraving.StaveLines;
import fret.engraving.Strip;
import fret.lane.Lane;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.WeakChangeListener;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/** Music in lines, as on a page: as large as lets all of it be seen; else it is turned. */
public final class LinesView extends Region {
  private static final double MARGIN = 12;

  /** What is left free is dealt between the lines up to this, in staff spaces. */
  private static final double MOST_BETWEEN = 4;

  /** Height of a lane under a line. */
  private static final double LANE_SPACES = 7;

  private final Canvas canvas = new Canvas();
  private final MusicFont font;
  private final Away away;
  private final List<Lane> lanes;
  private final double least;
  private final double most;
  private Inks inks;
  private StripView.Music wanted;
  private FittedLines laid;
  private double laidWidth;
  private double laidHeight;
  private int first;
  private int selected = -1;
  private int rangeFrom = -1;
  private int rangeTo = -1;
  private IntConsumer onPick = s -> {};
  private IntConsumer onExtend = s -> {};

  /** The look outlives a view: it knows it weakly, and the view keeps this. */
  private final ChangeListener<Inks> recolour =
      (o, before, now) -> {
        inks = now;
        paint();
      };

  /**
   * @param lanes that stand under each line where what is shown has them
   * @param least staff space in px; {@code most} the largest
   */
  public LinesView(Look look, Away away, List<Lane> lanes, double least, double most) {
    this.font = look.font();
    this.inks = look.inksProperty().get();
    this.away = away;
    this.lanes = List.copyOf(lanes);
    this.least = least;
    this.most = most;
    look.inksProperty().addListener(new WeakChangeListener<>(recolour));
    getChildren().add(canvas);
    getStyleClass().add("lines");
    setAccessibleRole(AccessibleRole.TEXT);
    setFocusTraversable(true);
    setMinSize(0, 0);
    canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
    addEventHandler(ScrollEvent.SCROLL, this::scroll);
    // What is larger than its room paints over nothing else.
    Rectangle sight = new Rectangle();
    sight.widthProperty().bind(widthProperty());
    sight.heightProperty().bind(heightProperty());
    setClip(sight);
  }

  /** Shows music; what was shown stays until it is engraved. */
  public void show(StripView.Music music) {
    wanted = music;
    lay();
  }

  /** How large the notes are now, in px of a staff space; 0 before anything is shown. */
  public double space() {
    return laid == null ? 0 : laid.space();
  }

  /** How many lines there are, and whether all of them are seen. */
  public int lineCount() {
    return laid == null ? 0 : laid.lines().size();
  }

  public boolean isWhole() {
    return laid != null && laid.isWhole();
  }

  /** Called with the moment that was clicked. */
  public void setOnPick(IntConsumer handler) {
    onPick = handler;
  }

  /** Called with the moment that was clicked with the shift key down, or dragged to. */
  public void setOnExtend(IntConsumer handler) {
    onExtend = handler;
  }

  private void lay() {
    if (wanted == null || getWidth() <= 0 || getHeight() <= 0) {
      return;
    }
    StripView.Music music = wanted;
    laidWidth = getWidth();
    laidHeight = getHeight();
    FittedLines.Room room =
        new FittedLines.Room(laidWidth - 2 * MARGIN, laidHeight - 2 * MARGIN, least, most);
    away.work(
        this,
        () ->
            FittedLines.fit(
                music.passage(),
                music.digits(),
                font,
                room,
                axis ->
                    music.lanes().stream()
                        .flatMap(
                            input ->
                                lanes.stream()
                                    .filter(l -> l.suits(input))
                                    .map(l -> l.draw(input, axis, font, LANE_SPACES)))
                        .toList()),
        made -> {
          laid = made;
          first = 0;
          select(selected);
        });
  }

  @Override
  protected void layoutChildren() {
    canvas.setWidth(getWidth());
    canvas.setHeight(getHeight());
    if (getWidth() != laidWidth || getHeight() != laidHeight) {
      lay();
    }
    paint();
  }

  @Override
  protected double computePrefWidth(double height) {
    return 600;
  }

  @Override
  protected double computePrefHeight(double width) {
    return 240;
  }

  // ---- place ---------------------------------------------------------------------------------

  /** Marks a moment; a line that is not seen comes first, and the last one that is seen too. */
  public void select(int slice) {
    selected = slice;
    if (laid != null) {
      int line = laid.lineOf(slice);
      boolean seen = line >= first && line < end() || line >= 0 && line == end() && isEnd();
      if (line >= 0 && !seen) {
        first = Math.min(line, lastFirst());
      }
    }
    paint();
  }

  /** Shows which moments are selected together. */
  public void selectRange(int from, int to) {
    rangeFrom = from;
    rangeTo = to;
    paint();
  }

  /** On by what is in sight; from the end back to the start. */
  public void turn() {
    if (laid != null) {
      first = isEnd() ? 0 : Math.min(end() + 1, lastFirst());
      paint();
    }
  }

  private int end() {
    return laid.lastWith(first, laidHeight - 2 * MARGIN);
  }

  private boolean isEnd() {
    return end() == laid.lines().size() - 1;
  }

  /** The first line of the last page. */
  private int lastFirst() {
    int from = laid.lines().size() - 1;
    while (from > 0
        && laid.lastWith(from - 1, laidHeight - 2 * MARGIN) == laid.lines().size() - 1) {
      from--;
    }
    return from;
  }

  private void scroll(ScrollEvent e) {
    if (laid != null && !e.isShortcutDown()) {
      first = Math.max(0, Math.min(lastFirst(), first + (e.getDeltaY() < 0 ? 1 : -1)));
      paint();
      e.consume();
    }
  }

  /** What is left free, dealt between the lines that are seen. */
  private double between() {
    double used = -FittedLines.GAP;
    for (int i = first; i <= end(); i++) {
      used += FittedLines.heightOf(laid.lines().get(i));
    }
    double free = (laidHeight - 2 * MARGIN) / laid.space() - used;
    return Math.max(0, Math.min(MOST_BETWEEN, free / (end() - first + 2)));
  }

  private double top() {
    double used = -FittedLines.GAP + between() * (end() - first);
    for (int i = first; i <= end(); i++) {
      used += FittedLines.heightOf(laid.lines().get(i));
    }
    return MARGIN + Math.max(0, (laidHeight - 2 * MARGIN - used * laid.space()) / 2);
  }

  private void press(MouseEvent e) {
    if (laid == null) {
      return;
    }
    double y = top();
    for (int i = first; i <= end(); i++) {
      StaveLines.Line line = laid.lines().get(i);
      double height = (FittedLines.heightOf(line) + between()) * laid.space();
      if (e.getY() < y + height) {
        pick(line, (e.getX() - left()) / laid.space(), e.isShiftDown());
        return;
      }
      y += height;
    }
  }

  private void pick(StaveLines.Line line, double x, boolean extending) {
    int here = line.strip().sliceAt(x);
    line.sliceHere().entrySet().stream()
        .filter(s -> s.getValue() == here)
        .findFirst()
        .ifPresent(s -> (extending ? onExtend : onPick).accept(s.getKey()));
  }

  /** A line's strip begins a staff space from its left edge. */
  private double left() {
    return MARGIN - laid.space();
  }

  // ---- painting ------------------------------------------------------------------------------

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.setFill(inks.paper());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (laid == null) {
      return;
    }
    double space = laid.space();
    double y = top();
    for (int i = first; i <= end(); i++) {
      StaveLines.Line line = laid.lines().get(i);
      Strip strip = line.strip();
      double height = FittedLines.heightOf(line) * space;
      paintSelection(g, line, y, height - FittedLines.GAP * space);
      g.save();
      g.translate(left(), y - strip.top() * space);
      new Brush(g, font, inks, space, space).paint(strip.primitives(), -2, strip.width() + 2);
      g.restore();
      y += height + between() * space;
    }
  }

  private void paintSelection(GraphicsContext g, StaveLines.Line line, double y, double height) {
    double space = laid.space();
    for (var here : line.sliceHere().entrySet()) {
      int slice = here.getKey();
      boolean inRange = rangeTo > rangeFrom && slice >= rangeFrom && slice <= rangeTo;
      if (slice != selected && !inRange) {
        continue;
      }
      double x = left() + line.strip().sliceX().get(here.getValue()) * space;
      g.setFill(slice == selected ? inks.selection() : inks.selection().deriveColor(0, 1, 1, 0.5));
      g.fillRoundRect(x - space * 1.1, y - 4, space * 2.2, height + 8, 8, 8);
    }
  }
}
