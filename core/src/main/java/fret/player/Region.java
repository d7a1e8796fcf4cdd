package fret.player;

/** Stretches of the fingerboard with shapes of their own. */
public enum Region {
  NECK,
  TRANSITION,
  UPPER,
  THUMB
}
