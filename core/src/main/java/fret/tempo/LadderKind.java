package fret.tempo;

/** How the levels of a ladder are chosen. */
public enum LadderKind {
  /** The same number of beats a minute from level to level. */
  EVEN,
  /** The same share from level to level. */
  GEOMETRIC,
  /** The numbers of the classic metronome; below 40 their halves. */
  METRONOME
}
