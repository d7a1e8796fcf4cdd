package fret.bowing;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What a player cares about in a bowing: effort per unit of each {@link BowEffort}. The currency is
 * one up-bow on a first beat.
 *
 * @param id stable short name
 * @param weights 0 or more for every kind
 */
public record BowPreset(String id, Map<BowEffort, Double> weights) {
  public BowPreset {
    Objects.requireNonNull(id);
    EnumMap<BowEffort, Double> copy = new EnumMap<>(BowEffort.class);
    for (BowEffort kind : BowEffort.values()) {
      double weight = weights.getOrDefault(kind, 0.0);
      if (!(weight >= 0) || Double.isInfinite(weight)) {
        throw new IllegalArgumentException("weight of " + kind.id() + " is " + weight);
      }
      copy.put(kind, weight);
    }
    weights = Collections.unmodifiableMap(copy);
  }

  /**
   * Sure and simple: strong beats down, as little as possible out of turn. The default; the order
   * of the prices of directions is common practice, no source.
   */
  public static final BowPreset SURE =
      new BowPreset(
          "sure",
          Map.ofEntries(
              Map.entry(BowEffort.UP_BEGIN, 0.08),
              Map.entry(BowEffort.UP_FIRST, 1.0),
              Map.entry(BowEffort.UP_HALF, 0.45),
              Map.entry(BowEffort.UP_BEAT, 0.12),
              Map.entry(BowEffort.UP_CHORD, 1.6),
              Map.entry(BowEffort.UP_ACCENT, 0.45),
              Map.entry(BowEffort.DOWN_SWELL, 0.5),
              Map.entry(BowEffort.UP_FADE, 0.25),
              Map.entry(BowEffort.DOWN_PLUCK, 0.3),
              Map.entry(BowEffort.HOOK, 1.3),
              Map.entry(BowEffort.HOOK_DOTTED, 0.3),
              Map.entry(BowEffort.HOOK_LEAP, 0.6),
              Map.entry(BowEffort.RETAKE, 0.2),
              Map.entry(BowEffort.RETAKE_PAID, 1.15),
              Map.entry(BowEffort.RETAKE_TIME, 0.002),
              Map.entry(BowEffort.RETAKE_LATE, 0.025),
              Map.entry(BowEffort.RETAKE_WAY, 0.002),
              Map.entry(BowEffort.BROKEN, 0.4),
              Map.entry(BowEffort.JOINED, 0.5),
              Map.entry(BowEffort.SLUR_SHIFT, 0.12),
              Map.entry(BowEffort.SLUR_CROSS, 0.03),
              Map.entry(BowEffort.SAVE, 0.12),
              Map.entry(BowEffort.SPEND, 0.12),
              Map.entry(BowEffort.THIN, 0.5),
              Map.entry(BowEffort.SHORT, 0.6),
              Map.entry(BowEffort.FAST, 3.0),
              Map.entry(BowEffort.CROSS_HAND, 0.004),
              Map.entry(BowEffort.KIND_PLACE, 0.02),
              Map.entry(BowEffort.PLAIN_PLACE, 0.006),
              Map.entry(BowEffort.WEIGHT_PLACE, 0.008),
              Map.entry(BowEffort.LOUD_PLACE, 0.003),
              Map.entry(BowEffort.SWEEP_PLACE, 0.006),
              Map.entry(BowEffort.RESERVE, 0.002),
              Map.entry(BowEffort.UNLIKE, 0.15)));

  /** An orchestral section: printed slurs stand, everybody sees why; strong beats down. */
  public static final BowPreset SECTION =
      SURE.with(
          "section",
          Map.of(
              BowEffort.UP_FIRST, 1.2,
              BowEffort.BROKEN, 0.7,
              BowEffort.HOOK_DOTTED, 0.2,
              BowEffort.UNLIKE, 0.3,
              BowEffort.RETAKE, 0.1));

  /** A solo line: long bows give way to sound; slurs may be broken for it. */
  public static final BowPreset SOLO =
      SURE.with(
          "solo",
          Map.of(
              BowEffort.UP_FIRST, 0.7,
              BowEffort.BROKEN, 0.15,
              BowEffort.SAVE, 0.3,
              BowEffort.THIN, 1.2,
              BowEffort.DOWN_SWELL, 0.9));

  /** Light and short: retakes and hooks are part of the speech, the frog is near. */
  public static final BowPreset LIGHT =
      SURE.with(
          "light",
          Map.of(
              BowEffort.RETAKE, 0.05,
              BowEffort.RETAKE_PAID, 0.3,
              BowEffort.UP_HALF, 0.6,
              BowEffort.SPEND, 0.3,
              BowEffort.LOUD_PLACE, 0.0,
              BowEffort.HOOK, 0.9));

  /** All presets, the default first. */
  public static List<BowPreset> all() {
    return List.of(SURE, SECTION, SOLO, LIGHT);
  }

  /** The preset with this id, if there is one. */
  public static Optional<BowPreset> named(String id) {
    return all().stream().filter(p -> p.id().equals(id)).findFirst();
  }

  public double weight(BowEffort kind) {
    return weights.get(kind);
  }

  /** A variant under another name with some weights changed. */
  public BowPreset with(String newId, Map<BowEffort, Double> changed) {
    EnumMap<BowEffort, Double> copy = new EnumMap<>(weights);
    copy.putAll(changed);
    return new BowPreset(newId, copy);
  }
}
