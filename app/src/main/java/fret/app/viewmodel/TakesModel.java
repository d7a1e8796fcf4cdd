package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.PracticePlan;
import fret.search.Token;
import fret.session.ChunkDecisions;
import fret.session.Covered;
import fret.session.Ear;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.session.TakeScore;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import fret.shelf.Takes;
import fret.sound.ClickTrack;
import fret.sound.Microphone;
import fret.sound.PassagePlayer;
import fret.sound.Performance;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.HeardNote;
import fret.take.HeldPitch;
import fret.take.Landing;
import fret.take.Recording;
import fret.take.SimulatedPlayer;
import fret.take.Slower;
import fret.take.SoundFiles;
import fret.take.TakeReport;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The recordings of the open passage, and what they tell. */
public final class TakesModel {
  /** A take that was listened to. */
  public record Checked(Take take, TakeReport report, List<TakeFindings> findings) {
    public Checked {
      findings = List.copyOf(findings);
    }
  }

  /** Takes of one's own over each other. */
  public record Over(int takes, Expected expected, List<Landing> landings) {
    public Over {
      landings = List.copyOf(landings);
    }
  }

  private static final double PROGRESS_STEP = 0.05;
  private static final int MOST_OVER = 20;
  private static final int FEW = 2;
  private static final int AROUND = 3;

  private final Studio studio;
  private final LeftHandModel selection;
  private final PassagePlayer player;
  private final Microphone microphone;
  private final SoundFiles sounds;
  private final ReadOnlyObjectWrapper<List<Take>> takes = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Optional<Take>> chosen =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Checked>> checked =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Checked>> beside =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Over>> over =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyDoubleWrapper progress = new ReadOnlyDoubleWrapper(-1);
  private final ReadOnlyDoubleWrapper level = new ReadOnlyDoubleWrapper(-1);
  private final Map<Long, Checked> known = new HashMap<>();
  private final List<float[]> recorded = new ArrayList<>();
  private long recordedSamples;
  private Session knownFor;
  private long listed = -1;
  private boolean looks;
  private boolean withReference;
  private double slower = 1;
  private final ReadOnlyObjectWrapper<Optional<HeldPitch.Reading>> held =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private boolean holds;

  public TakesModel(
      Studio studio,
      LeftHandModel selection,
      PassagePlayer player,
      Microphone microphone,
      SoundFiles sounds) {
    this.studio = studio;
    this.selection = selection;
    this.player = player;
    this.microphone = microphone;
    this.sounds = sounds;
    studio.shownProperty().addListener(o -> follow());
  }

  private Takes shelf() {
    return studio.recordings();
  }

  /** The takes of the open passage, oldest first. */
  public ReadOnlyObjectProperty<List<Take>> takesProperty() {
    return takes.getReadOnlyProperty();
  }

  /** The one that is looked at. */
  public ReadOnlyObjectProperty<Optional<Take>> chosenProperty() {
    return chosen.getReadOnlyProperty();
  }

  /** What it tells; empty while it is being listened to. */
  public ReadOnlyObjectProperty<Optional<Checked>> checkedProperty() {
    return checked.getReadOnlyProperty();
  }

  /** Another take beside it. */
  public ReadOnlyObjectProperty<Optional<Checked>> besideProperty() {
    return beside.getReadOnlyProperty();
  }

  /** All takes of one's own together; empty where there are too few. */
  public ReadOnlyObjectProperty<Optional<Over>> overProperty() {
    return over.getReadOnlyProperty();
  }

  /** How far the listening is, from 0 to 1; below 0 where there is none. */
  public ReadOnlyDoubleProperty progressProperty() {
    return progress.getReadOnlyProperty();
  }

  /** Level of what is being recorded, 0 to 1; below 0 where nothing is. */
  public ReadOnlyDoubleProperty levelProperty() {
    return level.getReadOnlyProperty();
  }

  public boolean isRecording() {
    return level.get() >= 0;
  }

  /** Takes are looked at from now on, or no more. */
  public void setLooking(boolean wanted) {
    looks = wanted;
    follow();
  }

