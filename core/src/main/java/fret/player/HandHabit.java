package fret.player;

import fret.base.Leanings;
import fret.instrument.InstrumentType;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/**
 * A habit of the left hand between two ends. Towards the second end some reasons weigh more and
 * others less, over what the preset says; which ones is common practice, no source.
 */
public enum HandHabit {
  /** Rather shift, or rather cross to another string. */
  MOVE(
      EnumSet.of(EffortKind.SHIFT, EffortKind.RUSH, EffortKind.TRAVEL),
      EnumSet.of(
          EffortKind.CROSSING,
          EffortKind.SLUR_CROSSING,
          EffortKind.CROSS_BACK,
          EffortKind.TURN_BACK,
          EffortKind.SKIP)),
  /** Open strings welcome, or avoided. */
  OPEN(
      EnumSet.of(EffortKind.OPEN_STRING, EffortKind.OPEN_LONG, EffortKind.OPEN_LOUD),
      EnumSet.noneOf(EffortKind.class)),
  /** Stay low, or use the whole string. */
  HEIGHT(
      EnumSet.noneOf(EffortKind.class),
      EnumSet.of(EffortKind.HEIGHT, EffortKind.HIGH_ON_LOW, EffortKind.START)),
  /** Few, large shifts, or many small ones. */
  SHIFTS(
      EnumSet.of(EffortKind.TRAVEL, EffortKind.FAR_FINGERS, EffortKind.THROWN),
      EnumSet.of(EffortKind.CREEP, EffortKind.UNCOVERED, EffortKind.LANDING)),
  /** The fourth finger used as the others, or spared. */
  FOURTH(
      EnumSet.of(
          EffortKind.FOURTH, EffortKind.FOURTH_LONG, EffortKind.WEAK_PAIR, EffortKind.WEAK_TRILL),
      EnumSet.noneOf(EffortKind.class)),
  /** Stretch, or keep the hand small. */
  STRETCH(EnumSet.of(EffortKind.STRETCH), EnumSet.noneOf(EffortKind.class)),
  /** One string for a phrase, or whichever string is near. */
  COLOUR(
      EnumSet.noneOf(EffortKind.class),
      EnumSet.of(EffortKind.COLOUR, EffortKind.THEME, EffortKind.BRILLIANCE)),
  /** Slides may be heard, or shifts are hidden. */
  SLIDES(
      EnumSet.of(
          EffortKind.SLUR_SHIFT, EffortKind.SLIDE_HEARD, EffortKind.UNCOVERED, EffortKind.OFF_BEAT),
      EnumSet.noneOf(EffortKind.class)),
  /** Harmonics welcome, or avoided. */
  HARMONICS(EnumSet.of(EffortKind.HARMONIC), EnumSet.noneOf(EffortKind.class)),
  /** The thumb comes up early, or late. */
  THUMB(EnumSet.of(EffortKind.THUMB, EffortKind.THUMB_CHANGE), EnumSet.noneOf(EffortKind.class));

  private final Set<EffortKind> more;
  private final Set<EffortKind> less;

  HandHabit(Set<EffortKind> more, Set<EffortKind> less) {
    this.more = more;
    this.less = less;
  }

  /** What weighs more towards the second end. */
  public Set<EffortKind> more() {
    return EnumSet.copyOf(more);
  }

  /** Whether an instrument's players have it: the thumb comes up on cello and bass. */
  public boolean isOf(InstrumentType type) {
    return this != THUMB || type == InstrumentType.CELLO || type == InstrumentType.BASS;
  }

  /** What all habits together make of one reason's weight. */
  public static double factor(EffortKind kind, Leanings<HandHabit> leanings) {
    return leanings.factor(h -> h.more.contains(kind) ? 1 : h.less.contains(kind) ? -1 : 0);
  }

  /** A preset as a player with habits has it. */
  public static Preset over(Preset preset, Leanings<HandHabit> leanings) {
    if (leanings.isNone()) {
      return preset;
    }
    Map<EffortKind, Double> all = new EnumMap<>(EffortKind.class);
    for (EffortKind kind : EffortKind.values()) {
      all.put(kind, preset.weight(kind) * factor(kind, leanings));
    }
    return preset.with(preset.id(), all);
  }
}
