package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.UnusableInput;
import fret.intonation.Check;
import fret.intonation.DroneLine;
import fret.intonation.Tuned;
import fret.mark.Strand;
import fret.pitch.Pitch;
import fret.score.LoudnessLine;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.session.Ornaments;
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
import org.apache.commons.numbers.fraction.Fraction;

/** What is heard in a tuning: checks, double stops, the passage with its other parts, drones. */
public final class TuningSounds {
  private static final double HEARD_S = 2.2;
  private static final List<Double> SPEEDS = List.of(1.0, 0.75, 0.5, 0.35);

  private final Studio studio;
  private final LeftHandModel selection;
  private final TuningModel model;
  private final PassagePlayer player;
  private final PassagePlayer drone;
  private boolean withOthers;
  private double speed = 1;

  /**
   * @param player for sounds that end
   * @param drone for one that goes on
   */
  TuningSounds(
      Studio studio,
      LeftHandModel selection,
      TuningModel model,
      PassagePlayer player,
      PassagePlayer drone) {
    this.studio = studio;
    this.selection = selection;
    this.model = model;
    this.player = player;
    this.drone = drone;
  }

  private double hertz(Tuned t, Pitch pitch, double cents) {
    return t.strings().hertz(pitch, cents);
  }

  /** The note with what it is checked against, where the two ring. */
  public void hear(Check check) {
    model
        .tunedProperty()
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
    Optional<Tuned.Place> place = model.selected();
    if (place.isEmpty()) {
      return;
    }
    Session s = studio.shown();
    Tuned t = model.tunedProperty().get().orElseThrow();
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
    if (player.isPlaying() || s == null || model.tunedProperty().get().isEmpty()) {
      player.stop();
      return;
    }
    Tuned t = model.tunedProperty().get().get();
    LeftHandModel.Stretch part = selection.stretch(s);
    int from = part.isChosen() ? part.from() : 0;
    boolean all = withOthers;
    double at = speed;
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> {
          float[] own = performance(s, t, at).samples(from, part.to());
          return all ? Performance.together(own, others(s, t, at, from, part.to())) : own;
        },
        () -> true,
        samples -> {
          player.play(samples, part.isChosen());
          studio.tell(Sentences.of("tuning.heard", player.description()));
        });
  }

  /** One line alone, each note at its own time; again to stop. */
  public void hear(Strand strand) {
    Session s = studio.shown();
    if (player.isPlaying() || s == null || model.tunedProperty().get().isEmpty()) {
      player.stop();
      return;
    }
    Tuned t = model.tunedProperty().get().get();
    Map<Integer, Strand> lines = Strands.of(s);
    if (!lines.containsValue(strand)) {
      studio.tell(Sentences.of("strands.none"));
      return;
    }
    double at = speed;
    studio.compute(
        "hear",
        Rank.BESIDE,
        token -> performance(s, t, at).only(n -> lines.get(n) == strand).samples(),
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

  private static Performance performance(Session s, Tuned t, double at) {
    return Ornaments.heard(s, s.task().tempo().scaled(at), t.strings().a4())
        .tuned(n -> t.notes().get(n).map(Tuned.Place::cents).orElse(0.0));
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
            new Performance(
                    Resolver.resolve(other),
                    LoudnessLine.of(other),
                    s.task().tempo().scaled(at),
                    t.strings().a4())
                .between(first, last.onset().add(last.duration())));
      }
    }
    return all;
  }

  /** The root of the selected bar's chord, or the pedal there, goes on sounding, or stops. */
  public void toggleDrone() {
    Session s = studio.shown();
    if (drone.isPlaying()
        || s == null
        || model.tunedProperty().get().isEmpty()
        || model.selectedBar().isEmpty()) {
      drone.stop();
      return;
    }
    SoundingNote n = s.resolved().notes().get(studio.selectedProperty().get());
    DroneLine.Span here =
        DroneLine.of(s.resolved(), model.tunedProperty().get().get()).at(n.slice());
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
    if (drone.isPlaying() || s == null || model.tunedProperty().get().isEmpty()) {
      drone.stop();
      return;
    }
    Tuned t = model.tunedProperty().get().get();
    LeftHandModel.Stretch part = selection.stretch(s);
    studio.compute(
        "drone",
        Rank.BESIDE,
        token ->
            FollowingDrone.samples(
                s,
                t,
                new FollowingDrone.Under(part.from(), part.to(), s.task().tempo().scaled(speed))),
        () -> true,
        samples -> {
          drone.play(samples, true);
          studio.tell(Sentences.of("tuning.drone-follows", drone.description()));
        });
  }
}
