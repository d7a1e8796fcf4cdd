package fret.app.widget;

import fret.app.words.Sentences;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.Primitive;
import fret.engraving.Strip;
import fret.lane.Lane;
import fret.lane.LaneInput;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/** The lanes under a stave, one below the other: which there are, which are folded, as drawn. */
final class LaneStack {
  /** Height of a folded lane where there is room, in px. */
  static final double FOLDED = 20;

  /** Height of one where there is little. */
  static final double FOLDED_TIGHT = 15;

  /** Px of a staff space from top to bottom in lanes, which zooming leaves alone. */
  private static final double LANE_SPACE = 10;

  /** A click this far left in the first line of a lane is on its name. */
  private static final double NAME = 80;

  private static final double TEXT_PX = 13;
  private static final double LINE_LEFT = 12;

  private final MusicFont font;
  private final Map<String, Lane> lanes = new LinkedHashMap<>();
  private final Map<String, Double> lineWidths = new LinkedHashMap<>();
  private double foldedPx = FOLDED;
  private double width;
  private final Map<String, Boolean> folded = new LinkedHashMap<>();
  private String own = "";
  private double letters = 1;

  /** Lanes that are open but have no room. */
  private final Set<String> crowded = new HashSet<>();

  private Drawn drawn = new Drawn(List.of(), List.of(), 0, LANE_SPACE);

  /**
   * Lanes as drawn.
   *
   * @param ids of the lanes; {@code drawings} theirs, in the same order
   * @param height of each that is not folded, in px
   * @param unit px of a staff space from top to bottom
   */
  record Drawn(List<String> ids, List<LaneDrawing> drawings, double height, double unit) {}

  LaneStack(MusicFont font) {
    this.font = font;
  }

  /** How large names and figures of lanes are against their usual size. */
  void setLetters(double other) {
    letters = other;
    if (width > 0) {
      measureLines();
    }
  }

  /** Px of a staff space from top to bottom, which grows with the letters. */
  private double unit() {
    return LANE_SPACE * letters;
  }

  void set(List<Lane> of, Predicate<String> isFolded) {
    lanes.clear();
    folded.clear();
    for (Lane lane : of) {
      lanes.put(lane.id(), lane);
      folded.put(lane.id(), isFolded.test(lane.id()));
    }
  }

  /** The lane that is whole before others have any room. */
  void setOwn(String id) {
    own = id;
  }

  List<String> folded() {
    return folded.entrySet().stream().filter(Map.Entry::getValue).map(Map.Entry::getKey).toList();
  }

  /** Folds all, or opens all where none is open. */
  void foldAll() {
    boolean open = folded.containsValue(false);
    folded.replaceAll((id, was) -> open);
  }

  /** Folds a lane or opens it; one that had no room opens in place of the others. */
  void fold(String id) {
    if (crowded.contains(id)) {
      folded.replaceAll((i, was) -> !i.equals(id));
    } else {
      folded.computeIfPresent(id, (i, was) -> !was);
    }
  }

  boolean isOpen(String id) {
    return drawn.ids().contains(id) && !isFolded(id);
  }

  private boolean isFolded(String id) {
    return folded.getOrDefault(id, false) || crowded.contains(id);
  }

  /**
   * Closes what has no room at its least height, the last lanes first; one stays open: the area's
   * own where it is.
   *
   * @param room px for all lanes; {@code least} of one that is open
   */
  void makeRoom(Optional<LaneInput> input, double room, double least) {
    boolean tight = least + 2 * FOLDED * letters > room;
    foldedPx = (tight ? FOLDED_TIGHT : FOLDED) * letters;
    crowded.clear();
    List<String> all = new ArrayList<>(suiting(input).stream().map(Lane::id).toList());
    if (all.remove(own)) {
      all.add(0, own);
    }
    for (int i = all.size() - 1; i >= 0 && openCount(input) > 1; i--) {
      if (openCount(input) * least + foldedHeight(input) <= room) {
        return;
      }
      if (!isFolded(all.get(i))) {
        crowded.add(all.get(i));
      }
    }
  }

