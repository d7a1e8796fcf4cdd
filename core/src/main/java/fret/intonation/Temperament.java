package fret.intonation;

/** Where notes are put. */
public enum Temperament {
  /**
   * With the chord: its root in the chain of fifths, its members at the pure intervals above it.
   */
  JUST("just"),
  /** Every note in the chain of pure fifths: leading notes high, for a melody. */
  PYTHAGOREAN("pythagorean"),
  /** Twelve equal semitones. */
  EQUAL("equal");

  private final String id;

  Temperament(String id) {
    this.id = id;
  }

  /** Stable name. */
  public String id() {
    return id;
  }
}
