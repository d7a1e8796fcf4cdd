package fret.score;

/** What is played of a chord where not all of it is. */
public enum Reduction {
  TWO_UPPER(3),
  TWO_LOWER(3),
  TOP(2),
  BOTTOM(2);

  private final int fewest;

  Reduction(int fewest) {
    this.fewest = fewest;
  }

  /** Whether a chord of so many notes can be reduced so. */
  public boolean suits(int notes) {
    return notes >= fewest;
  }

  /**
   * Whether a note of a chord is still played.
   *
   * @param place from 0, the lowest
   * @param notes of the whole chord
   */
  public boolean keeps(int place, int notes) {
    return switch (this) {
      case TWO_UPPER -> place >= notes - 2;
      case TWO_LOWER -> place < 2;
      case TOP -> place == notes - 1;
      case BOTTOM -> place == 0;
    };
  }
}
