package fret.proof;

import fret.base.Said;
import fret.instrument.Instrument;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.Score;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.numbers.fraction.Fraction;

/** One look at a page. */
abstract class Check {
  /**
   * What is looked at.
   *
   * @param notes of the page that are played, without cues and grace notes
   * @param found told of each finding
   */
  record Of(Score page, Instrument instrument, List<Event> notes, Consumer<Finding> found) {}

  final Score page;
  final Instrument instrument;
  final List<Event> notes;
  private final Consumer<Finding> found;

  Check(Of of) {
    page = of.page();
    instrument = of.instrument();
    notes = of.notes();
    found = of.found();
  }

  /** Reports all findings. */
  abstract void look();

  final void report(Finding finding) {
    found.accept(finding);
  }

  /**
   * Reports what is odd about a note.
   *
   * @param mended the page after the fix; null for none
   */
  final void add(Finding.Kind kind, Event at, Said message, Said fix, Score mended) {
    report(
        new Finding(kind, bar(at.onset()), at.onset(), message, fix, Optional.ofNullable(mended)));
  }

  final String bar(Fraction onset) {
    return page.barAt(onset).number();
  }

  static Pitch top(Event e) {
    return e.heads().get(e.heads().size() - 1).pitch();
  }
}
