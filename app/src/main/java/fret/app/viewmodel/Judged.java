package fret.app.viewmodel;

import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.plan.Gate;
import java.util.ArrayList;
import java.util.List;

/**
 * A verdict with the tries that it wrote. They are stored behind it: what is said of it meanwhile,
 * or that it is taken back, counts for each as it arrives.
 */
final class Judged {
  private final Studio studio;
  private final Gate before;
  private final int part;
  private final int plays;
  private final List<JournalEntry> stored = new ArrayList<>();
  private Breakage broke = Breakage.NONE;
  private String note = "";
  private boolean gone;

  /**
   * @param before where the gate stood
   * @param part which part of the drill was played, or which step of a reading
   * @param plays that it judges
   */
  Judged(Studio studio, Gate before, int part, int plays) {
    this.plays = plays;
    this.studio = studio;
    this.before = before;
    this.part = part;
  }

  Gate before() {
    return before;
  }

  int part() {
    return part;
  }

  int plays() {
    return plays;
  }

  /** All that it writes: taken back together. */
  void write(List<JournalEntry> entries) {
    studio.tries().add(Tries.name(entries.get(0)), entries, this::arrived);
  }

  private void arrived(List<JournalEntry> entries) {
    if (gone) {
      studio.tries().remove(entries);
      return;
    }
    stored.addAll(entries);
    if (broke != Breakage.NONE || !note.isEmpty()) {
      stored.forEach(e -> studio.tries().tell(as(e)));
    }
  }

  /** What broke in it. */
  void tell(Breakage what) {
    broke = what;
    stored.forEach(e -> studio.tries().tell(as(e)));
  }

  /** What the player writes to it. */
  void note(String text) {
    note = text;
    stored.forEach(e -> studio.tries().tell(as(e)));
  }

  private JournalEntry as(JournalEntry e) {
    return e.judged(e.verdict(), broke).noted(note);
  }

  void takeBack() {
    gone = true;
    studio.tries().remove(stored);
  }
}
