package fret.player;

/** Hand sizes; the factor scales every reach (common practice, from memory). */
public enum HandSize {
  SMALL(0.95),
  MEDIUM(1.0),
  LARGE(1.06);

  private final double factor;

  HandSize(double factor) {
    this.factor = factor;
  }

  public double factor() {
    return factor;
  }
}