  private void follow() {
    Session now = studio.shown();
    if (now == null || !looks) {
      return;
    }
    if (knownFor == null || !now.computed().equals(knownFor.computed())) {
      known.clear();
      knownFor = now;
      beside.set(Optional.empty());
      over.set(Optional.empty());
    }
    if (listed != now.passage().id()) {
      listed = now.passage().id();
      takes.set(List.of());
      chosen.set(Optional.empty());
      checked.set(Optional.empty());
      list(now.passage().id(), Optional.empty());
    } else {
      chosen.get().ifPresent(this::choose);
    }
  }

  /** Lists the takes anew and looks at one of them; at the newest where none is named. */
  private void list(long passage, Optional<Long> wanted) {
    studio.run(
        "takes",
        Rank.BESIDE,
        token -> shelf().of(passage),
        all -> {
          if (listed != passage) {
            return;
          }
          takes.set(all);
          Optional<Take> found =
              all.stream().filter(t -> wanted.filter(w -> w == t.id()).isPresent()).findFirst();
          Optional<Take> newest =
              all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
          found.or(() -> newest).ifPresent(this::choose);
          if (all.isEmpty()) {
            chosen.set(Optional.empty());
            checked.set(Optional.empty());
          }
        });
  }

  // ---- listening -----------------------------------------------------------------------------

  /** Looks at a take. */
  public void choose(Take take) {
    chosen.set(Optional.of(take));
    checked.set(Optional.ofNullable(known.get(take.id())));
    if (checked.get().isPresent()) {
      return;
    }
    Session now = studio.shown();
    progress.set(0);
    studio.compute(
        "take",
        Rank.BESIDE,
        token -> listened(now, take, token, this::tell),
        () -> looks && chosen.get().filter(t -> t.id() == take.id()).isPresent(),
        found -> {
          progress.set(-1);
          known.put(take.id(), found);
          checked.set(Optional.of(found));
        });
  }

  private double told;

  private void tell(double done) {
    if (done >= 1 || Math.abs(done - told) >= PROGRESS_STEP) {
      told = done;
      studio.publish(() -> progress.set(progress.get() < 0 ? -1 : done));
    }
  }

  private Checked listened(Session s, Take take, Token token, DoubleConsumer tell)
      throws Exception {
    Recording recording = sounds.read(take.name(), shelf().sound(take.id()));
    TakeReport report = TakeReport.of(recording, expected(s), token, tell);
    return new Checked(take, report, TakeFindings.of(s, report));
  }

  private Expected expected(Session s) throws Exception {
    return TakeScore.of(s, Ear.tuned(s, Ear.harmony(s, studio.open().otherParts(s.passage()))));
  }

  /** The listening is given up. */
  public void cancel() {
    progress.set(-1);
    studio.run("take", Rank.BESIDE, token -> true, done -> {});
  }

  /** Another take beside the one that is looked at; the same takes it away. */
  public void compare(Take take) {
    Session now = studio.shown();
    if (beside.get().filter(c -> c.take().id() == take.id()).isPresent()) {
      beside.set(Optional.empty());
      return;
    }
    studio.compute(
        "take-beside",
        Rank.BESIDE,
        token ->
            known.containsKey(take.id())
                ? known.get(take.id())
                : listened(now, take, token, p -> {}),
        () -> looks,
        found -> beside.set(Optional.of(found)));
  }

  /** Lays all takes of one's own over each other. */
  public void lookOver() {
    Session now = studio.shown();
    List<Take> own = takes.get().stream().filter(t -> t.whose() == Whose.OWN).toList();
    if (now == null || own.size() < Landing.FEWEST) {
      over.set(Optional.empty());
      return;
    }
    List<Take> newest = own.subList(Math.max(0, own.size() - MOST_OVER), own.size());
    Map<Long, Checked> have = Map.copyOf(known);
    studio.compute(
        "takes-over",
        Rank.BESIDE,
        token -> {
          List<TakeReport> all = new ArrayList<>();
          for (Take t : newest) {
            Checked c = have.get(t.id());
            all.add((c == null ? listened(now, t, token, p -> {}) : c).report());
          }
          return new Over(all.size(), all.get(0).expected(), Landing.of(all));
        },
        () -> looks,
        found -> over.set(Optional.of(found)));
  }

