package fret.sound;

import java.util.List;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What the click does in some bars, other than elsewhere.
 *
 * @param fromBar printed number of the first bar, {@code toBar} of the last one
 * @param values the running value of the others; the values of a cue, last one before the end of
 *     the last bar; none for other kinds
 */
public record ClickRange(String fromBar, String toBar, Kind kind, List<Fraction> values) {
  /** What it does. */
  public enum Kind {
    /** The running value of the others is heard between the counted clicks. */
    RUNNING,
    /** Nothing is heard. */
    SILENT,
    /** Free: the bar alone is given. */
    FREE_BARS,
    /** Free: nothing is given. */
    FREE,
    /** The last notes of the others before an entry. */
    CUE,
    /** The others stop: here one rushes. */
    RUSH
  }

  public ClickRange {
    Objects.requireNonNull(fromBar);
    Objects.requireNonNull(toBar);
    Objects.requireNonNull(kind);
    values = List.copyOf(values);
    boolean valued = kind == Kind.RUNNING || kind == Kind.CUE;
    boolean right = valued ? !values.isEmpty() : values.isEmpty();
    if (!right || values.stream().anyMatch(v -> v.signum() <= 0)) {
      throw new IllegalArgumentException(kind + " with the values " + values);
    }
  }

  /** Whether a bar is in it, by its printed number. */
  public boolean has(String bar) {
    try {
      int at = Integer.parseInt(bar);
      return at >= Integer.parseInt(fromBar) && at <= Integer.parseInt(toBar);
    } catch (NumberFormatException e) {
      return bar.equals(fromBar) || bar.equals(toBar); // Numbers such as 12a have no order.
    }
  }
}
