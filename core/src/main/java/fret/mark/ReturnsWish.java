package fret.mark;

/** How figures that come back are fingered and bowed; players disagree. */
public enum ReturnsWish {
  /** Alike where that costs little. */
  USUAL,
  /** Alike wherever the hand can, whatever it costs. */
  ALIKE,
  /** Each as is easiest at its place. */
  VARIED,
  /** Each otherwise than the one before it. */
  OTHERWISE
}
