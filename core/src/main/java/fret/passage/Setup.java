package fret.passage;

import fret.base.Leanings;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.player.EffortKind;
import fret.player.Hand;
import fret.player.HandHabit;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import java.util.Map;
import java.util.Objects;

/**
 * Who plays on what.
 *
 * @param tuning the strings; {@link Tuning#usual} for the usual ones
 * @param stringLengthMm from nut to bridge; 0 for the usual length
 * @param a4Hz pitch of the A, 390 to 470
 * @param weights what the player cares about more or less than the preset says
 * @param habits over both: a reason weighs as in the preset, or as the player said, times these
 */
public record Setup(
    InstrumentType instrument,
    Tuning tuning,
    double stringLengthMm,
    double a4Hz,
    String presetId,
    Map<EffortKind, Double> weights,
    School school,
    Hand hand,
    Leanings<HandHabit> habits) {
  public Setup {
    Objects.requireNonNull(tuning);
    Objects.requireNonNull(presetId);
    Objects.requireNonNull(school);
    Objects.requireNonNull(hand);
    Objects.requireNonNull(habits);
    weights = Map.copyOf(weights);
    if (!(a4Hz >= 390) || !(a4Hz <= 470)) {
      throw new IllegalArgumentException("A = " + a4Hz + " Hz is outside 390 to 470");
    }
    if (stringLengthMm != 0 && (!(stringLengthMm >= 150) || !(stringLengthMm <= 1400))) {
      throw new IllegalArgumentException(
          "string length " + stringLengthMm + " mm is outside 150 to 1400");
    }
  }

  /** The usual instrument in its usual tuning, a medium hand and the sure preset. */
  public static Setup usual(InstrumentType type) {
    return new Setup(
        type,
        Tuning.usual(type),
        0,
        440,
        Preset.SURE.id(),
        Map.of(),
        School.USUAL,
        Hand.MEDIUM,
        Leanings.none());
  }

  /** The instrument as it is strung and sized. */
  public Instrument strung() {
    return Instrument.of(instrument, tuning, stringLengthMm);
  }

  public HandModel handModel() {
    return new HandModel(strung(), school, hand);
  }

  /** The preset with the player's own weights in it, and the habits over all of it. */
  public Preset preset() {
    Preset named = Preset.named(presetId).orElse(Preset.SURE);
    return HandHabit.over(weights.isEmpty() ? named : named.with(named.id(), weights), habits);
  }

  public Setup withHabits(Leanings<HandHabit> other) {
    return new Setup(
        instrument, tuning, stringLengthMm, a4Hz, presetId, weights, school, hand, other);
  }

  /** Another instrument, in its usual tuning and size. */
  public Setup withInstrument(InstrumentType other) {
    return new Setup(other, Tuning.usual(other), 0, a4Hz, presetId, weights, school, hand, habits);
  }

  public Setup withStrings(Tuning otherTuning, double otherLengthMm, double otherA4Hz) {
    return new Setup(
        instrument, otherTuning, otherLengthMm, otherA4Hz, presetId, weights, school, hand, habits);
  }

  public Setup withPreset(String other) {
    return new Setup(
        instrument, tuning, stringLengthMm, a4Hz, other, Map.of(), school, hand, habits);
  }

  public Setup withWeights(Map<EffortKind, Double> other) {
    return new Setup(
        instrument, tuning, stringLengthMm, a4Hz, presetId, other, school, hand, habits);
  }

  public Setup withHand(Hand otherHand, School otherSchool) {
    return new Setup(
        instrument,
        tuning,
        stringLengthMm,
        a4Hz,
        presetId,
        weights,
        otherSchool,
        otherHand,
        habits);
  }
}
