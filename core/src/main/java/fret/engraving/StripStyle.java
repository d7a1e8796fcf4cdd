package fret.engraving;

import fret.score.Bar;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * How a stave is set.
 *
 * @param stretch room between notes against the natural one, 0.5 to 4
 * @param collapseRests whether bars of rest in a row are drawn as one with their number
 * @param before the bar before, when the stave goes on from another line: clef and key are
 *     repeated, the metre is not
 * @param shiftMarks moments during which the hand moves, with whether it moves up the string
 */
public record StripStyle(
    double stretch, boolean collapseRests, Optional<Bar> before, Map<Integer, Boolean> shiftMarks) {
  /** The strip in the window. */
  public static final StripStyle PLAIN = new StripStyle(1, true, Optional.empty(), Map.of());

  /** While writing every bar is there. */
  public static final StripStyle WRITING = new StripStyle(1, false, Optional.empty(), Map.of());

  public StripStyle {
    Objects.requireNonNull(before);
    shiftMarks = Map.copyOf(shiftMarks);
    if (!(stretch >= 0.5) || !(stretch <= 4)) {
      throw new IllegalArgumentException("stretch " + stretch + " is outside 0.5 to 4");
    }
  }

  public StripStyle withShiftMarks(Map<Integer, Boolean> other) {
    return new StripStyle(stretch, collapseRests, before, other);
  }

  StripStyle withStretch(double other) {
    return new StripStyle(other, collapseRests, before, shiftMarks);
  }
}
