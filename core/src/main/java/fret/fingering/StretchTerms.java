package fret.fingering;

import fret.instrument.InstrumentType;
import fret.player.FingerPairs;
import fret.player.Region;

/** By how much the fingers leave the easy shape of the hand. */
final class StretchTerms {
  /** Another string gives the hand room (from memory). */
  private static final double OTHER_STRING = 0.35;

  /**
   * What a hand that stays open costs, in semitones out of the easy shape a second (from memory).
   */
  private static final double OPEN_HAND_PER_S = 0.4;

  /** What a hand costs that begins open, of one that opens where it stands (from memory). */
  private static final double SET_DOWN_OPEN = 2.0 / 3;

  private final FingerPairs shapes;

  StretchTerms(InstrumentType type) {
    this.shapes = new FingerPairs(type);
  }

  /** What the fingers leave the easy shape by, and what a hand that stays open costs by time. */
  static double own(HandState s) {
    boolean open = s.shape().isExtended() && s.fingersDown() == 1;
    return open
        ? s.grip().strain()
            + OPEN_HAND_PER_S * Math.min(Terms.LONGEST_COUNTED_S, s.moment().seconds())
        : s.grip().strain();
  }

  /**
   * A hand that opens; one that moves closes on the way and opens anew, one that begins is set down
   * open, which is easier.
   */
  private static double opening(HandState from, HandState to) {
    boolean extended = to.shape().isExtended() && to.fingersDown() == 1;
    boolean begins = from == null || from.base() == HandState.FREE;
    boolean opens = begins || to.isShiftFrom(from) || from.shape() != to.shape();
    return extended && opens ? to.shape().strain() * (begins ? SET_DOWN_OPEN : 1) : 0;
  }

  /** Semitones by which two fingers stand wider than they are taught, or a little for closer. */
  double into(HandState from, HandState to) {
    return opening(from, to) + between(from, to);
  }

  private double between(HandState from, HandState to) {
    HandState.Touch a = from == null ? null : from.lead();
    HandState.Touch b = to.lead();
    if (from == null || from.base() == HandState.FREE || to.isShiftFrom(from)) {
      return b == null ? 0 : shapes.arrival(b.finger(), b.semitone(), to.base());
    }
    boolean inHand = Terms.isStopped(a) && Terms.isStopped(b) && from.base() == to.base();
    if (!inHand || from.region() == Region.THUMB || to.region() == Region.THUMB) {
      return 0;
    }
    double strain = shapes.strain(a.finger(), a.semitone(), b.finger(), b.semitone(), to.base());
    return a.string() == b.string() ? strain : OTHER_STRING * strain;
  }
}
