package fret.bowing;

import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;

/**
 * Where on the hair a plain short stroke lives: softer nearer the tip, louder nearer the frog,
 * quick ones in the middle, low instruments lower. All figures are common practice, no source, from
 * memory; they are data. Longer strokes may lie anywhere.
 *
 * @param from nearest to the frog, as a share of the hair; {@code to} nearest to the tip
 */
record PlaceWindow(double from, double to) {
  /** To each side of the middle of a window, as a share of the hair. */
  static final double HALF = 0.15;

  /** Priced a little narrower, so that what is rounded still lies within. */
  private static final double PRICED = 0.02;

  /** Strokes from this share of the hair on may lie anywhere. */
  static final double LONG_SHARE = 1.0 / 3;

  /** Whether a stroke has a window: a plain one that is short. */
  static boolean isFor(StrokeKind kind, double naturalCm, double hairCm) {
    boolean plain = kind == StrokeKind.DETACHE || kind == StrokeKind.LEGATO;
    return plain && naturalCm < LONG_SHARE * hairCm;
  }

  private static final double QUICK_RATE = 8;

  /** Levels from p to mf count as one step. */
  private static final double SOFT_STEP = 2;

  /** An accent begins so much lower. */
  private static final double ACCENTED = 0.1;

  /** A player who lives in one half stays so far from the usual place. */
  private static final double OWN_HALF = 0.2;

  /** The middle of the window as a share of the hair. */
  double middle() {
    return (from + to) / 2;
  }

  /** The part of it that costs nothing. */
  PlaceWindow priced() {
    return new PlaceWindow(from + PRICED, to - PRICED);
  }

  /** How far outside a place lies, as a share of the hair. */
  double outside(double share) {
    return Math.max(0, Math.max(from - share, share - to));
  }

  /**
   * The window of equal strokes.
   *
   * @param level how loud, 2 for p, 4 for mf
   * @param rate strokes a second
   */
  static PlaceWindow of(
      InstrumentType type, double level, double rate, boolean accented, BowHabits habits) {
    boolean quick = rate >= QUICK_RATE;
    double middle =
        quick ? habits.places().quick() : habits.places().middle(steps(level)) - lower(type);
    middle -= accented ? ACCENTED : 0;
    middle += habits.has(BowHabit.Way.UPPER_HALF) ? OWN_HALF : 0;
    middle -= habits.has(BowHabit.Way.LOWER_HALF) ? OWN_HALF : 0;
    double kept = Math.max(HALF, Math.min(1 - HALF, middle));
    return new PlaceWindow(kept - HALF, kept + HALF);
  }

  /** p 0, mf 1, f 2, ff 3, in between in proportion. */
  private static double steps(double level) {
    double soft = (level - LoudnessLine.PIANO) / SOFT_STEP;
    double loud = 1 + level - LoudnessLine.MEZZO_FORTE;
    return Math.max(0, Math.min(3, level < LoudnessLine.MEZZO_FORTE ? soft : loud));
  }

  private static double lower(InstrumentType type) {
    return switch (type) {
      case VIOLIN, VIOLA -> 0;
      case CELLO -> 0.05;
      case BASS -> 0.1;
    };
  }
}
