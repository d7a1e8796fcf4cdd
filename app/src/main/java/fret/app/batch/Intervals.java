package fret.app.batch;

import fret.pitch.Interval;

/** Names of intervals in the batch commands' output. */
final class Intervals {
  private static final String[] NAMES = {
    "unison", "second", "third", "fourth", "fifth", "sixth", "seventh", "octave"
  };
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11, 12};

  private Intervals() {}

  /** Such as "minor sixth"; compound ones by their simple form and octaves. */
  static String name(Interval interval) {
    int octaves = interval.steps() > 7 ? (interval.steps() - 1) / 7 : 0;
    int steps = interval.steps() - 7 * octaves;
    int off = interval.semitones() - 12 * octaves - MAJOR[steps];
    boolean perfect = steps == 0 || steps == 3 || steps == 4 || steps == 7;
    String kind =
        perfect
            ? off == 0 ? "perfect" : off > 0 ? "augmented" : "diminished"
            : off == 0 ? "major" : off == -1 ? "minor" : off > 0 ? "augmented" : "diminished";
    String name = kind + " " + NAMES[steps];
    return octaves == 0 ? name : name + " and " + octaves + (octaves == 1 ? " octave" : " octaves");
  }
}
