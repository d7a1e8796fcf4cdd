package fret.fingering;

import fret.score.Bar;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.score.Slice;

/**
 * Broken chords that the bow throws over the strings: quick notes with dots under a slur, by leap.
 * The hand gives the bow a string for each note, open where that serves (common practice, no
 * source).
 */
final class Bouncing {
  /** As quick as a bow bounces across the strings, in notes a second (from memory). */
  private static final double SLOWEST = 6;

  private static final double QUICKEST = 14;

  /** A third or more lies on the next string. */
  private static final int LEAST_LEAP = 3;

  private Bouncing() {}

  /**
   * By moment, whether the bow bounces into it from the note before on to another string.
   *
   * @param seconds how long each moment lasts
   */
  static boolean[] of(ResolvedPassage passage, double[] seconds) {
    boolean[] into = new boolean[seconds.length];
    for (int i = 1; i < into.length; i++) {
      into[i] = bounces(passage, i, seconds);
    }
    boolean[] found = new boolean[into.length];
    for (int i = 1; i < into.length; i++) {
      // Two notes alone are no broken chord.
      found[i] = into[i] && (into[i - 1] || i + 1 < into.length && into[i + 1]);
    }
    return found;
  }

  private static boolean bounces(ResolvedPassage passage, int i, double[] seconds) {
    Slice before = passage.slices().get(i - 1);
    Slice here = passage.slices().get(i);
    double rate = 1 / seconds[i - 1];
    return here.slurredInto()
        && rate >= SLOWEST
        && rate <= QUICKEST
        && before.starting().size() == 1
        && here.starting().size() == 1
        && Math.abs(midi(passage, here) - midi(passage, before)) >= LEAST_LEAP
        && isDotted(passage, before)
        && isDotted(passage, here);
  }

  private static int midi(ResolvedPassage passage, Slice slice) {
    return passage.notes().get(slice.starting().get(0)).pitch().midi();
  }

  private static boolean isDotted(ResolvedPassage passage, Slice slice) {
    var key = passage.notes().get(slice.starting().get(0)).key();
    Bar bar = passage.score().bar(key.barIndex());
    for (Event e : bar.events()) {
      if (e.onset().equals(key.onset()) && e.voice().equals(key.voice()) && !e.isGrace()) {
        return e.signs().articulations().contains(Signs.Articulation.STACCATO)
            || e.signs().articulations().contains(Signs.Articulation.STACCATISSIMO);
      }
    }
    return false;
  }
}
