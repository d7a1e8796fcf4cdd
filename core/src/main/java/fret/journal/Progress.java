package fret.journal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** What the record says of one chunk. */
public final class Progress {
  private final List<JournalEntry> tries;
  private final int cleanNeeded;

  private Progress(List<JournalEntry> tries, int cleanNeeded) {
    this.tries = tries;
    this.cleanNeeded = cleanNeeded;
  }

  /**
   * Reads a journal, oldest entry first.
   *
   * @param cleanNeeded clean tries in a row that close a level, at least 1
   */
  public static Progress of(
      List<JournalEntry> journal, long passageId, String chunkId, int cleanNeeded) {
    List<JournalEntry> mine = new ArrayList<>(journal);
    mine.removeIf(e -> e.passageId() != passageId || !e.chunkId().equals(chunkId));
    return new Progress(mine, cleanNeeded);
  }

  /**
   * The fastest level that is closed: played clean often enough in a row, and not missed since at
   * its tempo or below; empty if none is.
   */
  public Optional<Integer> closedTempo() {
    TreeSet<Integer> closed = new TreeSet<>();
    int run = 0;
    int at = -1;
    for (JournalEntry e : tries) {
      if (e.verdict() == Verdict.CLEAN) {
        run = e.perMinute() == at ? run + 1 : 1;
        at = e.perMinute();
        if (run >= cleanNeeded) {
          closed.add(at);
        }
      } else {
        run = 0;
        if (e.verdict() == Verdict.MISSED) {
          // It broke where it had been sure: that level and all above it are open again.
          closed.tailSet(e.perMinute(), true).clear();
        }
      }
    }
    return closed.isEmpty() ? Optional.empty() : Optional.of(closed.last());
  }

  /** Whether the newest try hurt. */
  public boolean hurt() {
    return !tries.isEmpty() && tries.get(tries.size() - 1).verdict() == Verdict.HURTS;
  }

  public int tries() {
    return tries.size();
  }
}
