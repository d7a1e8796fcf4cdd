package fret.bowing;

import fret.base.Leanings;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;

/**
 * The player's bow and what is cared about in a bowing, for a whole passage.
 *
 * @param slurs what printed slurs mean
 * @param hairCm playable hair; 0 for the instrument's usual
 * @param presetId of a {@link BowPreset}
 * @param weights the player's own, over the preset's
 * @param meaning what loudness means here: factor of natural speeds, 0.5 to 2
 * @param arm how much the hand gives
 * @param habits where players differ
 * @param shape what the line does beside its printed dynamics
 * @param leanings over both: a reason weighs as in the preset, or as the player said, times these
 */
public record BowSetup(
    BowRules.Slurs slurs,
    double hairCm,
    String presetId,
    Map<BowEffort, Double> weights,
    double meaning,
    ArmPath.Manner arm,
    BowHabits habits,
    PhraseShape shape,
    Leanings<BowLeaning> leanings) {
  public static final BowSetup USUAL =
      new BowSetup(
          BowRules.Slurs.BOWING,
          0,
          BowPreset.SURE.id(),
          Map.of(),
          1,
          ArmPath.Manner.HAND_GIVES,
          BowHabits.USUAL,
          PhraseShape.PRINTED,
          Leanings.none());

  public BowSetup {
    Objects.requireNonNull(slurs);
    Objects.requireNonNull(presetId);
    Objects.requireNonNull(arm);
    Objects.requireNonNull(habits);
    Objects.requireNonNull(shape);
    Objects.requireNonNull(leanings);
    if (hairCm != 0 && (!(hairCm >= 20) || !(hairCm <= 75))) {
      throw new IllegalArgumentException("hair of " + hairCm + " cm is outside 20 to 75");
    }
    if (!(meaning >= 0.5) || !(meaning <= 2)) {
      throw new IllegalArgumentException("loudness times " + meaning + " is outside 0.5 to 2");
    }
    Map<BowEffort, Double> copy = new EnumMap<>(BowEffort.class);
    copy.putAll(weights);
    weights = Collections.unmodifiableMap(copy);
  }

  public BowSetup withSlurs(BowRules.Slurs other) {
    return new BowSetup(other, hairCm, presetId, weights, meaning, arm, habits, shape, leanings);
  }

  public BowSetup withHair(double cm) {
    return new BowSetup(slurs, cm, presetId, weights, meaning, arm, habits, shape, leanings);
  }

  /** Another preset; own weights go. */
  public BowSetup withPreset(String id) {
    return new BowSetup(slurs, hairCm, id, Map.of(), meaning, arm, habits, shape, leanings);
  }

  public BowSetup withWeight(BowEffort kind, double weight) {
    Map<BowEffort, Double> all = new EnumMap<>(BowEffort.class);
    all.putAll(weights);
    all.put(kind, weight);
    return new BowSetup(slurs, hairCm, presetId, all, meaning, arm, habits, shape, leanings);
  }

  public BowSetup withMeaning(double factor) {
    return new BowSetup(slurs, hairCm, presetId, weights, factor, arm, habits, shape, leanings);
  }

  public BowSetup withArm(ArmPath.Manner other) {
    return new BowSetup(slurs, hairCm, presetId, weights, meaning, other, habits, shape, leanings);
  }

  public BowSetup withHabits(BowHabits other) {
    return new BowSetup(slurs, hairCm, presetId, weights, meaning, arm, other, shape, leanings);
  }

  public BowSetup withShape(PhraseShape other) {
    return new BowSetup(slurs, hairCm, presetId, weights, meaning, arm, habits, other, leanings);
  }

  public BowSetup withLeanings(Leanings<BowLeaning> other) {
    return new BowSetup(slurs, hairCm, presetId, weights, meaning, arm, habits, shape, other);
  }

  public BowGeometry bow(Instrument instrument) {
    BowGeometry usual = BowGeometry.usual(instrument);
    return hairCm > 0 ? usual.withHair(hairCm) : usual;
  }

  public BowPreset preset() {
    BowPreset preset = BowPreset.named(presetId).orElse(BowPreset.SURE);
    return BowLeaning.over(
        weights.isEmpty() ? preset : preset.with(preset.id(), weights), leanings);
  }
}
