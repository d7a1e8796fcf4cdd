package fret.app.viewmodel;

import fret.app.work.Storing;
import fret.journal.JournalEntry;
import fret.session.Decisions;
import fret.session.Session;
import fret.shelf.Library;
import java.util.List;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** The record of all tries, oldest first: each change is stored, and the plan follows. */
public final class Tries {
  private final Studio studio;
  private final Library library;
  private final Storing storing;
  private final ObservableList<JournalEntry> all = FXCollections.observableArrayList();

  Tries(Studio studio, Library library, Storing storing) {
    this.studio = studio;
    this.library = library;
    this.storing = storing;
    readAgain();
  }

  /** The tries, oldest first. */
  public ObservableList<JournalEntry> all() {
    return all;
  }

  /** Takes them as they are stored. */
  void readAgain() {
    all.setAll(library.journal());
  }

  /** Stores a try; the plan follows. The first try adopts the fingering. */
  public void add(JournalEntry entry, Consumer<JournalEntry> then) {
    storing.store(
        "journal",
        () -> library.add(entry),
        stored -> {
          recorded(stored);
          then.accept(stored);
        });
  }

  public void add(JournalEntry entry) {
    add(entry, stored -> {});
  }

  private void recorded(JournalEntry stored) {
    int at = all.size();
    while (at > 0 && all.get(at - 1).date().isAfter(stored.date())) {
      at--;
    }
    all.add(at, stored);
    Session now = studio.shown();
    boolean mine = now != null && now.passage().id() == stored.passageId();
    if (mine) {
      studio.open().decide(s -> Decisions.practised(s, studio.plans().chunk(stored.chunkId())));
    }
    studio.plans().update();
  }

  /** A try is told otherwise. */
  public void correct(JournalEntry entry) {
    storing.store(
        "journal",
        () -> {
          library.correct(entry);
          return entry;
        },
        stored -> {
          all.replaceAll(e -> e.id() == stored.id() ? stored : e);
          studio.plans().update();
        });
  }

  /** Takes tries out of the record. */
  public void remove(List<JournalEntry> entries) {
    List<JournalEntry> gone = List.copyOf(entries);
    storing.store(
        "journal",
        () -> {
          gone.forEach(e -> library.removeEntry(e.id()));
          return gone;
        },
        done -> {
          all.removeIf(e -> done.stream().anyMatch(g -> g.id() == e.id()));
          studio.plans().update();
        });
  }
}
