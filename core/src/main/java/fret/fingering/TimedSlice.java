package fret.fingering;

import fret.score.Slice;

/**
 * A moment of the passage in time at the chosen tempo.
 *
 * @param startMs from onset 0
 * @param endMs when its last starting note ends, not after the next moment starts unless held
 */
record TimedSlice(Slice slice, double startMs, double endMs) {
  double durationMs() {
    return Math.max(1, endMs - startMs);
  }
}
