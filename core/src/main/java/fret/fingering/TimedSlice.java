package fret.fingering;

import fret.score.Slice;

/**
 * A moment of the passage in time at the chosen tempo, with what the page says of it.
 *
 * @param startMs from onset 0
 * @param endMs when its last starting note ends, not after the next moment starts unless held
 * @param loudness printed dynamic in force, 0 for ppp to 7 for fff; {@link #MEZZO_FORTE} when none
 *     is printed
 * @param onBeat whether it stands on a beat of the metre
 * @param excursion a single note between two others that lie within a tone of each other
 * @param vibrato whether the player wants vibrato here
 */
record TimedSlice(
    Slice slice,
    double startMs,
    double endMs,
    int loudness,
    boolean onBeat,
    boolean excursion,
    boolean vibrato) {
  static final int PIANO = 2;
  static final int MEZZO_FORTE = 4;
  static final int FORTE = 5;

  double durationMs() {
    return Math.max(1, endMs - startMs);
  }

  double seconds() {
    return durationMs() / 1000;
  }
}
