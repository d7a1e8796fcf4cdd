package fret.app.viewmodel;

import fret.drill.Chunk;
import fret.fingering.NoteFinger;
import fret.journal.JournalEntry;
import fret.passage.Workbench;
import fret.score.SoundingNote;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What another fingering changes for the player.
 *
 * @param changed printed numbers of the bars in which a finger or a string is another one
 * @param practised those of them that were practised before
 */
record Relearning(Set<String> changed, Set<String> practised) {
  /**
   * Compares two snapshots of the same notes.
   *
   * @param before null when there was none
   * @param plan null when none is made yet
   * @return empty when nothing changed, or the notes themselves did
   */
  static Optional<Relearning> of(
      Workbench before, Workbench made, Planning plan, List<JournalEntry> journal) {
    if (before == null || !before.resolved().equals(made.resolved())) {
      return Optional.empty();
    }
    Set<String> changed = new LinkedHashSet<>();
    List<SoundingNote> notes = made.resolved().notes();
    for (int i = 0; i < notes.size(); i++) {
      Optional<NoteFinger> was = before.fingering().notes().get(i);
      Optional<NoteFinger> is = made.fingering().notes().get(i);
      boolean same =
          was.isPresent() && is.isPresent()
              ? was.get().samePlace(is.get())
              : was.isEmpty() == is.isEmpty();
      if (!same) {
        changed.add(notes.get(i).bar());
      }
    }
    if (changed.isEmpty()) {
      return Optional.empty();
    }
    Set<String> practised = new LinkedHashSet<>();
    for (JournalEntry e : journal) {
      if (plan != null && e.passageId() == made.passage().id()) {
        plan.chunks().stream()
            .filter(c -> c.id().equals(e.chunkId()))
            .forEach(c -> practised.addAll(bars(c, notes)));
      }
    }
    practised.retainAll(changed);
    return Optional.of(new Relearning(changed, practised));
  }

  private static List<String> bars(Chunk chunk, List<SoundingNote> notes) {
    return notes.stream()
        .filter(n -> n.onset().compareTo(chunk.fromOnset()) >= 0)
        .filter(n -> n.onset().compareTo(chunk.toOnset()) < 0)
        .map(SoundingNote::bar)
        .toList();
  }

  /** In players' words. */
  String sentence() {
    return "Changed in bar "
        + String.join(", ", changed)
        + (practised.isEmpty()
            ? ""
            : ". Practised before, to be relearned: bar " + String.join(", ", practised));
  }
}
