package fret.journal;

/** What broke in a try, each with its own cure. */
public enum Breakage {
  NONE("nothing", ""),
  INTONATION("intonation", "Check the note against an open string, without vibrato."),
  SHIFT("shift", "Slide slowly to the guide note, then drop it."),
  CROSSING("crossing", "Both strings together at the join, then the bow alone."),
  RHYTHM("rhythm", "Clap it, then one pitch in rhythm."),
  RUSHED("rushed", "Accent the first note of each group."),
  DRAGGED("dragged", "Halve the click and keep the long line."),
  MISREAD("misread note", "Say the note names once."),
  COUNTING("counting", "Count aloud through the rests, without playing."),
  START("unclear start", "Set finger and bow, breathe, then play the first two notes only."),
  TOUCHED("touched string", "Bow alone on open strings, then a steeper or flatter finger."),
  NOTE_LENGTH("note length", "Hold each note to its end; the click proves only the start."),
  MEMORY("memory", "Start from the last chunk and go backwards."),
  BOW("bow ran out", "Mark where the bow turns and save before it."),
  TENSION("tension", "Put the instrument down for a minute; then half the tempo.");

  private final String displayName;
  private final String cure;

  Breakage(String displayName, String cure) {
    this.displayName = displayName;
    this.cure = cure;
  }

  public String displayName() {
    return displayName;
  }

  /** What helps, in a sentence; empty for none. */
  public String cure() {
    return cure;
  }
}
