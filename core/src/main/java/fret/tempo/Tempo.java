package fret.tempo;

import java.util.Objects;

/**
 * A steady tempo: a note value and how many of it go by in a minute.
 *
 * @param perMinute above 0, at most 2000
 */
public record Tempo(Beat beat, double perMinute) {
  /** The fastest rate of any value. */
  public static final double MOST = 2000;

  public Tempo {
    Objects.requireNonNull(beat);
    if (!(perMinute > 0) || !(perMinute <= MOST)) {
      throw new IllegalArgumentException("tempo " + perMinute + " is outside 0 (excluded) to 2000");
    }
  }

  /** Milliseconds that a whole note lasts. */
  public double wholeNoteMs() {
    return 60_000.0 / perMinute / beat.length().doubleValue();
  }

  /** The rate at which another value goes by at this tempo, per minute. */
  public double perMinuteOf(Beat other) {
    return perMinute * beat.length().doubleValue() / other.length().doubleValue();
  }

  /** The same beat at another rate. */
  public Tempo at(double newPerMinute) {
    return new Tempo(beat, newPerMinute);
  }

  /** The same speed counted in another value. */
  public Tempo in(Beat other) {
    return new Tempo(other, perMinuteOf(other));
  }
}
