package fret.app.widget;

import fret.engraving.FingerText;
import fret.engraving.Primitive;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.engraving.StripStyle;
import fret.lane.Lane;
import fret.lane.LaneInput;
import fret.score.ResolvedPassage;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.animation.PauseTransition;
import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.WeakChangeListener;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;
import javafx.util.Duration;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The strip: the engraved stave and any number of lanes under it on the same axis. It knows no lane
 * by name; it paints what they draw. What is engraved is made away from the interface thread; only
 * what is visible is painted.
 */
public final class StripView extends Region {
  /**
   * What is shown.
   *
   * @param lanes what the lanes are drawn from; empty where there are none
   */
  public record Music(
      ResolvedPassage passage,
      List<FingerText> digits,
      StripStyle style,
      Optional<LaneInput> lanes) {
    public Music {
      Objects.requireNonNull(passage);
      digits = List.copyOf(digits);
    }

    /** Notation alone, as in drills. */
    public static Music of(ResolvedPassage passage, List<FingerText> digits) {
      return new Music(passage, digits, StripStyle.PLAIN, Optional.empty());
    }
  }

  /**
   * Something that is asked of a stretch of notes, shown as a line under the stave.
   *
   * @param from moment at which it starts; {@code to} the last one
   */
  public record Stretch(int from, int to, String label) {}

  private static final double MARGIN = 12;
  private static final double HEIGHT_STEP = 4;
  private static final double REST_MS = 250;
  private static final double LEAST_LANE = 80;

  /** Smaller notes are read by nobody. */
  private static final double LEAST_SPACE = 5.5;

  private static final double FIRST_LANE = 110;
  private static final double LARGEST = 1.4;

  /** More than this does not make a lane easier to read; the stave gets what is left. */
  private static final double MOST_LANE = 440;

  /** What the frame takes at the lower edge, in px. */
  private static final double FRAME = 4;

  /** Below this staff space a strip stands in a card, where room is short. */
  private static final double SMALL = 7;

  private final Canvas canvas = new Canvas();
  private final MusicFont font;
  private final Away away;

  /** Less than this is a click, in px. */
  private static final double LEAST_DRAG = 5;

  private final boolean adapts;
  private Draw onDraw = (lane, slice, value) -> {};
  private double pressedX;
  private int draggedTo = -1;
  private double pressedY;
  private final LaneStack lanes;
  private Inks inks;
  private final ReadOnlyDoubleProperty letters;
  private Music wanted;
  private Strip strip;
  private double space = 9;
  private boolean zoomed;
  private double scrollX;
  private Strip.Reach reach = new Strip.Reach(0, 4);

  /** Heights change when scrolling rests, never while it goes on. */
  private final PauseTransition resting = new PauseTransition(Duration.millis(REST_MS));

  private int selectedSlice = -1;
  private int rangeFrom = -1;
  private int rangeTo = -1;
  private List<Stretch> stretches = List.of();
  private IntConsumer onPick = s -> {};
  private IntConsumer onExtend = s -> {};
  private Consumer<Fraction> onPlace = o -> {};
  private Runnable onFold = () -> {};
  private Menu onMenu = (x, y) -> {};
  private Sight onSight = (from, to) -> {};
  private Consumer<Painted> onPaint = p -> {};
  private boolean writing;
  private Optional<Fraction> placeOnset = Optional.empty();
  private int placeBar = -1;
  private double placeX = Double.NaN;
  private double caretX;

  /** The look outlives a strip: it knows it weakly, and the strip keeps this. */
  private final ChangeListener<Inks> recolour =
      (o, before, now) -> {
        inks = now;
        paint();
      };

  /** Letters became larger or smaller: the rows of the lanes do too, and the notes that adapt. */
  private final InvalidationListener resize = o -> resized();

  /** A strip in the window: it takes the room there is, and its notes grow with the window. */
  public StripView(Look look, Away away) {
    this(look, away, true);
  }

