package fret.player;

import fret.base.Said;
import fret.instrument.InstrumentType;
import java.util.Set;

/**
 * One line on what elbow, thumb and forearm do in a shift, or on a note (common practice, no
 * source). A player or teacher may put other words in its place.
 */
public enum BodyCue {
  HIGH_UP("up-high"),
  HIGH_DOWN("down-high"),
  THUMB_UP("up-thumb"),
  THUMB_DOWN("down-thumb"),
  NECK_UP("up-neck"),
  NECK_DOWN("down-neck"),
  // Where the hand does not move.
  STRETCH("still-stretch"),
  LONG_FOURTH("still-fourth"),
  SUPPORT("still-support"),
  FLAT("still-flat"),
  TO_TOP("still-top"),
  TO_LOWEST("still-lowest"),
  THIRD_ON_VIOLA("still-viola");

  /** Cues whose words do not depend on how the instrument is held. */
  private static final Set<BodyCue> SAME_ON_ALL =
      Set.of(THUMB_UP, THUMB_DOWN, STRETCH, LONG_FOURTH, SUPPORT, FLAT, THIRD_ON_VIOLA);

  private final String id;

  BodyCue(String id) {
    this.id = id;
  }

  /** Stable short name. */
  public String id() {
    return id;
  }

  /**
   * The cue for a shift.
   *
   * @param fromBase semitones above the open string; {@code toBase} likewise
   * @param thumb whether the thumb is on the string before or after
   */
  public static BodyCue of(InstrumentType type, int fromBase, int toBase, boolean thumb) {
    boolean up = toBase > fromBase;
    if (thumb) {
      return up ? THUMB_UP : THUMB_DOWN;
    }
    int bodyFrom = type == InstrumentType.VIOLIN || type == InstrumentType.VIOLA ? 7 : 8;
    boolean high = Math.max(fromBase, toBase) >= bodyFrom;
    return high ? (up ? HIGH_UP : HIGH_DOWN) : up ? NECK_UP : NECK_DOWN;
  }

  /** The words that stand there until the player changes them. */
  public Said usual(InstrumentType type) {
    if (SAME_ON_ALL.contains(this)) {
      return Said.of("cue." + id);
    }
    boolean shoulder = type == InstrumentType.VIOLIN || type == InstrumentType.VIOLA;
    return Said.of("cue." + id + (shoulder ? ".shoulder" : ".upright"));
  }
}
