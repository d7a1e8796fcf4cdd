package fret.bowing;

/** Where a phrase has its top, and where it ends: the player's own, whatever the bars say. */
public enum PhraseMark {
  TOP,
  END
}
