package fret.app.viewmodel;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.UnusableInput;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.Mark;
import fret.mark.Marks;
import fret.mark.Reattachment;
import fret.passage.Change;
import fret.passage.MarkedFileWriter;
import fret.passage.Passage;
import fret.passage.Printer;
import fret.passage.Reading;
import fret.passage.ScoreReader;
import fret.passage.Setup;
import fret.passage.Workbench;
import fret.plan.Gate;
import fret.plan.ReadyDate;
import fret.proof.Finding;
import fret.proof.ProofReader;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.shelf.Audition;
import fret.shelf.Library;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.util.Duration;

/**
 * What the window shows: the library, the open passage and everything computed from it. All methods
 * are called on the interface thread; reading, storing and computing happen on another one, in the
 * order in which they were asked for.
 */
public final class Studio {
  /** What proof-reading found on a page. */
  public record Proof(Score page, List<Finding> findings) {}

  private record Opened(Outcome<Score> page, Workbench bench) {}

  /** The newest snapshot and the page it was made from; used on the background thread only. */
  private record Computed(Score page, Workbench bench) {}

  private record Stepped(Optional<Change> change, Passage passage, Optional<Opened> opened) {}

  /** In place of a note: everything is computed anew. */
  private static final int WHOLE = -1;

  private static final int MOST_RECENT = 6;

  private final Library library;
  private final ScoreReader reader;
  private final PaperModel paper;
  private final Clock clock;
  private final Background background = new Background(this::failed);
  private final ObservableList<Passage> passages = FXCollections.observableArrayList();
  private final ObservableList<JournalEntry> journal = FXCollections.observableArrayList();
  private final ReadOnlyObjectWrapper<Workbench> bench = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<Problem>> importProblems =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Proof> proof =
      new ReadOnlyObjectWrapper<>(new Proof(null, List.of()));
  private final ReadOnlyObjectWrapper<Planning> planned = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyIntegerWrapper selected = new ReadOnlyIntegerWrapper(-1);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final ReadOnlyObjectWrapper<Problem> error = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyBooleanWrapper dark = new ReadOnlyBooleanWrapper();
  private volatile List<Audition> auditions;
  private Passage open;
  private Score page;
  private final PauseTransition pause = new PauseTransition(Duration.millis(250));
  private final AtomicBoolean waiting = new AtomicBoolean();
  private Computed newest;

  /** Counts what was asked for; changed on the interface thread, looked at on both. */
  private volatile int generation;

  /**
   * @param printer made when it is first needed, as loading its fonts takes a moment
   */
  public Studio(
      Library library,
      ScoreReader reader,
      MarkedFileWriter writer,
      Supplier<Printer> printer,
      Clock clock) {
    this.paper = new PaperModel(this, library, writer, printer);
    this.library = library;
    this.reader = reader;
    this.clock = clock;
    auditions = library.auditions();
    passages.setAll(library.passages());
    journal.setAll(library.journal());
    dark.set(library.setting("theme").filter("dark"::equals).isPresent());
  }

  /** Whether the window is dark. */
  public ReadOnlyBooleanProperty darkProperty() {
    return dark.getReadOnlyProperty();
  }

  /** Whether typed notes are heard. */
  public boolean isHeard() {
    return library.setting("typedHeard").map(Boolean::parseBoolean).orElse(true);
  }

  public void setHeard(boolean heard) {
    library.putSetting("typedHeard", String.valueOf(heard));
  }

  /** Files that were opened last, the newest first. */
  public List<String> recentFiles() {
    return library
        .setting("recentFiles")
        .filter(t -> !t.isEmpty())
        .map(t -> List.of(t.split("\n")))
        .orElse(List.of());
  }

  /** Remembers a file that was opened. */
  public void remember(String path) {
    List<String> all = new ArrayList<>(recentFiles());
    all.remove(path);
    all.add(0, path);
    library.putSetting(
        "recentFiles", String.join("\n", all.subList(0, Math.min(MOST_RECENT, all.size()))));
  }

  public void toggleDark() {
    dark.set(!dark.get());
    library.putSetting("theme", dark.get() ? "dark" : "light");
  }

