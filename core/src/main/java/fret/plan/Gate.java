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
 * @param stopped the item is over: the top level was closed, or it hurt
 */
public record Gate(Ladder ladder, Settings settings, Level level, int cleanInRow, boolean stopped) {
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
    return new Gate(ladder, settings, level, 0, false);
  }

  public double perMinute() {
    return level.perMinute();
  }

  /** The same place on the ladder under other habits. */
  public Gate with(Settings other) {
    return new Gate(ladder, other, level, cleanInRow, stopped);
  }

  /** At another tempo or click, from the start. */
  public Gate with(Level other) {
    return new Gate(ladder, settings, other, 0, false);
  }

  /** After a try. */
  public Gate after(Verdict verdict) {
    return switch (verdict) {
      case CLEAN -> {
        int row = cleanInRow + 1;
        if (row < settings.cleanNeeded()) {
          yield new Gate(ladder, settings, level, row, false);
        }
        boolean top =
            level.equals(ladder.top()) || !ladder.isSlow() && perMinute() >= ladder.target();
        yield new Gate(ladder, settings, ladder.above(level), 0, top);
      }
      case NEARLY -> new Gate(ladder, settings, level, 0, false);
      case MISSED ->
          new Gate(
              ladder, settings, settings.slowerAfterMiss() ? ladder.below(level) : level, 0, false);
      case HURTS -> new Gate(ladder, settings, level, 0, true);
    };
  }
}
