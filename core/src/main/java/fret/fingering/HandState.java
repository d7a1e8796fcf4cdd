package fret.fingering;

import fret.instrument.Finger;
import fret.player.Region;
import java.util.List;

/**
 * What the left hand does at one moment: string and finger of every sounding note, and where the
 * hand stands. With open strings only, the hand is still where {@link #left} left it and free to
 * move.
 */
final class HandState {
  /** Base of a hand that has not been placed yet. */
  static final int FREE = 0;

  /** A note under the hand; {@code harmonic} when touched, not pressed. */
  record Touch(int note, int string, Finger finger, int semitone, boolean harmonic, boolean held) {
    boolean isOpen() {
      return finger == Finger.OPEN;
    }
  }

  /**
   * What the moment alone costs the hand.
   *
   * @param strain semitones by which fingers leave the easy shape
   * @param trillWeakness 0 strong, 1 weak, 100 when no finger can play the ornament
   * @param trillFinger the finger that trills; {@link Finger#OPEN} for none
   * @param barres strings that one finger covers beyond its first
   * @param printedBroken notes that are not fingered as printed
   * @param freeHarmonics notes touched as harmonics that are not printed so
   * @param windowMm whole width of the narrowest in-tune window under a finger; infinite without
   *     one
   */
  record Grip(
      double strain,
      double trillWeakness,
      Finger trillFinger,
      int barres,
      int printedBroken,
      int freeHarmonics,
      double windowMm) {}

  private final TimedSlice moment;
  private final TimedSlice left;
  private final List<Touch> touches;
  private final int base;
  private final Region region;
  private final Grip grip;
  private final boolean stopped;
  private final int fingersDown;
  private final boolean holds;
  private final double plane;
  private final int lowestString;
  private final int highestString;
  private final Touch lead;

  HandState(
      TimedSlice moment, TimedSlice left, List<Touch> touches, int base, Region region, Grip grip) {
    this.moment = moment;
    this.left = left;
    this.touches = List.copyOf(touches);
    this.base = base;
    this.region = region;
    this.grip = grip;
    double sum = 0;
    int count = 0;
    int low = 0;
    int high = Integer.MAX_VALUE;
    int down = 0;
    Touch last = null;
    for (Touch t : touches) {
      down += t.isOpen() ? 0 : 1;
      low = Math.max(low, t.string());
      high = Math.min(high, t.string());
      if (!t.held()) {
        sum += t.string();
        count++;
        last = t;
      }
    }
    this.holds = count < touches.size();
    this.stopped = down > 0;
    this.fingersDown = down;
    this.plane = sum / Math.max(1, count);
    this.lowestString = low;
    this.highestString = high;
    this.lead = last;
  }

  TimedSlice moment() {
    return moment;
  }

  /** The moment at which a finger was last down; null if none was yet. */
  TimedSlice left() {
    return stopped ? moment : left;
  }

  List<Touch> touches() {
    return touches;
  }

  int base() {
    return base;
  }

  Region region() {
    return region;
  }

  Grip grip() {
    return grip;
  }

  /** Whether any finger is down. */
  boolean isStopped() {
    return stopped;
  }

  /** Whether a note from before still sounds. */
  boolean holds() {
    return holds;
  }

  /** How many fingers are down. */
  int fingersDown() {
    return fingersDown;
  }

  /** Middle of the strings on which notes start, 1 the highest. */
  double plane() {
    return plane;
  }

  int lowestString() {
    return lowestString;
  }

  int highestString() {
    return highestString;
  }

  /** The highest note that starts here. */
  Touch lead() {
    return lead;
  }

  boolean isSingle() {
    return touches.size() == 1;
  }

  /** Whether the hand moves between a state and this one. */
  boolean isShiftFrom(HandState from) {
    return stopped && from != null && from.base != FREE && from.base != base;
  }

  /** Time for the hand to get here: half of the note it left, and all that lies between. */
  double transitMs(HandState from) {
    TimedSlice origin = from.left();
    double gap = Math.max(0, moment.startMs() - origin.endMs());
    return Math.max(5, 0.5 * origin.durationMs() + gap);
  }

  /** Time from the start of the state before to the start of this one, in seconds. */
  double sinceStartSeconds(HandState from) {
    return Math.max(0.02, (moment.startMs() - from.moment.startMs()) / 1000);
  }

  /** The same class: nothing that a player would notice differs. */
  Object noticeable() {
    List<Integer> strings =
        touches.stream().map(t -> t.isOpen() ? -t.string() : t.string()).toList();
    return List.of(
        strings,
        stopped ? base : 0,
        region == Region.THUMB && stopped,
        touches.stream().map(Touch::harmonic).toList());
  }
}
