package fret.pitch;

/** The seven note letters, with their distance above C in semitones. */
public enum Step {
  C(0),
  D(2),
  E(4),
  F(5),
  G(7),
  A(9),
  B(11);

  private static final Step[] VALUES = values();

  private final int semitonesAboveC;

  Step(int semitonesAboveC) {
    this.semitonesAboveC = semitonesAboveC;
  }

  public int semitonesAboveC() {
    return semitonesAboveC;
  }

  /** The letter {@code index} steps above C, wrapping at the octave. */
  public static Step of(int index) {
    return VALUES[Math.floorMod(index, 7)];
  }
}
