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

  /** A last line that takes less than this share of the width is a rest. */
  private static final double REST = 0.45;

  /** So much smaller notes may be to spare it. */
  private static final double SMALLER = 0.75;

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
    Layout layout = new Layout(passage, fingers, metrics, room, lanes);
    int least = 0;
    int most = (int) Math.floor((room.most() - room.least()) / STEP);
    // The larger the notes the more lines there are: by halves to the largest that fit.
    while (least < most) {
      int middle = (least + most + 1) / 2;
      boolean fits = layout.fits(layout.at(room.least() + middle * STEP, false));
      least = fits ? middle : least;
      most = fits ? most : middle - 1;
    }
    double space = layout.withoutRest(room.least() + least * STEP);
    FittedLines made = layout.at(space, true);
    // Spread to the margin a line may be a little taller.
    while (!layout.fits(made) && made.space() > room.least()) {
      made = layout.at(made.space() - STEP, true);
    }
    return new FittedLines(made.lines(), made.space(), layout.fits(made));
  }

  /** What is laid out, and where. */
  private record Layout(
      ResolvedPassage passage,
      List<FingerText> fingers,
      GlyphMetrics metrics,
      Room room,
      Function<Axis, List<LaneDrawing>> lanes) {
    FittedLines at(double space, boolean spread) {
      List<StaveLines.Line> made = new ArrayList<>();
      double width = room.width() / space;
      for (StaveLines.Line line :
          StaveLines.lay(passage, fingers, Map.of(), metrics, width, spread)) {
        made.add(line.withLanes(lanes.apply(line.axis(passage))));
      }
      return new FittedLines(made, space, true);
    }

    /** A little smaller, where a line for a few notes alone is spared by it. */
    double withoutRest(double space) {
      List<StaveLines.Line> lines = at(space, false).lines();
      Strip last = lines.get(lines.size() - 1).strip();
      if (lines.size() == 1 || last.width() * space > room.width() * REST) {
        return space;
      }
      for (double s = space - STEP; s >= Math.max(room.least(), space * SMALLER); s -= STEP) {
        if (at(s, false).lines().size() < lines.size()) {
          return s;
        }
      }
      return space;
    }

    boolean fits(FittedLines f) {
      return height(f.lines()) * f.space() <= room.height()
          && fitsAcross(f.lines(), f.space(), room);
    }
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
