package fret.fingering;

/** How the fingers get from one double stop or chord to the next: they stay, slide, swap or hop. */
final class ChordMoves {
  private static final double SWAP = 0.5;

  private ChordMoves() {}

  private static boolean areChords(HandState from, HandState to) {
    return from.fingersDown() > 1 && to.fingersDown() > 1;
  }

  /** Fingers that hop to another string; a place taken over by another finger counts half. */
  static double hops(HandState from, HandState to) {
    if (!areChords(from, to)) {
      return 0;
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
