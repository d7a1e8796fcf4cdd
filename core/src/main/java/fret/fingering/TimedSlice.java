package fret.fingering;

import fret.score.Slice;
import java.util.List;

/**
 * A moment of the passage in time at the chosen tempo, with what the page says of it.
 *
 * @param startMs from onset 0
 * @param endMs when its last starting note ends, not after the next moment starts unless held
 * @param loudness printed dynamic in force, 0 for ppp to 7 for fff; mf when none is printed
 * @param onBeat whether it stands on a beat of the metre
 * @param contour how the line runs over it
 * @param vibrato whether the player wants vibrato here
 * @param heldWorth for each note held from before, the share of its length that is still to come,
 *     times what its signs make of it
 * @param crossingShare what the way into it costs of a crossing by itself, see {@link BowPatterns}
 * @param interval semitones between the two notes of a double stop; 0 for anything else
 * @param slide what is heard of a slide into it counts so many times, 1 where nothing is asked
 * @param inTheme whether it stands in a stretch of one character, see {@link Themes}
 * @param bounced whether the bow is thrown into it from another string, see {@link Bouncing}
 * @param pedal the swing round a pedal that it belongs to
 */
record TimedSlice(
    Slice slice,
    double startMs,
    double endMs,
    int loudness,
    boolean onBeat,
    Contour contour,
    boolean vibrato,
    List<Double> heldWorth,
    double crossingShare,
    int interval,
    double slide,
    boolean inTheme,
    boolean bounced,
    Pedal pedal) {
  TimedSlice {
    heldWorth = List.copyOf(heldWorth);
  }

  double durationMs() {
    return Math.max(1, endMs - startMs);
  }

  double seconds() {
    return durationMs() / 1000;
  }

  /** Whether what comes next depends on how the hand and the bow came here. */
  boolean remembers() {
    return contour.turn() != 0 || contour.arpeggio() != 0;
  }
}
