package fret.engraving;

import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * A passage in lines, as large as lets the whole of it be seen at once. What does not fit at the
 * smallest readable size has that size, and is turned.
 *
 * @param space staff space, in px
 * @param isWhole whether all of it is seen at once
 */
public record FittedLines(List<StaveLines.Line> lines, double space, boolean isWhole) {
  /** Between two lines, in staff spaces: more than within one. */
  public static final double GAP = 1.6;

  private static final double STEP = 0.5;

  /** A guess that is too high by this share is tried all the same. */
  private static final double SLACK = 1.15;

  /**
   * Where it stands.
   *
   * @param width of a line, in px; {@code height} of all of them
   * @param least staff space that is still read, in px; {@code most} the largest
   */
  public record Room(double width, double height, double least, double most) {
    public Room {
      if (!(least > 0) || least > most) {
        throw new IllegalArgumentException("staff space from " + least + " to " + most);
      }
    }
  }

  public FittedLines {
    lines = List.copyOf(lines);
  }

  /**
   * Lays a passage out in a room.
   *
   * @param lanes draws what stands under each line
   */
  public static FittedLines fit(
      ResolvedPassage passage,
      List<FingerText> fingers,
      GlyphMetrics metrics,
      Room room,
      Function<Axis, List<LaneDrawing>> lanes) {
    Strip natural = StripEngraver.engrave(passage, fingers, metrics);
    double lane = lanes.apply(Axis.of(natural)).stream().mapToDouble(LaneDrawing::height).sum();
    double line = natural.bottom() - natural.top() + lane + GAP;
    for (double space = room.most(); space > room.least(); space -= STEP) {
      double guess = Math.ceil(natural.width() * space / room.width() * 0.8);
      // Not every line is as tall as all of them together.
      if (guess * line * space * 0.6 > room.height() * SLACK) {
        continue;
      }
      List<StaveLines.Line> lines = at(space, passage, fingers, metrics, room, lanes);
      if (height(lines) * space <= room.height() && fitsAcross(lines, space, room)) {
        return new FittedLines(lines, space, true);
      }
    }
    List<StaveLines.Line> lines = at(room.least(), passage, fingers, metrics, room, lanes);
    return new FittedLines(lines, room.least(), height(lines) * room.least() <= room.height());
  }

  private static List<StaveLines.Line> at(
      double space,
      ResolvedPassage passage,
      List<FingerText> fingers,
      GlyphMetrics metrics,
      Room room,
      Function<Axis, List<LaneDrawing>> lanes) {
    List<StaveLines.Line> made = new ArrayList<>();
    for (StaveLines.Line line :
        StaveLines.lay(passage, fingers, Map.of(), metrics, room.width() / space)) {
      made.add(line.withLanes(lanes.apply(line.axis(passage))));
    }
    return made;
  }

  private static boolean fitsAcross(List<StaveLines.Line> lines, double space, Room room) {
    return lines.stream()
        .allMatch(l -> (l.strip().width() - StaveLines.AFTER) * space <= room.width() + 0.5);
  }

  private static double height(List<StaveLines.Line> lines) {
    return lines.stream().mapToDouble(FittedLines::heightOf).sum() - GAP;
  }

  /** Height of a line with the gap below it, in staff spaces. */
  public static double heightOf(StaveLines.Line line) {
    return line.strip().bottom() - line.strip().top() + GAP;
  }

  /** The line on which a moment stands; -1 for none. */
  public int lineOf(int slice) {
    for (int i = 0; i < lines.size(); i++) {
      if (lines.get(i).sliceHere().containsKey(slice)) {
        return i;
      }
    }
    return -1;
  }

  /** The last line that is seen whole together with one that stands first. */
  public int lastWith(int first, double height) {
    double used = -GAP * space;
    int last = first;
    for (int i = first; i < lines.size(); i++) {
      used += heightOf(lines.get(i)) * space;
      if (used > height) {
        break;
      }
      last = i;
    }
    return last;
  }
}
