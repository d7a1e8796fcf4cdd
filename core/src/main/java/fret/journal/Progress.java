package fret.journal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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

  /** The fastest tempo that was played clean often enough in a row; empty if none yet. */
  public Optional<Integer> closedTempo() {
    int run = 0;
    int at = -1;
    int best = -1;
    for (JournalEntry e : tries) {
      if (e.verdict() == Verdict.CLEAN) {
        run = e.perMinute() == at ? run + 1 : 1;
        at = e.perMinute();
        if (run >= cleanNeeded) {
          best = Math.max(best, at);
        }
      } else {
        run = 0;
        if (e.verdict() == Verdict.MISSED && e.perMinute() <= best) {
          best = -1; // It broke where it had been sure: that level is open again.
          for (JournalEntry earlier : tries.subList(0, tries.indexOf(e))) {
            if (earlier.verdict() == Verdict.CLEAN && earlier.perMinute() < e.perMinute()) {
              best = Math.max(best, earlier.perMinute());
            }
          }
        }
      }
    }
    return best < 0 ? Optional.empty() : Optional.of(best);
  }

  /** Whether the newest try hurt. */
  public boolean hurt() {
    return !tries.isEmpty() && tries.get(tries.size() - 1).verdict() == Verdict.HURTS;
  }

  public int tries() {
    return tries.size();
  }
}
