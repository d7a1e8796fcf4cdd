package fret.bowing;

import fret.base.Said;
import java.util.ArrayList;
import java.util.List;

/**
 * A high note on a lower string speaks late: it gets a small start from the bow, which the player
 * may refuse (common practice, no source; figures from memory).
 */
final class LateSpeaking {
  /** From so many semitones above the open string on. */
  private static final int HIGH = 10;

  /** What the start adds to the bow of the note. */
  static final double START = 1.1;

  private LateSpeaking() {}

  /**
   * Whether a note speaks late: high, not on the top string, and begun by the bow.
   *
   * @param before the moment before it in the same slur, or null
   */
  static boolean is(BowMoment m, BowMoment before) {
    boolean begun = before == null || !before.strings().equals(m.strings());
    return m.isBowed() && !m.isGrace() && begun && m.strings().get(0) > 1 && m.stopped() >= HIGH;
  }

  /** Just the usual amount asked for: no start. */
  static boolean isRefused(BowTask task, int moment) {
    Double own = task.rules().amounts().get(moment);
    return own != null && own == 1.0;
  }

  static List<BowWarning> warnings(Bowing bowing, BowTask task) {
    List<BowWarning> all = new ArrayList<>();
    for (Stroke s : bowing.strokes()) {
      for (Stroke.Note n : s.notes()) {
        BowMoment m = bowing.moments().get(n.moment());
        BowMoment before =
            n.moment() == s.fromMoment() ? null : bowing.moments().get(n.moment() - 1);
        if (is(m, before) && !isRefused(task, n.moment())) {
          all.add(
              new BowWarning(
                  BowWarning.Kind.SPEAKS_LATE,
                  n.moment(),
                  m.bar(),
                  0,
                  0,
                  0,
                  Said.of(
                      "bow.speaks-late",
                      task.instrument().stringNames(m.strings()),
                      Math.round(100 * (START - 1))),
                  List.of(new Cure(Cure.Kind.NO_START, n.moment(), 0, 0, 0))));
        }
      }
    }
    return all;
  }
}
