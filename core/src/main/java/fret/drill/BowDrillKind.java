package fret.drill;

/** Drills of the bow; their words stand under their names. All are common practice, no source. */
public enum BowDrillKind {
  /** The bow alone: the same strokes on the open strings. */
  OPEN_STRINGS,
  /** The bare stroke: the rhythm of the strokes on one open string. */
  ONE_STRING,
  /**
   * The change of bow itself, as fast after it as before, at the frog, in the middle, at the tip.
   */
  CHANGE,
  /** One string at a time: each stroke twice, first on its open string. */
  BARE_FIRST,
  /** The crossing held: the lower string, both, the upper one, both. */
  CROSSING,
  /** The same crossing at the frog, in the middle, at the tip. */
  CROSSING_PLACES,
  /** The same pattern on the other pairs of strings. */
  OTHER_PAIRS,
  /** The finger set on the next string before the bow comes. */
  FINGER_FIRST,
  /** The lower voice alone, the upper alone, both. */
  VOICES,
  /** The whole bow, half of it, a third. */
  BOW_SHARES,
  /** Saving and spending: all notes in one bow, the accent on one after the other. */
  SPENDING,
  /** A pattern that wanders, with the amounts that make it come out even. */
  DRIFT,
  /** Each stroke growing, then falling. */
  SWELL,
  /** Falling towards the frog, the harder way. */
  FADE,
  /** Accents on the heads of groups, then one note later each time. */
  ACCENTS,
  /** Two strokes of a dotted rhythm in one direction. */
  HOOKED,
  /** Every note ends where it is meant to: the rest is silence. */
  ENDINGS,
  /** Doubled notes: the bow at speed, the fingers at half of it. */
  DOUBLED,
  /** The same with three strokes a note. */
  TREBLED,
  /** Doubled in short sections, doubled as a whole, then as written. */
  DOUBLED_WHOLE,
  /** First stage of a bounce: four from one drop. */
  BOUNCE_DROP,
  /** Second stage: four on each string. */
  BOUNCE_STRINGS,
  /** Third stage: across the strings, both turn notes sounding. */
  BOUNCE_TURNS,
  /** The turns of it alone: the last two strings of one pass and the first two of the next. */
  BOUNCE_CATCH,
  /** There and back in one loop, then the string again without pressing. */
  BOUNCE_LOOP,
  /** Fourth stage: from the string into the bounce and back. */
  BOUNCE_BACK
}
