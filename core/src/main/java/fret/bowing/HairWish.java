package fret.bowing;

/** How a player wants the hair to lie on a stroke. */
public enum HairWish {
  FLAT,
  TILTED
}
