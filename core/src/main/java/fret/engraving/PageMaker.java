package fret.engraving;

import fret.score.Bar;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Lays text and music out on pages. Lines of music are filled to the margin; a page ends, where it
 * can, with a line that ends in a rest, so that there is time to turn.
 */
public final class PageMaker {
  private static final double MARGIN_MM = 15;

  /** Room under each line of music, in staff spaces. */
  private static final double GAP = 2.9;

  private static final double GUTTER_MM = 8;
  private static final int LINES_GIVEN_UP_FOR_A_TURN = 2;

  /** A rest of two whole notes is time enough to turn. */
  private static final double LONG_ENOUGH = 2;

  private final GlyphMetrics metrics;
  private final Page.Paper paper;
  private final double spaceMm;
  private final int columns;
  private boolean turns = true;
  private final List<Line> lines = new ArrayList<>();

  /**
   * A line of text or music that is waiting for its page.
   *
   * @param rest around its end, in whole notes; 0 for none and for text
   */
  private record Line(double heightMm, double baseMm, Page.Block block, double rest) {}

  /**
   * What is printed over a stretch of music.
   *
   * @param fromSlice first moment; {@code toSlice} last one
   */
  public record Bracket(int fromSlice, int toSlice, String text) {}

  /**
   * @param spaceMm staff space; 1.75 is a usual part, 2.2 large
   */
  public PageMaker(GlyphMetrics metrics, Page.Paper paper, double spaceMm) {
    this(metrics, paper, spaceMm, 1);
  }

  /**
   * @param columns on each page, filled one after the other
   */
  public PageMaker(GlyphMetrics metrics, Page.Paper paper, double spaceMm, int columns) {
    this.metrics = metrics;
    this.paper = paper;
    this.spaceMm = spaceMm;
    this.columns = columns;
  }

  /** Pages that are looked at, not played on: they are filled, wherever a rest would be. */
  public PageMaker dense() {
    turns = false;
    return this;
  }

  private double columnMm() {
    return (paper.widthMm() - 2 * MARGIN_MM - (columns - 1) * GUTTER_MM) / columns;
  }

