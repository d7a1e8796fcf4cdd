package fret.app.viewmodel;

import java.time.Duration;
import java.time.Instant;
import java.util.function.Supplier;

/**
 * How long a player plays, and how long at the stand: from the first play of a visit to its last
 * verdict, gaps of more than a minute left out. What is judged without a play takes no time.
 */
final class StandClock {
  private static final long LONGEST_GAP_MS = 60_000;

  /**
   * The time of the tries since the last verdict.
   *
   * @param played seconds
   * @param atStand seconds, never fewer
   */
  record Spent(int played, int atStand) {}

  private final Supplier<Instant> now;
  private Instant last;
  private boolean plays;
  private boolean isPlayed;
  private long playedMs;
  private long standMs;

  StandClock(Supplier<Instant> now) {
    this.now = now;
  }

  /** Another visit begins: what was between is no time at the stand. */
  void turn() {
    last = null;
    plays = false;
    isPlayed = false;
    playedMs = 0;
    standMs = 0;
  }

  /** A play begins. */
  void begins() {
    pass();
    plays = true;
    isPlayed = true;
  }

  /** It ends; nothing where none was under way. */
  void ends() {
    if (plays) {
      pass();
      plays = false;
    }
  }

  private void pass() {
    Instant at = now.get();
    if (last != null) {
      long ms = Math.max(0, Duration.between(last, at).toMillis());
      playedMs += plays ? ms : 0;
      standMs += plays || ms <= LONGEST_GAP_MS ? ms : 0;
    }
    last = at;
  }

  /** A verdict: what was spent since the one before it, which is over with it. */
  Spent judged() {
    ends();
    if (!isPlayed) {
      return new Spent(0, 0);
    }
    pass();
    Spent spent = new Spent(seconds(playedMs), seconds(Math.max(playedMs, standMs)));
    playedMs = 0;
    standMs = 0;
    isPlayed = false;
    return spent;
  }

  private static int seconds(long ms) {
    return (int) Math.round(ms / 1000.0);
  }
}
