package fret.journal;

import fret.drill.DrillKind;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * What the record says of one chunk. Only straight tries close a level; tries at a tempo between
 * two levels count for the one below.
 */
public final class Progress {
  private final List<JournalEntry> tries;
  private final Ladder ladder;
  private final int cleanNeeded;
  private final int closed;
  private final List<Closing> closings = new ArrayList<>();

  /**
   * A level that was closed.
   *
   * @param level its place on the ladder, from 0
   * @param plays straight tries of the chunk until then, this one included
   */
  public record Closing(int level, LocalDate date, int plays) {}

  private static final int RECENT = 10;
  private static final int OFTEN = 3;

  /** What went well so often near its target when it was new stands there. */
  private static final int READINGS = 2;

  private Progress(List<JournalEntry> tries, Ladder ladder, int cleanNeeded) {
    this.tries = List.copyOf(tries);
    this.ladder = ladder;
    this.cleanNeeded = cleanNeeded;
    this.closed = ladder.isSlow() ? rungsClosed() : levelsClosed();
  }

  /**
   * Reads a journal, oldest entry first.
   *
   * @param cleanNeeded clean tries in a row that close a level, at least 1
   */
  public static Progress of(
      List<JournalEntry> journal, long passageId, String chunkId, Ladder ladder, int cleanNeeded) {
    return of(journal, passageId, List.of(chunkId), ladder, cleanNeeded);
  }

  /** The same of chunks that are alike: a try of one counts for all. */
  public static Progress of(
      List<JournalEntry> journal,
      long passageId,
      Collection<String> chunkIds,
      Ladder ladder,
      int cleanNeeded) {
    List<JournalEntry> mine = new ArrayList<>();
    for (JournalEntry e : journal) {
      if (e.passageId() == passageId && chunkIds.contains(e.chunkId())) {
        mine.add(e);
      }
    }
    return new Progress(mine, ladder, cleanNeeded);
  }

  /**
   * What breaks: the kind that was told of at least three of the last ten tries, the most frequent,
   * of equal ones the newest.
   */
  public Optional<Breakage> breaks() {
    List<JournalEntry> last = tries.subList(Math.max(0, tries.size() - RECENT), tries.size());
    Map<Breakage, Integer> count = new EnumMap<>(Breakage.class);
    Breakage most = Breakage.NONE;
    for (JournalEntry e : last) {
      Breakage b = e.breakage();
      if (b != Breakage.NONE) {
        int times = count.merge(b, 1, Integer::sum);
        most = times >= count.getOrDefault(most, 0) ? b : most;
      }
    }
    return Optional.of(most).filter(b -> count.getOrDefault(b, 0) >= OFTEN);
  }

  private List<JournalEntry> straight() {
    return tries.stream().filter(e -> e.drill() == DrillKind.STRAIGHT).toList();
  }

  /** The place of the level that a tempo reaches; -1 below the first. */
  private int reached(double perMinute) {
    int at = -1;
    for (int i = 0; i < ladder.size(); i++) {
      // A tempo may have been kept with one figure behind the point.
      at = ladder.levels().get(i).perMinute() <= perMinute + 0.05 ? i : at;
    }
    return at;
  }

  private int levelsClosed() {
    TreeSet<Integer> done = new TreeSet<>();
    Deque<Double> row = new ArrayDeque<>();
    int plays = 0;
    int read = 0;
    for (JournalEntry e : tries) {
      if (e.drill() == DrillKind.FIRST_READING) {
        read = readsOn(e, read);
        if (read == READINGS && done.add(ladder.size() - 1)) {
          closings.add(new Closing(ladder.size() - 1, e.date(), plays));
        }
      }
      if (e.drill() != DrillKind.STRAIGHT) {
        continue;
      }
      plays++;
      if (e.verdict() == Verdict.CLEAN) {
        row.add(rate(e));
        if (row.size() > cleanNeeded) {
          row.remove();
        }
        // Tries that grow faster close the level of the slowest.
        int at = row.size() < cleanNeeded ? -1 : reached(Collections.min(row));
        if (at >= 0 && done.add(at)) {
          closings.add(new Closing(at, e.date(), plays));
        }
      } else {
        row.clear();
        if (e.verdict() == Verdict.MISSED) {
          // It broke where it had been sure: that level and all above it are open again.
          done.tailSet(Math.max(0, reached(rate(e))), true).clear();
        }
      }
    }
    return done.isEmpty() ? 0 : done.last() + 1;
  }

  /** Clean readings in a row, once there is one more. */
  private static int readsOn(JournalEntry e, int before) {
    return e.verdict() == Verdict.CLEAN ? before + 1 : 0;
  }

