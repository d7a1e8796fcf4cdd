package fret.plan;

import fret.journal.Verdict;
import java.util.Optional;

/**
 * A pedal that judges: a short press is clean; held for 0.6 s, or tapped twice for pedals that only
 * tap, it is missed.
 */
public final class Pedal {
  /** How a miss is told. */
  public enum Way {
    HELD,
    TAPPED_TWICE
  }

  /** From here on a press is a long one, and until then a second tap belongs to the first. */
  public static final long LONG_MS = 600;

  private final Way way;
  private long down = -1;
  private long tapped = -1;

  public Pedal(Way way) {
    this.way = way;
  }

  /** It goes down; a key that repeats itself while it is held is one press. */
  public void down(long ms) {
    if (down < 0) {
      down = ms;
    }
  }

  /** It comes up; what that tells, if it tells something at once. */
  public Optional<Verdict> up(long ms) {
    if (down < 0) {
      return Optional.empty();
    }
    long held = ms - down;
    down = -1;
    if (way == Way.HELD) {
      return Optional.of(held >= LONG_MS ? Verdict.MISSED : Verdict.CLEAN);
    }
    if (tapped >= 0 && ms - tapped < LONG_MS) {
      tapped = -1;
      return Optional.of(Verdict.MISSED);
    }
    tapped = ms;
    return Optional.empty();
  }

  /** Time has gone by: a tap that stayed alone is clean. */
  public Optional<Verdict> settled(long ms) {
    if (tapped >= 0 && ms - tapped >= LONG_MS) {
      tapped = -1;
      return Optional.of(Verdict.CLEAN);
    }
    return Optional.empty();
  }
}