  // ---- bringing in ---------------------------------------------------------------------------

  /**
   * Keeps a file as a take.
   *
   * @param name as the player sees it
   */
  public void bringIn(String name, byte[] file, Whose whose) {
    keep(name, whose, () -> file);
  }

  /**
   * Keeps what the simulated player plays.
   *
   * @param faults chooses what it does wrong of what is expected
   */
  public void simulate(Function<Expected, List<Fault>> faults, SimulatedPlayer.Style style) {
    Session now = studio.shown();
    if (now == null || now.resolved().notes().isEmpty()) {
      return;
    }
    studio.run(
        "simulate",
        Rank.BESIDE,
        token -> {
          Expected e = expected(now);
          return SimulatedPlayer.play(e, faults.apply(e), style).samples();
        },
        samples ->
            keep(
                Sentences.of("take.simulated"),
                Whose.SIMULATED,
                () -> sounds.wav(samples, SimulatedPlayer.RATE)));
  }

  private void keep(String name, Whose whose, Supplier<byte[]> file) {
    Session now = studio.shown();
    if (now == null) {
      return;
    }
    long passage = now.passage().id();
    double perMinute = now.passage().settings().target().perMinute();
    LocalDateTime made = studio.today().atTime(studio.time()).truncatedTo(ChronoUnit.SECONDS);
    studio.run(
        "take-read",
        Rank.BESIDE,
        token -> {
          byte[] bytes = file.get();
          Recording recording = sounds.read(name, bytes);
          Take take = new Take(0, passage, made, name, "", recording.seconds(), perMinute, whose);
          return new Ready(take, bytes, recording.isClipped());
        },
        ready ->
            studio.store(
                "takes",
                () -> shelf().add(ready.take(), ready.file()),
                kept -> {
                  studio.tell(
                      Sentences.of(ready.clipped() ? "take.clipped" : "take.kept", kept.name()));
                  if (listed == passage) {
                    list(passage, Optional.of(kept.id()));
                  }
                }));
  }

  private record Ready(Take take, byte[] file, boolean clipped) {}

  // ---- recording -----------------------------------------------------------------------------

  /** Records from now on, or stops; what was recorded becomes a take. */
  public void record() {
    if (isRecording()) {
      microphone.stop();
      return;
    }
    if (studio.shown() == null) {
      return;
    }
    if (holds) {
      microphone.stop();
      holds = false;
    }
    player.stop();
    recorded.clear();
    recordedSamples = 0;
    level.set(0);
    boolean starts =
        microphone.start(
            block -> studio.publish(() -> block(block)), () -> studio.publish(this::recorded));
    if (!starts) {
      level.set(-1);
      studio.tell(Sentences.of("take.no-input"));
    }
  }

  private void block(float[] block) {
    recorded.add(block);
    recordedSamples += block.length;
    double most = 0;
    for (float s : block) {
      most = Math.max(most, Math.abs(s));
    }
    level.set(Math.max(most, level.get() * 0.8));
    if (recordedSamples >= Recording.LONGEST_S * ClickTrack.SAMPLE_RATE) {
      microphone.stop();
    }
  }

  private void recorded() {
    level.set(-1);
    float[] all = new float[(int) recordedSamples];
    int at = 0;
    for (float[] block : recorded) {
      System.arraycopy(block, 0, all, at, block.length);
      at += block.length;
    }
    recorded.clear();
    String name = Sentences.of("take.recorded", takes.get().size() + 1);
    keep(name, Whose.OWN, () -> sounds.wav(all, ClickTrack.SAMPLE_RATE));
  }

  // ---- what is being held ----------------------------------------------------------------------

  /** The tone that is being held; empty for none. */
  public ReadOnlyObjectProperty<Optional<HeldPitch.Reading>> heldProperty() {
    return held.getReadOnlyProperty();
  }

  public boolean isHolding() {
    return holds;
  }

