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
