package fret.take;

import fret.search.Token;
import fret.take.Expected.Moment;
import fret.take.Follower.Stretch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleConsumer;

/** Lays a recording along the part and measures each note of it. */
public final class Listener {
  private static final double FRAME_S = 0.01;
  private static final double SETTLED_S = 0.04;
  private static final double NEAR_CENTS = 60;
  private static final double OTHER_CENTS = 75;
  private static final double SHORTEST_OTHER_S = 0.045;
  private static final double LONG_S = 0.4;
  private static final double LEFT_OUT_S = 0.4;
  private static final double ALIKE = 0.42;
  private static final double REACH = 2.3;
  private static final double SQUEEZED_S = 0.045;
  private static final double SQUEEZED_SHARE = 0.28;
  private static final double CLEAR = 0.08;
  private static final double STEADY_CENTS = 20;
  private static final double DIP_DB = 2.5;
  private static final double UNLIKE = 0.15;

  private final Recording recording;
  private final Expected expected;
  private final Yin yin;
  private final double tuned;
  private final double silent;
  private final Onsets onsets;

  /** A moment where it was roughly heard. */
  private static final class Rough {
    final int moment;
    double from;
    double to;
    final boolean afterGap;
    final double likeness;
    boolean endsAtTo;

    Rough(int moment, double from, double to, boolean afterGap, double likeness) {
      this.moment = moment;
      this.from = from;
      this.to = to;
      this.afterGap = afterGap;
      this.likeness = likeness;
    }
  }

  private Listener(Recording recording, Expected expected) {
    this.recording = recording;
    this.expected = expected;
    this.yin = new Yin(recording);
    this.tuned = TuningOffset.of(recording, expected, yin);
    this.silent = Follower.silentBelow(recording);
    this.onsets = new Onsets(recording, silent);
  }

  /**
   * Takes about a fiftieth of the recording's time.
   *
   * @param progress told from 0 to 1
   */
  public static Heard hear(
      Recording recording, Expected expected, Token token, DoubleConsumer progress) {
    Listener l = new Listener(recording, expected);
    progress.accept(0.2);
    List<Stretch> stretches = new Follower(recording, expected, l.tuned).follow(token);
    progress.accept(0.45);
    return l.measured(stretches, token, progress);
  }

  // ---- from stretches to moments -------------------------------------------------------------

  private Heard measured(List<Stretch> stretches, Token token, DoubleConsumer progress) {
    List<Heard.TakenUp> taken = new ArrayList<>();
    List<List<Rough>> runs = runs(stretches, taken);
    HeardNote[] last = new HeardNote[expected.moments().size()];
    double done = 0;
    for (List<Rough> run : runs) {
      spread(run);
      for (int i = 0; i < run.size(); i++) {
        begin(run, i);
      }
      for (int i = 0; i < run.size(); i++) {
        token.check();
        HeardNote heard = measure(run, i);
        if (heard != null) {
          last[heard.moment()] = i == 0 ? heard : own(heard, run.get(i - 1), last);
        }
        done++;
        progress.accept(0.45 + 0.55 * Math.min(1, done / expected.moments().size()));
      }
    }
    List<HeardNote> notes = new ArrayList<>();
    List<Integer> missing = new ArrayList<>();
    between(last, notes, missing);
    return new Heard(
        recording.seconds(),
        notes,
        taken,
        leftOut(stretches),
        missing,
        tuned,
        alignedShare(stretches));
  }

