package fret.take;

import fret.take.Expected.Moment;
import java.util.List;

/** Sets the beginning of each note of a run exactly. */
final class Beginnings {
  private static final double FRAME_S = 0.01;
  private static final double QUIET = 0.6;
  private static final double LOOK_BACK_S = 0.25;

  private final Listened heard;
  private final Onsets onsets;

  Beginnings(Listened heard) {
    this.heard = heard;
    this.onsets = heard.onsets();
  }

  void set(List<Rough> run, int i) {
    Rough now = run.get(i);
    Moment m = now.expected;
    double hertz = heard.hertz(m);
    if (i == 0) {
      now.from = onsets.afterSilence(now.from + 0.02, now.from - 0.12, now.to, hertz);
      return;
    }
    Rough before = run.get(i - 1);
    double quiet = quietest(before.from + 0.3 * (now.from - before.from), now.from + 0.03, hertz);
    boolean between = now.moment > before.moment + 1;
    if (between && m.isSingle() && before.expected.isSingle() && quiet < 0) {
      apart(before, now);
    } else if (quiet >= 0) {
      now.from = onsets.afterSilence(Math.max(quiet, now.from), quiet, now.to, hertz);
    } else if (before.expected.soundsLike(m)) {
      now.from = onsets.dip(now.from, before.from, now.to, hertz);
    } else {
      now.from = onsets.change(before.expected, before.from, now.from, m, now.to);
    }
  }

  /**
   * Two notes with a moment between that was not heard as such: the first lasts while it is heard,
   * the second begins where it is, and what lies between is left for the one between.
   */
  private void apart(Rough before, Rough now) {
    double first = heard.hertz(before.expected);
    double second = heard.hertz(now.expected);
    double last = before.from;
    double next = now.to;
    for (double t = before.from; t < now.to; t += FRAME_S) {
      Yin.Pitch p = heard.pitch(t, first, second);
      if (p.isHeard() && Listened.near(p.hertz(), first)) {
        last = t + FRAME_S / 2;
      } else if (p.isHeard() && Listened.near(p.hertz(), second) && t > before.from + 2 * FRAME_S) {
        next = t - FRAME_S / 2;
        break;
      }
    }
    if (next < now.to) {
      now.from = Math.max(last, next);
      before.to = last;
      before.endsAtTo = true;
    }
  }

  /** Where it is silent last before a time; -1 for nowhere. */
  private double quietest(double from, double to, double hertz) {
    for (double t = to; t > Math.max(from, to - LOOK_BACK_S); t -= 0.004) {
      if (onsets.level(t, hertz) < QUIET * heard.silent()) {
        return t;
      }
    }
    return -1;
  }
}