  /** Listens to held tones from now on, or no more. */
  public void toggleHeld() {
    if (holds) {
      microphone.stop();
      return;
    }
    Session now = studio.shown();
    if (now == null || isRecording() || now.resolved().notes().isEmpty()) {
      return;
    }
    studio.run(
        "held",
        Rank.BESIDE,
        token -> new HeldPitch(expected(now), ClickTrack.SAMPLE_RATE),
        pitch -> {
          holds =
              microphone.start(
                  block -> {
                    // The reading is worked out where the sound comes in.
                    Optional<HeldPitch.Reading> reading = pitch.take(block);
                    studio.publish(() -> held.set(holds ? reading : Optional.empty()));
                  },
                  () ->
                      studio.publish(
                          () -> {
                            holds = false;
                            held.set(Optional.empty());
                          }));
          if (!holds) {
            studio.tell(Sentences.of("take.no-input"));
          }
        });
  }

  // ---- keeping in order ----------------------------------------------------------------------

  /** A take is told otherwise. */
  public void change(Take take) {
    studio.store(
        "takes",
        () -> {
          shelf().change(take);
          return take;
        },
        done -> {
          Checked c = known.remove(done.id());
          if (c != null) {
            known.put(done.id(), new Checked(done, c.report(), c.findings()));
          }
          list(done.passageId(), chosen.get().map(Take::id));
        });
  }

  /** Deletes a take with its file. */
  public void remove(Take take) {
    player.stop();
    studio.store(
        "takes",
        () -> {
          shelf().remove(take.id());
          return take;
        },
        gone -> {
          known.remove(gone.id());
          checked.set(Optional.empty());
          chosen.set(Optional.empty());
          studio.tell(Sentences.of("take.removed", gone.name()));
          list(gone.passageId(), Optional.empty());
        });
  }

  /** The first take of one's own: the baseline. */
  public boolean isBaseline(Take take) {
    return takes.get().stream()
        .filter(t -> t.whose() == Whose.OWN)
        .findFirst()
        .filter(t -> t.id() == take.id())
        .isPresent();
  }

  // ---- hearing -------------------------------------------------------------------------------

  /** How many times as long it is heard; 1 as it is. */
  public void setSlower(double times) {
    slower = times;
  }

  /** Whether the reference sound of the same notes follows. */
  public void setWithReference(boolean wanted) {
    withReference = wanted;
  }

