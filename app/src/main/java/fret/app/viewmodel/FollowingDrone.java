package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.intonation.DroneLine;
import fret.intonation.Tuned;
import fret.score.Slice;
import fret.session.Ear;
import fret.session.Session;
import fret.sound.Drone;
import fret.sound.PassagePlayer;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A drone that follows the chords and the pedal: of the whole passage again and again, or at the
 * stand with each play of a set.
 */
public final class FollowingDrone {
  /**
   * Moments of the open passage that are played as they are written.
   *
   * @param to the last one
   */
  public record Under(int from, int to, TempoMap tempo) {}

  private final Studio studio;
  private final PassagePlayer drone;
  private boolean wanted;
  private boolean round;
  private boolean plays;
  private float[] ofPlay = new float[0];

  FollowingDrone(Studio studio, PassagePlayer drone) {
    this.studio = studio;
    this.drone = drone;
  }

  /** Whether it goes on, or starts again with the next play. */
  public boolean isWanted() {
    return wanted;
  }

  /** The whole passage from now on, again and again. */
  void start(Session s, TempoMap tempo) {
    wanted = true;
    int last = s.resolved().slices().size() - 1;
    studio.run(
        "drone",
        Rank.BESIDE,
        token -> samples(s, tuned(s), new Under(0, last, tempo)),
        samples -> {
          if (wanted) {
            drone.play(samples, true);
            studio.tell(Sentences.of("beating.drone-follows", drone.description()));
          }
        });
  }

  void stop() {
    wanted = false;
    plays = false;
    ofPlay = new float[0];
    drone.stop();
  }

  /**
   * A set begins: the drone waits for its plays.
   *
   * @param under what a play goes over; empty where it is not played as written
   * @param again whether it goes round without a pause
   */
  public void ready(Optional<Under> under, boolean again) {
    if (!wanted) {
      return;
    }
    drone.stop();
    plays = false;
    round = again;
    ofPlay = new float[0];
    Session s = studio.shown();
    under.ifPresentOrElse(
        u ->
            studio.run(
                "drone",
                Rank.BESIDE,
                token -> samples(s, tuned(s), u),
                samples -> ofPlay = samples),
        () -> studio.tell(Sentences.of("beating.drone-not-here")));
  }

  /** A play begins, or is over. */
  public void playing(boolean now) {
    if (wanted && now && !plays && ofPlay.length > 0) {
      drone.play(ofPlay, round);
    } else if (wanted && !now && plays) {
      drone.stop();
    }
    plays = now;
  }

  private Tuned tuned(Session s) throws Exception {
    return Ear.tuned(s, Ear.harmony(s, studio.open().otherParts(s.passage())));
  }

  static float[] samples(Session s, Tuned tuned, Under under) {
    DroneLine line = DroneLine.of(s.resolved(), tuned);
    TempoMap tempo = under.tempo();
    double start = tempo.msAt(s.resolved().slices().get(under.from()).onset());
    Slice last = s.resolved().slices().get(under.to());
    double end = tempo.msAt(last.onset().add(last.duration()));
    List<Drone.Tone> tones = new ArrayList<>();
    tones.add(new Drone.Tone(0, line.at(under.from()).hertz()));
    for (DroneLine.Span span : line.spans()) {
      if (span.slice() > under.from() && span.slice() <= under.to()) {
        tones.add(new Drone.Tone((tempo.msAt(span.onset()) - start) / 1000, span.hertz()));
      }
    }
    return Drone.following(tones, (end - start) / 1000);
  }
}
