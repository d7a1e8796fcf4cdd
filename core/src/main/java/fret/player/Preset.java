package fret.player;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What a player cares about: effort per unit of each {@link EffortKind}. The currency is one easy
 * shift to the neighbouring position with time to spare.
 *
 * @param id stable short name
 * @param weights 0 or more for every kind
 */
public record Preset(String id, Map<EffortKind, Double> weights) {
  public Preset {
    Objects.requireNonNull(id);
    EnumMap<EffortKind, Double> copy = new EnumMap<>(EffortKind.class);
    for (EffortKind kind : EffortKind.values()) {
      double weight = weights.getOrDefault(kind, 0.0);
      if (!(weight >= 0)) {
        throw new IllegalArgumentException("weight of " + kind.id() + " is " + weight);
      }
      copy.put(kind, weight);
    }
    weights = Collections.unmodifiableMap(copy);
  }

  /** A sure hand: few shifts, low positions, open strings in passing. The default. */
  public static final Preset SURE =
      new Preset(
          "sure",
          Map.ofEntries(
              Map.entry(EffortKind.SHIFT, 0.27),
              Map.entry(EffortKind.RUSH, 0.012),
              Map.entry(EffortKind.THROWN, 1.1),
              Map.entry(EffortKind.FAR_FINGERS, 1.0),
              Map.entry(EffortKind.CREEP, 0.45),
              Map.entry(EffortKind.TRAVEL, 0.003),
              Map.entry(EffortKind.SLUR_SHIFT, 0.85),
              Map.entry(EffortKind.UNCOVERED, 0.1),
              Map.entry(EffortKind.OFF_BEAT, 0.04),
              Map.entry(EffortKind.LANDING, 0.2),
              Map.entry(EffortKind.SLIDE_HEARD, 0.15),
              Map.entry(EffortKind.UNEVEN, 0.08),
              Map.entry(EffortKind.CROSS_BACK, 0.03),
              Map.entry(EffortKind.TURN_BACK, 0.35),
              Map.entry(EffortKind.PEDAL, 0.5),
              Map.entry(EffortKind.BOUNCED, 0.8),
              Map.entry(EffortKind.COLOUR, 0.05),
              Map.entry(EffortKind.BRILLIANCE, 0.1),
              Map.entry(EffortKind.SWAP, 0.1),
              Map.entry(EffortKind.START, 0.38),
              Map.entry(EffortKind.PAIR, 0.4),
              Map.entry(EffortKind.TAKE_OVER, 0.5),
              Map.entry(EffortKind.LET_GO, 0.25),
              Map.entry(EffortKind.ANCHOR, 0.05),
              Map.entry(EffortKind.CHORD_HOP, 0.15),
              Map.entry(EffortKind.CHORD_LOST, 0.1),
              Map.entry(EffortKind.OPEN_LOUD, 0.15),
              Map.entry(EffortKind.VIBRATO, 1.0),
              Map.entry(EffortKind.HARMONIC, 0.8),
              Map.entry(EffortKind.TRILL_EXIT, 0.5),
              Map.entry(EffortKind.CROSSING, 0.22),
              Map.entry(EffortKind.SLUR_CROSSING, 0.08),
              Map.entry(EffortKind.SKIP, 0.5),
              Map.entry(EffortKind.SAME_FINGER, 0.06),
              Map.entry(EffortKind.SLIDE, 0.08),
              Map.entry(EffortKind.WEAK_PAIR, 0.015),
              Map.entry(EffortKind.STRETCH, 0.6),
              Map.entry(EffortKind.OPEN_LONG, 0.8),
              Map.entry(EffortKind.OPEN_STRING, 0.02),
              Map.entry(EffortKind.FOURTH, 0.13),
              Map.entry(EffortKind.FOURTH_LONG, 0.15),
              Map.entry(EffortKind.HIGH_ON_LOW, 0.04),
              Map.entry(EffortKind.HEIGHT, 0.03),
              Map.entry(EffortKind.THUMB, 0.25),
              Map.entry(EffortKind.THUMB_CHANGE, 0.6),
              Map.entry(EffortKind.BARRE, 0.5),
              Map.entry(EffortKind.WEAK_TRILL, 0.8),
              Map.entry(EffortKind.UNLIKE, 0.5),
              Map.entry(EffortKind.PRINTED, 0.4)));