  /** The take from the selected note, or what is selected of it, in a loop; again to stop. */
  public void hear() {
    if (player.isPlaying() || checked.get().isEmpty() || studio.shown() == null) {
      player.stop();
      return;
    }
    Checked c = checked.get().get();
    Session s = studio.shown();
    boolean part = selection.hasRange();
    int first = Math.max(0, studio.selectedProperty().get());
    int from = s.resolved().notes().get(part ? selection.firstSelected() : first).slice();
    int to =
        part
            ? s.resolved().notes().get(selection.lastSelected()).slice()
            : s.resolved().slices().size() - 1;
    double start = at(c.report(), from, true);
    double end = at(c.report(), to, false);
    double times = slower;
    boolean reference = withReference;
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> {
          float[] all =
              sounds.samples(c.take().name(), shelf().sound(c.take().id()), ClickTrack.SAMPLE_RATE);
          int a = (int) Math.max(0, (start - 0.05) * ClickTrack.SAMPLE_RATE);
          int b = (int) Math.min(all.length, (end + 0.2) * ClickTrack.SAMPLE_RATE);
          float[] mine =
              Slower.slower(
                  Arrays.copyOfRange(all, a, Math.max(a, b)), ClickTrack.SAMPLE_RATE, times);
          return reference ? joined(mine, reference(s, from, to, times)) : mine;
        },
        () -> looks,
        samples -> {
          player.play(samples, part);
          studio.tell(Sentences.of("take.heard", c.take().name(), player.description()));
        });
  }

  private static float[] reference(Session s, int from, int to, double times) {
    return Performance.samples(
        s.resolved(),
        s.bowTask().loudness(),
        s.task().tempo().scaled(1 / times),
        s.passage().settings().setup().a4Hz(),
        from,
        to);
  }

  private static float[] joined(float[] a, float[] b) {
    float[] all = Arrays.copyOf(a, a.length + b.length);
    System.arraycopy(b, 0, all, a.length, b.length);
    return all;
  }

  /** Where a moment of the passage stands in a take, in s. */
  private static double at(TakeReport r, int slice, boolean begins) {
    double last = begins ? 0 : r.heard().seconds();
    for (HeardNote n : r.heard().notes()) {
      int here = r.expected().moments().get(n.moment()).slice();
      if (begins && here >= slice) {
        return n.onsetS();
      }
      if (!begins && here == slice) {
        last = n.endS();
      }
    }
    return last;
  }

  // ---- into the rest ---------------------------------------------------------------------------

  /** A finding becomes an entry of the journal. */
  public void toJournal(TakeFindings f) {
    Session s = studio.shown();
    if (s == null || checked.get().isEmpty()) {
      return;
    }
    Take take = checked.get().get().take();
    if (take.whose() != Whose.OWN) {
      studio.tell(Sentences.of("take.not-own"));
      return;
    }
    List<Chunk> chunks = studio.plans().ofOpen().map(e -> e.chunks()).orElse(List.of());
    String chunk =
        Covered.around(s.resolved(), chunks, f.slice())
            .map(Chunk::id)
            .orElse(Covered.stretch(s.resolved(), f.slice(), f.slice()).id());
    studio.record(
        new JournalEntry(
            0,
            s.passage().id(),
            take.made().toLocalDate(),
            chunk,
            f.drill(),
            take.perMinute(),
            JournalEntry.NOT_KEPT,
            0,
            Verdict.MISSED,
            f.breakage(),
            Sentences.of(f.words())));
    studio.tell(Sentences.of("take.in-journal", f.bar()));
  }

  /**
   * The whole take becomes a run-through of the journal: clean with nothing found, nearly with two
   * things at most; so it counts for what is ready.
   *
   * @param kind a run-through or a mock audition
   */
  public void runToJournal(DrillKind kind) {
    Session s = studio.shown();
    Optional<Checked> now = checked.get();
    if (s == null || now.isEmpty()) {
      return;
    }
    Take take = now.get().take();
    if (take.whose() != Whose.OWN) {
      studio.tell(Sentences.of("take.not-own"));
      return;
    }
    List<TakeFindings> worst = TakeFindings.worst(now.get().findings());
    int count = now.get().findings().size();
    Verdict verdict = count == 0 ? Verdict.CLEAN : count <= FEW ? Verdict.NEARLY : Verdict.MISSED;
    double target = s.passage().settings().target().perMinute();
    studio.record(
        new JournalEntry(
            0,
            s.passage().id(),
            take.made().toLocalDate(),
            PracticePlan.WHOLE,
            kind,
            Math.round(target * now.get().report().tempo().times() * 10) / 10.0,
            0,
            (int) Math.round(take.seconds()),
            verdict,
            worst.isEmpty() ? Breakage.NONE : worst.get(0).breakage(),
            take.name()));
    studio.tell(Sentences.of("take.run-in-journal", Sentences.of("verdict." + verdict)));
  }

  /** The notes around a finding become a chunk that carries the reason as its name. */
  public void chunkOf(TakeFindings f) {
    Session s = studio.shown();
    int last = s.resolved().slices().size() - 1;
    int from = note(s, Math.max(0, f.slice() - AROUND));
    int to = note(s, Math.min(last, f.slice() + AROUND));
    String why = Sentences.of(f.words());
    studio.open().decide(now -> new ChunkDecisions(now).cut(from, to));
    studio
        .open()
        .decide(
            now -> {
              ChunkDecisions chunks = new ChunkDecisions(now);
              return chunks.at(note(now, f.slice())).flatMap(c -> chunks.name(c.id(), why));
            });
    studio.tell(Sentences.of("take.chunk-made", why));
  }

  private static int note(Session s, int slice) {
    return s.resolved().slices().get(slice).starting().get(0);
  }
}
