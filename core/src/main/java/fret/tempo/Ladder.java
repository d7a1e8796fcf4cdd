package fret.tempo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;

/**
 * The tempo ladder of a passage: five to nine levels from half the target (or a start of the
 * player's own) up to the target (common practice, no source); or, for a slow line, one tempo with
 * a click that thins out.
 *
 * @param counted the value that its tempos count
 * @param levels the last is the target; tempos rise, or stay the same throughout
 */
public record Ladder(Beat counted, List<Level> levels) {
  private static final int FEWEST = 5;
  private static final int MOST = 9;
  private static final int[] TIDY = {10, 5, 4, 2, 1};
  private static final int[] COARSE = {20, 25, 50, 100};
  private static final double GEOMETRIC_STEP = 1.125;
  private static final double[] BY_FOUR = {4, 2, 1};
  private static final double[] BY_THREE = {3, 1};

  public Ladder {
    Objects.requireNonNull(counted);
    levels = List.copyOf(levels);
    if (levels.isEmpty()) {
      throw new IllegalArgumentException("a ladder needs a level");
    }
    boolean slow = levels.get(0).perMinute() == levels.get(levels.size() - 1).perMinute();
    for (int i = 1; i < levels.size(); i++) {
      double before = levels.get(i - 1).perMinute();
      double now = levels.get(i).perMinute();
      if (slow ? now != before : now <= before) {
        throw new IllegalArgumentException("levels do not rise: " + levels);
      }
    }
  }

  /** A ladder in quarters. */
  public Ladder(List<Level> levels) {
    this(Beat.QUARTER, levels);
  }

  /** The same numbers counted in another value. */
  public Ladder in(Beat other) {
    return new Ladder(other, levels);
  }

  /** Only its first levels. */
  public Ladder upTo(int size) {
    return new Ladder(counted, levels.subList(0, size));
  }

  /** The tempo of a level. */
  public Tempo at(Level level) {
    return new Tempo(counted, level.perMinute());
  }

  /** Seconds of so many whole notes at a rate in the counted value. */
  public double seconds(double notes, double perMinute) {
    return notes * new Tempo(counted, perMinute).wholeNoteMs() / 1000;
  }

  /** From half the target, on even tidy steps. */
  public static Ladder toTarget(int target) {
    return between((int) Math.round(target / 2.0), target);
  }

  /**
   * A ladder of some kind.
   *
   * @param start the first level; 0 for half the target
   * @throws IllegalArgumentException if {@code target} is below 2 or {@code start} is not below it
   */
  public static Ladder of(LadderKind kind, double start, int target) {
    double from = start > 0 ? start : target / 2.0;
    return switch (kind) {
      case EVEN -> between((int) Math.round(from), target);
      case GEOMETRIC -> geometric(from, target);
      case METRONOME -> onMetronome(from, target);
    };
  }

  /**
   * From a start of one's own, on the largest of the steps 10, 5, 4, 2 and 1 that gives at least
   * five levels; when that gives more than nine, on the smallest of 20, 25, 50 and 100 that gives
   * no more than nine. The steps count down from the target, so that only the first one may be
   * smaller or larger, by half at most.
   *
   * @throws IllegalArgumentException if {@code start} is below 1 or {@code start >= target}
   */
  public static Ladder between(int start, int target) {
    refuse(start, target);
    List<Level> levels = List.of();
    for (int step : TIDY) {
      levels = down(start, target, step);
      if (levels.size() >= FEWEST) {
        break;
      }
    }
    for (int step : COARSE) {
      if (levels.size() <= MOST) {
        break;
      }
      levels = down(start, target, step);
    }
    return new Ladder(levels);
  }

  /** About an eighth faster from level to level, to the nearest half. */
  private static Ladder geometric(double start, int target) {
    refuse(start, target);
    double wanted = Math.log(target / start) / Math.log(GEOMETRIC_STEP);
    int steps = (int) Math.max(FEWEST - 1, Math.min(MOST - 1, Math.round(wanted)));
    List<Level> levels = new ArrayList<>();
    for (int i = 0; i <= steps; i++) {
      double exact = start * Math.pow(target / start, i / (double) steps);
      double tempo = i == steps ? target : Math.round(exact * 2) / 2.0;
      if (levels.isEmpty() || tempo > levels.get(levels.size() - 1).perMinute()) {
        levels.add(Level.at(tempo));
      }
    }
    return new Ladder(levels);
  }

