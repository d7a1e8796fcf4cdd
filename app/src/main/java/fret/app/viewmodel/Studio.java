package fret.app.viewmodel;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.drill.Chunker;
import fret.engraving.FingerText;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.NoteFinger;
import fret.fingering.SparseDigits;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.journal.JournalEntry;
import fret.mark.Marks;
import fret.passage.Change;
import fret.passage.MarkedFileWriter;
import fret.passage.Passage;
import fret.passage.ScoreReader;
import fret.passage.Workbench;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.plan.Gate;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.plan.ReadyDate;
import fret.player.HandSize;
import fret.player.Preset;
import fret.player.School;
import fret.score.Score;
import fret.shelf.Audition;
import fret.shelf.Library;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** What the window shows: the library, the open passage and everything computed from it. */
public final class Studio {
  /** One way to play the selected note, with what the whole fingering then costs more. */
  public record Choice(NoteFinger place, double extraEffort, Fingering whole) {}

  /** The plan of the open passage with what it was made from. */
  public record Planned(List<Chunk> chunks, Ladder ladder, PracticePlan plan, Audition audition) {}

  private final Library library;
  private final ScoreReader reader;
  private final MarkedFileWriter writer;
  private final Clock clock;
  private final Background background = new Background(this::failed);
  private final ObservableList<Passage> passages = FXCollections.observableArrayList();
  private final ObservableList<JournalEntry> journal = FXCollections.observableArrayList();
  private final ReadOnlyObjectWrapper<Workbench> bench = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<Problem>> importProblems =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<Choice>> choices =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<Fingering>> alternatives =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Planned> planned = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyIntegerWrapper selected = new ReadOnlyIntegerWrapper(-1);
  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final ReadOnlyObjectWrapper<Problem> error = new ReadOnlyObjectWrapper<>();
  private volatile List<Audition> auditions;
  private long openId;
  private Score readScore;
  private int generation;

