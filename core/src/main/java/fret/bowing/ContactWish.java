package fret.bowing;

/**
 * Where a player wants the bow between bridge and fingerboard, and how it moves there within a
 * note. Factors of the planned distance from the bridge, from memory.
 */
public enum ContactWish {
  NEARER(0.75, 0.75),
  FARTHER(1.3, 1.3),
  /** From farther out to nearer the bridge. */
  TOWARDS(1.3, 0.75),
  /** From nearer the bridge to farther out. */
  AWAY(0.75, 1.3);

  private final double from;
  private final double to;

  ContactWish(double from, double to) {
    this.from = from;
    this.to = to;
  }

  /** Factor where the note begins. */
  public double from() {
    return from;
  }

  /** Factor where the note ends. */
  public double to() {
    return to;
  }

  public boolean moves() {
    return from != to;
  }

  /** Factor in the middle of the note. */
  public double middle() {
    return (from + to) / 2;
  }
}
