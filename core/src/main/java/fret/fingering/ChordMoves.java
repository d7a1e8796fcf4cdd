package fret.fingering;

import fret.instrument.Finger;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** How the fingers get from one double stop or chord to the next: they stay, slide, swap or hop. */
final class ChordMoves {
  private static final double SWAP = 0.5;
  private static final int OCTAVE = 12;

  /** Thirds, sixths and octaves, in semitones. */
  private static final Set<Integer> PAIRS = Set.of(3, 4, 8, 9, OCTAVE);

  private ChordMoves() {}

  private static boolean areChords(HandState from, HandState to) {
    return from.fingersDown() > 1 && to.fingersDown() > 1;
  }

  /** Less time than this to set a chord after a single note is haste, in s (from memory). */
  private static final double HASTY_S = 0.25;

  /** What a finger that is set in no time at all counts (from memory). */
  private static final double SET_AT_ONCE = 3;

  /**
   * Fingers that hop to another string; a place taken over by another finger counts half. After a
   * short single note those that a chord sets anew.
   */
  static double hops(HandState from, HandState to) {
    if (from.fingersDown() < 2) {
      return SET_AT_ONCE * setInHaste(from, to);
    }
    double sum = 0;
    for (HandState.Touch a : from.touches()) {
      for (HandState.Touch b : to.touches()) {
        boolean both = !a.isOpen() && !b.isOpen();
        if (both && a.finger() == b.finger() && a.string() != b.string() && !isBarred(to, b)) {
          sum += 1;
        } else if (both
            && a.finger() != b.finger()
            && a.string() == b.string()
            && a.semitone() == b.semitone()) {
          sum += SWAP;
        }
      }
    }
    return sum;
  }

  /**
   * Parallel octaves, sixths and thirds keep their fingers; octaves most of all (common practice,
   * no source).
   */
  static double otherPair(HandState from, HandState to) {
    List<HandState.Touch> a = from.touches();
    List<HandState.Touch> b = to.touches();
    if (a.size() != 2 || b.size() != 2 || from.holds() || to.holds()) {
      return 0;
    }
    int interval = to.moment().interval();
    if (!PAIRS.contains(interval) || interval != from.moment().interval()) {
      return 0;
    }
    boolean same = a.get(0).finger() == b.get(0).finger() && a.get(1).finger() == b.get(1).finger();
    boolean open = b.get(0).isOpen() && b.get(1).finger() == Finger.THIRD;
    return same ? 0 : open || interval != OCTAVE ? 1 : 4.5;
  }

  private static double setInHaste(HandState from, HandState to) {
    boolean joined = from.moment().slice().restAfter().signum() == 0;
    double haste = Math.max(0, 1 - to.sinceStartSeconds(from) / HASTY_S);
    if (haste == 0 || !joined || to.fingersDown() < 2) {
      return 0;
    }
    Set<Finger> set = EnumSet.noneOf(Finger.class);
    for (HandState.Touch b : to.touches()) {
      boolean anew = !b.isOpen() && !b.held();
      for (HandState.Touch a : from.touches()) {
        anew &=
            a.finger() != b.finger() || a.string() != b.string() || a.semitone() != b.semitone();
      }
      if (anew) {
        set.add(b.finger());
      }
    }
    return haste * set.size();
  }

  private static boolean isBarred(HandState state, HandState.Touch touch) {
    int count = 0;
    for (HandState.Touch t : state.touches()) {
      count += t.finger() == touch.finger() ? 1 : 0;
    }
    return count > 1;
  }

  /** 1 when no finger keeps its string, so that the hand has nothing to hold on to. */
  static double lost(HandState from, HandState to) {
    if (!areChords(from, to)) {
      return 0;
    }
    for (HandState.Touch a : from.touches()) {
      for (HandState.Touch b : to.touches()) {
        if (!a.isOpen() && a.finger() == b.finger() && a.string() == b.string()) {
          return 0;
        }
      }
    }
    return 1;
  }
}
