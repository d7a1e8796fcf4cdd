package fret.bowing;

import java.util.List;

/**
 * What the left hand gives the bow at one moment.
 *
 * @param strings that sound, 1 the highest, ascending; never empty
 * @param stopped highest semitone above the open string that a finger stops, 0 for open strings
 * @param shiftInto whether the hand shifts into the moment
 */
public record HandAt(List<Integer> strings, int stopped, boolean shiftInto) {
  /** Where nothing is known: the top string, open. */
  public static final HandAt UNKNOWN = new HandAt(List.of(1), 0, false);

  public HandAt {
    strings = strings.stream().sorted().distinct().toList();
    if (strings.isEmpty()) {
      throw new IllegalArgumentException("a moment without a string");
    }
  }
}
