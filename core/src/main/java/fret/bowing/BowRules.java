package fret.bowing;

import fret.score.Signs;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * What was decided of a bowing, by moment: hard rules for the planner.
 *
 * @param slurs what printed slurs mean
 * @param bows directions of strokes that begin at a moment, over the printed ones; {@link
 *     Signs.Bow#NONE} takes a printed one away
 * @param joints what happens between a moment and the one before it
 * @param kinds kind of the stroke that begins at a moment
 * @param sounds share of its written length that a moment sounds, above 0 to 1.2
 * @param starts place where the stroke of a moment begins, 0 the frog to 1 the tip
 * @param spots place of the middle of a moment's stroke, 0 the frog to 1 the tip, kept with its
 *     like
 * @param amounts factor of a moment's bow: under 1 saved, over 1 spent, above 0
 * @param contacts where the bow is between bridge and fingerboard, other than planned
 * @param wishes what the sound is made of, other than usual
 * @param damped moments at which a finger damps the string beside the one that sounds
 */
public record BowRules(
    Slurs slurs,
    Map<Integer, Signs.Bow> bows,
    Map<Integer, Joint> joints,
    Map<Integer, StrokeKind> kinds,
    Map<Integer, Double> sounds,
    Map<Integer, Double> starts,
    Map<Integer, Double> spots,
    Map<Integer, Double> amounts,
    Map<Integer, ContactWish> contacts,
    Map<Integer, SoundWish> wishes,
    Set<Integer> damped) {
  /** What printed slurs mean. */
  public enum Slurs {
    /** Slurs are bowings: they stand. */
    BOWING,
    /** Slurs are phrasing: they may be broken for a price. */
    PHRASING,
    /** Any notes may be slurred or not. */
    OPEN
  }

  /** What happens between two moments. */
  public enum Joint {
    /** In one stroke. */
    SLUR,
    /** A new stroke. */
    BREAK,
    /** A new stroke in the same direction without leaving the string. */
    HOOK,
    /** A new stroke after lifting the bow back. */
    RETAKE
  }

  public static final BowRules NONE =
      new BowRules(
          Slurs.BOWING,
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Map.of(),
          Set.of());

  public BowRules {
    Objects.requireNonNull(slurs);
    bows = Map.copyOf(bows);
    joints = Map.copyOf(joints);
    kinds = Map.copyOf(kinds);
    sounds = Map.copyOf(sounds);
    starts = Map.copyOf(starts);
    spots = Map.copyOf(spots);
    amounts = Map.copyOf(amounts);
    contacts = Map.copyOf(contacts);
    wishes = Map.copyOf(wishes);
    damped = Set.copyOf(damped);
    starts.values().forEach(BowRules::check);
    spots.values().forEach(BowRules::check);
    amounts.forEach(
        (m, factor) -> {
          if (!(factor > 0)) {
            throw new IllegalArgumentException("amount factor " + factor + " is not above 0");
          }
        });
  }

  private static void check(double place) {
    if (!(place >= 0) || !(place <= 1)) {
      throw new IllegalArgumentException("place " + place + " is outside 0 to 1");
    }
  }

  public BowRules withSlurs(Slurs other) {
    return new BowRules(
        other, bows, joints, kinds, sounds, starts, spots, amounts, contacts, wishes, damped);
  }

  public BowRules withBows(Map<Integer, Signs.Bow> other) {
    return new BowRules(
        slurs, other, joints, kinds, sounds, starts, spots, amounts, contacts, wishes, damped);
  }

  /** These rules with a bowing held under them: what is decided stands over what is held. */
  public BowRules over(Map<Integer, Adopted> held) {
    Map<Integer, Signs.Bow> allBows = new HashMap<>();
    Map<Integer, Joint> allJoints = new HashMap<>();
    held.forEach(
        (m, a) -> {
          if (a.bow() != Signs.Bow.NONE) {
            allBows.put(m, a.bow());
          }
          a.joint().ifPresent(j -> allJoints.put(m, j));
        });
    allBows.putAll(bows);
    allJoints.putAll(joints);
    return new BowRules(
        slurs, allBows, allJoints, kinds, sounds, starts, spots, amounts, contacts, wishes, damped);
  }

  public BowRules withJoints(Map<Integer, Joint> other) {
    return new BowRules(
        slurs, bows, other, kinds, sounds, starts, spots, amounts, contacts, wishes, damped);
  }

  public BowRules withKinds(Map<Integer, StrokeKind> other) {
    return new BowRules(
        slurs, bows, joints, other, sounds, starts, spots, amounts, contacts, wishes, damped);
  }

  public BowRules withStarts(Map<Integer, Double> other) {
    return new BowRules(
        slurs, bows, joints, kinds, sounds, other, spots, amounts, contacts, wishes, damped);
  }

  public BowRules withAmounts(Map<Integer, Double> other) {
    return new BowRules(
        slurs, bows, joints, kinds, sounds, starts, spots, other, contacts, wishes, damped);
  }

  public BowRules withDamped(Set<Integer> other) {
    return new BowRules(
        slurs, bows, joints, kinds, sounds, starts, spots, amounts, contacts, wishes, other);
  }

  public BowRules withWishes(Map<Integer, SoundWish> other) {
    return new BowRules(
        slurs, bows, joints, kinds, sounds, starts, spots, amounts, contacts, other, damped);
  }
}
