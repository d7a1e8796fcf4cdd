package fret.proof;

import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import java.util.function.UnaryOperator;

/** Pages with some notes changed. */
final class Edits {
  private Edits() {}

  /** Changes the events that are meant. */
  static Score events(Score page, BiPredicate<Bar, Event> meant, UnaryOperator<Event> edit) {
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : page.bars()) {
      boolean any = bar.events().stream().anyMatch(e -> meant.test(bar, e));
      bars.add(
          any
              ? bar.withEvents(
                  bar.events().stream().map(e -> meant.test(bar, e) ? edit.apply(e) : e).toList())
              : bar);
    }
    return page.withBars(bars);
  }

  /** Changes one event. */
  static Score event(Score page, Event which, UnaryOperator<Event> edit) {
    return events(page, (b, e) -> e.equals(which), edit);
  }

  /** An event with its pitches changed; signs that were printed before them no longer hold. */
  static Event pitches(Event event, UnaryOperator<Pitch> edit) {
    return event.withHeads(
        event.heads().stream()
            .map(h -> h.withPitch(edit.apply(h.pitch())).withAccidental(Head.Accidental.NONE))
            .toList());
  }

  static Pitch octaves(Pitch p, int by) {
    int octave = Math.max(-1, Math.min(9, p.octave() + by));
    return new Pitch(p.step(), p.alter(), octave);
  }
}
