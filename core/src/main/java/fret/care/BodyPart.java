package fret.care;

/** Where playing can hurt, as the player says. */
public enum BodyPart {
  LEFT_HAND,
  THUMB,
  FOURTH_FINGER,
  WRIST,
  SHOULDER,
  BOW_ARM,
  NECK,
  /** Somewhere else, or not said: whatever loads anything loads it. */
  ELSEWHERE
}
