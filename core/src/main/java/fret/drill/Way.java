package fret.drill;

/** What of its notes a chunk is practised with: layers are learned one by one. */
public enum Way {
  /** As written. */
  ALL,
  /** The upper line alone. */
  UPPER,
  /** The lower line alone. */
  LOWER,
  /** The bow alone: its strokes on the open strings. */
  BOW,
  /** The left hand alone, without the bow. */
  LEFT_HAND
}
