package fret.bowing;

import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.tempo.TempoMap;
import java.util.List;
import java.util.Objects;

/**
 * What is to be bowed.
 *
 * @param hand what the left hand gives, one entry for every moment
 * @param loudness how loud it is meant to be
 */
public record BowTask(
    ResolvedPassage passage,
    TempoMap tempo,
    Instrument instrument,
    List<HandAt> hand,
    LoudnessLine loudness,
    BowGeometry bow,
    BowSpeed speed,
    BowPreset preset,
    BowRules rules,
    BowHabits habits) {
  public BowTask {
    Objects.requireNonNull(passage);
    Objects.requireNonNull(tempo);
    Objects.requireNonNull(instrument);
    hand = List.copyOf(hand);
    if (hand.size() != passage.slices().size()) {
      throw new IllegalArgumentException(
          hand.size() + " hands for " + passage.slices().size() + " moments");
    }
    Objects.requireNonNull(loudness);
    Objects.requireNonNull(bow);
    Objects.requireNonNull(speed);
    Objects.requireNonNull(preset);
    Objects.requireNonNull(rules);
    Objects.requireNonNull(habits);
  }

  /** A passage as printed with the usual bow. */
  public static BowTask of(
      ResolvedPassage passage, TempoMap tempo, Instrument instrument, List<HandAt> hand) {
    return new BowTask(
        passage,
        tempo,
        instrument,
        hand,
        LoudnessLine.of(passage.score()),
        BowGeometry.usual(instrument),
        BowSpeed.usual(instrument.type()),
        BowPreset.SURE,
        BowRules.NONE,
        BowHabits.USUAL);
  }

  public BowTask withRules(BowRules other) {
    return new BowTask(
        passage, tempo, instrument, hand, loudness, bow, speed, preset, other, habits);
  }

  public BowTask withPreset(BowPreset other) {
    return new BowTask(
        passage, tempo, instrument, hand, loudness, bow, speed, other, rules, habits);
  }

  public BowTask withBow(BowGeometry other) {
    return new BowTask(
        passage, tempo, instrument, hand, loudness, other, speed, preset, rules, habits);
  }

  public BowTask withSpeed(BowSpeed other) {
    return new BowTask(
        passage, tempo, instrument, hand, loudness, bow, other, preset, rules, habits);
  }

  public BowTask withHand(List<HandAt> other) {
    return new BowTask(
        passage, tempo, instrument, other, loudness, bow, speed, preset, rules, habits);
  }

  public BowTask withLoudness(LoudnessLine other) {
    return new BowTask(passage, tempo, instrument, hand, other, bow, speed, preset, rules, habits);
  }

  public BowTask withHabits(BowHabits other) {
    return new BowTask(
        passage, tempo, instrument, hand, loudness, bow, speed, preset, rules, other);
  }
}
