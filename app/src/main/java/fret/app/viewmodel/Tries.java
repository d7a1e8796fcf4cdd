package fret.app.viewmodel;

import fret.app.work.Storing;
import fret.base.Said;
import fret.journal.JournalEntry;
import fret.session.Decisions;
import fret.session.Session;
import fret.shelf.Deed;
import fret.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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

  /** Stores a try; the plan follows. */
  public void add(JournalEntry entry, Consumer<JournalEntry> then) {
    add(name(entry), List.of(entry), all -> then.accept(all.get(0)));
  }

  public void add(JournalEntry entry) {
    add(entry, stored -> {});
  }

  /** Stores tries that belong together: they are taken back together. */
  public void add(Said name, List<JournalEntry> entries, Consumer<List<JournalEntry>> then) {
    if (entries.isEmpty()) {
      then.accept(List.of());
      return;
    }
    List<Deed.Part> parts = new ArrayList<>();
    entries.forEach(e -> parts.add(Deed.Try.made(e)));
    long passage = entries.get(0).passageId();
    studio
        .deeds()
        .does(
            name,
            passage,
            parts,
            stored -> {
              List<JournalEntry> made = made(stored.parts());
              named(made, studio.deeds().last().filter(d -> d.id() == stored.id()).isPresent());
              then.accept(made);
            });
  }

  /**
   * What was practised keeps its name, so that its record stays with its notes.
   *
   * @param joined whether the tries are what was done last: both are then taken back together
   */
  private void named(List<JournalEntry> made, boolean joined) {
    Session now = studio.shown();
    made.stream()
        .filter(e -> now != null && now.passage().id() == e.passageId())
        .map(JournalEntry::chunkId)
        .distinct()
        .forEach(
            id ->
                studio
                    .plans()
                    .chunk(id)
                    .ifPresent(
                        c -> studio.open().decideWith(s -> Decisions.practised(s, c), joined)));
  }

  private static List<JournalEntry> made(List<Deed.Part> parts) {
    List<JournalEntry> all = new ArrayList<>();
    for (Deed.Part part : parts) {
      if (part instanceof Deed.Try t) {
        t.after().ifPresent(all::add);
      }
    }
    return all;
  }

  /** A try as it is named where it can be taken back. */
  static Said name(JournalEntry e) {
    return Said.of(
        "deed.try",
        Said.of("verdict." + e.verdict()),
        Math.round(e.perMinute()),
        e.chunkId().replace('-', ' '));
  }

  /** A try is told otherwise, as something of its own that can be taken back. */
  public void correct(JournalEntry before, JournalEntry after) {
    Deed.Part part = new Deed.Try(Optional.of(before), Optional.of(after));
    studio.does(Said.of("deed.try.corrected"), after.passageId(), List.of(part));
  }

  /** More is told of a try just made: it belongs to the making of it. */
  void tell(JournalEntry entry) {
    storing.store(
        "deeds",
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
    if (!entries.isEmpty()) {
      List<Deed.Part> parts = new ArrayList<>();
      entries.forEach(e -> parts.add(Deed.Try.removed(e)));
      Said name = Said.of(entries.size() == 1 ? "deed.try.removed" : "deed.tries.removed");
      studio.does(name, entries.get(0).passageId(), parts);
    }
  }

  /** Tries became otherwise and are stored so. */
  void follow(List<Deed.Part> parts) {
    for (Deed.Part part : parts) {
      if (part instanceof Deed.Try t) {
        t.before().ifPresent(e -> all.removeIf(x -> x.id() == e.id()));
        t.after().ifPresent(this::put);
      }
    }
  }

  private void put(JournalEntry entry) {
    all.removeIf(x -> x.id() == entry.id());
    int at = all.size();
    while (at > 0 && all.get(at - 1).date().isAfter(entry.date())) {
      at--;
    }
    all.add(at, entry);
  }
}
