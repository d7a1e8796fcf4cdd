package fret.engraving;

import fret.score.Bar;
import fret.score.Score;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * How a stave is set.
 *
 * @param stretch room between notes against the natural one, 0.5 to 4
 * @param collapseRests whether bars of rest in a row are drawn as one with their number
 * @param lineOf the whole that the stave is one line of: what goes on from the line before is taken
 *     up, what goes on is led to the end, and the next line's key, metre and clef are told ahead
 * @param shiftMarks moments during which the hand moves, with whether it moves up the string
 */
public record StripStyle(
    double stretch,
    boolean collapseRests,
    Optional<Score> lineOf,
    Map<Integer, Boolean> shiftMarks) {
  /** The strip in the window. */
  public static final StripStyle PLAIN = new StripStyle(1, true, Optional.empty(), Map.of());

  /** While writing every bar is there. */
  public static final StripStyle WRITING = new StripStyle(1, false, Optional.empty(), Map.of());

  /** With other parts under it, which play in its rests. */
  public static final StripStyle OVER_OTHERS =
      new StripStyle(1.5, false, Optional.empty(), Map.of());

  public StripStyle {
    Objects.requireNonNull(lineOf);
    shiftMarks = Map.copyOf(shiftMarks);
    if (!(stretch >= 0.5) || !(stretch <= 4)) {
      throw new IllegalArgumentException("stretch " + stretch + " is outside 0.5 to 4");
    }
  }

  public StripStyle withShiftMarks(Map<Integer, Boolean> other) {
    return new StripStyle(stretch, collapseRests, lineOf, other);
  }

  StripStyle withStretch(double other) {
    return new StripStyle(other, collapseRests, lineOf, shiftMarks);
  }

  /** The bar before a line that begins with one; empty at the start. */
  Optional<Bar> before(Bar first) {
    return lineOf.flatMap(
        s -> s.bars().stream().filter(b -> b.end().equals(first.start())).findFirst());
  }

  /** The bar after one, on this line or the next. */
  Optional<Bar> after(Score line, Bar bar) {
    return line.after(bar).or(() -> lineOf.flatMap(s -> s.after(bar)));
  }
}