  /** A line of text; long ones are cut at words. */
  public PageMaker text(String text, double sizeMm, Primitive.Text.Style style) {
    double room = columnMm();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ")) {
      boolean full = metrics.textWidth(line + " " + word, style) * sizeMm > room;
      if (full && line.length() > 0) {
        textLine(line.toString(), sizeMm, style);
        line.setLength(0);
      }
      line.append(line.length() == 0 ? "" : " ").append(word);
    }
    textLine(line.toString(), sizeMm, style);
    return this;
  }

  private void textLine(String text, double sizeMm, Primitive.Text.Style style) {
    lines.add(
        new Line(
            sizeMm * 1.5, sizeMm * 1.1, new Page.TextBlock(text, MARGIN_MM, 0, sizeMm, style), 0));
  }

  /** Empty room. */
  public PageMaker gap(double mm) {
    lines.add(new Line(mm, 0, new Page.TextBlock("", 0, 0, 1, Primitive.Text.Style.REGULAR), 0));
    return this;
  }

  /**
   * Music, over as many lines as it needs.
   *
   * @param shiftMarks moments during which the hand moves, with whether it moves up the string
   * @param brackets stretches to mark, such as chunks
   */
  public PageMaker music(
      ResolvedPassage passage,
      List<FingerText> fingers,
      Map<Integer, Boolean> shiftMarks,
      List<Bracket> brackets) {
    return music(passage, fingers, shiftMarks, brackets, axis -> List.of());
  }

  /**
   * The same with lanes under each line.
   *
   * @param lanes draws them on a line's axis
   */
  public PageMaker music(
      ResolvedPassage passage,
      List<FingerText> fingers,
      Map<Integer, Boolean> shiftMarks,
      List<Bracket> brackets,
      Function<Axis, List<LaneDrawing>> lanes) {
    double room = columnMm() / spaceMm;
    for (StaveLines.Line line : StaveLines.lay(passage, fingers, shiftMarks, metrics, room)) {
      List<LaneDrawing> drawn = lanes.apply(line.axis(passage));
      StaveLines.Line all = line.with(withBrackets(line, brackets)).withLanes(drawn);
      add(all.strip(), restAround(passage.score(), line.lastBar()), room);
    }
    return this;
  }

  /** Brackets over the line, in as many levels as they overlap. */
  private Strip withBrackets(StaveLines.Line line, List<Bracket> brackets) {
    Strip strip = line.strip();
    List<Primitive> all = new ArrayList<>(strip.primitives());
    double top = strip.top();
    double[] freeFrom = new double[6];
    int levels = 0;
    for (Bracket b : brackets) {
      var first = line.sliceHere().ceilingEntry(b.fromSlice());
      var last = line.sliceHere().floorEntry(b.toSlice());
      if (first == null || last == null || first.getKey() > b.toSlice()) {
        continue;
      }
      double left = strip.sliceX().get(first.getValue()) - 0.6;
      double right = endOf(strip, last.getValue());
      int level = 0;
      while (level < freeFrom.length - 1 && freeFrom[level] > left) {
        level++;
      }
      double width = metrics.textWidth(b.text(), Primitive.Text.Style.REGULAR) * 1.1;
      double textLeft = Math.min(left, strip.width() - StaveLines.AFTER - width);
      freeFrom[level] = Math.max(right, left + width) + 0.8;
      levels = Math.max(levels, level + 1);
      double y = top - 0.6 - level * 2.1;
      Primitive.Ink ink = Primitive.Ink.FAINT;
      all.add(new Primitive.Line(left, y, right, y, 0.12, false, ink, -1));
      all.add(new Primitive.Line(left, y, left, y + 0.5, 0.12, false, ink, -1));
      all.add(new Primitive.Line(right, y, right, y + 0.5, 0.12, false, ink, -1));
      all.add(
          new Primitive.Text(
              b.text(),
              textLeft,
              y - 0.35,
              1.1,
              width,
              Primitive.Text.Style.REGULAR,
              false,
              ink,
              -1));
    }
    double higher = levels == 0 ? top : top - 0.6 - levels * 2.1;
    return new Strip(
        all, strip.width(), higher, strip.bottom(), strip.sliceX(), strip.bars(), strip.onsetX());
  }

  /** Up to the next note, or the end of the bar. */
  private static double endOf(Strip strip, int slice) {
    double x = strip.sliceX().get(slice);
    double bar =
        strip.bars().stream()
            .filter(b -> b.left() <= x && x < b.right())
            .mapToDouble(b -> b.right() - 0.6)
            .findFirst()
            .orElse(x + 0.7);
    boolean isLast = slice + 1 >= strip.sliceX().size();
    double next = isLast ? bar : strip.sliceX().get(slice + 1) - 1.2;
    return Math.max(x + 0.7, Math.min(bar, next));
  }

  /** A bar that is too full for the line is set smaller, so that nothing passes the margin. */
  private void add(Strip strip, double rest, double room) {
    double space = spaceMm * Math.min(1, room / Math.max(1, strip.width() - StaveLines.AFTER));
    double above = -strip.top() * space;
    double height = (strip.bottom() - strip.top()) * space + GAP * space;
    lines.add(
        new Line(height, above, new Page.MusicBlock(strip, MARGIN_MM - space, 0, space), rest));
  }

  /** How long nothing is played around the end of a bar, in whole notes. */
  private static double restAround(Score score, int bar) {
    double rest = 0;
    boolean rests = true;
    for (int b = bar; b >= 0 && rests; b--) {
      Bar here = score.bars().get(b);
      Fraction last = lastSound(here);
      rest += here.end().subtract(last).doubleValue();
      rests = last.equals(here.start());
    }
    rests = true;
    for (int b = bar + 1; b < score.bars().size() && rests; b++) {
      Bar here = score.bars().get(b);
      Fraction first = firstSound(here);
      rest += first.subtract(here.start()).doubleValue();
      rests = first.equals(here.end());
    }
    return rest;
  }

  private static Fraction lastSound(Bar bar) {
    return bar.events().stream()
        .filter(e -> !e.isRest())
        .map(Event::end)
        .max(Fraction::compareTo)
        .orElse(bar.start());
  }

  private static Fraction firstSound(Bar bar) {
    return bar.events().stream()
        .filter(e -> !e.isRest())
        .map(Event::onset)
        .min(Fraction::compareTo)
        .orElse(bar.end());
  }

  /** Height of all of it in one column, in mm. */
  public double heightMm() {
    return lines.stream().mapToDouble(Line::heightMm).sum();
  }

  /** The pages. */
  public List<Page> pages() {
    double room = paper.heightMm() - 2 * MARGIN_MM;
    List<List<Page.Block>> filled = new ArrayList<>();
    int from = 0;
    while (from < lines.size()) {
      double height = 0;
      int to = from;
      while (to < lines.size() && (to == from || height + lines.get(to).heightMm() <= room)) {
        height += lines.get(to).heightMm();
        to++;
      }
      to = turn(from, to);
      filled.add(column(lines.subList(from, to), filled.size() % columns));
      from = to;
    }
    List<Page> pages = new ArrayList<>();
    for (int c = 0; c < filled.size(); c += columns) {
      List<Page.Block> blocks = new ArrayList<>();
      filled.subList(c, Math.min(filled.size(), c + columns)).forEach(blocks::addAll);
      pages.add(new Page(paper, blocks));
    }
    return pages;
  }

  /** An earlier end of the page where the longest rest gives time to turn; else as it is. */
  private int turn(int from, int to) {
    if (to >= lines.size()) {
      return to;
    }
    int best = to;
    double longest = 0;
    int least = Math.max(from + 1, to - LINES_GIVEN_UP_FOR_A_TURN);
    for (int end = to; turns && end >= least; end--) {
      if (Math.min(LONG_ENOUGH, lines.get(end - 1).rest()) > longest) {
        longest = Math.min(LONG_ENOUGH, lines.get(end - 1).rest());
        best = end;
      }
    }
    if (longest > 0) {
      return best;
    }
    // A heading does not stay alone at the foot of a page, however many lines it has.
    int end = to;
    while (end > from && lines.get(end - 1).block() instanceof Page.TextBlock) {
      end--;
    }
    return end > from ? end : to;
  }

  private List<Page.Block> column(List<Line> of, int which) {
    double right = which * (columnMm() + GUTTER_MM);
    List<Page.Block> blocks = new ArrayList<>();
    double y = MARGIN_MM;
    for (Line line : of) {
      double base = y + line.baseMm();
      if (line.block() instanceof Page.TextBlock t) {
        blocks.add(new Page.TextBlock(t.text(), t.xMm() + right, base, t.sizeMm(), t.style()));
      } else if (line.block() instanceof Page.MusicBlock m) {
        blocks.add(new Page.MusicBlock(m.strip(), m.xMm() + right, base, m.spaceMm()));
      }
      y += line.heightMm();
    }
    return blocks;
  }
}
