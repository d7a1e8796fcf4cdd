package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.UnusableInput;
import fret.harmony.Chord;
import fret.harmony.Harmony;
import fret.intonation.Check;
import fret.intonation.DroneLine;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.intonation.TuningSetup;
import fret.mark.Strand;
import fret.pitch.Pitch;
import fret.score.LoudnessLine;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.session.Ear;
import fret.session.Session;
import fret.session.Strands;
import fret.sound.Drone;
import fret.sound.PassagePlayer;
import fret.sound.Performance;
import fret.sound.ReferenceSound;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.apache.commons.numbers.fraction.Fraction;

/** What the ear is helped with: the tuned passage, its harmony from all parts, and their sounds. */
public final class TuningModel {
  private static final double HEARD_S = 2.2;
  private static final List<Double> SPEEDS = List.of(1.0, 0.75, 0.5, 0.35);

  private final Studio studio;
  private final LeftHandModel selection;
  private final PassagePlayer player;
  private final PassagePlayer drone;
  private final ReadOnlyObjectWrapper<Optional<Tuned>> tuned =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private boolean looks;
  private boolean withOthers;
  private double speed = 1;

  /**
   * @param player for sounds that end
   * @param drone for one that goes on
   */
  public TuningModel(
      Studio studio, LeftHandModel selection, PassagePlayer player, PassagePlayer drone) {
    this.studio = studio;
    this.selection = selection;
    this.player = player;
    this.drone = drone;
    studio.shownProperty().addListener(o -> find());
  }

  /** The passage in its tuning; empty while it is being found. */
  public ReadOnlyObjectProperty<Optional<Tuned>> tunedProperty() {
    return tuned.getReadOnlyProperty();
  }

  /** It is tuned only while it is looked at. */
  public void setLooking(boolean wanted) {
    looks = wanted;
    find();
  }

  private void find() {
    Session now = studio.shown();
    if (now == null || !looks) {
      return;
    }
    studio.compute(
        "tuned",
        Rank.BESIDE,
        token -> {
          Harmony harmony = Ear.harmony(now, studio.open().otherParts(now.passage()));
          token.check();
          return Ear.tuned(now, harmony);
        },
        () -> looks,
        found -> tuned.set(Optional.of(found)));
  }

  public TuningSetup setup() {
    return studio.shown() == null ? TuningSetup.USUAL : Ear.setup(studio.shown());
  }

  /** The place of the selected note; empty while it is not known. */
  public Optional<Tuned.Place> selected() {
    int note = studio.selectedProperty().get();
    return tuned
        .get()
        .filter(t -> note >= 0 && note < t.notes().size())
        .flatMap(t -> t.notes().get(note));
  }

  // ---- deciding --------------------------------------------------------------------------------

  public void use(TuningSetup setup) {
    if (studio.shown() != null && !setup.equals(setup())) {
      studio.decide(s -> Ear.tune(s, setup));
    }
  }

  /** The next tuning for the selected notes. */
  public void nextForNotes() {
    selected()
        .ifPresent(
            p -> {
              Temperament[] all = Temperament.values();
              Temperament next = all[(p.temperament().ordinal() + 1) % all.length];
              int from = selection.firstSelected();
              int to = selection.lastSelected();
              studio.decide(s -> Ear.tune(s, from, to, next));
            });
  }

  /** Names the chord of a bar; an empty text takes the name back. */
  public void chord(int bar, String text) {
    Optional<Chord> chord = Optional.empty();
    if (!text.isBlank()) {
      try {
        chord = Optional.of(Chord.parse(text));
      } catch (IllegalArgumentException e) {
        studio.tell(Sentences.of("tuning.no-chord", text.strip()));
        return;
      }
    }
    Optional<Chord> asked = chord;
    studio.decide(s -> Ear.chord(s, bar, asked));
  }