  public Studio(Library library, ScoreReader reader, MarkedFileWriter writer, Clock clock) {
    this.writer = writer;
    this.library = library;
    this.reader = reader;
    this.clock = clock;
    auditions = library.auditions();
    passages.setAll(library.passages());
    journal.setAll(library.journal());
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

  public ReadOnlyObjectProperty<List<Problem>> importProblemsProperty() {
    return importProblems.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<List<Choice>> choicesProperty() {
    return choices.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<List<Fingering>> alternativesProperty() {
    return alternatives.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<Planned> plannedProperty() {
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
    openId = passage.id();
    selected.set(-1);
    int mine = ++generation;
    background.run(
        () -> {
          Outcome<Score> read =
              reader.read(passage.sourceName(), library.source(passage.id()), passage.partName());
          return new Object[] {read, Workbench.of(passage, read.value())};
        },
        () -> mine == generation,
        r -> {
          @SuppressWarnings("unchecked")
          Outcome<Score> read = (Outcome<Score>) r[0];
          readScore = read.value();
          importProblems.set(read.problems());
          publish((Workbench) r[1]);
          select(0);
        });
  }

  /** Reads a file into the library and opens it. */
  public void importFile(String name, byte[] bytes) {
    int mine = ++generation;
    background.run(
        () -> {
          Outcome<Score> read = reader.read(name, bytes, "");
          ensureAudition();
          return library.add(suggested(name, read.value()), bytes);
        },
        () -> mine == generation,
        p -> {
          passages.setAll(library.passages());
          message.set("Opened " + name);
          open(p);
        });
  }

  /** A new library gets a date to plan for; the player changes it in the Plan. */
  private void ensureAudition() {
    if (library.auditions().isEmpty()) {
      LocalDate date = today().plusDays(56);
      library.save(new Audition(0, "My next date", date, ReadyDate.of(today(), date), 30));
      auditions = library.auditions();
    }
  }

  /** How many clean tries move up, and what a miss does. */
  public Gate.Settings gateSettings() {
    int clean =
        library
            .setting("cleanNeeded")
            .map(Integer::parseInt)
            .orElse(Gate.Settings.USUAL.cleanNeeded());
    boolean slower =
        library
            .setting("slowerAfterMiss")
            .map(Boolean::parseBoolean)
            .orElse(Gate.Settings.USUAL.slowerAfterMiss());
    return new Gate.Settings(clean, slower);
  }

  public void saveGateSettings(Gate.Settings settings) {
    library.putSetting("cleanNeeded", String.valueOf(settings.cleanNeeded()));
    library.putSetting("slowerAfterMiss", String.valueOf(settings.slowerAfterMiss()));
    if (bench.get() != null) {
      updatePlan();
    }
  }

  private Passage suggested(String name, Score score) {
    Clef clef = score.bars().get(0).clef();
    String part = score.partName().toLowerCase(Locale.ROOT);
    InstrumentType type =
        part.contains("viola") || clef.equals(Clef.ALTO)
            ? InstrumentType.VIOLA
            : part.contains("bass") && !part.contains("basso")
                    || score.transposition().equals(Interval.OCTAVE_DOWN)
                ? InstrumentType.BASS
                : clef.sign() == Clef.Sign.F || part.contains("cello")
                    ? InstrumentType.CELLO
                    : InstrumentType.VIOLIN;
    boolean low = type == InstrumentType.BASS && score.transposition().equals(Interval.UNISON);
    double quarters =
        score.bars().stream()
            .flatMap(b -> b.directions().stream())
            .filter(d -> d.kind() == fret.score.Direction.Kind.TEMPO && d.number() > 0)
            .mapToDouble(fret.score.Direction::number)
            .findFirst()
            .orElse(80);
    Beat beat = new Beat(score.bars().get(0).time().beatLength());
    Tempo target =
        new Tempo(
            beat, Math.max(2, Math.round(new Tempo(Beat.QUARTER, quarters).perMinuteOf(beat))));
    String title = score.title().isEmpty() ? name : score.title();
    long audition = auditions.stream().findFirst().map(Audition::id).orElse(0L);
    return new Passage(
        0,
        audition,
        name,
        "",
        new Passage.Settings(
            title, type, target, Preset.SURE.id(), School.USUAL, HandSize.MEDIUM, low, false),
        Marks.NONE);
  }

  private void publish(Workbench made) {
    alternatives.set(List.of());
    bench.set(made);
    for (int i = 0; i < passages.size(); i++) {
      if (passages.get(i).id() == made.passage().id() && !passages.get(i).equals(made.passage())) {
        passages.set(i, made.passage());
      }
    }
    updateChoices();
    updatePlan();
  }

  // ---- changing ----------------------------------------------------------------------------

  /** Applies a change, saves it, and computes everything anew. */
  public void apply(Change change) {
    if (bench.get() == null) {
      return;
    }
    Passage now = library.apply(openId, change);
    message.set(change.name());
    recompute(now);
  }

  /** Applies a change of one note: only the stretch around it moves. */
  private void applyAt(Change change, int note) {
    Workbench before = bench.get();
    Passage now = library.apply(openId, change);
    message.set(change.name());
    int mine = ++generation;
    background.run(() -> before.after(now, note), () -> mine == generation, this::publish);
  }

  private void recompute(Passage passage) {
    int mine = ++generation;
    Score score = readScore;
    background.run(() -> Workbench.of(passage, score), () -> mine == generation, this::publish);
  }

  public void undo() {
    step(library.undo(openId), "Undone: ", "Nothing to undo");
  }

  public void redo() {
    step(library.redo(openId), "Done again: ", "Nothing to redo");
  }

  private void step(Optional<Change> change, String word, String none) {
    message.set(change.map(c -> word + c.name()).orElse(none));
    if (change.isPresent()) {
      recompute(library.passage(openId).orElseThrow());
    }
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
                applyAt(bench.get().pin(p.note(), Optional.of(finger), string), p.note());
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
                applyAt(bench.get().pin(p.note(), Optional.empty(), string), p.note());
              }
            });
  }

  public void unpin() {
    if (bench.get() != null && selected.get() >= 0) {
      bench
          .get()
          .unpin(selected.get())
          .ifPresentOrElse(this::apply, () -> message.set("There is no pin here"));
    }
  }

  /** Plays the selected note as a choice says. */
  public void take(Choice choice) {
    apply(
        bench
            .get()
            .pin(
                choice.place().note(),
                Optional.of(choice.place().finger()),
                choice.place().string()));
  }

  public void adopt(Fingering fingering) {
    apply(bench.get().adopt(fingering));
  }

  public void release() {
    apply(bench.get().release());
  }

  public void changeSettings(String name, Passage.Settings after) {
    Passage.Settings before = bench.get().passage().settings();
    if (!before.equals(after)) {
      apply(new Change.SettingsChange(name, before, after));
    }
  }

  public void toggleDigits() {
    Passage.Settings s = bench.get().passage().settings();
    changeSettings(
        s.fullDigits() ? "Only the needed digits" : "All digits",
        s.withFullDigits(!s.fullDigits()));
  }

  /** The passage's file with the fingering written into it, handed on when it is made. */
  public void export(java.util.function.Consumer<byte[]> then) {
    Workbench now = bench.get();
    if (now != null) {
      background.run(() -> writer.write(now, library.source(now.passage().id())), () -> true, then);
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
    updateChoices();
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

  private void updateChoices() {
    Workbench now = bench.get();
    int note = selected.get();
    choices.set(List.of());
    if (now == null || note < 0 || note >= now.resolved().notes().size()) {
      return;
    }
    int mine = generation;
    background.run(
        () -> {
          FingeringSolver solver = now.freeSolver();
          double best = solver.best().effort();
          List<Choice> found = new ArrayList<>();
          for (Fingering f : solver.choicesAt(note)) {
            found.add(new Choice(f.notes().get(note).orElseThrow(), f.effort() - best, f));
          }
          return found;
        },
        () -> mine == generation && selected.get() == note,
        choices::set);
  }

  /** Computes alternatives for the whole passage, where they are not there yet. */
  public void findAlternatives() {
    Workbench now = bench.get();
    if (now == null || !alternatives.get().isEmpty()) {
      return;
    }
    int mine = generation;
    background.run(
        () -> now.freeSolver().alternatives(4), () -> mine == generation, alternatives::set);
  }

  // ---- digits ------------------------------------------------------------------------------

  /** The fingering as printed on the stave: sparse or full. */
  public static List<FingerText> digits(Workbench bench) {
    return digits(bench, bench.fingering(), bench.passage().settings().fullDigits());
  }

  private static final String[] NUMERALS = {"", "I", "II", "III", "IV", "V", "VI"};

  /** Another fingering of the same passage, as printed. */
  public static List<FingerText> digits(Workbench bench, Fingering fingering, boolean full) {
    Marks marks = bench.passage().marks();
    var notes = bench.resolved().notes();
    Set<Integer> sparse =
        SparseDigits.of(
            bench.resolved(),
            bench.task().hand().instrument(),
            fingering,
            i -> marks.pin(notes.get(i).key()).isPresent());
    Set<Integer> arrivals = new java.util.HashSet<>();
    fingering.shifts().forEach(s -> arrivals.add(s.toNote()));
    List<FingerText> texts = new ArrayList<>();
    int string = 0;
    for (int i = 0; i < notes.size(); i++) {
      Optional<NoteFinger> place = fingering.notes().get(i);
      if (place.isPresent()) {
        NoteFinger p = place.get();
        boolean pinned = marks.pin(notes.get(i).key()).isPresent();
        boolean shown = full || sparse.contains(i);
        boolean numeral =
            p.string() != string
                && (full && !p.isOpen() || arrivals.contains(i) || p.base() > 5 && shown);
        if (shown || numeral) {
          texts.add(
              new FingerText(
                  i,
                  shown ? p.digit() : "",
                  numeral ? NUMERALS[Math.min(6, p.string())] : "",
                  pinned));
        }
        string = p.string();
      }
    }
    return texts;
  }

  // ---- plan and journal --------------------------------------------------------------------

  private void updatePlan() {
    Workbench now = bench.get();
    Optional<Audition> audition =
        auditions.stream().filter(a -> a.id() == now.passage().auditionId()).findFirst();
    List<JournalEntry> entries = List.copyOf(journal);
    int mine = generation;
    LocalDate today = today();
    Gate.Settings gate = gateSettings();
    background.run(
        () -> {
          Audition used =
              audition.orElseGet(
                  () ->
                      new Audition(
                          0,
                          "No audition set: four weeks",
                          today.plusDays(28),
                          today.plusDays(21),
                          30));
          List<Chunk> chunks = Chunker.chunks(now.resolved(), now.fingering());
          Tempo target = now.passage().settings().target();
          Ladder ladder = Ladder.toTarget((int) Math.round(target.perMinute()));
          LocalDate last = used.readyDate().isBefore(today) ? today : used.readyDate();
          PlanRequest request =
              new PlanRequest(
                  now.passage().id(),
                  now.score(),
                  chunks,
                  target,
                  ladder,
                  today,
                  last,
                  used.minutesPerDay(),
                  gate,
                  entries);
          return new Planned(chunks, ladder, Planner.plan(request), used);
        },
        () -> mine == generation,
        planned::set);
  }

  /** Saves what the player says of the audition of the open passage. */
  public void saveAudition(Audition audition) {
    Audition saved = library.save(audition);
    auditions = library.auditions();
    Workbench now = bench.get();
    message.set("Saved: " + saved.name());
    if (now != null) {
      updatePlan();
    }
  }

  /** Stores a try; the plan follows. The first try adopts the fingering. */
  public void record(JournalEntry entry) {
    journal.add(library.add(entry));
    Workbench now = bench.get();
    if (now != null && !now.passage().marks().isAdopted()) {
      adopt(now.fingering());
    } else {
      updatePlan();
    }
  }
}
