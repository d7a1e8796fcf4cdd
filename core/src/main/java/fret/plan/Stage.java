package fret.plan;

import fret.base.Said;
import fret.plan.PracticePlan.Item;

/**
 * One thing that a visit does with one unit.
 *
 * @param isCut whether fewer plays stand in it than it asked for, so that it goes on next time
 * @param closes whether its level is closed with it, if all goes as expected
 */
record Stage(Standing standing, Item item, boolean isCut, boolean closes) {
  /** The same for another reason. */
  Stage because(Said why) {
    return new Stage(standing, item.because(why), isCut, closes);
  }

  /** Whether it is one more set at the level closed last. */
  boolean isAgain() {
    return item.why().id().equals(Stages.AGAIN);
  }

  double minutes() {
    return item.minutes();
  }

  int plays() {
    return item.plays();
  }
}
