package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.List;

/**
 * How the line runs over a single note between two others, without a rest.
 *
 * @param turn 1 where it is higher than both, -1 where it is lower than both, else 0: the bow may
 *     cross for this one note and come back
 * @param comesBack whether the note before follows again
 * @param arpeggio 1 inside a rising arpeggio, -1 inside a falling one, else 0: three leaps or more
 *     in one direction, this note among the inner ones, and slow enough to move the hand on each
 * @param motion what it belongs to
 */
record Contour(int turn, boolean comesBack, int arpeggio, Motion motion) {
  /** What a note belongs to, by its neighbours. */
  enum Motion {
    /** By step from the note before and to the next in one direction, not both semitones. */
    SCALE,
    /** By leap from the note before or to the next. */
    BROKEN_CHORD,
    OTHER
  }

  static final Contour NONE = new Contour(0, false, 0, Motion.OTHER);

  /** The widest step, in semitones. */
  private static final int STEP = 2;

  /** Semitones from which a step is a leap: a minor third. */
  private static final int LEAP = 3;

  /** In quicker notes than this nobody moves the hand on each, in s (from memory). */
  private static final double CHAIN_S = 0.2;

  Contour withoutTurn() {
    return new Contour(0, comesBack, arpeggio, motion);
  }

  /**
   * How the line runs over a moment.
   *
   * @param seconds how long the moment lasts
   */
  static Contour of(ResolvedPassage passage, int i, double seconds) {
    int in = step(passage, i - 1);
    int out = step(passage, i);
    if (in == 0 || out == 0) {
      return new Contour(0, false, 0, motion(in, out));
    }
    int direction = Integer.signum(in);
    boolean leaps = seconds >= CHAIN_S && direction * in >= LEAP && direction * out >= LEAP;
    boolean goesOn =
        direction * step(passage, i - 2) >= LEAP || direction * step(passage, i + 1) >= LEAP;
    return new Contour(
        direction == Integer.signum(out) ? 0 : direction,
        in == -out,
        leaps && goesOn ? direction : 0,
        motion(in, out));
  }

  private static Motion motion(int in, int out) {
    boolean oneWay = Integer.signum(in) * Integer.signum(out) > 0;
    boolean steps = Math.abs(in) <= STEP && Math.abs(out) <= STEP;
    if (oneWay && steps && Math.abs(in + out) > STEP) {
      return Motion.SCALE;
    }
    boolean leaps = Math.abs(in) >= LEAP || Math.abs(out) >= LEAP;
    return leaps ? Motion.BROKEN_CHORD : Motion.OTHER;
  }

  /**
   * Semitones from a single note to the next; 0 when it is repeated, or no single note follows at
   * once.
   */
  private static int step(ResolvedPassage passage, int i) {
    List<Slice> slices = passage.slices();
    if (i < 0 || i + 1 >= slices.size()) {
      return 0;
    }
    Slice here = slices.get(i);
    Slice next = slices.get(i + 1);
    boolean joined = isSingle(here) && isSingle(next) && here.restAfter().signum() == 0;
    return joined ? midi(passage, next) - midi(passage, here) : 0;
  }

  boolean isScale() {
    return motion == Motion.SCALE;
  }

  boolean isBrokenChord() {
    return motion == Motion.BROKEN_CHORD;
  }

  private static boolean isSingle(Slice slice) {
    return slice.starting().size() == 1 && slice.held().isEmpty();
  }

  private static int midi(ResolvedPassage passage, Slice slice) {
    return passage.notes().get(slice.starting().get(0)).pitch().midi();
  }
}
