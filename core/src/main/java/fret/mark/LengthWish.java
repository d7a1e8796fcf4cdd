package fret.mark;

/** What is asked of a held note of a second voice. */
public enum LengthWish {
  /** It sounds as long as it is written, and binds its finger so long. */
  FULL,
  /** It is let go at the next note: one line only. */
  LET_GO
}
