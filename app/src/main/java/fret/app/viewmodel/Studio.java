package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing;
import fret.app.work.Computing.Rank;
import fret.app.work.Storing;
import fret.base.Problem;
import fret.base.RefusedValue;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.NamedScale;
import fret.fingering.NoteFinger;
import fret.instrument.InstrumentType;
import fret.journal.JournalEntry;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.ScoreReader;
import fret.passage.Setup;
import fret.pitch.Interval;
import fret.plan.Pedal;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.session.Change;
import fret.session.Decisions;
import fret.session.MarkedFileWriter;
import fret.session.NoteRange;
import fret.session.Printer;
import fret.session.Session;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.StoreFailure;
import fret.shelf.Takes;
import fret.sound.ClickStyle;
import fret.writing.Writing;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.util.Duration;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The room of one window: the shelf with its passages and the journal, the passage that is open on
 * the desk, what is selected in it and what is told. All methods are called on the interface
 * thread.
 */
public final class Studio {
  /** Typing is over when nothing was typed for so long. */
  private static final int PAUSE_MS = 250;

  private static final long LONGEST_WAIT_MS = 20_000;

  /**
   * Where work is done.
   *
   * @param storing a thread for storing; {@code computing} one for computing; {@code publish} where
   *     what follows is done: the interface thread
   * @param settled runs its argument there when it was not asked anew for a moment
   */
  public record Threads(
      Executor storing, Executor computing, Executor publish, Consumer<Runnable> settled) {
    /** Two threads of their own, and the interface thread. */
    public static Threads ofWindow() {
      PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MS));
      return new Threads(
          thread("storing"),
          thread("computing"),
          Platform::runLater,
          then -> {
            pause.setOnFinished(e -> then.run());
            pause.playFromStart();
          });
    }

    private static ExecutorService thread(String name) {
      return Executors.newSingleThreadExecutor(
          r -> {
            // Deep input must not end in an overflow that a larger stack could have read.
            Thread t = new Thread(null, r, name, 8L << 20);
            t.setDaemon(true);
            return t;
          });
    }
  }

  private final ScoreReader reader;
  private final PaperModel paper;
  private final Clock clock;
  private final Library library;
  private final Computing computing;
  private final Storing storing;
  private final OpenPassage open;
  private final Preferences preferences;
  private final Deeds deeds;
  private final Asking asking = new Asking();
  private final Hurting hurting;
  private final Plans plans;
  private final Openings openings;
  private final TodaySheet todaySheet;
  private final Proofing proofing = new Proofing(this);
  private final NoteDecisions decisions = new NoteDecisions(this);
  private final ObservableList<Passage> passages = FXCollections.observableArrayList();
  private final Tries tries;
  private final ReadOnlyIntegerWrapper selected = new ReadOnlyIntegerWrapper(-1);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final ReadOnlyObjectWrapper<Problem> error = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Optional<Storing.Trouble>> trouble =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyIntegerWrapper pending = new ReadOnlyIntegerWrapper();
  private final ReadOnlyIntegerWrapper notStored = new ReadOnlyIntegerWrapper();
  private final Threads threads;
  private boolean typing;

  /**
   * @param printer made when it is first needed, as loading its fonts takes a moment
   */
  public Studio(
      Library library,
      ScoreReader reader,
      MarkedFileWriter writer,
      Supplier<Printer> printer,
      Clock clock) {
    this(library, reader, writer, printer, clock, Threads.ofWindow());
  }

  public Studio(
      Library library,
      ScoreReader reader,
      MarkedFileWriter writer,
      Supplier<Printer> printer,
      Clock clock,
      Threads threads) {
    this.threads = threads;
    this.library = library;
    this.reader = reader;
    this.clock = clock;
    this.computing =
        new Computing(threads.computing(), threads.publish(), this::failed, pending::set);
    this.storing =
        new Storing(threads.storing(), threads.publish(), this::notStored, notStored::set);
    this.open = new OpenPassage(this, library, reader, computing, storing);
    this.preferences = new Preferences(library.settings(), storing, library);
    this.deeds = new Deeds(this, library, storing);
    this.plans = new Plans(this, library);
    this.openings = new Openings(this, library);
    this.todaySheet = new TodaySheet(this, library, printer);
    this.paper = new PaperModel(this, library, writer, printer);
    this.tries = new Tries(this, library, storing);
    this.hurting = new Hurting(this);
    passages.setAll(library.passages());
    library.unread().stream().findFirst().ifPresent(this::left);
  }

  private void left(Library.Unread unread) {
    error.set(
        Problem.of(
            Said.of("store.unread", unread.what(), unread.why()), Said.of("store.unread.do")));
  }

  public ObservableList<Passage> passages() {
    return passages;
  }

  /** A passage of the shelf by its id. */
  public Optional<Passage> passage(long id) {
    return passages.stream().filter(p -> p.id() == id).findFirst();
  }

  /** The title of a passage; empty where there is none. */
  public String title(long id) {
    return passage(id).map(p -> p.settings().title()).orElse("");
  }

  public ObservableList<JournalEntry> journal() {
    return tries.all();
  }

  /** The record, and what is written into it. */
  public Tries tries() {
    return tries;
  }

  /** What the player set for the whole program. */
  public Preferences preferences() {
    return preferences;
  }

  /** Dates and plans. */
  public Plans plans() {
    return plans;
  }

  /** Today's work on paper. */
  public TodaySheet todaySheet() {
    return todaySheet;
  }

  /** A passage leaves the desk and the plan, or comes back; its record stays. */
  public void putAway(Passage passage, boolean away) {
    String title = passage.settings().title();
    Said name = Said.of(away ? "shelf.put-away.told" : "shelf.taken-back", title);
    does(name, passage.id(), preferences.putAway(passage.id(), away));
    tell(Sentences.of(name));
    plans.update();
  }

  /** A copy of a passage with all that was decided, to be prepared in another way. */
  public void duplicate(Passage passage) {
    storing.store(
        "shelf",
        () -> {
          Library.Stored stored = library.load(passage.id()).orElseThrow();
          byte[] source =
              stored.passage().sourceName().isEmpty()
                  ? new byte[0]
                  : library.source(passage.id(), stored.passage().source().id());
          String title = Sentences.of("shelf.copy-of", passage.settings().title());
          Passage copy =
              stored.passage().withSettings(stored.passage().settings().withTitle(title)).withId(0);
          return library.add(copy, source, stored.page());
        },
        added -> {
          passages.add(added);
          tell(Sentences.of("shelf.copied", passage.settings().title()));
          plans.update();
        });
  }

  /** The first bars of each passage. */
  public Openings openings() {
    return openings;
  }

  /** What reads the page for likely misreadings. */
  public Proofing proofing() {
    return proofing;
  }

  /** What one key decides on the selected note. */
  public NoteDecisions decisions() {
    return decisions;
  }

  /** Files and paper made of the open passage. */
  public PaperModel paper() {
    return paper;
  }

  /** The open passage. */
  public OpenPassage open() {
    return open;
  }

  /** The recordings of the library. */
  Takes recordings() {
    return library.takes();
  }

  /** Does something on the interface thread, after what is to be done there now. */
  void publish(Runnable then) {
    threads.publish().execute(then);
  }

  LocalTime time() {
    return LocalTime.now(clock);
  }

  public LocalDate today() {
    return LocalDate.now(clock);
  }

  /** The newest session of which everything is computed. */
  public ReadOnlyObjectProperty<Session> shownProperty() {
    return open.shownProperty();
  }

  /** What is shown; null when no passage is open. */
  public Session shown() {
    return open.shownProperty().get();
  }

  /** The newest session, with every decision; null when no passage is open. */
  public Session session() {
    return open.session();
  }

  /** Index of the selected note; -1 for none. */
  public ReadOnlyIntegerProperty selectedProperty() {
    return selected.getReadOnlyProperty();
  }

  /** How many questions are being answered. */
  public ReadOnlyIntegerProperty pendingProperty() {
    return pending.getReadOnlyProperty();
  }

  /** How much of what was decided is not stored yet. */
  public ReadOnlyIntegerProperty notStoredProperty() {
    return notStored.getReadOnlyProperty();
  }

  /** What was last done, for the status line. */
  public ReadOnlyStringProperty messageProperty() {
    return message.getReadOnlyProperty();
  }

  /** The last thing that went wrong; null when it was dismissed. */
  public ReadOnlyObjectProperty<Problem> errorProperty() {
    return error.getReadOnlyProperty();
  }

  /** What cannot be stored now. */
  public ReadOnlyObjectProperty<Optional<Storing.Trouble>> troubleProperty() {
    return trouble.getReadOnlyProperty();
  }

  public void dismissError() {
    error.set(null);
  }

  private void failed(Throwable t) {
    if (t instanceof UnusableInput bad) {
      error.set(bad.problem());
    } else if (t instanceof StoreFailure f) {
      error.set(
          Problem.of(
              Said.of("store." + f.why()),
              Said.of(
                  switch (f.why()) {
                    case GONE -> "store.do.GONE";
                    case DAMAGED -> "store.do.DAMAGED";
                    default -> "store.do";
                  })));
    } else {
      System.getLogger("fret").log(System.Logger.Level.ERROR, "work failed", t);
      error.set(
          Problem.of(
              Said.of(storing.waiting() == 0 ? "wrong.inside" : "wrong.inside.waits"),
              Said.of("wrong.inside.do", preferences.logName())));
    }
  }

  private void notStored(Storing.Trouble t) {
    System.getLogger("fret").log(System.Logger.Level.WARNING, "not stored", t.failure());
    trouble.set(Optional.of(t));
  }

  /** Tries again to store what could not be stored. */
  public void storeAgain() {
    trouble.set(Optional.empty());
    storing.retry();
  }

  /** Gives up what could not be stored; everything is shown as it is stored. */
  public void giveUpUnstored() {
    trouble.set(Optional.empty());
    for (Object lane : storing.stalled().keySet()) {
      storing.giveUp(lane);
      if (lane instanceof Long id) {
        open.forget(id);
      }
    }
    passages.setAll(library.passages());
    tries.readAgain();
    deeds.readAgain();
  }

  // ---- opening -------------------------------------------------------------------------------

  /** Opens a passage of the library. */
  public void open(Passage passage) {
    open.open(passage);
  }

  /** The parts of a file, handed on when they are known. */
  public void parts(String name, byte[] bytes, Consumer<List<ScoreReader.PartChoice>> then) {
    computing.ask("parts", Rank.OPENING, token -> reader.parts(name, bytes), then);
  }

  /** A part of a file for a look before it is taken. */
  public void preview(String name, byte[] bytes, String part, Consumer<Score> then) {
    computing.ask("preview", Rank.BESIDE, token -> reader.read(name, bytes, part).value(), then);
  }

  /** Reads the first part with notes of a file into the library and opens it. */
  public void importFile(String name, byte[] bytes) {
    importFile(name, bytes, "", Reading.PLAIN);
  }

  /** Reads a part of a file into the library and opens it. */
  public void importFile(String name, byte[] bytes, String partName, Reading reading) {
    open.importFile(name, bytes, partName, reading);
  }

  /** Starts a page by hand and opens it. */
  public void startPage(Score empty, Setup setup) {
    open.startPage(empty, setup);
  }

  /**
   * A scale, an arpeggio or thirds by name become a passage, for the instrument of the open one; a
   * name that is none is told.
   */
  public void startScale(String name) {
    Setup setup =
        shown() == null ? Setup.usual(InstrumentType.VIOLIN) : shown().passage().settings().setup();
    try {
      NamedScale scale = NamedScale.parse(name);
      boolean bass = setup.instrument() == InstrumentType.BASS;
      startPage(
          scale.score(
              setup.strung(),
              Writing.usualClef(setup.instrument()),
              bass ? Interval.OCTAVE_DOWN : Interval.UNISON,
              Sentences.of(scale.title())),
          setup);
    } catch (RefusedValue e) {
      report(new Problem(Said.words(name.strip()), RefusedValue.told(e), Said.of("scale.do")));
    }
  }

  /** Brings the open passage's file in again. */
  public void bringInAgain(String name, byte[] bytes) {
    open.bringInAgain(name, bytes);
  }

  /** Something new is shown. */
  void follow(Session now) {
    if (selected.get() >= now.resolved().notes().size()) {
      selected.set(now.resolved().notes().size() - 1);
    }
    plans.update();
    proofing.read(now);
  }

  /** A passage was decided on: the shelf follows. */
  void decided(Passage now) {
    for (int i = 0; i < passages.size(); i++) {
      if (passages.get(i).id() == now.id() && !passages.get(i).equals(now)) {
        passages.set(i, now);
      }
    }
  }

  /** Notes were typed: what stands is computed when nothing more is typed for a moment. */
  void typed() {
    typing = true;
    threads
        .settled()
        .accept(
            () -> {
              typing = false;
              open.askStanding(Optional.empty());
            });
  }

  // ---- changing ------------------------------------------------------------------------------

  /** Makes a change from the newest session. */
  public void decide(Function<Session, Change> decision) {
    open.decide(s -> Optional.of(decision.apply(s)));
  }

  /** The page becomes another one, as the player wrote or mended it. */
  public void writePage(Said name, Score newPage) {
    open.decide(s -> Optional.of(Decisions.page(s, name, newPage).change()));
  }

  /** Changes settings; nothing happens when they stay the same. */
  public void changeSettings(Said name, UnaryOperator<Passage.Settings> edit) {
    open.decide(s -> Decisions.settings(s, name, edit));
  }

  /** The same while typing or dragging: changes in a row are one. */
  public void keepChanging(Said name, UnaryOperator<Passage.Settings> edit) {
    open.decide(s -> Decisions.settings(s, name, edit).map(Change::merging));
  }

  /** Takes the last thing back that was done, whatever it was. */
  public void undo() {
    deeds.undo();
  }

  /** Does again what was taken back last. */
  public void redo() {
    deeds.redo();
  }

  /** What hurts. */
  public Hurting hurting() {
    return hurting;
  }

  /** What the player is asked. */
  public Asking asking() {
    return asking;
  }

  /** What was done, in one order. */
  public Deeds deeds() {
    return deeds;
  }

  /** Something beside the passages is done; nothing where nothing becomes otherwise. */
  void does(Said name, long passageId, List<Deed.Part> parts) {
    if (!parts.isEmpty()) {
      deeds.does(name, passageId, parts, stored -> {});
    }
  }

  /** Settings of the whole program become others. */
  void set(Said name, Map<String, String> values) {
    does(name, 0, preferences.changing(values));
  }

  /** A word on the page means something else to the player. */
  public void setMeaning(String word, String meaning) {
    does(Said.of("deed.meaning", word), 0, preferences.putMeaning(word, meaning));
  }

  /** How a pedal judges. */
  public void setPedal(Pedal.Way way) {
    does(Said.of("deed.pedal"), 0, preferences.putPedal(way));
  }

  /** Whether a mock audition is recorded by itself. */
  public void setRecordsMocks(boolean wanted) {
    does(Said.of("deed.mocks"), 0, preferences.putRecordsMocks(wanted));
  }

  /** What the click at the stand gives. */
  public void setClick(ClickStyle style) {
    does(Said.of("deed.click"), 0, preferences.putClick(style));
  }

  /** How many plays a set has. */
  public void setSetPlays(int plays) {
    does(Said.of("deed.set-plays", plays), 0, preferences.putSetPlays(plays));
  }

  /** Things beside the passages became otherwise. */
  void follow(List<Deed.Part> parts) {
    preferences.follow(parts);
    tries.follow(parts);
    plans.follow(parts);
  }

  /** Whether something is still to be computed, stored or typed on. */
  public boolean isBehind() {
    // Asked again at last: what follows from something stored may have been a question.
    return typing || computing.pending() > 0 || storing.isBehind() || computing.pending() > 0;
  }

  /** Says what was done. */
  public void tell(String text) {
    message.set(text);
  }

  /** Shows what went wrong. */
  public void report(Problem problem) {
    error.set(problem);
  }

  // ---- selection -----------------------------------------------------------------------------

  void unselect() {
    selected.set(-1);
  }

  public void select(int note) {
    Session now = shown();
    if (now == null || now.resolved().notes().isEmpty()) {
      return;
    }
    selected.set(Math.max(0, Math.min(now.resolved().notes().size() - 1, note)));
  }

  public void selectSlice(int slice) {
    if (slice >= 0 && shown() != null) {
      List<Integer> starting = shown().resolved().slices().get(slice).starting();
      select(starting.get(starting.size() - 1));
    }
  }

  /** Selects the first note of the next (+1) or previous (-1) bar that has one. */
  public void selectBar(int direction) {
    barBeside(direction).ifPresent(bar -> select(bar.from()));
  }

  /**
   * The notes of the next (+1) or previous (-1) bar that has some; bars of rest are passed over.
   */
  Optional<NoteRange> barBeside(int direction) {
    Session now = shown();
    if (now == null || selected.get() < 0) {
      return Optional.empty();
    }
    List<SoundingNote> notes = now.resolved().notes();
    int here = notes.get(selected.get()).key().barIndex();
    int at = selected.get();
    while (at >= 0
        && at < notes.size()
        && (notes.get(at).key().barIndex() - here) * direction <= 0) {
      at += direction;
    }
    if (at < 0 || at >= notes.size()) {
      return Optional.empty();
    }
    int bar = notes.get(at).key().barIndex();
    int from = at;
    int to = at;
    while (from > 0 && notes.get(from - 1).key().barIndex() == bar) {
      from--;
    }
    while (to + 1 < notes.size() && notes.get(to + 1).key().barIndex() == bar) {
      to++;
    }
    return Optional.of(new NoteRange(from, to));
  }

  /** Selects the first note of a bar, by its index. */
  public void selectBarAt(int bar) {
    Session now = shown();
    for (int i = 0; now != null && i < now.resolved().notes().size(); i++) {
      if (now.resolved().notes().get(i).key().barIndex() == bar) {
        select(i);
        return;
      }
    }
  }

  /** Selects the first note at an onset or after it. */
  public void selectFrom(Fraction onset) {
    Session now = shown();
    for (int i = 0; now != null && i < now.resolved().notes().size(); i++) {
      if (now.resolved().notes().get(i).onset().compareTo(onset) >= 0) {
        select(i);
        return;
      }
    }
  }

  public Optional<NoteFinger> selectedPlace() {
    boolean any =
        shown() != null
            && selected.get() >= 0
            && selected.get() < shown().fingering().notes().size();
    return any ? shown().fingering().notes().get(selected.get()) : Optional.empty();
  }

  // ---- work ----------------------------------------------------------------------------------

  /**
   * Computes something from what is shown; the answer is dropped when something else is shown by
   * then, or when it is not wanted any more.
   *
   * @param kind questions of the same kind replace each other
   */
  <T> void compute(
      Object kind,
      Rank rank,
      Computing.Question<T> question,
      BooleanSupplier isWanted,
      Consumer<T> then) {
    long asked = open.shownCount();
    computing.ask(
        kind,
        rank,
        question,
        answer -> {
          if (open.shownCount() == asked && isWanted.getAsBoolean()) {
            then.accept(answer);
          }
        });
  }

  /** Does work off the interface thread that does not depend on what is shown. */
  <T> void run(Object kind, Rank rank, Computing.Question<T> question, Consumer<T> then) {
    computing.ask(kind, rank, question, then);
  }

  /** The same, leaving something to be done where it gets no answer. */
  <T> void runOrElse(
      Object kind,
      Rank rank,
      Computing.Question<T> question,
      Consumer<T> then,
      Runnable otherwise) {
    computing.ask(kind, rank, question, then, otherwise);
  }

  /** Work for what is shown, before everything else; newer work of the kind replaces it. */
  public <T> void elsewhere(Object kind, java.util.concurrent.Callable<T> work, Consumer<T> then) {
    computing.ask(kind, Rank.OPENING, token -> work.call(), then);
  }

  /** Stores something that belongs to no passage's log. */
  <T> void store(Object lane, Supplier<T> write, Consumer<T> then) {
    storing.store(lane, write, then);
  }

  /** Does something for the library that nothing waits for, after what is to be stored now. */
  public void keepCopies(Runnable copy) {
    storing.store(
        "copies",
        () -> {
          copy.run();
          return true;
        },
        done -> {});
  }

  /** Goes on after {@link #finish} found that something could not be stored. */
  public void goOn() {
    computing.goOn();
  }

  /**
   * Waits until everything that was decided is stored; nothing more is computed.
   *
   * @return false when something could not be stored
   */
  public boolean finish() {
    computing.finish();
    try {
      return storing.finish(LONGEST_WAIT_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
