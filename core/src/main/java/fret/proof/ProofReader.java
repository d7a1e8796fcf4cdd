package fret.proof;

import fret.instrument.Instrument;
import fret.score.Event;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Looks through a page for what is easily misread when it is typed or scanned. A finding is a
 * question, never a correction: nothing changes until the player says so. What counts as likely is
 * common practice, from memory.
 */
public final class ProofReader {
  private ProofReader() {}

  /** All findings, in order of their place. */
  public static List<Finding> read(Score page, Instrument instrument) {
    List<Event> notes =
        page.events().stream().filter(e -> !e.isRest() && !e.cue() && !e.isGrace()).toList();
    List<Finding> found = new ArrayList<>();
    Check.Of of = new Check.Of(page, instrument, notes, found::add);
    for (Check check :
        List.of(
            new BarLengths(of),
            new Pitches(of),
            new TiesAndSlurs(of),
            new Accidentals(of),
            new Figures(of))) {
      check.look();
    }
    found.sort(Comparator.comparing(Finding::onset).thenComparing(Finding::kind));
    return List.copyOf(found);
  }
}
