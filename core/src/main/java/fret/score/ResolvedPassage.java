package fret.score;

import java.util.List;
import java.util.Optional;

/**
 * A passage ready for computing: the sounding notes and the moments at which they start. Made by
 * {@link Resolver}; never stored.
 *
 * @param notes in order of onset, then from low to high
 * @param slices in order of time
 */
public record ResolvedPassage(Score score, List<SoundingNote> notes, List<Slice> slices) {
  public ResolvedPassage {
    notes = List.copyOf(notes);
    slices = List.copyOf(slices);
  }

  /** The same notes under a page that differs in signs only. */
  public ResolvedPassage withScore(Score other) {
    return other.equals(score) ? this : new ResolvedPassage(other, notes, slices);
  }

  /** The page alone, without its sounding notes: quick to make, and enough to engrave it. */
  public static ResolvedPassage pageOnly(Score score) {
    return new ResolvedPassage(score, List.of(), List.of());
  }

  /**
   * Index of the note that a written note resolved to; another of its chord where it is left out;
   * empty for tied-on notes and rests.
   */
  public Optional<Integer> indexOf(NoteKey key) {
    int near = -1;
    for (int i = 0; i < notes.size(); i++) {
      NoteKey k = notes.get(i).key();
      if (k.equals(key)) {
        return Optional.of(i);
      }
      near = near < 0 && k.isInChordOf(key) ? i : near;
    }
    return near < 0 ? Optional.empty() : Optional.of(near);
  }
}
