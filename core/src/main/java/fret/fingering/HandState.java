package fret.fingering;

import fret.instrument.Finger;
import fret.player.Region;
import fret.player.Shape;
import java.util.List;

/**
 * What the left hand does at one moment: string and finger of every sounding note, and where the
 * hand stands. With open strings only, the hand is still where {@link #left} left it and free to
 * move.
 */
final class HandState {
  /** Base of a hand that has not been placed yet. */
  static final int FREE = 0;

  /** So long a finger touches a natural harmonic before the hand may go (from memory), in ms. */
  private static final double TOUCH_MS = 30;

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
   * @param turnWeakness the same of the note below by which a trill ends, 0 to 1
   * @param trillFinger the finger that trills; {@link Finger#OPEN} for none
   * @param barres strings that one finger covers beyond its first, dearer under any but the first
   * @param printedBroken notes that are not fingered as printed
   * @param freeHarmonics notes touched as harmonics that are not printed so
   * @param windowMm whole width of the narrowest in-tune window under a finger; infinite without
   *     one
   */
  record Grip(
      double strain,
      double trillWeakness,
      double turnWeakness,
      Finger trillFinger,
      double barres,
      int printedBroken,
      int freeHarmonics,
      double windowMm) {
    /** Whether only the target's width tells it from an easy hand. */
    boolean isPlain() {
      return strain == 0
          && trillWeakness == 0
          && turnWeakness == 0
          && barres == 0
          && printedBroken == 0
          && freeHarmonics == 0;
    }
  }

  /**
   * How the moment was reached, where that counts for the next one.
   *
   * @param crossed whether the bow has crossed the way the line goes for its one note
   * @param movedFrom where the hand stood before it moved along an arpeggio; 0 when it stayed or
   *     that does not count
   */
  record Past(boolean crossed, int movedFrom) {
    static final Past NONE = new Past(false, 0);

    /** The past of {@code to} when it follows {@code from}. */
    static Past between(HandState from, HandState to) {
      boolean crossed = crosses(from, to);
      int base = baseLeft(from, to);
      return crossed || base != 0 ? new Past(crossed, base) : NONE;
    }

    /** Whether this is the past of {@code to} when it follows {@code from}. */
    boolean isBetween(HandState from, HandState to) {
      return crossed == crosses(from, to) && movedFrom == baseLeft(from, to);
    }

    /** Higher strings have lower numbers. */
    private static boolean crosses(HandState from, HandState to) {
      return (from.plane - to.plane) * to.moment.contour().turn() > 0;
    }

    private static int baseLeft(HandState from, HandState to) {
      int way = to.moment.contour().arpeggio();
      return from.stopped && to.isShiftFrom(from) && (to.base - from.base) * way > 0
          ? from.base
          : 0;
    }
  }

  private final TimedSlice moment;
  private final TimedSlice left;
  private final List<Touch> touches;
  private final int base;
  private final Region region;
  private final Shape shape;
  private final Grip grip;
  private final boolean stopped;
  private final boolean fourth;
  private final int fingersDown;
  private final boolean holds;
  private final double plane;
  private final int lowestString;
  private final int highestString;
  private final Touch lead;
  private final Past past;
  private final HandState handover;
  private final boolean takesOver;
  private final boolean remembers;

  HandState(
      TimedSlice moment,
      TimedSlice left,
      List<Touch> touches,
      int base,
      Region region,
      Shape shape,
      Grip grip) {
    this(moment, left, touches, base, region, shape, grip, Past.NONE, null, false);
  }

  private HandState(
      TimedSlice moment,
      TimedSlice left,
      List<Touch> touches,
      int base,
      Region region,
      Shape shape,
      Grip grip,
      Past past,
      HandState handover,
      boolean takesOver) {
    this.past = past;
    this.handover = handover;
    this.takesOver = takesOver;
    this.remembers = moment.remembers();
    this.moment = moment;
    this.left = left;
    this.touches = List.copyOf(touches);
    this.base = base;
    this.region = region;
    this.shape = shape;
    this.grip = grip;
    double sum = 0;
    int count = 0;
    int low = 0;
    int high = Integer.MAX_VALUE;
    int down = 0;
    boolean fourth = false;
    Touch last = null;
    for (Touch t : touches) {
      down += t.isOpen() ? 0 : 1;
      fourth |= t.finger() == Finger.FOURTH;
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
    this.fourth = fourth;
    this.fingersDown = down;
    this.plane = sum / Math.max(1, count);
    this.lowestString = low;
    this.highestString = high;
    this.lead = last;
  }

  /** The same hand with another past. */
  HandState reached(Past other) {
    return new HandState(
        moment, left, touches, base, region, shape, grip, other, handover, takesOver);
  }

  /** The hand that puts another finger on its note while it sounds, and so moves. */
  HandState handingOverTo(HandState other) {
    HandState after =
        new HandState(
            moment,
            left,
            other.touches,
            other.base,
            other.region,
            other.shape,
            other.grip,
            Past.NONE,
            null,
            true);
    return new HandState(moment, left, touches, base, region, shape, grip, past, after, false);
  }

  Past past() {
    return past;
  }

  /** Whether it can follow another hand, as far as its past goes. */
  boolean hasPast(HandState from) {
    return !remembers || past.isBetween(from, this);
  }

  /** The hand that goes on from here: another one where a finger was replaced. */
  HandState out() {
    return handover == null ? this : handover;
  }

  /** Whether another finger takes the note over while it sounds. */
  boolean handsOver() {
    return handover != null;
  }

  /** Whether this hand has taken a sounding note over. */
  boolean takesOver() {
    return takesOver;
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

  /** How the hand is open; of one with open strings only, how it last was. */
  Shape shape() {
    return shape;
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

  boolean hasFourth() {
    return fourth;
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

  /** Whether the hand moves between a state and this one. */
  boolean isShiftFrom(HandState from) {
    return stopped && from != null && from.base != FREE && from.base != base;
  }

  /**
   * Time for the hand to get here: half of the note it left, and all that lies between. A finger
   * that is replaced moves within the first half, and then half of the rest is left. A natural
   * harmonic rings on when its finger leaves: all of it but the touch is there.
   */
  double transitMs(HandState from) {
    TimedSlice origin = from.left();
    double gap = Math.max(0, moment.startMs() - origin.endMs());
    double share = from.takesOver ? 0.25 : 0.5;
    double own = share * origin.durationMs();
    double station = from.isStation() ? origin.durationMs() - TOUCH_MS : 0;
    return Math.max(5, Math.max(own, station) + gap);
  }

  /** Whether the hand stands on a natural harmonic alone, which it may leave while it sounds. */
  boolean isStation() {
    return stopped && !takesOver && touches.size() == 1 && touches.get(0).harmonic();
  }

  /** Time from the start of the state before to the start of this one, in seconds. */
  double sinceStartSeconds(HandState from) {
    return Math.max(0.02, (moment.startMs() - from.moment.startMs()) / 1000);
  }

  /** What a page would show: strings and fingers, with those that are replaced. */
  Object places() {
    return handover == null ? touches : List.of(touches, handover.touches);
  }

  /** The same class: nothing that a player would notice differs. */
  Object noticeable() {
    List<Integer> strings =
        touches.stream().map(t -> t.isOpen() ? -t.string() : t.string()).toList();
    return List.of(
        strings,
        stopped ? base : 0,
        handover == null ? 0 : handover.base,
        region == Region.THUMB && stopped,
        touches.stream().map(Touch::harmonic).toList());
  }
}
