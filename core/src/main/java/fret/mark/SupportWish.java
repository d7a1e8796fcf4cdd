package fret.mark;

/** A finger that stands behind another and helps it to press and to vibrate. */
public enum SupportWish {
  /** The next lower finger supports. */
  BEHIND
}
