package fret.care;

/** How much it hurts, as the player says. */
public enum HowMuch {
  A_LITTLE(1),
  CLEARLY(2),
  BADLY(3);

  private final int days;

  HowMuch(int days) {
    this.days = days;
  }

  /**
   * Days without pain that each step back takes (common practice, no source; a health professional
   * may ask for more).
   */
  int days() {
    return days;
  }
}
