package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.search.Token;
import fret.session.Ear;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import fret.shelf.Takes;
import fret.sound.ClickTrack;
import fret.sound.Microphone;
import fret.sound.PassagePlayer;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.Heard;
import fret.take.Landing;
import fret.take.Recording;
import fret.take.Recurring;
import fret.take.SimulatedPlayer;
import fret.take.SoundFiles;
import fret.take.TakeReport;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
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
  public record Over(
      int takes, Expected expected, List<Landing> landings, List<Recurring> recurring) {
    public Over {
      recurring = List.copyOf(recurring);
      landings = List.copyOf(landings);
    }
  }

  private static final double PROGRESS_STEP = 0.05;
  private static final int MOST_OVER = 20;

  private final Studio studio;
  private final PassagePlayer player;
  private final SoundFiles sounds;
  private final TakeEntries entries;
  private final Inputs inputs;
  private final TakeInput input;
  private final TakeSound sound;
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
  private final Map<Long, Checked> known = new HashMap<>();
  private Session knownFor;
  private long listed = -1;
  private boolean looks;

  public TakesModel(
      Studio studio,
      LeftHandModel selection,
      PassagePlayer player,
      Microphone microphone,
      SoundFiles sounds) {
    this.studio = studio;
    this.player = player;
    this.sounds = sounds;
    this.entries = new TakeEntries(studio, checked::get);
    this.sound = new TakeSound(studio, selection, player, sounds);
    this.inputs = new Inputs(studio, microphone, () -> expected(studio.shown()));
    this.input = new TakeInput(studio, inputs, player::stop, this::expected, this::recorded);
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
    Expected expected = expected(s);
    String part = expected.fingerprint();
    Optional<Heard> kept = shelf().heard(take.id(), part);
    TakeReport report =
        kept.isPresent()
            ? TakeReport.of(expected, kept.get())
            : TakeReport.of(
                sounds.read(take.name(), shelf().sound(take.id())), expected, token, tell);
    if (kept.isEmpty()) {
      shelf().keepHeard(take.id(), part, report.heard());
    }
    return new Checked(take, report, TakeFindings.of(s, report));
  }

  private Expected expected(Session s) throws Exception {
    return Ear.expected(s, Ear.harmony(s, studio.open().otherParts(s.passage())));
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

  /** The first take of one's own beside the one that is looked at; again takes it away. */
  public void compareWithFirst() {
    takes.get().stream()
        .filter(this::isBaseline)
        .filter(t -> chosen.get().filter(c -> c.id() == t.id()).isEmpty())
        .findFirst()
        .ifPresentOrElse(this::compare, () -> studio.tell(Sentences.of("take.no-baseline")));
  }

  /** Lays all takes of one's own over each other. */
  public void lookOver() {
    Session now = studio.shown();
    List<Take> own = takes.get().stream().filter(t -> t.whose() == Whose.OWN).toList();
    if (now == null || own.size() < Recurring.FEWEST_TAKES) {
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
          return new Over(all.size(), all.get(0).expected(), Landing.of(all), Recurring.of(all));
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
    if (studio.shown() != null) {
      keep(studio.shown(), name, whose, file);
    }
  }

  private void keep(Session now, String name, Whose whose, Supplier<byte[]> file) {
    long passage = now.passage().id();
    double perMinute = now.passage().settings().target().perMinute();
    LocalDateTime made = studio.today().atTime(studio.time()).truncatedTo(ChronoUnit.SECONDS);
    studio.run(
        "take-read",
        Rank.BESIDE,
        token -> {
          byte[] bytes = sounds.kept(name, file.get());
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

  /** What was recorded belongs to the passage that was open when it began. */
  private void recorded(TakeInput.Recorded r) {
    String name = r.called().orElseGet(() -> Sentences.of("take.recorded", takes.get().size() + 1));
    Whose whose = inputs.source() == Inputs.Source.SIMULATED ? Whose.SIMULATED : Whose.OWN;
    keep(r.of(), name, whose, () -> sounds.wav(r.samples(), ClickTrack.SAMPLE_RATE));
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

  /** What follows from a take elsewhere: entries of the journal, chunks. */
  public TakeEntries entries() {
    return entries;
  }

  /** The take that is looked at is heard, as {@link #sound} is set; again to stop. */
  public void hear() {
    sound.hear(checked.get(), () -> looks);
  }

  /** How takes are heard. */
  public TakeSound sound() {
    return sound;
  }

  /** What is recorded from. */
  public Inputs inputs() {
    return inputs;
  }

  /** What is recorded, and held. */
  public TakeInput input() {
    return input;
  }
}
