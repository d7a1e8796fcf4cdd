package fret.bowing;

/** The player's own hairpin over a note; notes in a row with the same are one hairpin. */
public enum Swell {
  GROWS,
  FADES
}
