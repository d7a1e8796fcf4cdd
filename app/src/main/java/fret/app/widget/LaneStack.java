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

  private final MusicFont font;
  private final Map<String, Lane> lanes = new LinkedHashMap<>();
  private double foldedPx = FOLDED;
  private final Map<String, Boolean> folded = new LinkedHashMap<>();

  /** Lanes that are open but have no room. */
  private final Set<String> crowded = new HashSet<>();

  private Drawn drawn = new Drawn(List.of(), List.of(), 0);

  /**
   * Lanes as drawn.
   *
   * @param ids of the lanes; {@code drawings} theirs, in the same order
   * @param height of each that is not folded, in px
   */
  record Drawn(List<String> ids, List<LaneDrawing> drawings, double height) {}

  LaneStack(MusicFont font) {
    this.font = font;
  }

  void set(List<Lane> of, Predicate<String> isFolded) {
    lanes.clear();
    folded.clear();
    for (Lane lane : of) {
      lanes.put(lane.id(), lane);
      folded.put(lane.id(), isFolded.test(lane.id()));
    }
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

  private boolean isFolded(String id) {
    return folded.getOrDefault(id, false) || crowded.contains(id);
  }

  /**
   * Shows as a line what has no room at its least height, the last lanes first; one stays open.
   *
   * @param room px for all lanes; {@code least} of one that is open
   */
  void makeRoom(Optional<LaneInput> input, double room, double least) {
    boolean tight = least + (suiting(input).size() - 1) * FOLDED > room;
    foldedPx = tight ? FOLDED_TIGHT : FOLDED;
    crowded.clear();
    List<Lane> all = suiting(input);
    for (int i = all.size() - 1; i >= 0 && openCount(input) > 1; i--) {
      if (openCount(input) * least + foldedHeight(input) <= room) {
        return;
      }
      if (!isFolded(all.get(i).id())) {
        crowded.add(all.get(i).id());
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

  /** Room of all that are folded, in px. */
  double foldedHeight(Optional<LaneInput> input) {
    return (suiting(input).size() - openCount(input)) * foldedPx;
  }

  /** Draws lanes; may be called on any thread. */
  Drawn draw(List<Lane> which, Optional<LaneInput> input, Strip strip, double height) {
    Axis axis = Axis.of(strip);
    List<String> ids = new ArrayList<>();
    List<LaneDrawing> all = new ArrayList<>();
    for (Lane lane : which) {
      ids.add(lane.id());
      all.add(lane.draw(input.orElseThrow(), axis, font, height / LANE_SPACE));
    }
    return new Drawn(ids, all, height);
  }

  void take(Drawn made) {
    drawn = made;
  }

  /** Whether there are lanes, drawn for another height than this. */
  boolean isDrawnForOther(double height) {
    return !drawn.ids().isEmpty() && Math.abs(height - drawn.height()) >= 1;
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

  private double height(int i) {
    return isFolded(drawn.ids().get(i)) ? foldedPx : drawn.height();
  }

  /** Room of all, in px. */
  double height() {
    double sum = 0;
    for (int i = 0; i < drawn.ids().size(); i++) {
      sum += height(i);
    }
    return sum;
  }

  /** The lane that a click folds or opens: on its name, or anywhere on a folded one. */
  Optional<String> foldedBy(double x, double y) {
    double top = 0;
    for (int i = 0; i < drawn.ids().size(); i++) {
      String id = drawn.ids().get(i);
      boolean inside = y > top && y < top + height(i);
      boolean onName = y < top + foldedPx && x < NAME;
      if (inside && (onName || isFolded(id))) {
        return Optional.of(id);
      }
      top += height(i);
    }
    return Optional.empty();
  }

  /**
   * What a place in an open lane stands for.
   *
   * @param value see {@link Lane#valueAt}
   */
  record Spot(String lane, double value) {}

  /** The open lane at a height, with what that height stands for in it; empty outside. */
  Optional<Spot> spotAt(Optional<LaneInput> input, double y) {
    double top = 0;
    for (int i = 0; i < drawn.ids().size() && input.isPresent(); i++) {
      String id = drawn.ids().get(i);
      if (y >= top && y < top + height(i) && !isFolded(id)) {
        OptionalDouble value =
            lanes.get(id).valueAt(input.get(), drawn.height() / LANE_SPACE, (y - top) / LANE_SPACE);
        return value.isPresent()
            ? Optional.of(new Spot(id, value.getAsDouble()))
            : Optional.empty();
      }
      top += height(i);
    }
    return Optional.empty();
  }

  /** Paints the ground of the lanes, which lies under the selection, from the origin down. */
  void paintGround(GraphicsContext g, Inks inks, double width) {
    double y = 0;
    for (int i = 0; i < drawn.ids().size(); i++) {
      g.setFill(inks.lane());
      g.fillRect(0, y, width, height(i));
      g.setStroke(inks.rule());
      g.setLineWidth(1);
      g.strokeLine(0, y + 0.5, width, y + 0.5);
      y += height(i);
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
  void paint(GraphicsContext g, Inks inks, double width, Window window) {
    double y = 0;
    for (int i = 0; i < drawn.ids().size(); i++) {
      String name = Sentences.of("lane." + drawn.ids().get(i));
      LaneDrawing lane = drawn.drawings().get(i);
      if (isFolded(drawn.ids().get(i))) {
        String line = name + ": " + Sentences.of(lane.summary());
        text(g, inks, line, 12, y + foldedPx / 2, false);
      } else {
        g.save();
        g.translate(0, y);
        paintLane(g, inks, lane, width, window);
        g.restore();
        text(g, inks, name, 10, y + 15, true);
      }
      y += height(i);
    }
  }

  private static void text(
      GraphicsContext g, Inks inks, String text, double x, double y, boolean bold) {
    g.setFill(bold ? inks.hand() : inks.ebony());
    g.setFont(
        MusicFont.textFont(bold ? Primitive.Text.Style.BOLD : Primitive.Text.Style.REGULAR, 13));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.CENTER);
    g.fillText(text, x, y);
  }

  private void paintLane(
      GraphicsContext g, Inks inks, LaneDrawing lane, double width, Window window) {
    g.save();
    g.beginPath();
    g.rect(0, 0, width, drawn.height());
    g.clip();
    g.translate(window.shift(), 0);
    new Brush(g, font, inks, window.space(), LANE_SPACE)
        .paint(lane.primitives(), window.left(), window.right());
    g.restore();
    g.setFill(inks.lane());
    g.fillRect(0, 1, lane.scaleWidth() * LANE_SPACE, drawn.height() - 1);
    new Brush(g, font, inks, LANE_SPACE, LANE_SPACE).paint(lane.scale(), 0, lane.scaleWidth());
  }
}
