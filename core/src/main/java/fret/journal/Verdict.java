package fret.journal;

/** How a try went, as the player says. */
public enum Verdict {
  CLEAN,
  NEARLY,
  MISSED,
  HURTS
}
