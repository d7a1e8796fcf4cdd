package fret.bowing;

import java.util.List;
import java.util.Map;

/**
 * What a player makes the sound of in a stretch: how much of it is bow and how much is weight, and
 * whether a swell is made with the speed of the bow at all. Weight and contact point give what the
 * bow does not (common practice, no source; the figures from memory).
 */
public enum SoundWish {
  /** Much bow, little weight. */
  MUCH_BOW(1.25),
  /** Little bow, much weight. */
  WEIGHT(0.75),
  /** A swell by weight and contact point alone: the bow stays as fast as the stretch began. */
  SWELL_BY_WEIGHT(1);

  private final double factor;

  SoundWish(double factor) {
    this.factor = factor;
  }

  /** Natural speed of a moment in cm/s, as the player makes the sound there. */
  static double speed(BowTask task, BowMoment m, List<BowMoment> moments) {
    Map<Integer, SoundWish> wishes = task.rules().wishes();
    int at = m.slice().index();
    SoundWish wish = wishes.get(at);
    if (wish == null) {
      return task.speed().natural(m.fromLevel(), m.toLevel());
    }
    if (wish == SWELL_BY_WEIGHT) {
      return task.speed().natural(moments.get(first(wishes, at)).fromLevel());
    }
    return wish.factor * task.speed().natural(m.fromLevel(), m.toLevel());
  }

  /** Its share of the usual natural speed: weight and contact point make up for the rest. */
  static double share(BowTask task, BowMoment m, List<BowMoment> moments) {
    return speed(task, m, moments) / task.speed().natural(m.fromLevel(), m.toLevel());
  }

  /** Whether the bow keeps its speed within a moment whatever the loudness does. */
  static boolean isEven(BowTask task, int moment) {
    return task.rules().wishes().get(moment) == SWELL_BY_WEIGHT;
  }

  private static int first(Map<Integer, SoundWish> wishes, int moment) {
    int first = moment;
    while (wishes.get(first - 1) == SWELL_BY_WEIGHT) {
      first--;
    }
    return first;
  }
}
