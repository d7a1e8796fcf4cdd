package fret.mark;

/** A line of its own within broken chords. */
public enum Strand {
  LOWER,
  /** The note that is come back to under or between the others. */
  PEDAL,
  UPPER
}
