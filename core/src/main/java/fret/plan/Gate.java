package fret.plan;

import fret.journal.Verdict;
import fret.tempo.Ladder;
import fret.tempo.Level;

/**
 * Where a player stands on the ladder within a practice item: clean tries in a row move up, a miss
 * goes slower or repeats, pain stops.
 *
 * @param level tempo and click of the next try
 * @param cleanInRow clean tries at this level so far
 * @param end whether the item is over, and how
 * @param smallSteps whether every clean try is a little faster than the one before, so that the
 *     tries which close a level lead to the next
 */
public record Gate(
    Ladder ladder, Settings settings, Level level, int cleanInRow, End end, boolean smallSteps) {
  /** How an item ends. */
  public enum End {
    /** It does not yet. */
    OPEN,
    /** All was closed. */
    CLOSED,
    HURT
  }

  /**
   * The player's habits.
   *
   * @param cleanNeeded clean tries in a row that move up, 1 to 10
   * @param slowerAfterMiss whether a miss goes a level slower at once, or repeats
   */
  public record Settings(int cleanNeeded, boolean slowerAfterMiss) {
    public static final Settings USUAL = new Settings(3, true);

    public Settings {
      if (cleanNeeded < 1 || cleanNeeded > 10) {
        throw new IllegalArgumentException(cleanNeeded + " clean tries are outside 1 to 10");
      }
    }
  }

  /** At the start of an item. */
  public static Gate at(Ladder ladder, Settings settings, Level level) {
    return new Gate(ladder, settings, level, 0, End.OPEN, false);
  }

  /** The same in small steps; a slow line, which keeps its tempo, has none. */
  public Gate inSmallSteps() {
    return new Gate(ladder, settings, level, cleanInRow, end, !ladder.isSlow());
  }

  /** The item is over with one more clean try. */
  public Gate over() {
    return new Gate(ladder, settings, level, cleanInRow + 1, End.CLOSED, smallSteps);
  }

  /** Whether the item is over. */
  public boolean stopped() {
    return end != End.OPEN;
  }

  /** Whether it is over because it hurt. */
  public boolean hurt() {
    return end == End.HURT;
  }

  public double perMinute() {
    return level.perMinute();
  }

  /** The same place on the ladder under other habits. */
  public Gate with(Settings other) {
    return new Gate(ladder, other, level, cleanInRow, end, smallSteps);
  }

  /** At another tempo or click, from the start. */
  public Gate with(Level other) {
    return at(other, 0, End.OPEN);
  }

  private Gate at(Level other, int row, End how) {
    return new Gate(ladder, settings, other, row, how, smallSteps);
  }

  /** After a try. */
  public Gate after(Verdict verdict) {
    return switch (verdict) {
      case CLEAN -> clean();
      case NEARLY -> at(level, 0, End.OPEN);
      case MISSED -> at(settings.slowerAfterMiss() ? slower() : level, 0, End.OPEN);
      case HURTS -> at(level, 0, End.HURT);
    };
  }

  /**
   * After the plays of a set, judged alike. All of them were at one level: those after the one that
   * opened the next say nothing of it.
   */
  public Gate after(Verdict verdict, int plays) {
    Gate then = this;
    for (int i = 0; i < plays; i++) {
      boolean counts = !then.stopped() && (smallSteps || then.level.equals(level));
      then = counts ? then.after(verdict) : then;
    }
    return then;
  }

  private Gate clean() {
    boolean top = level.equals(ladder.top()) || !ladder.isSlow() && perMinute() >= ladder.target();
    int row = cleanInRow + 1;
    if (smallSteps && !top) {
      Level next = ladder.above(level);
      Level step = step(1);
      return step.perMinute() >= next.perMinute() ? at(next, 0, End.OPEN) : at(step, row, End.OPEN);
    }
    return row < settings.cleanNeeded()
        ? at(level, row, End.OPEN)
        : at(ladder.above(level), 0, top ? End.CLOSED : End.OPEN);
  }

  private Level slower() {
    return smallSteps ? step(-1) : ladder.below(level);
  }

  /** A step up or down: the way between two levels over the tries that close one, to a half. */
  private Level step(int by) {
    boolean on = ladder.levels().contains(level);
    Level low = on && by > 0 ? level : ladder.below(level);
    Level high = on && by < 0 ? level : ladder.above(level);
    double width = (high.perMinute() - low.perMinute()) / settings.cleanNeeded();
    double wanted = Math.round((perMinute() + by * Math.max(0.5, width)) * 2) / 2.0;
    return Level.at(Math.max(ladder.start(), wanted));
  }
}
