package fret.search;

import java.util.List;
import java.util.Optional;

/**
 * A point that slides to and fro along a ruler: every span moves it up or down by a length, spans
 * follow each other over boundaries, and at a boundary the point turns, goes on the same way, or is
 * lifted to another place.
 *
 * <p>What a span costs is the sum of what it costs by side, by length, by start, by middle and by
 * end, so that tables of each price every edge with a few additions.
 *
 * @param <S> a span
 */
public interface RulerProblem<S extends RulerProblem.Span> {
  /** Towards the far end of the ruler. */
  int DOWN = 0;

  /** Towards its beginning. */
  int UP = 1;

  /** A stretch over one boundary or more during which the point slides one way. */
  interface Span {
    /** The boundary at which it ends, above the one at which it starts. */
    int to();

    /**
     * Effort by side, 0 or more, {@link #DOWN} or {@link #UP}; infinite where the side is not
     * allowed.
     */
    double bySide(int side);

    /**
     * Effort by length, 0 or more, finite from {@link #least} to {@link #most}; below least it is
     * asked only for what is left up to an end of the ruler.
     *
     * @param step grid on which the length was chosen: what rounding to it brings costs nothing
     */
    double byLength(double length, double step);

    /** Effort by start, 0 or more; which way the span goes may matter. */
    double byStart(int side, double place);

    /** Whether {@link #byStart} depends on the side. */
    default boolean startsBySide() {
      return false;
    }

    /** Spans of equal keys cost the same by length; empty for one that stands alone. */
    default Optional<Object> lengthKey() {
      return Optional.empty();
    }

    /** Spans of equal keys cost the same by end. */
    default Optional<Object> endKey() {
      return Optional.empty();
    }

    /** Effort by middle, 0 or more. */
    double byMiddle(double place);

    /** Whether {@link #byMiddle} is other than 0 anywhere. */
    default boolean hasMiddle() {
      return true;
    }

    /** Effort by end, 0 or more. */
    double byEnd(double place);

    /** Whether another span of the same ruler ends at the same boundary and costs the same. */
    default boolean costsLike(Span other) {
      return equals(other);
    }

    /** Least length, 0 or more. */
    double least();

    double most();
  }

  /** Boundaries, the first 0 and the last included. */
  int layers();

  /** Length of the ruler, above 0. */
  double length();

  /** The spans that start at a boundary, in a fixed order. */
  List<S> spans(int layer);

  /** Effort of turning at an inner boundary; infinite where that is not allowed. */
  double turn(int layer);

  /** Effort of going on the same way at an inner boundary. */
  double again(int layer);

  /** Effort of lifting the point at an inner boundary and setting it down elsewhere. */
  double lift(int layer, double distance);

  /** Boundaries of equal keys cost the same to lift over; empty for one that stands alone. */
  default Optional<Object> liftKey(int layer) {
    return Optional.empty();
  }

  /** Whether turning, going on and lifting are the same class at a boundary. */
  boolean isFree(int layer);
}
