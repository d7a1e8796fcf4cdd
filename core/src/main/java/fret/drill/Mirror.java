package fret.drill;

import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Turns a piece of notation round in time: backwards twice is the original. */
final class Mirror {
  private Mirror() {}

  /** What stands beside the notes (words, dynamics, hairpins) and grace notes drop out. */
  static Score of(Score score) {
    Fraction from = score.bars().get(0).start();
    Fraction sum = from.add(score.end());
    List<Bar> bars = new ArrayList<>();
    for (int i = score.bars().size() - 1; i >= 0; i--) {
      Bar b = score.bars().get(i);
      Fraction start = sum.subtract(b.end());
      List<Event> events =
          b.events().stream()
              .filter(e -> !e.isGrace())
              .map(e -> turned(e, sum))
              .sorted(Comparator.comparing(Event::onset).thenComparing(Event::voice))
              .toList();
      bars.add(
          new Bar(
              bars.size(),
              score.bars().get(bars.size()).number(),
              start,
              b.length(),
              b.time(),
              b.key(),
              b.clefAt(b.end()),
              b.clefChanges().stream()
                  .map(c -> new Bar.ClefChange(sum.subtract(c.onset()), b.clef()))
                  .toList(),
              events,
              List.of(),
              false,
              false,
              List.of(),
              Bar.Line.PLAIN));
    }
    return score.withBars(bars);
  }

  private static Event turned(Event e, Fraction sum) {
    Signs s = e.signs();
    Signs.Tuplet t = s.tuplet();
    Signs signs =
        new Signs(
            s.slurStops(),
            s.slurStarts(),
            s.articulations(),
            s.ornament(),
            s.ornamentAlter(),
            Signs.Bow.NONE,
            s.fermata(),
            s.tremolo(),
            t.isPresent() ? new Signs.Tuplet(t.actual(), t.normal(), t.stops(), t.starts()) : t,
            List.of());
    List<Head> heads = e.heads().stream().map(h -> h.withTies(h.tieStop(), h.tieStart())).toList();
    return new Event(
        e.voice(),
        sum.subtract(e.end()),
        e.duration(),
        e.value(),
        heads,
        e.grace(),
        e.cue(),
        signs);
  }
}
