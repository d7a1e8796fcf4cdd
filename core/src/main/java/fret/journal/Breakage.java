package fret.journal;

/** What broke in a try; its name and what helps stand with the words of the program. */
public enum Breakage {
  NONE,
  INTONATION,
  SHIFT,
  CROSSING,
  RHYTHM,
  RUSHED,
  DRAGGED,
  MISREAD,
  COUNTING,
  START,
  TOUCHED,
  NOTE_LENGTH,
  MEMORY,
  BOW,
  TENSION
}
