package fret.bowing;

import java.util.List;
import java.util.Set;

/**
 * What the left hand gives the bow at one moment.
 *
 * @param strings that sound, 1 the highest, ascending; never empty
 * @param stopped highest semitone above the open string that a finger stops, 0 for open strings
 * @param shiftInto whether the hand shifts into the moment
 * @param fingers that are down, 1 to 4
 */
public record HandAt(List<Integer> strings, int stopped, boolean shiftInto, Set<Integer> fingers) {
  /** Where nothing is known: the top string, open. */
  public static final HandAt UNKNOWN = new HandAt(List.of(1), 0, false);

  public HandAt {
    strings = strings.stream().sorted().distinct().toList();
    fingers = Set.copyOf(fingers);
    if (strings.isEmpty()) {
      throw new IllegalArgumentException("a moment without a string");
    }
  }

  /** Where it is not known which fingers are down. */
  public HandAt(List<Integer> strings, int stopped, boolean shiftInto) {
    this(strings, stopped, shiftInto, Set.of());
  }

  /** The nearest finger that is free to damp a string; 0 for none. */
  public int freeFinger() {
    int highest = fingers.stream().max(Integer::compare).orElse(0);
    if (highest > 0 && highest < 4) {
      return highest + 1;
    }
    return highest == 4 && !fingers.contains(3) ? 3 : 0;
  }
}
