package fret.drill;

import java.util.List;

/** The drills that a chunk is practised with. */
public enum DrillKind {
  STRAIGHT("Straight", "As written, with the bow of the target tempo."),
  ADD_A_NOTE("Add a note", "From the first note on, one note more each time; stop between."),
  RHYTHMS("Rhythms", "Four rhythms: each hard join gets once more and once less time."),
  SHIFT(
      "Shift",
      "The guide note slow, faster, quick; stop the bow while the hand moves; silent; and back."),
  BOW("Bow", "What the bow has to learn here, by itself; then as written.");

  /**
   * The kinds that any chunk can be practised with; {@link #SHIFT} is made of one shift, {@link
   * #BOW} of what is hard for the bow.
   */
  public static final List<DrillKind> OF_CHUNKS = List.of(STRAIGHT, ADD_A_NOTE, RHYTHMS);

  private final String displayName;
  private final String hint;

  DrillKind(String displayName, String hint) {
    this.displayName = displayName;
    this.hint = hint;
  }

  public String displayName() {
    return displayName;
  }

  /** How it is played, in a sentence. */
  public String hint() {
    return hint;
  }
}
