package fret.drill;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Repeats;
import fret.score.Score;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.HashSet;
import java.util.List;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Where a piece of practice ends whatever its notes are: a change of tempo (a gradual one where it
 * ends), a metre with another beat, a rehearsal mark, a double bar, a repeat sign, two empty bars.
 */
final class Boundaries {
  private static final int EMPTY_BARS = 2;

  private final NavigableSet<Fraction> at = new TreeSet<>();
  private final Set<Integer> follows = new HashSet<>();

  Boundaries(Score score, TempoMap tempo) {
    ofTempo(tempo);
    ofBars(score.bars());
    emptyBars(score.bars());
    played(score);
  }

  private void ofTempo(TempoMap tempo) {
    List<TempoMap.Section> sections = tempo.sections();
    for (int i = 1; i < sections.size(); i++) {
      TempoMap.Section now = sections.get(i);
      boolean gradual = !now.start().equals(now.end());
      Tempo before = sections.get(i - 1).end();
      boolean afterGradual = !sections.get(i - 1).start().equals(before);
      boolean changes = Math.abs(before.wholeNoteMs() - now.start().wholeNoteMs()) > 1e-9;
      if (changes || afterGradual && !gradual) {
        at.add(now.onset());
      }
    }
  }

  private void ofBars(List<Bar> bars) {
    for (int i = 0; i < bars.size(); i++) {
      Bar bar = bars.get(i);
      boolean marked =
          bar.directions().stream().anyMatch(d -> d.kind() == Direction.Kind.REHEARSAL);
      boolean newBeat =
          i > 0 && !bars.get(i - 1).time().beatLength().equals(bar.time().beatLength());
      if (marked || newBeat || bar.repeatStart()) {
        at.add(bar.start());
      }
      boolean ends = i + 1 < bars.size() && !bars.get(i + 1).endings().equals(bar.endings());
      if (bar.line() != Bar.Line.PLAIN || bar.repeatEnd() || ends) {
        at.add(bar.end());
      }
    }
  }

  private void emptyBars(List<Bar> bars) {
    int run = 0;
    for (int i = 0; i <= bars.size(); i++) {
      boolean empty = i < bars.size() && bars.get(i).events().stream().allMatch(Event::isRest);
      if (empty) {
        run++;
        continue;
      }
      if (run >= EMPTY_BARS) {
        at.add(bars.get(i - run).start());
        at.add(bars.get(i - 1).end());
      }
      run = 0;
    }
  }

  /** Bars after which the next written one is played. */
  private void played(Score score) {
    List<Integer> order = Repeats.playingOrder(score);
    for (int i = 0; i + 1 < order.size(); i++) {
      if (order.get(i + 1) == order.get(i) + 1) {
        follows.add(score.bars().get(order.get(i)).index());
      }
    }
  }

  boolean isAt(Fraction onset) {
    return at.contains(onset);
  }

  /** Whether one lies within a stretch, its ends left out. */
  boolean liesIn(Fraction from, Fraction to) {
    Fraction next = at.higher(from);
    return next != null && next.compareTo(to) < 0;
  }

  /** The first one within a stretch, or its end. */
  Fraction firstIn(Fraction from, Fraction to) {
    Fraction next = at.higher(from);
    return next != null && next.compareTo(to) < 0 ? next : to;
  }

  /** Whether the bar after one is ever played after it. */
  boolean goesOn(int barIndex) {
    return follows.contains(barIndex);
  }
}