  /** Clean first readings in a row with which they end; two of them are enough. */
  public int cleanReadings() {
    int read = 0;
    for (JournalEntry e : tries) {
      // What is worked on is not read any more.
      read =
          e.drill() == DrillKind.FIRST_READING
              ? readsOn(e, read)
              : e.drill() == DrillKind.STRAIGHT ? 0 : read;
    }
    return read;
  }

  /** Rungs are climbed one after the other, as two of them may sound alike. */
  private int rungsClosed() {
    int at = 0;
    int run = 0;
    int plays = 0;
    int read = 0;
    for (JournalEntry e : tries) {
      if (e.drill() == DrillKind.FIRST_READING) {
        read = readsOn(e, read);
        if (read == READINGS && at < ladder.size()) {
          at = ladder.size();
          closings.add(new Closing(at - 1, e.date(), plays));
        }
      }
      if (e.drill() != DrillKind.STRAIGHT) {
        continue;
      }
      plays++;
      if (at < ladder.size() && isAt(e, ladder.levels().get(at))) {
        run = e.verdict() == Verdict.CLEAN ? run + 1 : 0;
        if (run >= cleanNeeded) {
          closings.add(new Closing(at, e.date(), plays));
          at++;
          run = 0;
        }
      } else if (e.verdict() != Verdict.CLEAN) {
        run = 0;
      }
      if (e.verdict() == Verdict.MISSED) {
        for (int i = Math.min(at, ladder.size() - 1); i >= 0; i--) {
          if (isAt(e, ladder.levels().get(i))) {
            at = i;
            break;
          }
        }
      }
    }
    return at;
  }

  private double rate(JournalEntry e) {
    return e.perMinuteOf(ladder.counted());
  }

  private boolean isAt(JournalEntry e, Level level) {
    return rate(e) >= level.perMinute() - 0.05 && Math.abs(e.clicks() - level.clicks()) < 0.05;
  }

  /**
   * How many levels are closed: the fastest that was played clean often enough in a row, and not
   * missed since at its tempo or below.
   */
  public int closed() {
    return closed;
  }

  /** Whether the last level is closed. */
  public boolean isAtTarget() {
    return closed >= ladder.size();
  }

  /** Tempo of the highest closed level; empty if none is. */
  public Optional<Double> closedTempo() {
    return closed == 0
        ? Optional.empty()
        : Optional.of(ladder.levels().get(closed - 1).perMinute());
  }

  /** Every closing of a level that counts or once counted, oldest first. */
  public List<Closing> closings() {
    return List.copyOf(closings);
  }

  /** Straight tries so far. */
  public int plays() {
    return straight().size();
  }

  private boolean isOf(JournalEntry e, int level) {
    Level l = ladder.levels().get(level);
    return ladder.isSlow() ? isAt(e, l) : reached(rate(e)) == level;
  }

  /** Clean and other straight tries at a level. */
  public Chance chanceAt(int level) {
    List<JournalEntry> at = straight().stream().filter(e -> isOf(e, level)).toList();
    int clean = (int) at.stream().filter(e -> e.verdict() == Verdict.CLEAN).count();
    return new Chance(clean, at.size() - clean);
  }

  /** Clean straight tries in a row with which the record of the open level ends. */
  public int cleanInRow() {
    int run = 0;
    for (JournalEntry e : straight()) {
      boolean here = closed < ladder.size() && isOf(e, closed);
      run = here && e.verdict() == Verdict.CLEAN ? run + 1 : 0;
    }
    return Math.min(run, cleanNeeded - 1);
  }

  /** Visits, each a day, since a level was last closed. */
  public int visitsSinceClosing() {
    Optional<LocalDate> last =
        closings.isEmpty()
            ? Optional.empty()
            : Optional.of(closings.get(closings.size() - 1).date());
    return (int)
        straight().stream()
            .map(JournalEntry::date)
            .distinct()
            .filter(d -> last.isEmpty() || d.isAfter(last.get()))
            .count();
  }

  /** Days on which a drill was played. */
  public List<LocalDate> daysOf(DrillKind drill) {
    return tries.stream()
        .filter(e -> e.drill() == drill)
        .map(JournalEntry::date)
        .distinct()
        .toList();
  }

  /** The day of the newest try. */
  public Optional<LocalDate> lastDay() {
    return tries.isEmpty() ? Optional.empty() : Optional.of(tries.get(tries.size() - 1).date());
  }

  /** Whether the newest try hurt. */
  public boolean hurt() {
    return !tries.isEmpty() && tries.get(tries.size() - 1).verdict() == Verdict.HURTS;
  }

  public int tries() {
    return tries.size();
  }
}
