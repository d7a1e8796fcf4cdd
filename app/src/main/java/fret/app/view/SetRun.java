package fret.app.view;

import fret.sound.Click;
import fret.sound.ClickPlayer;
import fret.sound.PlaySet;
import java.util.concurrent.Executor;

/** A set under way: counted in, playing, in the pause between two plays, over. */
final class SetRun {
  /** What it is doing. */
  enum Phase {
    STILL,
    COUNT_IN,
    PLAYING,
    PAUSE,
    /** Over, and asked how it went. */
    ASKED
  }

  /** What is told of it, on the interface thread. */
  interface Watcher {
    void phase(Phase now);

    /**
     * A click sounds.
     *
     * @param inPlay seconds since the start of its play, below 0 in the count-in
     */
    void click(Click c, double inPlay);
  }

  private final ClickPlayer player;
  private final Executor publish;
  private final Watcher watcher;
  private Phase phase = Phase.STILL;
  private PlaySet set;
  private boolean looping;
  private int number;
  private int gone;

  /**
   * @param publish where clicks are told of: the interface thread
   */
  SetRun(ClickPlayer player, Executor publish, Watcher watcher) {
    this.player = player;
    this.publish = publish;
    this.watcher = watcher;
  }

  /**
   * Starts a set in place of what clicks now.
   *
   * @param round whether it goes round without a pause; it is judged as one play
   */
  void start(PlaySet made, boolean round) {
    set = made;
    looping = round;
    gone = 0;
    phase(Phase.COUNT_IN);
    int mine = ++number;
    player.start(
        made.track(),
        c -> publish.execute(() -> clicked(mine, made, c)),
        () -> publish.execute(() -> over(mine)));
  }

  private boolean isOf(int which) {
    return which == number && set != null;
  }

  private void clicked(int which, PlaySet of, int index) {
    if (!isOf(which)) {
      return;
    }
    Click c = of.track().clicks().get(index);
    if (c.strength() == Click.Strength.COUNT_IN) {
      gone = Math.max(gone, c.play());
      phase(c.play() == 0 ? Phase.COUNT_IN : Phase.PAUSE);
    } else {
      gone = looping ? 1 : gone;
      phase(Phase.PLAYING);
    }
    watcher.click(c, c.seconds() - of.plays().get(c.play()).from());
  }

  private void over(int which) {
    if (isOf(which)) {
      gone = looping ? 1 : set.plays().size();
      set = null;
      phase(Phase.ASKED);
    }
  }

  /** Ends it; a click of somebody else goes on. */
  void stop() {
    if (set != null) {
      player.stop();
      set = null;
    }
    phase(Phase.STILL);
  }

  private void phase(Phase now) {
    phase = now;
    watcher.phase(now);
  }

  Phase phase() {
    return phase;
  }

  boolean isLooping() {
    return looping;
  }

  /** Plays of the set. */
  int plays() {
    return set == null ? 0 : set.plays().size();
  }

  boolean isMoving() {
    return phase == Phase.COUNT_IN || phase == Phase.PLAYING || phase == Phase.PAUSE;
  }

  /** Plays that went by and were not judged. */
  int unjudged() {
    return isMoving() || phase == Phase.ASKED ? gone : 0;
  }

  /**
   * Those of them that a verdict of the last one leaves: they went by without a word, so they were
   * clean. The rounds of a loop are told of together.
   */
  int cleanBefore() {
    boolean ofLast = phase == Phase.PAUSE || phase == Phase.ASKED;
    return looping ? 0 : Math.max(0, ofLast ? unjudged() - 1 : unjudged());
  }
}
