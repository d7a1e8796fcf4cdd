package fret.shelf;

import fret.base.Said;
import fret.drill.Chunk;
import fret.fingering.NoteFinger;
import fret.journal.JournalEntry;
import fret.score.SoundingNote;
import fret.session.Session;
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
public record Relearning(Set<String> changed, Set<String> practised) {
  /**
   * Compares two snapshots of the same notes.
   *
   * @param plan null when none is made yet
   * @return empty when nothing changed, or the notes themselves did
   */
  public static Optional<Relearning> of(
      Session before, Session made, Planning plan, List<JournalEntry> journal) {
    if (!before.resolved().notes().equals(made.resolved().notes())) {
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
        plan.of(e.passageId())
            .flatMap(p -> p.learning().chunk(e.chunkId()))
            .ifPresent(c -> practised.addAll(bars(c, notes)));
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

  /** To be told. */
  public Said told() {
    String bars = String.join(", ", changed);
    return practised.isEmpty()
        ? Said.of("relearn.changed", bars)
        : Said.of("relearn.practised", bars, String.join(", ", practised));
  }
}