  /** One sound across a phrase: stays on a string and climbs it, no long open strings. */
  public static final Preset SINGING =
      SURE.with(
          "singing",
          Map.ofEntries(
              Map.entry(EffortKind.SHIFT, 0.2),
              Map.entry(EffortKind.START, 0.1),
              Map.entry(EffortKind.CROSSING, 0.5),
              Map.entry(EffortKind.SLUR_CROSSING, 0.5),
              Map.entry(EffortKind.OPEN_LONG, 1.2),
              Map.entry(EffortKind.OPEN_STRING, 0.25),
              Map.entry(EffortKind.HEIGHT, 0.01),
              Map.entry(EffortKind.COLOUR, 0.35),
              Map.entry(EffortKind.THEME, 0.25),
              Map.entry(EffortKind.UNCOVERED, 0.03),
              Map.entry(EffortKind.SLUR_SHIFT, 0.15)));

  /** Speed first: the hand stays, the bow crosses, weak pairs are avoided. */
  public static final Preset QUICK =
      SURE.with(
          "quick",
          Map.ofEntries(
              Map.entry(EffortKind.SHIFT, 0.35),
              Map.entry(EffortKind.RUSH, 0.02),
              Map.entry(EffortKind.START, 0.8),
              Map.entry(EffortKind.CROSSING, 0.09),
              Map.entry(EffortKind.WEAK_PAIR, 0.12),
              Map.entry(EffortKind.OPEN_STRING, 0.0),
              Map.entry(EffortKind.OPEN_LONG, 0.1),
              Map.entry(EffortKind.FOURTH, 0.13),
              Map.entry(EffortKind.HEIGHT, 0.0)));

  /** A big sound: low strings for power, strong fingers, no open strings that stick out. */
  public static final Preset POWERFUL =
      SURE.with(
          "powerful",
          Map.ofEntries(
              Map.entry(EffortKind.SHIFT, 0.14),
              Map.entry(EffortKind.START, 0.12),
              Map.entry(EffortKind.CROSSING, 0.5),
              Map.entry(EffortKind.COLOUR, 0.5),
              Map.entry(EffortKind.THEME, 0.25),
              Map.entry(EffortKind.BRILLIANCE, 0.0),
              Map.entry(EffortKind.HIGH_ON_LOW, 0.005),
              Map.entry(EffortKind.HEIGHT, 0.0),
              Map.entry(EffortKind.OPEN_LONG, 3.0),
              Map.entry(EffortKind.OPEN_STRING, 0.4),
              Map.entry(EffortKind.FOURTH, 0.2),
              Map.entry(EffortKind.FOURTH_LONG, 0.8)));

  /** A gentle hand: no stretch that a shift can spare, the fourth finger seldom. */
  public static final Preset GENTLE =
      SURE.with(
          "gentle",
          Map.ofEntries(
              Map.entry(EffortKind.STRETCH, 2.5),
              Map.entry(EffortKind.SHIFT, 0.2),
              Map.entry(EffortKind.THROWN, 0.5),
              Map.entry(EffortKind.FOURTH, 0.5),
              Map.entry(EffortKind.FOURTH_LONG, 0.8),
              Map.entry(EffortKind.OPEN_LONG, 0.2),
              Map.entry(EffortKind.OPEN_STRING, 0.0),
              Map.entry(EffortKind.HARMONIC, 0.4),
              Map.entry(EffortKind.THUMB, 0.4)));

  /** Shifts that nobody hears: behind open strings, rests and bow changes, on the beat. */
  public static final Preset HIDDEN =
      SURE.with(
          "hidden",
          Map.ofEntries(
              Map.entry(EffortKind.UNCOVERED, 2.4),
              Map.entry(EffortKind.CROSSING, 0.15),
              Map.entry(EffortKind.SHIFT, 0.2),
              Map.entry(EffortKind.TAKE_OVER, 0.3),
              Map.entry(EffortKind.OFF_BEAT, 0.5),
              Map.entry(EffortKind.LANDING, 1.0),
              Map.entry(EffortKind.SLIDE_HEARD, 2.0),
              Map.entry(EffortKind.SLUR_SHIFT, 2.0),
              Map.entry(EffortKind.SLIDE, 0.2),
              Map.entry(EffortKind.OPEN_LONG, 0.4)));

  /** All presets, the default first. */
  public static List<Preset> all() {
    return List.of(SURE, SINGING, QUICK, POWERFUL, GENTLE, HIDDEN);
  }

  /** The preset with this id, if there is one. */
  public static Optional<Preset> named(String id) {
    return all().stream().filter(p -> p.id().equals(id)).findFirst();
  }

  public double weight(EffortKind kind) {
    return weights.get(kind);
  }

  /** A variant under another name with some weights changed. */
  public Preset with(String newId, Map<EffortKind, Double> changed) {
    EnumMap<EffortKind, Double> copy = new EnumMap<>(weights);
    copy.putAll(changed);
    return new Preset(newId, copy);
  }
}
