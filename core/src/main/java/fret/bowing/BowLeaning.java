package fret.bowing;

import fret.base.Leanings;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/**
 * A habit of the bow arm between two ends. Towards the second end some reasons weigh more and
 * others less, over what the preset says; which ones is common practice, no source.
 */
public enum BowLeaning {
  /** Save bow, or spend it. */
  AMOUNT(EnumSet.of(BowEffort.SAVE, BowEffort.THIN), EnumSet.of(BowEffort.SPEND)),
  /** Stay in the middle, or use the bow out to its ends. */
  ENDS(EnumSet.noneOf(BowEffort.class), EnumSet.of(BowEffort.RESERVE, BowEffort.LOUD_PLACE)),
  /** Rather retake, or rather hook. */
  AGAIN(
      EnumSet.of(BowEffort.RETAKE, BowEffort.RETAKE_PAID, BowEffort.RETAKE_WAY),
      EnumSet.of(BowEffort.HOOK, BowEffort.HOOK_DOTTED, BowEffort.HOOK_LEAP)),
  /** Printed slurs kept, or broken where that helps. */
  SLURS(EnumSet.noneOf(BowEffort.class), EnumSet.of(BowEffort.BROKEN, BowEffort.JOINED)),
  /** Down-bows on strong beats, or as it comes. */
  BEATS(
      EnumSet.noneOf(BowEffort.class),
      EnumSet.of(BowEffort.UP_FIRST, BowEffort.UP_HALF, BowEffort.UP_BEAT, BowEffort.UP_ACCENT)),
  /** A swell up-bow and a fade down-bow, or either way. */
  SWELLS(EnumSet.noneOf(BowEffort.class), EnumSet.of(BowEffort.DOWN_SWELL, BowEffort.UP_FADE)),
  /** Crossings with the whole arm, or with the hand. */
  ARM(EnumSet.noneOf(BowEffort.class), EnumSet.of(BowEffort.CROSS_HAND)),
  /** Like places bowed alike, or as it comes. */
  ALIKE(EnumSet.noneOf(BowEffort.class), EnumSet.of(BowEffort.UNLIKE));

  private final Set<BowEffort> more;
  private final Set<BowEffort> less;

  BowLeaning(Set<BowEffort> more, Set<BowEffort> less) {
    this.more = more;
    this.less = less;
  }

  /** What all of them together make of one reason's weight. */
  public static double factor(BowEffort kind, Leanings<BowLeaning> leanings) {
    return leanings.factor(h -> h.more.contains(kind) ? 1 : h.less.contains(kind) ? -1 : 0);
  }

  /** A preset as a player with habits has it. */
  public static BowPreset over(BowPreset preset, Leanings<BowLeaning> leanings) {
    if (leanings.isNone()) {
      return preset;
    }
    Map<BowEffort, Double> all = new EnumMap<>(BowEffort.class);
    for (BowEffort kind : BowEffort.values()) {
      all.put(kind, preset.weight(kind) * factor(kind, leanings));
    }
    return preset.with(preset.id(), all);
  }
}
