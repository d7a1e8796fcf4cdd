package fret.journal;

/** How a try went, as the player says. */
public enum Verdict {
  CLEAN("Clean"),
  NEARLY("Nearly"),
  MISSED("Missed"),
  HURTS("It hurts");

  private final String displayName;

  Verdict(String displayName) {
    this.displayName = displayName;
  }

  public String displayName() {
    return displayName;
  }
}