  /** On the numbers of the classic metronome from half the target on. */
  public static Ladder onMetronome(int target) {
    return onMetronome(target / 2.0, target);
  }

  /**
   * Five to nine of the metronome's numbers, as evenly spread as they lie; even steps where it has
   * fewer.
   */
  private static Ladder onMetronome(double start, int target) {
    refuse(start, target);
    List<Double> all = new ArrayList<>();
    for (double n : MetronomeScale.withHalves()) {
      if (n >= start && n < target) {
        all.add(n);
      }
    }
    all.add((double) target);
    if (all.size() < FEWEST) {
      return between((int) Math.round(start), target);
    }
    int count = Math.min(all.size(), Math.max(FEWEST, Math.min(MOST, (all.size() + 1) / 2)));
    List<Level> chosen = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      int at = count == 1 ? all.size() - 1 : Math.round(i * (all.size() - 1) / (float) (count - 1));
      chosen.add(Level.at(all.get(at)));
    }
    return new Ladder(chosen);
  }

  /**
   * The rungs of a slow line: the tempo stays, the click thins from four a beat (three where the
   * beat is dotted) to two, one, one a bar and none, and comes back to check.
   *
   * @param beatsPerBar above 1 for a rung with one click a bar
   */
  public static Ladder ofRungs(Tempo target, double beatsPerBar) {
    boolean dotted = target.beat().length().getNumerator() % 3 == 0;
    Ladder ladder = ofRungs(target.perMinute(), beatsPerBar, dotted ? BY_THREE : BY_FOUR);
    return ladder.in(target.beat());
  }

  /** The same in quarters. */
  public static Ladder ofRungs(double target, double beatsPerBar) {
    return ofRungs(target, beatsPerBar, BY_FOUR);
  }

  private static Ladder ofRungs(double target, double beatsPerBar, double[] divisions) {
    List<Level> rungs = new ArrayList<>();
    for (double clicks : divisions) {
      rungs.add(new Level(target, target * clicks, false));
    }
    if (beatsPerBar > 1) {
      rungs.add(new Level(target, target / beatsPerBar, false));
    }
    rungs.add(new Level(target, 0, false));
    rungs.add(new Level(target, target, true));
    return new Ladder(rungs);
  }

  /** Whether the click thins instead of the tempo rising. */
  public boolean isSlow() {
    return levels.size() > 1 && levels.get(0).perMinute() == target();
  }

  public double target() {
    return levels.get(levels.size() - 1).perMinute();
  }

  public Level top() {
    return levels.get(levels.size() - 1);
  }

  public double start() {
    return levels.get(0).perMinute();
  }

  public int size() {
    return levels.size();
  }

  /** Beats a minute of every level. */
  public List<Double> tempos() {
    return levels.stream().map(Level::perMinute).toList();
  }

  /** The next level above one that may lie between two of them; the top when there is none. */
  public Level above(Level level) {
    int at = levels.indexOf(level);
    if (at >= 0) {
      return levels.get(Math.min(at + 1, levels.size() - 1));
    }
    return levels.stream().filter(l -> l.perMinute() > level.perMinute()).findFirst().orElse(top());
  }

  /** The next level below one that may lie between two of them; the first when there is none. */
  public Level below(Level level) {
    int at = levels.indexOf(level);
    if (at >= 0) {
      return levels.get(Math.max(0, at - 1));
    }
    Level found = levels.get(0);
    for (Level l : levels) {
      if (l.perMinute() < level.perMinute()) {
        found = l;
      }
    }
    return found;
  }

  private static void refuse(double start, int target) {
    if (start < 1 || start >= target) {
      throw new IllegalArgumentException("no ladder from " + start + " to " + target);
    }
  }

  private static List<Level> down(int start, int target, int step) {
    List<Level> levels = new ArrayList<>();
    for (int level = target; level - start > step / 2.0; level -= step) {
      levels.add(Level.at(level));
    }
    levels.add(Level.at(start));
    Collections.reverse(levels);
    return levels;
  }
}