  /** The bar of the selected note, by its index; empty without one. */
  public Optional<Integer> selectedBar() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    boolean any = s != null && note >= 0 && note < s.resolved().notes().size();
    return any ? Optional.of(s.resolved().notes().get(note).key().barIndex()) : Optional.empty();
  }

  // ---- hearing ---------------------------------------------------------------------------------

  private double hertz(Tuned t, Pitch pitch, double cents) {
    return t.strings().hertz(pitch, cents);
  }

  /** The note with what it is checked against, where the two ring. */
  public void hear(Check check) {
    tuned
        .get()
        .ifPresent(
            t -> {
              Pitch own = studio.shown().resolved().notes().get(check.note()).pitch();
              double other = hertz(t, check.against(), reference(check));
              double ringing = hertz(t, own, check.centsFromEqual());
              sound(List.of(List.of(other), List.of(other, ringing)), HEARD_S);
            });
  }

  /** Cents of the reference: back from where the note rings with it. */
  private double reference(Check c) {
    Pitch own = studio.shown().resolved().notes().get(c.note()).pitch();
    double wider = c.ratio().cents() - 100 * c.interval().semitones();
    return own.midi() >= c.against().midi()
        ? c.centsFromEqual() - wider
        : c.centsFromEqual() + wider;
  }

  /** The selected note and those that sound with it, in the tuning and then equal. */
  public void hearBoth() {
    Optional<Tuned.Place> place = selected();
    if (place.isEmpty()) {
      return;
    }
    Session s = studio.shown();
    Tuned t = tuned.get().orElseThrow();
    SoundingNote n = s.resolved().notes().get(place.get().note());
    List<Double> inTune = new ArrayList<>();
    List<Double> equal = new ArrayList<>();
    for (int note : s.resolved().slices().get(n.slice()).starting()) {
      Pitch pitch = s.resolved().notes().get(note).pitch();
      double cents = t.notes().get(note).map(Tuned.Place::cents).orElse(0.0);
      inTune.add(hertz(t, pitch, cents));
      equal.add(hertz(t, pitch, 0));
    }
    sound(List.of(inTune, equal), HEARD_S);
    studio.tell(Sentences.of("tuning.heard-both", player.description()));
  }

  private void sound(List<List<Double>> chords, double seconds) {
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> ReferenceSound.render(chords, seconds),
        () -> true,
        samples -> player.play(samples, false));
  }

  /** The passage, or what is selected of it, in its tuning. */
  public void hearPassage() {
    Session s = studio.shown();
    if (player.isPlaying() || s == null || tuned.get().isEmpty()) {
      player.stop();
      return;
    }
    Tuned t = tuned.get().get();
    boolean part = selection.hasRange();
    boolean all = withOthers;
    double at = speed;
    int from = part ? s.resolved().notes().get(selection.firstSelected()).slice() : 0;
    int to =
        part
            ? s.resolved().notes().get(selection.lastSelected()).slice()
            : s.resolved().slices().size() - 1;
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> {
          float[] own =
              Performance.samples(
                  s.resolved(),
                  s.bowTask().loudness(),
                  s.task().tempo().scaled(at),
                  t.strings().a4(),
                  from,
                  to,
                  n -> t.notes().get(n).map(Tuned.Place::cents).orElse(0.0));
          return all ? Performance.together(own, others(s, t, at, from, to)) : own;
        },
        () -> true,
        samples -> {
          player.play(samples, part);
          studio.tell(Sentences.of("tuning.heard", player.description()));
        });
  }

  // ---- lines within broken chords
  // ----------------------------------------------------------------

  /** The selected notes become part of a line, or of none. */
  public void mark(Optional<Strand> strand) {
    int from = selection.firstSelected();
    int to = selection.lastSelected();
    if (from >= 0) {
      studio.decide(s -> Strands.mark(s, from, to, strand));
    }
  }

  /** Lines as register and string tell them; what the player marked stays. */
  public void proposeLines() {
    Session s = studio.shown();
    if (s != null && Strands.proposed(s).isEmpty()) {
      studio.tell(Sentences.of("strands.no-proposal"));
    } else {
      studio.decide(Strands::propose);
    }
  }

  public void level(Strand strand, double level) {
    studio.decide(s -> Strands.level(s, strand, level));
  }

  /** One line alone, each note at its own time; again to stop. */
  public void hear(Strand strand) {
    Session s = studio.shown();
    if (player.isPlaying() || s == null || tuned.get().isEmpty()) {
      player.stop();
      return;
    }
    Tuned t = tuned.get().get();
    Map<Integer, Strand> lines = Strands.of(s);
    if (!lines.containsValue(strand)) {
      studio.tell(Sentences.of("strands.none"));
      return;
    }
    studio.compute(
        "hear",
        Rank.BESIDE,
        token ->
            Performance.some(
                s.resolved(),
                s.bowTask().loudness(),
                s.task().tempo(),
                t.strings().a4(),
                s.resolved().slices().get(0).onset(),
                s.score().end(),
                n -> t.notes().get(n).map(Tuned.Place::cents).orElse(0.0),
                n -> lines.get(n) == strand),
        () -> true,
        samples -> {
          player.play(samples, false);
          studio.tell(
              Sentences.of(
                  "strands.heard", Sentences.of("strand." + strand), player.description()));
        });
  }

  /**
   * The next of the tempos at which the passage and its drone are heard, in shares of the target.
   */
  public void nextSpeed() {
    speed = SPEEDS.get((SPEEDS.indexOf(speed) + 1) % SPEEDS.size());
    studio.tell(Sentences.of("tuning.speed", Math.round(100 * speed)));
  }

  /** Whether the other parts of the file are heard with the passage. */
  public void setWithOthers(boolean wanted) {
    withOthers = wanted;
  }

  /** The other parts in equal temperament, of the same bars. */
  private List<float[]> others(Session s, Tuned t, double at, int from, int to)
      throws UnusableInput {
    Fraction first = s.resolved().slices().get(from).onset();
    Slice last = s.resolved().slices().get(to);
    List<float[]> all = new ArrayList<>();
    for (Score other : studio.open().otherParts(s.passage())) {
      if (other.bars().size() == s.page().bars().size()) {
        all.add(
            Performance.between(
                Resolver.resolve(other),
                LoudnessLine.of(other),
                s.task().tempo().scaled(at),
                t.strings().a4(),
                first,
                last.onset().add(last.duration()),
                n -> 0));
      }
    }
    return all;
  }

  /** The root of the selected bar's chord, or the pedal there, goes on sounding, or stops. */
  public void toggleDrone() {
    Session s = studio.shown();
    if (drone.isPlaying() || s == null || tuned.get().isEmpty() || selectedBar().isEmpty()) {
      drone.stop();
      return;
    }
    SoundingNote n = s.resolved().notes().get(studio.selectedProperty().get());
    DroneLine.Span here = DroneLine.of(s.resolved(), tuned.get().get()).at(n.slice());
    studio.compute(
        "drone",
        Rank.BESIDE,
        token -> Drone.round(here.hertz()),
        () -> true,
        samples -> {
          drone.play(samples, true);
          studio.tell(Sentences.of("tuning.drone", here.pitch(), drone.description()));
        });
  }

  /**
   * The drone follows the chords and the pedal at the target tempo, from the selected note or
   * through what is selected, again and again; or stops.
   */
  public void toggleFollowing() {
    Session s = studio.shown();
    if (drone.isPlaying() || s == null || tuned.get().isEmpty()) {
      drone.stop();
      return;
    }
    Tuned t = tuned.get().get();
    int selected = Math.max(0, studio.selectedProperty().get());
    int from =
        s.resolved()
            .notes()
            .get(selection.hasRange() ? selection.firstSelected() : selected)
            .slice();
    int to =
        selection.hasRange()
            ? s.resolved().notes().get(selection.lastSelected()).slice()
            : s.resolved().slices().size() - 1;
    studio.compute(
        "drone",
        Rank.BESIDE,
        token -> FollowingDrone.samples(s, t, s.task().tempo().scaled(speed), from, to),
        () -> true,
        samples -> {
          drone.play(samples, true);
          studio.tell(Sentences.of("tuning.drone-follows", drone.description()));
        });
  }
}