  /** The moments in order, cut where it was taken up again. */
  private List<List<Rough>> runs(List<Stretch> stretches, List<Heard.TakenUp> taken) {
    List<List<Rough>> runs = new ArrayList<>();
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
      if (!isSqueezed(s)) {
        run.add(new Rough(s.moment(), s.from(), s.to(), gap, s.likeness()));
        gap = false;
      }
      before = s.moment();
    }
    if (!run.isEmpty()) {
      runs.add(run);
    }
    return runs;
  }

  /** Whether a moment was only passed through: it is not what sounds there. */
  private boolean isSqueezed(Stretch s) {
    double lasts = s.to() - s.from();
    Moment m = expected.moments().get(s.moment());
    for (int k = Math.max(0, s.moment() - 1);
        k <= Math.min(expected.moments().size() - 1, s.moment() + 1);
        k++) {
      if (k != s.moment() && expected.moments().get(k).soundsLike(m)) {
        return false; // Repeated notes are told apart later.
      }
    }
    return lasts <= SQUEEZED_S && lasts < SQUEEZED_SHARE * lasts(s.moment()) / 1000;
  }

  private List<Heard.LeftOut> leftOut(List<Stretch> stretches) {
    List<Heard.LeftOut> all = new ArrayList<>();
    for (Stretch s : stretches) {
      boolean silence = recording.level(s.from(), s.to()) < silent;
      if (!s.sounds() && !silence && s.to() - s.from() >= LEFT_OUT_S) {
        all.add(new Heard.LeftOut(Math.max(0, s.from()), s.to()));
      }
    }
    return all;
  }

  private double alignedShare(List<Stretch> stretches) {
    double sounding = 0;
    double aligned = 0;
    for (Stretch s : stretches) {
      if (recording.level(s.from(), s.to()) >= silent) {
        sounding += s.to() - s.from();
        aligned += s.sounds() && s.likeness() >= ALIKE ? s.to() - s.from() : 0;
      }
    }
    return sounding <= 0 ? 0 : aligned / sounding;
  }

  private Moment moment(Rough r) {
    return expected.moments().get(r.moment);
  }

  private double hertz(Moment m) {
    return m.hertz().get(0) * Math.pow(2, tuned / 1200);
  }

  // ---- repeated notes ------------------------------------------------------------------------

  /** Notes of one sound after each other are told apart by their dips and their lengths. */
  private void spread(List<Rough> run) {
    for (int i = 0; i < run.size(); ) {
      int k = i + 1;
      while (k < run.size()
          && !run.get(k).afterGap
          && moment(run.get(k)).soundsLike(moment(run.get(i)))) {
        k++;
      }
      if (k > i + 1) {
        repeated(run.subList(i, k));
      }
      i = k;
    }
  }

  /** The cheapest places of the borders between: in dips, and in the written proportions. */
  private void repeated(List<Rough> same) {
    double from = same.get(0).from;
    double to = same.get(same.size() - 1).to;
    int n = same.size();
    double written = 0;
    for (Rough r : same) {
      written += lasts(r.moment);
    }
    double step = FRAME_S / 2;
    int places = (int) Math.max(n + 1, Math.ceil((to - from) / step));
    double hertz = hertz(moment(same.get(0)));
    double[] dips = new double[places];
    for (int p = 1; p < places; p++) {
      double at = from + p * step;
      double here = onsets.level(at, hertz);
      double around = Math.max(onsets.level(at - 0.03, hertz), onsets.level(at + 0.03, hertz));
      dips[p] = around <= 0 ? 0 : Math.max(0, 1 - here / around);
    }
    double[][] cost = new double[n][places];
    int[][] back = new int[n][places];
    for (double[] row : cost) {
      Arrays.fill(row, Double.MAX_VALUE);
    }
    cost[0][0] = 0;
    for (int i = 1; i < n; i++) {
      double length = lasts(same.get(i - 1).moment) / written * (to - from) / step;
      for (int p = i; p < places; p++) {
        int low = (int) Math.max(0, p - 1.8 * length);
        int high = (int) Math.min(p - 1, p - 0.35 * length);
        for (int q = low; q <= high; q++) {
          if (cost[i - 1][q] < Double.MAX_VALUE) {
            double off = (p - q) / length - 1;
            double c = cost[i - 1][q] + 3 * off * off - 2.5 * dips[p];
            if (c < cost[i][p]) {
              cost[i][p] = c;
              back[i][p] = q;
            }
          }
        }
      }
    }
    int p = -1;
    double least = Double.MAX_VALUE;
    double length = lasts(same.get(n - 1).moment) / written * (to - from) / step;
    for (int q = n - 1; q < places; q++) {
      double off = (places - q) / length - 1;
      if (cost[n - 1][q] < Double.MAX_VALUE && cost[n - 1][q] + 3 * off * off < least) {
        least = cost[n - 1][q] + 3 * off * off;
        p = q;
      }
    }
    for (int i = n - 1; i > 0 && p >= 0; i--) {
      same.get(i).from = from + p * step;
      same.get(i - 1).to = same.get(i).from;
      p = back[i][p];
    }
  }

  /** To the next moment, or its own length at the end. */
  private double lasts(int moment) {
    List<Moment> all = expected.moments();
    double to = moment + 1 < all.size() ? all.get(moment + 1).startMs() : all.get(moment).endMs();
    return Math.max(20, to - all.get(moment).startMs());
  }

  // ---- where a note begins ---------------------------------------------------------------------

  private void begin(List<Rough> run, int i) {
    Rough now = run.get(i);
    Moment m = moment(now);
    double hertz = hertz(m);
    if (i == 0) {
      now.from = onsets.afterSilence(now.from + 0.02, now.from - 0.12, now.to, hertz);
      return;
    }
    Rough before = run.get(i - 1);
    double quiet = quietest(before.from + 0.3 * (now.from - before.from), now.from + 0.03, hertz);
    boolean between = now.moment > before.moment + 1;
    if (between && m.isSingle() && moment(before).isSingle() && quiet < 0) {
      apart(before, now);
    } else if (quiet >= 0) {
      now.from = onsets.afterSilence(Math.max(quiet, now.from), quiet, now.to, hertz);
    } else if (moment(before).soundsLike(m)) {
      now.from = onsets.dip(now.from, before.from, now.to, hertz);
    } else {
      now.from = onsets.change(moment(before), before.from, now.from, m, now.to);
    }
  }

  /**
   * Two notes with a moment between that was not heard as such: the first lasts while it is heard,
   * the second begins where it is, and what lies between is left for the one between.
   */
  private void apart(Rough before, Rough now) {
    double first = hertz(moment(before));
    double second = hertz(moment(now));
    double lowest = Math.min(first, second) / REACH;
    double highest = Math.max(first, second) * REACH;
    double last = before.from;
    double next = now.to;
    for (double t = before.from; t < now.to; t += FRAME_S) {
      Yin.Pitch p = yin.at(t, lowest, highest);
      if (p.isHeard() && near(p.hertz(), first)) {
        last = t + FRAME_S / 2;
      } else if (p.isHeard() && near(p.hertz(), second) && t > before.from + 2 * FRAME_S) {
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

  private static boolean near(double hertz, double other) {
    return Math.abs(1200 * Math.log(hertz / other) / Math.log(2)) < NEAR_CENTS;
  }

  /** Where it is silent last before a time; -1 for nowhere. */
  private double quietest(double from, double to, double hertz) {
    for (double t = to; t > Math.max(from, to - 0.25); t -= 0.004) {
      if (onsets.level(t, hertz) < 0.6 * silent) {
        return t;
      }
    }
    return -1;
  }

  // ---- what it is ------------------------------------------------------------------------------

  /** Null where nothing of it is there: it was only passed over. */
  private HeardNote measure(List<Rough> run, int i) {
    Rough now = run.get(i);
    if (now.likeness < UNLIKE && recording.level(now.from, now.to) < silent) {
      return null;
    }
    Moment m = moment(now);
    double hertz = hertz(m);
    boolean goesOn = i + 1 < run.size();
    double next = goesOn ? owned(now, run.get(i + 1)) : now.to + 0.15;
    double end = onsets.end(now.from, next, hertz);
    double level = recording.level(now.from + 0.25 * (end - now.from), end);
    double confidence = Math.max(0, Math.min(1, (now.likeness - 0.3) / 0.3));
    double attack = onsets.attackMs(now.from, end, hertz);
    HeardNote plain =
        new HeardNote(
            now.moment,
            now.from,
            end,
            Double.NaN,
            0,
            0,
            0,
            20 * Math.log10(Math.max(1e-7, level)),
            attack,
            0,
            0,
            0,
            confidence);
    return m.isSingle() && !m.ornament() ? pitched(plain, m, goesOn ? next : end) : plain;
  }

  /** Up to where a note may last: where one is left out behind it, that one has its share. */
  private double owned(Rough now, Rough next) {
    if (next.moment == now.moment + 1) {
      return next.from;
    }
    if (now.endsAtTo) {
      return now.to;
    }
    double own = lasts(now.moment);
    double all =
        expected.moments().get(next.moment).startMs()
            - expected.moments().get(now.moment).startMs();
    return now.from + own / Math.max(own, all) * (next.from - now.from);
  }

  private HeardNote pitched(HeardNote note, Moment m, double next) {
    double hertz = hertz(m);
    int frames = (int) Math.floor((next - note.onsetS()) / FRAME_S);
    double[] cents = new double[Math.max(0, frames)];
    double[] weights = new double[cents.length];
    for (int f = 0; f < frames; f++) {
      double at = note.onsetS() + (f + 0.5) * FRAME_S;
      Yin.Pitch p =
          recording.level(at - 0.005, at + 0.005) < silent
              ? Yin.Pitch.NONE
              : yin.at(at, hertz / REACH, hertz * REACH);
      cents[f] = p.isHeard() ? 1200 * Math.log(p.hertz() / hertz) / Math.log(2) : Double.NaN;
      // What rings from the note before pulls the pitch towards it, and makes it less periodic.
      weights[f] = Math.exp(-Math.max(0, p.aperiodic() - CLEAR) / CLEAR);
    }
    int first = (int) Math.round(Math.min(SETTLED_S, 0.4 * note.lengthS()) / FRAME_S);
    int last = (int) Math.ceil((note.endS() - note.onsetS()) / FRAME_S - 0.8);
    return new PitchTrack(cents, weights, first, Math.min(last, frames), FRAME_S)
        .onto(note, NEAR_CENTS, OTHER_CENTS, SHORTEST_OTHER_S, LONG_S);
  }

  /** Where something else sounds first, it is one note too many after the one before. */
  private HeardNote own(HeardNote note, Rough before, HeardNote[] last) {
    Moment m = expected.moments().get(note.moment());
    HeardNote left = last[before.moment];
    boolean can = note.isPitched() && left != null && left.isPitched();
    if (!can || note.lengthS() < 3 * SHORTEST_OTHER_S) {
      return note;
    }
    double lead = otherFirst(note, hertz(m), hertz(moment(before)));
    if (lead < SHORTEST_OTHER_S) {
      return note;
    }
    last[before.moment] = left.adding(lead * 1000);
    return pitched(note.within(note.onsetS() + lead, note.endS()), m, note.endS());
  }

  /** For how long a steady pitch stands at the beginning that is neither of two. */
  private double otherFirst(HeardNote note, double own, double before) {
    double first = 0;
    int frames = 0;
    for (double t = note.onsetS() + FRAME_S; t < note.endS(); t += FRAME_S) {
      Yin.Pitch p = yin.at(t, own / REACH, own * REACH);
      boolean other = p.isHeard() && !near(p.hertz(), own) && !near(p.hertz(), before);
      boolean steady =
          first == 0 || Math.abs(1200 * Math.log(p.hertz() / first) / Math.log(2)) < STEADY_CENTS;
      if (!other || !steady) {
        break;
      }
      first = p.hertz();
      frames++;
    }
    return frames * FRAME_S;
  }

  // ---- what lies between -----------------------------------------------------------------------

  /** Moments that were passed over: something else in their place, or nothing. */
  private void between(HeardNote[] last, List<HeardNote> notes, List<Integer> missing) {
    int before = -1;
    for (int i = 0; i < last.length; i++) {
      if (last[i] == null) {
        continue;
      }
      if (before >= 0 && i - before == 2) {
        HeardNote other = instead(last, before);
        if (other != null) {
          notes.add(other);
        } else {
          missing.add(before + 1);
        }
      } else if (before >= 0 && i - before == 3) {
        missing.add(before + 1);
        missing.add(before + 2);
      }
      before = i;
    }
    for (HeardNote n : last) {
      if (n != null) {
        notes.add(n);
      }
    }
    notes.sort(java.util.Comparator.comparingInt(HeardNote::moment));
  }

  /** Something that stands between two notes where one should; null for nothing. */
  private HeardNote instead(HeardNote[] last, int before) {
    HeardNote left = last[before];
    HeardNote right = last[before + 2];
    Moment m = expected.moments().get(before + 1);
    if (!m.isSingle() || m.ornament()) {
      return null;
    }
    if (sounds(left.endS(), right.onsetS()) >= SHORTEST_OTHER_S) {
      HeardNote there = pitched(empty(before + 1, left.endS(), right.onsetS()), m, right.onsetS());
      if (there.otherSemitones() != 0 || there.isPitched()) {
        return there;
      }
    }
    return alike(last, before, m);
  }

  /** For how long of a stretch something sounds, in s. */
  private double sounds(double from, double to) {
    int frames = 0;
    for (double t = from + FRAME_S; t < to - FRAME_S; t += FRAME_S) {
      frames += recording.level(t - FRAME_S / 2, t + FRAME_S / 2) >= silent ? 1 : 0;
    }
    boolean mostly = frames * FRAME_S > 0.5 * (to - from);
    return mostly ? frames * FRAME_S : 0;
  }

  private static HeardNote empty(int moment, double from, double to) {
    return new HeardNote(moment, from, to, Double.NaN, 0, 0, 0, Double.NaN, 0, 0, 0, 0, 0.6);
  }

  /**
   * The wrong note can be the one before once more, or the next one too soon: then one of the two
   * is twice as long and has a dip where the next should begin.
   */
  private HeardNote alike(HeardNote[] last, int before, Moment m) {
    HeardNote left = last[before];
    HeardNote right = last[before + 2];
    double own = lasts(before);
    double pace = (own + lasts(before + 1)) / 1000;
    pace = (right.onsetS() - left.onsetS()) / pace;
    double dip = left.onsetS() + own / 1000 * pace;
    boolean longer = right.onsetS() - left.endS() < 0.03 && pace > 0.6;
    if (longer && dips(dip, left.endS(), hertz(expected.moments().get(before)))) {
      double at = onsets.dip(dip, left.onsetS(), right.onsetS(), hertz(m));
      HeardNote other = pitched(empty(before + 1, at, left.endS()), m, left.endS());
      if (other.otherSemitones() != 0) {
        Moment was = expected.moments().get(before);
        last[before] = pitched(left.within(left.onsetS(), at), was, at);
        return other;
      }
    }
    double wanted = right.onsetS() + lasts(before + 1) / 1000;
    Moment next = expected.moments().get(before + 2);
    boolean early = right.lengthS() > 1.5 * lasts(before + 2) / 1000 * 0.9;
    if (early && dips(wanted, right.endS(), hertz(next))) {
      double at = onsets.dip(wanted, right.onsetS(), right.endS(), hertz(next));
      HeardNote other = pitched(empty(before + 1, right.onsetS(), at), m, at);
      if (other.otherSemitones() != 0) {
        last[before + 2] = pitched(right.within(at, right.endS()), next, right.endS());
        return other;
      }
    }
    return null;
  }

  private boolean dips(double about, double to, double hertz) {
    double at = onsets.dip(about, about - 0.08, Math.min(to, about + 0.08), hertz);
    return onsets.depthDb(at, hertz) >= DIP_DB;
  }
}
