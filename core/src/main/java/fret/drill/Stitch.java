package fret.drill;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Score;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/** Puts pieces of notation one after the other, with a double bar between. */
final class Stitch {
  private static final Set<Direction.Kind> ONCE =
      EnumSet.of(Direction.Kind.REHEARSAL, Direction.Kind.WORDS, Direction.Kind.TEMPO);

  private Stitch() {}

  static Score of(List<Score> parts) {
    if (parts.size() == 1) {
      return parts.get(0);
    }
    List<Bar> bars = new ArrayList<>();
    Fraction at = Fraction.ZERO;
    Map<Direction.Kind, Set<String>> said = new EnumMap<>(Direction.Kind.class);
    for (Score part : parts) {
      Fraction by = at.subtract(part.bars().get(0).start());
      for (Bar b : part.bars()) {
        boolean last = b.end().equals(part.end());
        bars.add(moved(saidOnce(b, said), by, bars.size(), last));
      }
      at = part.end().add(by);
    }
    Bar end = bars.get(bars.size() - 1);
    bars.set(bars.size() - 1, end.withLine(Bar.Line.FINAL));
    return parts.get(0).withBars(bars);
  }

  /** Letters, words and a tempo that is in force already are not said again over each piece. */
  private static Bar saidOnce(Bar b, Map<Direction.Kind, Set<String>> said) {
    Set<String> inForce = said.computeIfAbsent(Direction.Kind.TEMPO, k -> new HashSet<>());
    boolean changes =
        b.directions().stream()
            .anyMatch(d -> d.kind() == Direction.Kind.TEMPO && !inForce.contains(d.text()));
    if (changes) {
      inForce.clear();
      said.remove(Direction.Kind.WORDS);
    }
    return b.withDirections(
        b.directions().stream()
            .filter(
                d ->
                    !ONCE.contains(d.kind())
                        || said.computeIfAbsent(d.kind(), k -> new HashSet<>()).add(d.text()))
            .toList());
  }

  private static Bar moved(Bar b, Fraction by, int index, boolean last) {
    return new Bar(
        index,
        b.number(),
        b.start().add(by),
        b.length(),
        b.time(),
        b.key(),
        b.clef(),
        b.clefChanges().stream().map(c -> new Bar.ClefChange(c.onset().add(by), c.clef())).toList(),
        b.events().stream().map(e -> e.withOnset(e.onset().add(by))).toList(),
        b.directions().stream()
            .map(d -> new Direction(d.onset().add(by), d.kind(), d.text(), d.number()))
            .toList(),
        false,
        false,
        List.of(),
        last ? Bar.Line.DOUBLE : Bar.Line.PLAIN);
  }
}
