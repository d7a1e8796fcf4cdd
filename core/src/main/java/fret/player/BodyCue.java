package fret.player;

import fret.instrument.InstrumentType;

/**
 * One line on what elbow, thumb and forearm do in a shift (common practice, no source). A player or
 * teacher may put other words in its place.
 */
public enum BodyCue {
  HIGH_UP("up-high"),
  HIGH_DOWN("down-high"),
  THUMB_UP("up-thumb"),
  THUMB_DOWN("down-thumb"),
  NECK_UP("up-neck"),
  NECK_DOWN("down-neck");

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
  public String usualText(InstrumentType type) {
    boolean shoulder = type == InstrumentType.VIOLIN || type == InstrumentType.VIOLA;
    return switch (this) {
      case HIGH_UP ->
          shoulder
              ? "Elbow round under the body first, then the hand; the thumb goes along, light."
              : "Elbow up and forward before the hand goes; the thumb comes round the neck, light.";
      case HIGH_DOWN ->
          shoulder
              ? "The thumb leads back a little early; the elbow follows, the wrist stays quiet."
              : "Let the arm's weight take the hand back; the thumb finds the neck again, light.";
      case THUMB_UP -> "Thumb and fingers arrive as one frame; the arm carries them, shoulder low.";
      case THUMB_DOWN -> "Release the thumb first; the arm brings the whole frame back.";
      case NECK_UP ->
          shoulder
              ? "Hand, thumb and forearm move as one; release the finger before it slides."
              : "The forearm carries the hand; the thumb travels with the second finger, light.";
      case NECK_DOWN ->
          shoulder
              ? "Never reach back with the wrist: the forearm opens and takes the hand along."
              : "The elbow leads down; release the finger's weight before it slides.";
    };
  }
}
