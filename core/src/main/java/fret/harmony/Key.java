package fret.harmony;

import fret.pitch.Step;

/**
 * A key.
 *
 * @param fifths place of the tonic in the chain of fifths, C 0, G 1, F -1
 */
public record Key(int fifths, boolean minor) {
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};

  /** The tonic's pitch class, C 0. */
  public int tonic() {
    return Math.floorMod(7 * fifths, 12);
  }

  /** Sharps (above 0) or flats of its signature. */
  public int signature() {
    return minor ? fifths - 3 : fifths;
  }

  /** The note name at a place in the chain of fifths: F#, Bb. */
  static String name(int fifths) {
    Step[] order = {Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B};
    int at = fifths + 1;
    int alter = Math.floorDiv(at, 7);
    return order[Math.floorMod(at, 7)].name()
        + (alter > 0 ? "#".repeat(alter) : "b".repeat(-alter));
  }

  /** The place in the chain of fifths of a pitch class, spelled as the key has it. */
  int fifthsOf(int pitchClass) {
    int best = 0;
    // The raised sixth and seventh of minor lie on the sharp side.
    int middle = signature() + (minor ? 3 : 2);
    for (int f = -15; f <= 19; f++) {
      boolean same = Math.floorMod(7 * f, 12) == pitchClass;
      best =
          same && Math.abs(f - middle) < Math.abs(best - middle) || same && wrong(best, pitchClass)
              ? f
              : best;
    }
    return best;
  }

  private static boolean wrong(int fifths, int pitchClass) {
    return Math.floorMod(7 * fifths, 12) != pitchClass;
  }

  /** The name of a pitch class as the key spells it, such as F# or Bb. */
  public String nameOf(int pitchClass) {
    return name(fifthsOf(pitchClass));
  }

  /** Whether a pitch class belongs to it; in minor both sixths and sevenths do. */
  boolean has(int pitchClass) {
    int above = Math.floorMod(pitchClass - tonic(), 12);
    if (minor) {
      return above != 1 && above != 4 && above != 6;
    }
    for (int m : MAJOR) {
      if (m == above) {
        return true;
      }
    }
    return false;
  }

  /** Such as "G major" or "e minor". */
  public String text() {
    String tonic = name(fifths);
    return minor
        ? tonic.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + tonic.substring(1) + " minor"
        : tonic + " major";
  }
}
