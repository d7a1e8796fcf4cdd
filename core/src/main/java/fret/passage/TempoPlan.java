package fret.passage;

import fret.score.Bar;
import fret.score.Score;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Makes the tempo map of a passage from its target and its tempo marks. */
public final class TempoPlan {
  private TempoPlan() {}

  /**
   * Marks on bars that are not in the part are left out; of two on the same bar the later holds.
   */
  public static TempoMap of(Score score, Tempo target, List<Details.TempoMark> marks) {
    List<TempoMap.Section> sections = new ArrayList<>();
    List<TempoMap.Hold> holds = new ArrayList<>();
    Fraction start = score.bars().get(0).start();
    sections.add(new TempoMap.Section(start, target, target));
    for (Details.TempoMark mark : marks) {
      Optional<Bar> bar = score.barNumbered(mark.bar());
      if (bar.isEmpty()) {
        continue;
      }
      Fraction at = bar.get().start();
      if (mark.kind() == Details.TempoMark.Kind.HOLD) {
        holds.add(new TempoMap.Hold(at, bar.get().length(), mark.value() * 1000));
        continue;
      }
      Tempo goal = target.at(mark.value());
      TempoMap.Section before = sections.get(sections.size() - 1);
      boolean gradual = mark.kind() == Details.TempoMark.Kind.GRADUAL;
      TempoMap.Section next = new TempoMap.Section(at, gradual ? before.end() : goal, goal);
      if (before.onset().compareTo(at) < 0) {
        sections.add(next);
      } else if (before.onset().equals(at)) {
        sections.set(sections.size() - 1, next);
      }
    }
    return TempoMap.of(sections, holds);
  }
}