  /** Lanes that there is something to draw in. */
  List<Lane> suiting(Optional<LaneInput> input) {
    return input
        .map(i -> lanes.values().stream().filter(l -> l.suits(i)).toList())
        .orElse(List.of());
  }

  int openCount(Optional<LaneInput> input) {
    return (int) suiting(input).stream().filter(l -> !isFolded(l.id())).count();
  }

  /** Room of all that are closed, in px. */
  double foldedHeight(Optional<LaneInput> input) {
    List<String> ids = suiting(input).stream().map(Lane::id).toList();
    return boxes(ids).stream().filter(b -> isFolded(b.id()) && b.x() == 0).count() * foldedPx;
  }

  /** How wide the strip is, in px; 0 while that is not known. */
  void setWidth(double px) {
    boolean first = width <= 0 && px > 0;
    width = px;
    if (first) {
      measureLines();
    }
  }

  /** Where a lane stands; {@code at} is its place among those drawn. */
  private record Box(int at, String id, double x, double y, double width, double height) {
    boolean has(double px, double py) {
      return py > y && py < y + height && px >= x && px < x + width;
    }
  }

  /** Open lanes take the whole width; the names of the closed ones stand below, in one row. */
  private List<Box> boxes(List<String> ids) {
    List<Box> all = new ArrayList<>();
    double y = 0;
    for (int i = 0; i < ids.size(); i++) {
      if (!isFolded(ids.get(i))) {
        all.add(new Box(i, ids.get(i), 0, y, Double.MAX_VALUE, drawn.height()));
        y += drawn.height();
      }
    }
    double x = 0;
    for (int i = 0; i < ids.size(); i++) {
      String id = ids.get(i);
      if (isFolded(id)) {
        double needs = width <= 0 ? Double.MAX_VALUE : lineWidths.getOrDefault(id, width);
        if (x > 0 && x + needs > width) {
          y += foldedPx;
          x = 0;
        }
        all.add(new Box(i, id, x, y, needs, foldedPx));
        x += needs;
      }
    }
    return all;
  }

  /** Draws lanes; may be called on any thread. */
  Drawn draw(List<Lane> which, Optional<LaneInput> input, Strip strip, double height) {
    double unit = unit();
    Axis axis = Axis.of(strip);
    List<String> ids = new ArrayList<>();
    List<LaneDrawing> all = new ArrayList<>();
    for (Lane lane : which) {
      ids.add(lane.id());
      all.add(lane.draw(input.orElseThrow(), axis, font, height / unit));
    }
    return new Drawn(ids, all, height, unit);
  }

  void take(Drawn made) {
    drawn = made;
    if (width > 0) {
      measureLines();
    }
  }

  private void measureLines() {
    for (int i = 0; i < drawn.ids().size(); i++) {
      Text line = new Text(line(drawn, i));
      line.setFont(MusicFont.textFont(Primitive.Text.Style.REGULAR, TEXT_PX * letters));
      lineWidths.put(drawn.ids().get(i), LINE_LEFT + line.getLayoutBounds().getWidth() + LINE_LEFT);
    }
  }

  /** What is told of a folded lane. */
  private static String line(Drawn made, int i) {
    String name = Sentences.of("lane." + made.ids().get(i));
    return name + ": " + Sentences.of(made.drawings().get(i).summary());
  }

  /** Whether there are lanes, drawn for another height than this. */
  boolean isDrawnForOther(double height) {
    return !drawn.ids().isEmpty()
        && (Math.abs(height - drawn.height()) >= 1 || drawn.unit() != unit());
  }

  /** What the lanes say of a moment, one sentence after the other. */
  String spoken(int slice) {
    StringBuilder all = new StringBuilder();
    for (LaneDrawing lane : drawn.drawings()) {
      if (slice >= 0 && slice < lane.spoken().size()) {
        all.append(all.isEmpty() ? "" : ". ").append(Sentences.of(lane.spoken().get(slice)));
      }
    }
    return all.toString();
  }

