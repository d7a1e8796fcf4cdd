package fret.score;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What two voices on one stave mean: a divided section, of which a player takes one line, or double
 * stops. In orchestral parts they are usually divided (common practice, no source).
 */
public enum Divided {
  /** Not said yet: everything is read, as if it were double stops. */
  UNDECIDED,
  DOUBLE_STOPS,
  UPPER,
  LOWER;

  /** The part with only the line that is played. */
  public Score of(Score score) {
    return this == UPPER || this == LOWER ? line(score) : score;
  }

  private Score line(Score score) {
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : score.bars()) {
      List<String> voices = voices(bar);
      String mine = voices.isEmpty() ? "" : voices.get(this == UPPER ? 0 : voices.size() - 1);
      bars.add(
          voices.size() < 2
              ? bar
              : bar.withEvents(bar.events().stream().filter(e -> e.voice().equals(mine)).toList()));
    }
    return score.withBars(bars);
  }

  /** Voices with notes in a bar, the upper one first: in the order of their names. */
  private static List<String> voices(Bar bar) {
    Set<String> found = new HashSet<>();
    for (Event e : bar.events()) {
      if (!e.isRest() && !e.cue()) {
        found.add(e.voice());
      }
    }
    return found.stream()
        .sorted(
            java.util.Comparator.<String>comparingInt(String::length)
                .thenComparing(java.util.Comparator.naturalOrder()))
        .toList();
  }

  /** Printed numbers of the bars in which two voices have notes. */
  public static List<String> barsWithTwoVoices(Score score) {
    return score.bars().stream().filter(b -> voices(b).size() > 1).map(Bar::number).toList();
  }
}
