package fret.fingering;

import fret.instrument.Finger;
import fret.player.HandModel;
import fret.player.Region;
import java.util.BitSet;
import java.util.Set;

/**
 * The hard rules of what may follow what: held notes stay under their finger or under another that
 * takes over, the hand does not outgrow its reach.
 */
final class HandRules {
  private final HandModel hand;
  private final BitSet releasedAt = new BitSet();
  private final BitSet still = new BitSet();

  /**
   * @param releasedAt moments before which held notes are let go because they cannot be kept
   * @param still moments into which the hand must not move
   */
  HandRules(HandModel hand, Set<Integer> releasedAt, Set<Integer> still) {
    this.hand = hand;
    releasedAt.forEach(this.releasedAt::set);
    still.forEach(this.still::set);
  }

  boolean mayFollow(HandState before, HandState to) {
    HandState from = before.out();
    if (!to.hasPast(from)) {
      return false;
    }
    if (!still.isEmpty() && movesInto(before, to)) {
      return false;
    }
    if (!to.isStopped()) {
      return carriesHand(from, to) && keepsHeld(from, to);
    }
    boolean sameHand = from.base() == to.base() && sameThumb(from, to);
    if (sameHand && from.isStopped() && !reaches(from, to)) {
      return false;
    }
    return keepsHeld(from, to);
  }

  /** Whether the hand moves on the way, or on either of the notes, although it is to stay. */
  private boolean movesInto(HandState before, HandState to) {
    boolean moves = to.isShiftFrom(before.out()) || before.handsOver() || to.handsOver();
    return moves && still.get(to.moment().slice().index());
  }

  private static boolean sameThumb(HandState from, HandState to) {
    return (from.region() == Region.THUMB) == (to.region() == Region.THUMB);
  }

  /** An open string leaves the hand where it was. */
  private static boolean carriesHand(HandState from, HandState to) {
    boolean sameMoment = momentOf(from.left()) == momentOf(to.left());
    return sameMoment
        && from.base() == to.base()
        && from.region() == to.region()
        && from.shape() == to.shape();
  }

  private static int momentOf(TimedSlice moment) {
    return moment == null ? -1 : moment.slice().index();
  }

  private boolean reaches(HandState from, HandState to) {
    for (HandState.Touch a : from.touches()) {
      for (HandState.Touch b : to.touches()) {
        if (!a.isOpen()
            && !b.isOpen()
            && !b.held()
            && !hand.canFollow(a.finger(), a.semitone(), b.finger(), b.semitone(), to.region())
            && !reachesFor(a, b, to.base())
            && !reachesFor(b, a, to.base())) {
          return false;
        }
      }
    }
    return true;
  }

  /** Whether a finger leaves the hand's shape: the extreme one, or up to the middle of a string. */
  private boolean reachesFor(HandState.Touch near, HandState.Touch far, int base) {
    boolean node = far.harmonic() && hand.reachingBase(far.semitone()) == base;
    boolean extreme =
        near.finger() == Finger.FIRST
            && near.semitone() == base
            && hand.isExtreme(far.finger(), far.semitone(), base);
    return node || extreme;
  }

  private boolean keepsHeld(HandState from, HandState to) {
    if (!to.holds() || releasedAt.get(to.moment().slice().index())) {
      return true;
    }
    for (HandState.Touch t : to.touches()) {
      if (!t.held()) {
        continue;
      }
      boolean kept = false;
      boolean replaced = false;
      for (HandState.Touch f : from.touches()) {
        boolean same = f.note() == t.note() && f.string() == t.string();
        kept |= same && f.finger() == t.finger();
        replaced |= same && f.finger() != t.finger() && !f.isOpen() && !t.isOpen();
      }
      boolean sameHand = from.base() == to.base() && sameThumb(from, to);
      if (!kept && !replaced || kept && !t.isOpen() && !sameHand) {
        return false;
      }
    }
    return true;
  }
}
