package fret.drill;

/** How a chunk is brought up to its tempo; players disagree, so it is theirs to say. */
public enum Approach {
  /** As the plan sees fit: built up while it is new, rhythms where straight work stalls. */
  AS_PLANNED,
  /** Straight, rhythms, straight at each level, from the first day; as often as rhythms may be. */
  RHYTHMS,
  /** Straight alone, a little faster after every clean try. */
  SMALL_STEPS,
  /** Built up note by note before straight work. */
  ADD_A_NOTE,
  /** Straight once, rhythms, straight to the gate, level by level, for ten minutes a visit. */
  LEVELS,
  /** The same for twenty minutes a visit. */
  LEVELS_LONG;

  /** Whether a visit goes through level after level. */
  public boolean isByLevels() {
    return this == LEVELS || this == LEVELS_LONG;
  }
}
