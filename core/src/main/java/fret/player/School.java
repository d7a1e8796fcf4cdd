package fret.player;

/** Ways of setting the fingers that players are taught. */
public enum School {
  /** One way for the violin, viola and cello; on the bass the same as {@link #ONE_TWO_FOUR}. */
  USUAL("usual"),
  /** Bass: a whole tone from first to fourth finger. */
  ONE_TWO_FOUR("1-2-4"),
  /** Bass: a finger for each semitone, pivoting where the hand is too small. */
  ONE_TWO_THREE_FOUR("1-2-3-4");

  private final String displayName;

  School(String displayName) {
    this.displayName = displayName;
  }

  public String displayName() {
    return displayName;
  }
}
