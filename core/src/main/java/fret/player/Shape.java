package fret.player;

/**
 * How the hand is open beside where it stands. On the neck of the cello the first finger and the
 * others are a tone apart in the extended hand and a semitone in the closed one (common practice,
 * no source); elsewhere a hand has one shape.
 */
public enum Shape {
  CLOSED(0),
  /** The second to fourth fingers reach a semitone up, the first one stays. */
  FORWARD(0.6),
  /** The first finger reaches a semitone back, the others stay. */
  BACK(0.8);

  private final double strain;

  Shape(double strain) {
    this.strain = strain;
  }

  /** What opening the hand so counts as, in semitones out of the easy shape (from memory). */
  public double strain() {
    return strain;
  }

  public boolean isExtended() {
    return this != CLOSED;
  }
}
