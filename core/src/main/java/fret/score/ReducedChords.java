package fret.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Chords of which only some notes are played. The others stay on the page, marked as left out, and
 * are not resolved to notes that sound.
 */
public final class ReducedChords {
  private ReducedChords() {}

  /** The part with what is left out of its chords, each named by its lowest head. */
  public static Score of(Score score, Map<NoteKey, Reduction> reduced) {
    return score.withEach(reduced.keySet(), (b, e) -> of(b, e, reduced));
  }

  private static Event of(Bar bar, Event event, Map<NoteKey, Reduction> reduced) {
    Reduction to = isChord(event) ? reduced.get(key(bar, event)) : null;
    int notes = event.heads().size();
    if (to == null || !to.suits(notes)) {
      return event;
    }
    List<Head> heads = new ArrayList<>();
    for (int i = 0; i < notes; i++) {
      heads.add(event.heads().get(i).withLeftOut(!to.keeps(i, notes)));
    }
    return event.withHeads(heads);
  }

  /** The chord that a note belongs to; empty where it stands alone. */
  public static Optional<Event> chord(Score score, NoteKey note) {
    return score.bars().stream()
        .filter(b -> b.index() == note.barIndex() && note.grace() == 0)
        .flatMap(b -> b.events().stream())
        .filter(e -> e.voice().equals(note.voice()) && e.onset().equals(note.onset()))
        .filter(ReducedChords::isChord)
        .findFirst();
  }

  /** What names the chord of a note. */
  public static NoteKey key(NoteKey note, Event chord) {
    return new NoteKey(
        note.barIndex(), note.voice(), note.onset(), 0, chord.heads().get(0).pitch());
  }

  private static NoteKey key(Bar bar, Event event) {
    return NoteKey.of(bar, event, 0, 0);
  }

  /** The heads of a harmonic are no chord. */
  private static boolean isChord(Event event) {
    return !event.isRest()
        && !event.isGrace()
        && !event.cue()
        && event.heads().size() > 1
        && event.heads().stream().allMatch(h -> h.harmonic() == Head.Harmonic.NONE);
  }
}
