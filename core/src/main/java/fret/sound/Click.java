package fret.sound;

import java.util.Objects;

/**
 * One click of a stream.
 *
 * @param seconds from the start of the stream, 0 or more
 * @param count what is counted on it: the beat of the bar from 1, 0 between beats
 * @param play which play of a set it belongs to, from 0
 */
public record Click(double seconds, Strength strength, int count, int play) {
  /** How a click sounds. */
  public enum Strength {
    /** Before the start, higher, so that the start is heard. */
    COUNT_IN(0.85, 2349),
    STRONG(1, 1760),
    MEDIUM(0.7, 1320),
    WEAK(0.5, 1320),
    /** Between the counted clicks. */
    BETWEEN(0.35, 1320),
    /** A note of the others that leads to an entry. */
    CUE(0.6, 990),
    /** Where a note must end. */
    END(0.25, 880),
    /** Seen, not heard. */
    SILENT(0, 1320);

    private final double gain;
    private final double hertz;

    Strength(double gain, double hertz) {
      this.gain = gain;
      this.hertz = hertz;
    }

    double gain() {
      return gain;
    }

    double hertz() {
      return hertz;
    }
  }

  public Click {
    Objects.requireNonNull(strength);
    if (!(seconds >= 0)) {
      throw new IllegalArgumentException("click at " + seconds + " s");
    }
  }

  Click later(double by, int ofPlay) {
    return new Click(seconds + by, strength, count, ofPlay);
  }

  Click as(Strength other) {
    return new Click(seconds, other, count, play);
  }
}