  public ObservableList<Passage> passages() {
    return passages;
  }

  public ObservableList<JournalEntry> journal() {
    return journal;
  }

  public List<Audition> auditions() {
    return auditions;
  }

  public LocalDate today() {
    return LocalDate.now(clock);
  }

  public ReadOnlyObjectProperty<Workbench> benchProperty() {
    return bench.getReadOnlyProperty();
  }

  public Workbench bench() {
    return bench.get();
  }

  /** The open passage with every change made so far; null when none is open. */
  public Passage passage() {
    return open;
  }

  /** The whole page as written, before bars and lines are picked; null when none is open. */
  public Score page() {
    return page;
  }

  public ReadOnlyObjectProperty<List<Problem>> importProblemsProperty() {
    return importProblems.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Planning> plannedProperty() {
    return planned.getReadOnlyProperty();
  }

  /** Index of the selected note; -1 for none. */
  public ReadOnlyIntegerProperty selectedProperty() {
    return selected.getReadOnlyProperty();
  }

  public ReadOnlyIntegerProperty pendingProperty() {
    return background.pendingProperty();
  }

  /** What was last done, for the status line. */
  public ReadOnlyStringProperty messageProperty() {
    return message.getReadOnlyProperty();
  }

  /** The last thing that went wrong; null when it was dismissed. */
  public ReadOnlyObjectProperty<Problem> errorProperty() {
    return error.getReadOnlyProperty();
  }

  public void dismissError() {
    error.set(null);
  }

  private void failed(Throwable t) {
    if (t instanceof UnusableInput bad) {
      error.set(bad.problem());
    } else {
      System.getLogger("fret").log(System.Logger.Level.ERROR, "background work failed", t);
      error.set(
          new Problem(
              "",
              "Something went wrong inside Fret. Nothing was lost.",
              "Try again; the log holds the details."));
    }
  }

  // ---- opening -----------------------------------------------------------------------------

  /** Opens a passage of the library. */
  public void open(Passage passage) {
    open = passage;
    selected.set(-1);
    int mine = ++generation;
    background.run(
        () -> opened(passage),
        () -> mine == generation,
        o -> {
          published(o);
          select(0);
        });
  }

  /** The page as mended by hand, else as in the file. */
  private Outcome<Score> readPage(Passage passage) throws UnusableInput {
    Optional<Score> mended = library.page(passage.id());
    return mended.isPresent()
        ? new Outcome<>(mended.get(), List.of())
        : reader.read(passage.sourceName(), library.source(passage.id()), passage.partName());
  }

  private Opened opened(Passage passage) throws UnusableInput {
    Outcome<Score> read = readPage(passage);
    return new Opened(read, made(passage, read.value(), WHOLE));
  }

  private void published(Opened opened) {
    page = opened.page().value();
    importProblems.set(opened.page().problems());
    publish(opened.bench());
  }

  /** The parts of a file, handed on when they are known. */
  public void parts(String name, byte[] bytes, Consumer<List<ScoreReader.PartChoice>> then) {
    background.run(() -> reader.parts(name, bytes), () -> true, then);
  }

  /** A part of a file for a look before it is taken. */
  public void preview(String name, byte[] bytes, String part, Consumer<Score> then) {
    background.run(() -> reader.read(name, bytes, part).value(), () -> true, then);
  }

  /** Reads the first part with notes of a file into the library and opens it. */
  public void importFile(String name, byte[] bytes) {
    importFile(name, bytes, "", Reading.PLAIN);
  }

  /** Reads a part of a file into the library and opens it. */
  public void importFile(String name, byte[] bytes, String partName, Reading reading) {
    int mine = ++generation;
    background.run(
        () -> {
          Score read = reader.read(name, bytes, partName).value();
          ensureAudition();
          Passage p = NewPassage.of(name, partName, read, reading);
          return library.add(p.withAudition(firstAudition()), bytes);
        },
        () -> mine == generation,
        p -> {
          passages.setAll(library.passages());
          message.set("Opened " + name);
          open(p);
        });
  }

  /** Starts a page by hand and opens it. */
  public void startPage(Score empty, Setup setup) {
    int mine = ++generation;
    background.run(
        () -> {
          ensureAudition();
          Passage p = NewPassage.byHand(empty, setup).withAudition(firstAudition());
          Passage added = library.add(p, new byte[0]);
          library.keepPage(added.id(), empty);
          return added;
        },
        () -> mine == generation,
        p -> {
          passages.setAll(library.passages());
          message.set("A new page");
          open(p);
        });
  }

  /** Brings the open passage's file in again; marks stay on their notes, and what moved is told. */
  public void bringInAgain(String name, byte[] bytes) {
    Workbench before = bench.get();
    if (before == null) {
      return;
    }
    Score old = page;
    int mine = ++generation;
    background.run(
        () -> {
          Outcome<Score> read = reader.read(name, bytes, open.partName());
          Reattachment marks = reattached(open, old, read.value());
          boolean mended = library.page(open.id()).isPresent();
          Change change =
              mended
                  ? Change.PageChange.between(
                      "Bring in " + name + " again", old, read.value(), open.marks(), marks.marks())
                  : new Change.SourceChange(
                      "Bring in " + name + " again",
                      open.sourceId(),
                      library.addSource(open.id(), bytes),
                      open.marks(),
                      marks.marks());
          Passage now = library.apply(open.id(), change);
          List<Problem> told = new ArrayList<>(report(marks));
          told.addAll(read.problems());
          return new Opened(new Outcome<>(read.value(), told), made(now, read.value(), WHOLE));
        },
        () -> mine == generation,
        o -> {
          open = o.bench().passage();
          message.set("Brought in " + name + " again");
          published(o);
        });
  }

  private static Reattachment reattached(Passage passage, Score before, Score after) {
    return Reattachment.of(passage.marks(), Resolver.resolve(before), Resolver.resolve(after));
  }

  private static List<Problem> report(Reattachment r) {
    List<Problem> told = new ArrayList<>();
    if (!r.moved().isEmpty()) {
      told.add(
          new Problem("", r.moved().size() + " of your marks moved along with their notes.", ""));
    }
    for (Mark m : r.lost()) {
      told.add(
          new Problem(
              "",
              "Your "
                  + m.finger().map(f -> "finger " + f.digit()).orElse("string mark")
                  + " on "
                  + m.key().pitch()
                  + " has no note any more.",
              "Undo brings the old page back."));
    }
    return told;
  }

  private long firstAudition() {
    return auditions.stream().findFirst().map(Audition::id).orElse(0L);
  }

  /** A new library gets a date to plan for; the player changes it in the Plan. */
  private void ensureAudition() {
    if (library.auditions().isEmpty()) {
      LocalDate date = today().plusDays(56);
      library.save(new Audition(0, "My next date", date, ReadyDate.of(today(), date), 30));
      auditions = library.auditions();
    }
  }

  private void publish(Workbench made) {
    bench.set(made);
    for (int i = 0; i < passages.size(); i++) {
      if (passages.get(i).id() == made.passage().id() && !passages.get(i).equals(made.passage())) {
        passages.set(i, made.passage());
      }
    }
    if (selected.get() >= made.resolved().notes().size()) {
      selected.set(made.resolved().notes().size() - 1);
    }
    updatePlan();
    proofRead(made);
  }

  private void proofRead(Workbench made) {
    Score read = page;
    int mine = generation;
    background.run(
        () -> new Proof(read, ProofReader.read(read, made.task().hand().instrument())),
        () -> mine == generation,
        proof::set);
  }

  /** Likely misreadings that were not accepted, with the page they were found on. */
  public ReadOnlyObjectProperty<Proof> proofProperty() {
    return proof.getReadOnlyProperty();
  }

  /** Mends the page as a finding proposes. */
  public void mend(Finding finding) {
    Proof now = proof.get();
    if (now.page().equals(page) && finding.mended().isPresent()) {
      writePage(finding.fix() + ", bar " + finding.bar(), finding.mended().get());
    }
  }

  /** The finding is right as it is and is not asked again. */
  public void accept(Finding finding) {
    changeSettings(
        "Right as it is, bar " + finding.bar(),
        s -> s.withDetails(s.details().accepting(finding.id())));
  }

  // ---- changing ----------------------------------------------------------------------------

  /** Makes a change from the passage as it now is, saves it, and computes everything anew. */
  public void apply(Function<Workbench, Change> change) {
    if (bench.get() != null) {
      commit(change.apply(current()), WHOLE);
    }
  }

  /** Applies a change of one note: only the stretch around it moves. */
  private void applyAt(Change change, int note) {
    commit(change, note);
  }

  /** The snapshot with the newest decisions, which may not have been computed yet. */
  private Workbench current() {
    return bench.get().with(open);
  }

  private void commit(Change change, int note) {
    open = change.applyTo(open);
    Passage now = open;
    Score read = page;
    int mine = ++generation;
    background.always(() -> library.apply(now.id(), change), p -> message.set(change.name()));
    background.always(
        () -> made(now, read, note),
        made -> {
          if (mine == generation) {
            Workbench before = bench.get();
            publish(made);
            Relearning.of(before, made, planned.get(), journal)
                .ifPresent(r -> message.set(change.name() + ". " + r.sentence()));
          }
        });
  }

  /** A new snapshot; where only one note was decided, from the newest one there is. */
  private Workbench made(Passage now, Score read, int note) {
    boolean local =
        note != WHOLE
            && newest != null
            && newest.page().equals(read)
            && newest.bench().passage().settings().equals(now.settings());
    Workbench made = local ? newest.bench().after(now, note) : Workbench.of(now, read);
    newest = new Computed(read, made);
    return made;
  }

  /**
   * Another page, as the player wrote or mended it; marks stay on their notes. The page is stored
   * at once; it is fingered anew when nothing has been typed for a moment.
   */
  public void writePage(String name, Score newPage) {
    Score old = page;
    Passage before = open;
    page = newPage;
    Marks marks =
        before.marks().equals(Marks.NONE) ? Marks.NONE : reattached(before, old, newPage).marks();
    open = before.withMarks(marks);
    long id = before.id();
    background.always(
        () -> {
          if (!library.hasPage(id)) {
            library.keepPage(id, old);
          }
          return library.apply(
              id, Change.PageChange.between(name, old, newPage, before.marks(), marks));
        },
        p -> message.set(name));
    int mine = ++generation;
    Passage now = open;
    pause.setOnFinished(
        e -> {
          if (mine == generation) {
            background.run(
                () -> made(now, newPage, WHOLE), () -> mine == generation, this::publish);
          }
          waiting.set(false);
        });
    waiting.set(true);
    pause.playFromStart();
  }

  /** Whether something that was typed is still to be fingered. */
  public boolean isBehind() {
    return waiting.get() || background.pendingProperty().get() > 0;
  }

  public void undo() {
    step(library::undo, "Undone: ", "Nothing to undo");
  }

  public void redo() {
    step(library::redo, "Done again: ", "Nothing to redo");
  }

  private void step(Function<Long, Optional<Change>> move, String word, String none) {
    if (open == null) {
      return;
    }
    long id = open.id();
    int mine = ++generation;
    Score read = page;
    background.always(
        () -> {
          Optional<Change> change = move.apply(id);
          Passage now = library.passage(id).orElseThrow();
          boolean notes =
              change.filter(c -> !(c instanceof Change.MarksChange)).isPresent()
                  && !(change.get() instanceof Change.SettingsChange);
          Opened opened =
              notes
                  ? opened(now)
                  : new Opened(new Outcome<>(read, importProblems.get()), made(now, read, WHOLE));
          return new Stepped(change, now, Optional.of(opened));
        },
        s -> {
          message.set(s.change().map(c -> word + c.name()).orElse(none));
          if (mine == generation) {
            open = s.passage();
            s.opened().ifPresent(this::published);
          }
        });
  }

  /** Pins a finger on the selected note, on the string it is shown on. */
  public void pinFinger(Finger finger) {
    selectedPlace()
        .ifPresent(
            p -> {
              int string = finger == Finger.OPEN ? openStringFor(p) : p.string();
              if (string == 0) {
                message.set("No open string sounds " + p.sounding());
              } else {
                applyAt(current().pin(p.note(), Optional.of(finger), string), p.note());
              }
            });
  }

  private int openStringFor(NoteFinger p) {
    var strings = bench.get().task().hand().instrument().openStrings();
    for (int i = 0; i < strings.size(); i++) {
      if (strings.get(i).midi() == p.sounding().midi()) {
        return i + 1;
      }
    }
    return 0;
  }

  /** Pins the selected note to the next higher (-1) or lower (+1) string. */
  public void pinString(int direction) {
    selectedPlace()
        .ifPresent(
            p -> {
              int string = p.string() + direction;
              var instrument = bench.get().task().hand().instrument();
              boolean fits = string >= 1 && string <= instrument.stringCount();
              int semitones = fits ? instrument.semitones(string, p.sounding()) : -1;
              if (!fits || semitones < 0 || semitones > instrument.highestSemitone()) {
                message.set(
                    p.sounding()
                        + " does not lie on the "
                        + (fits ? instrument.stringName(string) + " string" : "next string"));
              } else {
                applyAt(current().pin(p.note(), Optional.empty(), string), p.note());
              }
            });
  }

  public void unpin() {
    if (bench.get() != null && selected.get() >= 0) {
      current()
          .unpin(selected.get())
          .ifPresentOrElse(c -> apply(b -> c), () -> message.set("There is no pin here"));
    }
  }

  /** Sets a bow mark on the selected note, or takes it away when it is there. */
  public void markBow(Signs.Bow bow) {
    Workbench now = bench.get();
    if (now == null || selected.get() < 0) {
      return;
    }
    int note = selected.get();
    boolean there = now.bowAt(note) == bow;
    apply(b -> b.bow(note, there ? Signs.Bow.NONE : bow));
  }

  private void adopt(Fingering fingering) {
    apply(b -> b.adopt(fingering));
  }

  /** Changes settings; nothing happens when they stay the same. */
  public void changeSettings(String name, UnaryOperator<Passage.Settings> edit) {
    if (bench.get() == null) {
      return;
    }
    Passage.Settings before = open.settings();
    Passage.Settings after = edit.apply(before);
    if (!before.equals(after)) {
      apply(b -> new Change.SettingsChange(name, before, after));
    }
  }

  public void toggleDigits() {
    if (open != null) {
      boolean full = !open.settings().fullDigits();
      changeSettings(full ? "All digits" : "Only the needed digits", s -> s.withFullDigits(full));
    }
  }

  /** Says what was done. */
  public void tell(String text) {
    message.set(text);
  }

  /** Shows what went wrong. */
  public void report(Problem problem) {
    error.set(problem);
  }

  // ---- selection ---------------------------------------------------------------------------

  public void select(int note) {
    Workbench now = bench.get();
    if (now == null || now.resolved().notes().isEmpty()) {
      return;
    }
    selected.set(Math.max(0, Math.min(now.resolved().notes().size() - 1, note)));
  }

  public void selectSlice(int slice) {
    if (slice >= 0 && bench.get() != null) {
      List<Integer> starting = bench.get().resolved().slices().get(slice).starting();
      select(starting.get(starting.size() - 1));
    }
  }

  /** Selects the first note of the next (+1) or previous (-1) bar. */
  public void selectBar(int direction) {
    Workbench now = bench.get();
    if (now == null || selected.get() < 0) {
      return;
    }
    int bar = now.resolved().notes().get(selected.get()).key().barIndex() + direction;
    for (int i = 0; i < now.resolved().notes().size(); i++) {
      if (now.resolved().notes().get(i).key().barIndex() == bar) {
        select(i);
        return;
      }
    }
  }

  public Optional<NoteFinger> selectedPlace() {
    boolean any =
        bench.get() != null
            && selected.get() >= 0
            && selected.get() < bench.get().fingering().notes().size();
    return any ? bench.get().fingering().notes().get(selected.get()) : Optional.empty();
  }

  // ---- plan and journal --------------------------------------------------------------------

  /** What the player set for the plan and the practice. */
  public Planning.Habits habits() {
    int clean = number("cleanNeeded", Gate.Settings.USUAL.cleanNeeded());
    boolean slower =
        library
            .setting("slowerAfterMiss")
            .map(Boolean::parseBoolean)
            .orElse(Gate.Settings.USUAL.slowerAfterMiss());
    Planning.LadderKind kind =
        library
            .setting("ladder")
            .map(Planning.LadderKind::valueOf)
            .orElse(Planning.LadderKind.EVEN_STEPS);
    return new Planning.Habits(
        new Gate.Settings(clean, slower), kind, number("ladderStart", 0), number("painLifted", 0));
  }

  private int number(String setting, int usual) {
    return library.setting(setting).map(Integer::parseInt).orElse(usual);
  }

  public void saveHabits(Planning.Habits habits) {
    library.putSetting("cleanNeeded", String.valueOf(habits.gate().cleanNeeded()));
    library.putSetting("slowerAfterMiss", String.valueOf(habits.gate().slowerAfterMiss()));
    library.putSetting("ladder", habits.ladder().name());
    library.putSetting("ladderStart", String.valueOf(habits.ladderStart()));
    library.putSetting("painLifted", String.valueOf(habits.painLifted()));
    updatePlan();
  }

  /** The player says that nothing hurts any more: what waited comes back into the plan. */
  public void liftPain() {
    Planning.Habits h = habits();
    long newest =
        journal.stream()
            .filter(e -> e.verdict() == Verdict.HURTS)
            .mapToLong(JournalEntry::id)
            .max()
            .orElse(0);
    saveHabits(new Planning.Habits(h.gate(), h.ladder(), h.ladderStart(), newest));
    message.set("Stretches are back in the plan");
  }

  /**
   * Computes something from the open passage off the interface thread; the result is dropped when
   * the passage has changed meanwhile, or when it is not wanted any more.
   */
  <T> void compute(Callable<T> work, BooleanSupplier isWanted, Consumer<T> then) {
    int mine = generation;
    background.run(work, () -> mine == generation && isWanted.getAsBoolean(), then);
  }

  /** Does work off the interface thread, in order with all other work. */
  <T> void run(Callable<T> work, BooleanSupplier isWanted, Consumer<T> then) {
    background.run(work, isWanted, then);
  }

  /** Files and paper made of the open passage. */
  public PaperModel paper() {
    return paper;
  }

  /** What is stored under a name in the library's settings. */
  Optional<String> setting(String name) {
    return library.setting(name);
  }

  void putSetting(String name, String value) {
    library.putSetting(name, value);
  }

  /** The plan of any passage of the shelf, handed on when it is made. */
  void planOf(Passage passage, BooleanSupplier isCurrent, Consumer<Planning> then) {
    List<JournalEntry> entries = List.copyOf(journal);
    LocalDate today = today();
    Planning.Habits habits = habits();
    Optional<Audition> audition = auditionOf(passage);
    background.run(
        () ->
            Planning.of(
                Workbench.of(passage, readPage(passage).value()), audition, entries, today, habits),
        isCurrent,
        then);
  }

  private Optional<Audition> auditionOf(Passage passage) {
    return auditions.stream().filter(a -> a.id() == passage.auditionId()).findFirst();
  }

  private void updatePlan() {
    Workbench now = bench.get();
    if (now == null) {
      return;
    }
    Optional<Audition> audition = auditionOf(now.passage());
    List<JournalEntry> entries = List.copyOf(journal);
    int mine = generation;
    LocalDate today = today();
    Planning.Habits habits = habits();
    background.run(
        () -> Planning.of(now, audition, entries, today, habits),
        () -> mine == generation,
        planned::set);
  }

  /** Saves what the player says of the audition of the open passage. */
  public void saveAudition(Audition audition) {
    Audition saved = library.save(audition);
    auditions = library.auditions();
    message.set("Saved: " + saved.name());
    updatePlan();
  }

  /** Stores a try; the plan follows. The first try adopts the fingering. */
  public void record(JournalEntry entry) {
    journal.add(library.add(entry));
    Workbench now = bench.get();
    if (now != null && !open.marks().isAdopted()) {
      adopt(now.fingering());
    } else {
      updatePlan();
    }
  }
}
