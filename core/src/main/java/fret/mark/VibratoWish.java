package fret.mark;

/**
 * What a player asks of the vibrato on a note. Widths and rates are common practice, no source,
 * from memory.
 */
public enum VibratoWish {
  USUAL(20, 5.5, 0),
  WIDE(35, 5, 0),
  NARROW(10, 6, 0),
  /** From nothing to wide. */
  GROWING(35, 5.5, 0),
  /** Swings counted to a quarter note. */
  TWO(20, 0, 2),
  THREE(20, 0, 3),
  FOUR(20, 0, 4),
  /** None, whatever the rule has. */
  NONE(0, 0, 0);

  private final double cents;
  private final double hertz;
  private final int pulses;

  VibratoWish(double cents, double hertz, int pulses) {
    this.cents = cents;
    this.hertz = hertz;
    this.pulses = pulses;
  }

  /** Cents to either side. */
  public double cents() {
    return cents;
  }

  /** Swings a second; 0 where they are counted. */
  public double hertz() {
    return hertz;
  }

  /** Swings to a quarter note; 0 where they are not counted. */
  public int pulses() {
    return pulses;
  }
}
