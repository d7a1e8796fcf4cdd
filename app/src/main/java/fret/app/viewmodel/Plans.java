package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.app.work.Storing;
import fret.drill.Chunk;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.plan.ReadyDate;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Library;
import fret.shelf.Planning;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The dates to be ready for, and the plans that lead to them. */
public final class Plans {
  private final Studio studio;
  private final Library library;
  private final Storing storing;
  private final ReadOnlyObjectWrapper<Planning> planned = new ReadOnlyObjectWrapper<>();
  private volatile List<Audition> auditions;

  Plans(Studio studio, Library library, Storing storing) {
    this.studio = studio;
    this.library = library;
    this.storing = storing;
    this.auditions = library.auditions();
  }

  public List<Audition> auditions() {
    return auditions;
  }

  /** The plan of the open passage. */
  public ReadOnlyObjectProperty<Planning> plannedProperty() {
    return planned.getReadOnlyProperty();
  }

  /** A chunk of the open passage by its id. */
  Optional<Chunk> chunk(String id) {
    Planning p = planned.get();
    return p == null
        ? Optional.empty()
        : p.chunks().stream().filter(c -> c.id().equals(id)).findFirst();
  }

  /** What the player set for the plan and the practice. */
  public Planning.Habits habits() {
    return studio.preferences().habits();
  }

  public void saveHabits(Planning.Habits habits) {
    studio.preferences().putHabits(habits);
    update();
  }

  /** The player says that nothing hurts any more: what waited comes back into the plan. */
  public void liftPain() {
    Planning.Habits h = habits();
    long newest =
        studio.journal().stream()
            .filter(e -> e.verdict() == Verdict.HURTS)
            .mapToLong(JournalEntry::id)
            .max()
            .orElse(0);
    saveHabits(new Planning.Habits(h.gate(), h.ladder(), h.ladderStart(), newest));
    studio.tell(Sentences.of("plan.stretches-are"));
  }

  /**
   * The audition that a new passage is for. A new library gets a date to plan for; the player
   * changes it in the Plan. Called where things are stored.
   */
  long ensureOne() {
    List<Audition> all = library.auditions();
    if (all.isEmpty()) {
      LocalDate today = studio.today();
      LocalDate date = today.plusDays(56);
      library.save(
          new Audition(0, Sentences.of("plan.my-next-date"), date, ReadyDate.of(today, date), 30));
      all = library.auditions();
    }
    auditions = all;
    return all.get(0).id();
  }

  /** The plan of any passage of the shelf, handed on when it is made. */
  void planOf(Passage passage, Consumer<Planning> then) {
    List<JournalEntry> entries = List.copyOf(studio.journal());
    LocalDate today = studio.today();
    Planning.Habits habits = habits();
    Optional<Audition> audition = auditionOf(passage);
    studio.run(
        "plan of " + passage.id(),
        Rank.BEHIND,
        token -> {
          Library.Stored stored = library.load(passage.id()).orElseThrow();
          Session session = Session.of(stored.passage(), studio.open().page(stored).value(), token);
          return Planning.of(session, audition, entries, today, habits);
        },
        then);
  }

  private Optional<Audition> auditionOf(Passage passage) {
    return auditions.stream().filter(a -> a.id() == passage.auditionId()).findFirst();
  }

  /** Plans the open passage anew. */
  void update() {
    Session now = studio.shown();
    if (now == null) {
      return;
    }
    Optional<Audition> audition = auditionOf(now.passage());
    List<JournalEntry> entries = List.copyOf(studio.journal());
    LocalDate today = studio.today();
    Planning.Habits habits = habits();
    studio.compute(
        "plan",
        Rank.BESIDE,
        token -> Planning.of(now, audition, entries, today, habits),
        () -> true,
        planned::set);
  }

  /** Saves what the player says of the audition of the open passage. */
  public void saveAudition(Audition audition) {
    storing.store(
        "auditions",
        () -> {
          library.save(audition);
          return library.auditions();
        },
        all -> {
          auditions = all;
          studio.tell(Sentences.of("plan.saved", audition.name()));
          update();
        });
  }
}
