package fret.fingering;

import fret.player.HandModel;
import fret.player.Region;

/**
 * A hand that changes its place by a semitone or two (three with the thumb on the string) while a
 * finger keeps its place, opens and closes again: it creeps, and nothing has to be aimed at (common
 * practice, no source). For one thread.
 */
final class Creep {
  private static final int FARTHEST = 2;
  static final int FARTHEST_WITH_THUMB = 3;

  private final HandModel hand;
  private HandState lastFrom;
  private HandState lastTo;
  private boolean last;

  Creep(HandModel hand) {
    this.hand = hand;
  }

  /** Whether the hand creeps from one state to the next. */
  boolean is(HandState from, HandState to) {
    if (!hand.creeps() || from == null || !to.isShiftFrom(from) || !from.isStopped()) {
      return false;
    }
    // Several terms ask for the same two hands in a row.
    if (from != lastFrom || to != lastTo) {
      last = keepsAFinger(from, to);
      lastFrom = from;
      lastTo = to;
    }
    return last;
  }

  /** Semitones by which it creeps; 0 where it does not. */
  double semitones(HandState from, HandState to) {
    return is(from, to) ? Math.abs(to.base() - from.base()) : 0;
  }

  private boolean keepsAFinger(HandState from, HandState to) {
    boolean thumb = from.region() == Region.THUMB;
    int most = thumb ? FARTHEST_WITH_THUMB : FARTHEST;
    boolean near = Math.abs(to.base() - from.base()) <= most;
    if (!near || thumb != (to.region() == Region.THUMB) || to.takesOver() || to.handsOver()) {
      return false;
    }
    for (HandState.Touch a : from.touches()) {
      for (HandState.Touch b : to.touches()) {
        if (staysUnder(a, b, to.region())) {
          return true;
        }
      }
    }
    return false;
  }

  /** Whether one finger may stay down while another is set. */
  private boolean staysUnder(HandState.Touch a, HandState.Touch b, Region region) {
    int apart = Math.abs(a.string() - b.string());
    return !a.isOpen()
        && !b.isOpen()
        && !a.harmonic()
        && !b.harmonic()
        && a.finger() != b.finger()
        && apart <= 1
        && hand.canHold(a.finger(), a.semitone(), b.finger(), b.semitone(), region, apart);
  }
}
