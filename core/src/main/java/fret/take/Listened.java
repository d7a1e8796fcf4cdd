package fret.take;

import fret.take.Expected.Moment;
import java.util.List;

/**
 * A recording with what is asked of it again and again.
 *
 * @param tuned cents of the whole take from what is expected
 * @param silent level under which nothing sounds
 */
record Listened(
    Recording recording, Expected expected, Yin yin, double tuned, double silent, Onsets onsets) {
  private static final double NEAR_CENTS = 60;
  private static final double REACH = 2.3;
  private static final double OCTAVE_CENTS = 1200;
  private static final double NEAR = 1.3;

  /** A note that is really an octave up repeats itself no better at the longer period. */
  private static final double ODD = 0.7;

  private static final double MOST_APERIODIC = 0.35;
  private static final double SHORTEST_MS = 20;

  static Listened to(Recording recording, Expected expected) {
    Yin yin = new Yin(recording);
    double silent = Follower.silentBelow(recording);
    return new Listened(
        recording,
        expected,
        yin,
        TuningOffset.of(recording, expected, yin),
        silent,
        new Onsets(recording, silent));
  }

  Moment moment(int index) {
    return expected.moments().get(index);
  }

  /** The lowest tone of a moment in the take's own tuning. */
  double hertz(Moment m) {
    return m.hertz().get(0) * Math.pow(2, tuned / 1200);
  }

  /** Written ms to the next moment, or its own length at the end. */
  double lastsMs(int index) {
    List<Moment> all = expected.moments();
    Moment m = all.get(index);
    double to = index + 1 < all.size() ? all.get(index + 1).startMs() : m.endMs();
    return Math.max(SHORTEST_MS, to - m.startMs());
  }

  /** The pitch around a time, an octave and more to either side of one that is expected. */
  Yin.Pitch pitch(double at, double hertz) {
    Yin.Pitch wide = yin.at(at, hertz / REACH, hertz * REACH);
    double octaves = wide.isHeard() ? Math.abs(cents(wide.hertz(), hertz)) : 0;
    if (Math.abs(octaves - OCTAVE_CENTS) >= NEAR_CENTS) {
      return wide;
    }
    // Weak odd partials sound an octave up to any measure: the part knows which octave is meant.
    Yin.Pitch near = yin.at(at, hertz / NEAR, hertz * NEAR);
    boolean higher = wide.hertz() > hertz;
    boolean better = near.aperiodic() <= (higher ? ODD * wide.aperiodic() : MOST_APERIODIC);
    return near.isHeard() && better && near(near.hertz(), hertz) ? near : wide;
  }

  /** The same between two. */
  Yin.Pitch pitch(double at, double one, double other) {
    return yin.at(at, Math.min(one, other) / REACH, Math.max(one, other) * REACH);
  }

  boolean sounds(double from, double to) {
    return recording.level(from, to) >= silent;
  }

  static double cents(double hertz, double from) {
    return 1200 * Math.log(hertz / from) / Math.log(2);
  }

  /** Whether a pitch is that of a note, a little off allowed. */
  static boolean near(double hertz, double note) {
    return Math.abs(cents(hertz, note)) < NEAR_CENTS;
  }
}
