package fret.app.viewmodel;

import fret.journal.Verdict;
import fret.plan.Gate;

/**
 * Where a verdict leads, before it is given.
 *
 * @param tempo counted values a minute, where it leads to another tempo
 * @param count clean plays then, or the number of the next part; {@code of} how many there are
 */
public record Lead(Where where, double tempo, int count, int of) {
  /** What comes then. */
  public enum Where {
    TEMPO,
    AGAIN,
    ANOTHER_CLEAN,
    PART,
    NEXT_BARS,
    DONE
  }

  private static Lead to(Where where) {
    return new Lead(where, 0, 0, 0);
  }

  /**
   * Where a verdict on what was played leads.
   *
   * @param cleanBefore plays that went by without a word before the one that is judged
   * @param plays that are judged alike, at least 1
   */
  public static Lead of(Stand stand, Verdict verdict, int cleanBefore, int plays) {
    OnStand s = stand.onProperty().get();
    Gate g = stand.gateProperty().get();
    if (s == null || g == null || g.stopped()) {
      return to(Where.DONE);
    }
    if (stand.isReading()) {
      boolean last = stand.stepProperty().get() + 1 >= stand.steps();
      return to(last ? Where.DONE : Where.NEXT_BARS);
    }
    return s.climbs()
        ? onTheLevels(g, g.after(Verdict.CLEAN, cleanBefore).after(verdict, plays))
        : throughTheParts(s, stand.partProperty().get(), verdict);
  }

  private static Lead throughTheParts(OnStand s, int part, Verdict verdict) {
    int parts = s.drill().parts().size();
    if (verdict != Verdict.CLEAN) {
      return to(Where.AGAIN);
    }
    return part + 1 >= parts ? to(Where.DONE) : new Lead(Where.PART, 0, part + 2, parts);
  }

  private static Lead onTheLevels(Gate now, Gate then) {
    if (then.stopped()) {
      return to(Where.DONE);
    }
    if (then.perMinute() != now.perMinute()) {
      return new Lead(Where.TEMPO, then.perMinute(), 0, 0);
    }
    return then.cleanInRow() == 0
        ? to(Where.AGAIN)
        : new Lead(Where.ANOTHER_CLEAN, 0, then.cleanInRow(), then.settings().cleanNeeded());
  }
}
