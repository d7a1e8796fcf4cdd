package fret.app.viewmodel;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.UnusableInput;
import fret.fingering.NoteFinger;
import fret.journal.JournalEntry;
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
import fret.score.Score;
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
  private record Opened(Outcome<Score> page, Workbench bench) {}

  /** The newest snapshot and the page it was made from; used on the background thread only. */
  private record Computed(Score page, Workbench bench) {}

  private record Stepped(Optional<Change> change, Passage passage, Optional<Opened> opened) {}

  /** In place of a note: everything is computed anew. */
  private static final int WHOLE = -1;

  private final Library library;
  private final ScoreReader reader;
  private final PaperModel paper;
  private final Clock clock;
  private final Background background = new Background(this::failed);
  private final Preferences preferences;
  private final Plans plans;
  private final Proofing proofing = new Proofing(this);
  private final NoteDecisions decisions = new NoteDecisions(this);
  private final ObservableList<Passage> passages = FXCollections.observableArrayList();
  private final ObservableList<JournalEntry> journal = FXCollections.observableArrayList();
  private final ReadOnlyObjectWrapper<Workbench> bench = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<Problem>> importProblems =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyIntegerWrapper selected = new ReadOnlyIntegerWrapper(-1);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final ReadOnlyObjectWrapper<Problem> error = new ReadOnlyObjectWrapper<>();
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
    this.preferences = new Preferences(library, background);
    this.plans = new Plans(this, library);
    passages.setAll(library.passages());
    journal.setAll(library.journal());
  }

  public ObservableList<Passage> passages() {
    return passages;
  }

  public ObservableList<JournalEntry> journal() {
    return journal;
  }

  /** What the player set for the whole program. */
  public Preferences preferences() {
    return preferences;
  }

  /** Dates and plans. */
  public Plans plans() {
    return plans;
  }

  /** What reads the page for likely misreadings. */
  public Proofing proofing() {
    return proofing;
  }

  /** What one key decides on the selected note. */
  public NoteDecisions decisions() {
    return decisions;
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
  Outcome<Score> readPage(Passage passage) throws UnusableInput {
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
          plans.ensureOne();
          Passage p = NewPassage.of(name, partName, read, reading);
          return library.add(p.withAudition(plans.first()), bytes);
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
          plans.ensureOne();
          Passage p = NewPassage.byHand(empty, setup).withAudition(plans.first());
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
          Reattachment marks = BroughtIn.marks(open, old, read.value());
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
          List<Problem> told = new ArrayList<>(BroughtIn.report(marks));
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
    plans.update();
    proofing.read(made);
  }

  // ---- changing ----------------------------------------------------------------------------

  /** Makes a change from the passage as it now is, saves it, and computes everything anew. */
  public void apply(Function<Workbench, Change> change) {
    if (bench.get() != null) {
      commit(change.apply(current()), WHOLE);
    }
  }

  /** Applies a change of one note: only the stretch around it moves. */
  void applyAt(Change change, int note) {
    commit(change, note);
  }

  /** The snapshot with the newest decisions, which may not have been computed yet. */
  Workbench current() {
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
            Relearning.of(before, made, plans.plannedProperty().get(), journal)
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
        before.marks().equals(Marks.NONE)
            ? Marks.NONE
            : BroughtIn.marks(before, old, newPage).marks();
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

  // ---- work and journal --------------------------------------------------------------------

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

  /** Stores a try; the plan follows. The first try adopts the fingering. */
  public void record(JournalEntry entry) {
    journal.add(library.add(entry));
    Workbench now = bench.get();
    if (now != null && !open.marks().isAdopted()) {
      apply(b -> b.adopt(now.fingering()));
    } else {
      plans.update();
    }
  }

  /** Waits until everything that was decided is stored; nothing can be asked for any more. */
  public void finish() {
    background.finish();
  }
}