  /** Room of all, in px. */
  double height() {
    return boxes(drawn.ids()).stream().mapToDouble(b -> b.y() + b.height()).max().orElse(0);
  }

  /** Room of those that are open, in px. */
  double openHeight() {
    return boxes(drawn.ids()).stream()
        .filter(b -> !isFolded(b.id()))
        .mapToDouble(Box::height)
        .sum();
  }

  /** The lane that a click folds or opens: on its name, or anywhere on a folded one. */
  Optional<String> foldedBy(double x, double y) {
    return boxes(drawn.ids()).stream()
        .filter(b -> b.has(x, y))
        .filter(b -> isFolded(b.id()) || y < b.y() + foldedPx && x < NAME)
        .map(Box::id)
        .findFirst();
  }

  /**
   * What a place in an open lane stands for.
   *
   * @param value see {@link Lane#valueAt}
   */
  record Spot(String lane, double value) {}

  /** The open lane at a height, with what that height stands for in it; empty outside. */
  Optional<Spot> spotAt(Optional<LaneInput> input, double y) {
    for (Box b : input.isPresent() ? boxes(drawn.ids()) : List.<Box>of()) {
      if (y >= b.y() && y < b.y() + b.height() && !isFolded(b.id())) {
        OptionalDouble value =
            lanes
                .get(b.id())
                .valueAt(input.get(), drawn.height() / drawn.unit(), (y - b.y()) / drawn.unit());
        return value.isPresent()
            ? Optional.of(new Spot(b.id(), value.getAsDouble()))
            : Optional.empty();
      }
    }
    return Optional.empty();
  }

  /** Paints the ground of the lanes, which lies under the selection, from the origin down. */
  void paintGround(GraphicsContext g, Inks inks, double to) {
    for (Box b : boxes(drawn.ids())) {
      g.setFill(inks.lane());
      g.fillRect(b.x(), b.y(), to - b.x(), b.height());
      g.setStroke(inks.rule());
      g.setLineWidth(1);
      g.strokeLine(b.x(), b.y() + 0.5, to, b.y() + 0.5);
    }
  }

  /**
   * What of a stave can be seen.
   *
   * @param shift px from the origin to the start of the stave
   * @param space px of a staff space from left to right
   * @param left end in staff spaces; {@code right} the other one
   */
  record Window(double shift, double space, double left, double right) {}

  /** Paints the lanes from the origin down. */
  void paint(GraphicsContext g, Inks inks, double to, Window window) {
    for (Box b : boxes(drawn.ids())) {
      if (isFolded(b.id())) {
        text(g, inks, line(drawn, b.at()), b.x() + LINE_LEFT, b.y() + foldedPx / 2, false);
      } else {
        g.save();
        g.translate(0, b.y());
        paintLane(g, inks, drawn.drawings().get(b.at()), to, window);
        g.restore();
        text(g, inks, Sentences.of("lane." + b.id()), 10, b.y() + 15 * letters, true);
      }
    }
  }

  private void text(GraphicsContext g, Inks inks, String text, double x, double y, boolean bold) {
    g.setFill(bold ? inks.hand() : inks.ebony());
    g.setFont(
        MusicFont.textFont(
            bold ? Primitive.Text.Style.BOLD : Primitive.Text.Style.REGULAR, TEXT_PX * letters));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.CENTER);
    g.fillText(text, x, y);
  }

  private void paintLane(
      GraphicsContext g, Inks inks, LaneDrawing lane, double width, Window window) {
    double unit = drawn.unit();
    g.save();
    g.beginPath();
    g.rect(0, 0, width, drawn.height());
    g.clip();
    g.translate(window.shift(), 0);
    new Brush(g, font, inks, window.space(), unit)
        .paint(lane.primitives(), window.left(), window.right());
    g.restore();
    g.setFill(inks.lane());
    g.fillRect(0, 1, lane.scaleWidth() * unit, drawn.height() - 1);
    new Brush(g, font, inks, unit, unit).paint(lane.scale(), 0, lane.scaleWidth());
  }
}
