package fret.take;

import fret.take.Expected.Moment;
import fret.take.Follower.Stretch;
import java.util.ArrayList;
import java.util.List;

/**
 * The moments of a recording in order, cut where the passage was taken up again.
 *
 * @param runs moments that follow each other, now and then with one left out
 */
record Runs(List<List<Rough>> runs, List<Heard.TakenUp> taken) {
  private static final double SQUEEZED_S = 0.045;
  private static final double SQUEEZED_SHARE = 0.28;

  static Runs of(List<Stretch> stretches, Listened heard) {
    List<List<Rough>> runs = new ArrayList<>();
    List<Heard.TakenUp> taken = new ArrayList<>();
    List<Rough> run = new ArrayList<>();
    boolean gap = true;
    int before = -1;
    for (Stretch s : stretches) {
      if (!s.sounds()) {
        gap = true;
        continue;
      }
      if (!run.isEmpty() && (s.moment() <= before || s.moment() > before + 2)) {
        runs.add(run);
        run = new ArrayList<>();
        if (s.moment() <= before) {
          taken.add(new Heard.TakenUp(s.moment(), before, s.from()));
        }
      }
      if (!isSqueezed(s, heard)) {
        Moment m = heard.moment(s.moment());
        run.add(new Rough(s.moment(), m, s.from(), s.to(), gap, s.likeness()));
        gap = false;
      }
      before = s.moment();
    }
    if (!run.isEmpty()) {
      runs.add(run);
    }
    return new Runs(runs, taken);
  }

  /** Whether a moment was only passed through: it is not what sounds there. */
  private static boolean isSqueezed(Stretch s, Listened heard) {
    Moment m = heard.moment(s.moment());
    int last = heard.expected().moments().size() - 1;
    for (int k : new int[] {s.moment() - 1, s.moment() + 1}) {
      if (k >= 0 && k <= last && heard.moment(k).soundsLike(m)) {
        return false; // Repeated notes are told apart later.
      }
    }
    double lasts = s.to() - s.from();
    return lasts <= SQUEEZED_S && lasts < SQUEEZED_SHARE * heard.lastsMs(s.moment()) / 1000;
  }
}