  private StripView(Look look, Away away, boolean adapts) {
    this.font = look.font();
    this.inks = look.inksProperty().get();
    this.lanes = new LaneStack(font);
    this.away = away;
    this.adapts = adapts;
    look.inksProperty().addListener(new WeakChangeListener<>(recolour));
    this.letters = look.lettersProperty();
    letters.addListener(new WeakInvalidationListener(resize));
    lanes.setLetters(letters.get());
    getChildren().add(canvas);
    getStyleClass().add("strip");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.TEXT);
    canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
    canvas.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
    canvas.addEventHandler(MouseEvent.MOUSE_RELEASED, this::release);
    addEventHandler(ScrollEvent.SCROLL, this::scroll);
    focusedProperty().addListener(o -> paint());
    resting.setOnFinished(e -> settle());
  }

  /** Some notes in a card, engraved at once. */
  public static StripView small(Look look, double space) {
    StripView view = new StripView(look, Away.HERE, false);
    view.space = space;
    return view;
  }

  // ---- what is shown -------------------------------------------------------------------------

  /**
   * Which lanes stand under the stave, in order.
   *
   * @param isFolded which of them are folded, by id
   */
  public void setLanes(List<Lane> of, java.util.function.Predicate<String> isFolded) {
    lanes.set(of, isFolded);
    drawLanes();
  }

  /** The lane that is whole before anything else has room; empty for none. */
  public void setOwnLane(String id) {
    lanes.setOwn(id);
  }

  /** Closes a lane, or opens it, by its place among those that there are; nothing beyond them. */
  public void foldLane(int place) {
    List<Lane> all = lanes.suiting(input());
    if (place < all.size()) {
      fold(all.get(place).id());
    }
  }

  /** What of the strip is in sight. */
  @FunctionalInterface
  public interface Sight {
    /**
     * @param from first moment in sight; {@code to} the last one
     */
    void seen(int from, int to);
  }

  /** Called with what comes in sight. */
  public void setOnSight(Sight handler) {
    onSight = handler;
  }

  /** Called with the place on the screen where what can be done is asked for. */
  public void setOnMenu(Menu handler) {
    onMenu = handler;
  }

  /** Shows what can be done, at a place on the screen. */
  @FunctionalInterface
  public interface Menu {
    void accept(double screenX, double screenY);
  }

  /** Scrolls a moment into sight without marking it. */
  public void bring(int slice) {
    if (strip != null && slice >= 0 && slice < strip.sliceX().size()) {
      reveal(strip.sliceX().get(slice) * space + MARGIN, 120);
      paint();
    }
  }

  /** Called when a lane was folded or opened. */
  public void setOnFold(Runnable handler) {
    onFold = handler;
  }

  /**
   * How the height is dealt, in px.
   *
   * @param stave with all that stands at it in sight
   * @param lane of each that is open
   * @param lanes of all, with the row of closed ones
   */
  public record Heights(double stave, double lane, double lanes) {}

  public Heights heights() {
    return new Heights(staveHeight(), laneHeight(), lanes.height());
  }

  /** Whether a lane is drawn and has room. */
  public boolean isOpen(String lane) {
    return lanes.isOpen(lane);
  }

  /** Ids of the lanes that are folded. */
  public List<String> foldedLanes() {
    return lanes.folded();
  }

  /** Folds all lanes to a line each, or opens them. */
  public void foldLanes() {
    lanes.foldAll();
    onFold.run();
    drawLanes();
  }

  private void fold(String id) {
    lanes.fold(id);
    onFold.run();
    drawLanes();
  }

  /**
   * The strip as it is painted.
   *
   * @param shift px from the left edge to the start of the stave
   * @param space px of a staff space
   */
  public record Painted(Strip strip, double shift, double space) {}

  /** What is done whenever it is painted. */
  public void setOnPaint(Consumer<Painted> handler) {
    onPaint = handler;
  }

  /** Shows music; what was shown stays until it is engraved. */
  public void show(Music music) {
    wanted = music;
    double height = laneHeight();
    List<Lane> which = lanes.suiting(music.lanes());
    away.work(
        this,
        () -> {
          Strip made = StripEngraver.engrave(music.passage(), music.digits(), font, music.style());
          return new Made(made, lanes.draw(which, music.lanes(), made, height));
        },
        made -> {
          strip = made.strip();
          lanes.take(made.lanes());
          showPlace(placeOnset, placeBar);
          scrollX = Math.max(0, Math.min(scrollX, maxScroll()));
          select(selectedSlice);
          settle();
          requestLayout();
        });
  }

  private record Made(Strip strip, LaneStack.Drawn lanes) {}

  private Optional<LaneInput> input() {
    return wanted == null ? Optional.empty() : wanted.lanes();
  }

  /** Draws the lanes anew, when they have another height or there are others. */
  private void drawLanes() {
    if (strip == null || wanted == null) {
      return;
    }
    Optional<LaneInput> input = input();
    Strip on = strip;
    List<Lane> which = lanes.suiting(input);
    double height = laneHeight();
    away.work(
        List.of(this, "lanes"),
        () -> lanes.draw(which, input, on, height),
        made -> {
          if (on.equals(strip)) {
            lanes.take(made);
            requestLayout();
            paint();
          }
        });
  }

  /** What the lanes say of a moment, one sentence after the other. */
  public String spoken(int slice) {
    return lanes.spoken(slice);
  }

  /** Called with the moment that was clicked. */
  public void setOnPick(IntConsumer handler) {
    onPick = handler;
  }

  /** Called with the moment that was clicked with the shift key down. */
  public void setOnExtend(IntConsumer handler) {
    onExtend = handler;
  }

  /** Called with the onset that was clicked while writing. */
  public void setOnPlace(Consumer<Fraction> handler) {
    onPlace = handler;
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

  /** Marks a moment and scrolls it into view; -1 for none. */
  public void select(int slice) {
    selectedSlice = slice;
    if (!writing && strip != null && slice >= 0 && slice < strip.sliceX().size()) {
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
    if (x - scrollX < 110) {
      scrollX = Math.max(0, x - 220);
      resting.playFromStart();
    } else if (x - scrollX > getWidth() - room) {
      scrollX = Math.max(0, Math.min(maxScroll(), x - getWidth() / 2));
      resting.playFromStart();
    }
  }

  /** Shows what comes next, as when a page is turned. */
  public void turn() {
    scrollX = Math.max(0, Math.min(maxScroll(), scrollX + getWidth() * 0.8));
    resting.playFromStart();
    paint();
  }

  // ---- writing -------------------------------------------------------------------------------

  /**
   * Shows where writing goes on, and scrolls it into view.
   *
   * @param onset of the current note; empty at a bar's start
   * @param bar place of the bar; -1 for none
   */
  public void showPlace(Optional<Fraction> onset, int bar) {
    placeOnset = onset;
    placeBar = bar;
    if (!writing || strip == null || bar < 0 || bar >= strip.bars().size()) {
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
    placeBar = -1;
    paint();
  }

  // ---- size ----------------------------------------------------------------------------------

  /** Notes as large as the height holds, which is so many staff spaces. */
  public void fit(double spaces) {
    if (getHeight() > 0) {
      setSpace(Math.max(10, Math.min(24, getHeight() / spaces)));
    }
  }

  /** Larger or smaller notes; the selected note stays in place. */
  public void zoom(double factor) {
    zoomed = true;
    setSpace(space * factor);
  }

  private void setSpace(double other) {
    double before = anchor();
    // Half px steps, so that glyphs drawn before at a size are used again.
    double wanted = Math.max(5, Math.min(26, Math.rint(other * 2) / 2));
    space = Math.min(wanted, roomiest());
    scrollX = Math.max(0, Math.min(maxScroll(), scrollX + anchor() - before));
    resting.playFromStart();
    requestLayout();
    paint();
  }

  /** The largest notes that leave the area's own lane its room, in half px. */
  private double roomiest() {
    boolean shares = adapts && strip != null && getHeight() > 0;
    return shares ? Math.max(LEAST_SPACE, Math.floor(mostSpace() * 2) / 2) : Double.MAX_VALUE;
  }

  private double anchor() {
    boolean has = strip != null && selectedSlice >= 0 && selectedSlice < strip.sliceX().size();
    return has ? strip.sliceX().get(selectedSlice) * space : 0;
  }

  private void resized() {
    lanes.setLetters(letters.get());
    requestLayout();
    paint();
  }

  private double maxScroll() {
    return strip == null ? 0 : Math.max(0, strip.width() * space + 2 * MARGIN - getWidth());
  }

  /** Room for what stands in the bars in sight and a screen to either side. */
  private void settle() {
    Strip.Reach now = reachHere();
    if (!now.equals(reach)) {
      reach = now;
      requestLayout();
      paint();
    }
  }

  private Strip.Reach reachHere() {
    if (strip == null) {
      return new Strip.Reach(0, 4);
    }
    boolean whole = !adapts || getWidth() <= 0;
    double from = (scrollX - MARGIN - getWidth()) / space;
    double to = (scrollX - MARGIN + 2 * getWidth()) / space;
    return whole ? new Strip.Reach(strip.top(), strip.bottom()) : strip.reach(from, to);
  }

  /** Where there is more room than the stave needs it stands in the middle of it. */
  private double staveTop() {
    double free = Math.max(0, staveHeight() - inkHeight());
    return MARGIN - reach.top() * space + free / 2;
  }

  /** In coarse steps, so that what stands below seldom moves while zooming. */
  private double inkHeight() {
    double needed = strip == null ? 160 : reach.height() * space + 2 * MARGIN;
    double step = space < SMALL ? 1 : HEIGHT_STEP;
    return Math.ceil(needed / step) * step;
  }

  /** Room of the stave: what it needs, or what the lanes leave. */
  private double staveHeight() {
    return Math.max(
        inkHeight(), getHeight() - foldedHeight() - openCount() * MOST_LANE * letters.get());
  }

  /** Folded lanes, and the frame below them. */
  private double foldedHeight() {
    return lanes.foldedHeight(input()) + FRAME;
  }

  private int openCount() {
    return lanes.openCount(input());
  }

  /** Height of each lane that is not folded. */
  private double laneHeight() {
    lanes.setWidth(getWidth());
    if (adapts && getHeight() > 0) {
      lanes.makeRoom(input(), getHeight() - inkHeight() - FRAME, LEAST_LANE * letters.get());
    }
    int open = openCount();
    return open == 0
        ? LEAST_LANE * letters.get()
        : Math.max(
            LEAST_LANE * letters.get(),
            Math.floor((getHeight() - staveHeight() - foldedHeight()) / open));
  }

  @Override
  protected double computePrefHeight(double width) {
    int open = openCount();
    return inkHeight() + open * FIRST_LANE * letters.get() + foldedHeight();
  }

  @Override
  protected double computeMinHeight(double width) {
    int open = openCount();
    return adapts ? 120 : inkHeight() + open * LEAST_LANE * letters.get() + foldedHeight();
  }

  @Override
  protected double computePrefWidth(double height) {
    return 600;
  }

  @Override
  protected void layoutChildren() {
    if (adapts && !zoomed && getScene() != null) {
      double fitting = fittingSpace(getScene().getWidth());
      if (Math.abs(fitting - space) >= 0.5) {
        scrollX = Math.max(0, scrollX * fitting / space);
        space = fitting;
        reach = reachHere();
        requestLayout();
        showPlace(placeOnset, placeBar);
        select(selectedSlice);
      }
    }
    if (zoomed && space > roomiest()) {
      setSpace(space);
    }
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
    if (lanes.isDrawnForOther(laneHeight())) {
      drawLanes();
    }
  }

  /** Readable from a metre: larger in a larger window, and where the stave has the room alone. */
  private double fittingSpace(double window) {
    lanes.setWidth(getWidth());
    double usual = (window < 1150 ? 8 : window < 1600 ? 10 : 12) * letters.get();
    if (strip == null) {
      return usual;
    }
    double room =
        getHeight()
            - foldedHeight()
            - openCount() * MOST_LANE * letters.get()
            - 2 * MARGIN
            - HEIGHT_STEP;
    double filling = room / Math.max(8, reach.height());
    double wanted = Math.max(usual, Math.min(usual * LARGEST, filling));
    return Math.floor(Math.max(LEAST_SPACE, Math.min(wanted, mostSpace())) * 2) / 2;
  }

  /** Beyond it the notes would take the room of the area's own lane. */
  private double mostSpace() {
    double lane = openCount() == 0 ? 0 : LEAST_LANE * letters.get();
    double room = getHeight() - foldedHeight() - lane - 2 * MARGIN - HEIGHT_STEP;
    return room / Math.max(8, reach.height());
  }

  // ---- mouse ---------------------------------------------------------------------------------

  /** Something was drawn in a lane: from the moment where the drag began to a height. */
  @FunctionalInterface
  public interface Draw {
    /**
     * @param value see {@link fret.lane.Lane#valueAt}
     */
    void drawn(String lane, int slice, double value);
  }

  /** Called when something was dragged up or down in a lane. */
  public void setOnDraw(Draw handler) {
    onDraw = handler;
  }

  /** Over the stave the selection grows to where the mouse is. */
  private void drag(MouseEvent e) {
    boolean onStave = pressedY < staveHeight() && strip != null && !strip.sliceX().isEmpty();
    boolean away = Math.abs(e.getX() - pressedX) >= LEAST_DRAG || draggedTo >= 0;
    if (!onStave || writing || !away) {
      return;
    }
    int slice = strip.sliceAt((e.getX() + scrollX - MARGIN) / space);
    if (slice != draggedTo) {
      draggedTo = slice;
      onExtend.accept(slice);
    }
  }

  private void release(MouseEvent e) {
    if (strip == null || writing || strip.sliceX().isEmpty()) {
      return;
    }
    boolean dragged = Math.abs(e.getY() - pressedY) >= LEAST_DRAG;
    Optional<LaneStack.Spot> from = lanes.spotAt(input(), pressedY - staveHeight());
    Optional<LaneStack.Spot> to = lanes.spotAt(input(), e.getY() - staveHeight());
    if (dragged
        && from.isPresent()
        && to.isPresent()
        && from.get().lane().equals(to.get().lane())) {
      double x = (pressedX + scrollX - MARGIN) / space;
      onDraw.drawn(to.get().lane(), strip.sliceAt(x), to.get().value());
    }
  }

  private void press(MouseEvent e) {
    requestFocus();
    pressedX = e.getX();
    pressedY = e.getY();
    draggedTo = -1;
    if (strip == null) {
      return;
    }
    Optional<String> folds = lanes.foldedBy(e.getX(), e.getY() - staveHeight());
    if (folds.isPresent()) {
      fold(folds.get());
      return;
    }
    if (writing || !strip.sliceX().isEmpty()) {
      double x = (e.getX() + scrollX - MARGIN) / space;
      if (writing) {
        onPlace.accept(strip.onsetAt(x));
      } else if (e.getButton() == MouseButton.SECONDARY) {
        int slice = strip.sliceAt(x);
        boolean within = slice >= rangeFrom && slice <= rangeTo;
        if (!within) {
          onPick.accept(slice); // What is selected together stays so.
        }
        onMenu.accept(e.getScreenX(), e.getScreenY());
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
      resting.playFromStart();
      paint();
    }
    e.consume();
  }

  // ---- painting ------------------------------------------------------------------------------

  private void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.setFill(inks.paper());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (strip == null) {
      return;
    }
    double left = (scrollX - MARGIN) / space - 2;
    double right = (scrollX + canvas.getWidth() - MARGIN) / space + 2;
    if (!strip.sliceX().isEmpty()) {
      onSight.seen(strip.sliceAt(left + 2), strip.sliceAt(right - 2));
    }
    onPaint.accept(new Painted(strip, MARGIN - scrollX, space));
    g.save();
    g.translate(0, staveHeight());
    lanes.paintGround(g, inks, canvas.getWidth());
    g.restore();
    if (writing) {
      paintPlace(g);
    } else {
      paintSelection(g);
    }
    g.save();
    g.translate(MARGIN - scrollX, staveTop());
    new Brush(g, font, inks, space, space).paint(strip.primitives(), left, right);
    g.restore();
    stretches.forEach(w -> paintStretch(g, w));
    g.save();
    g.translate(0, staveHeight());
    lanes.paint(
        g, inks, canvas.getWidth(), new LaneStack.Window(MARGIN - scrollX, space, left, right));
    g.restore();
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
    g.setFont(MusicFont.textFont(Primitive.Text.Style.ITALIC, 12 * letters.get()));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.BOTTOM);
    g.fillText(w.label(), Math.max(left + 4, 8), y - 2);
  }

  private void paintSelection(GraphicsContext g) {
    double height = staveHeight() + lanes.openHeight() - 8;
    if (rangeFrom >= 0 && rangeTo > rangeFrom && !strip.sliceX().isEmpty()) {
      double left = sliceX(rangeFrom) - space * 1.1;
      g.setFill(inks.selection().deriveColor(0, 1, 1, 0.5));
      double width = sliceX(rangeTo) + space * 1.1 - left;
      g.fillRoundRect(left, 4, width, height, 8, 8);
    }
    if (selectedSlice >= 0 && selectedSlice < strip.sliceX().size()) {
      g.setFill(inks.selection());
      g.fillRoundRect(sliceX(selectedSlice) - space * 1.1, 4, space * 2.2, height, 8, 8);
    }
  }
}
