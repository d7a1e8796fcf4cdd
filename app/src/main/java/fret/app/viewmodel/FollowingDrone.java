package fret.app.viewmodel;

import fret.intonation.DroneLine;
import fret.intonation.Tuned;
import fret.score.Slice;
import fret.session.Session;
import fret.sound.Drone;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;

/** The sound of a drone that follows the chords and the pedal of a passage. */
final class FollowingDrone {
  private FollowingDrone() {}

  /**
   * @param from first moment, {@code to} the last
   */
  static float[] samples(Session s, Tuned tuned, TempoMap tempo, int from, int to) {
    DroneLine line = DroneLine.of(s.resolved(), tuned);
    double start = tempo.msAt(s.resolved().slices().get(from).onset());
    Slice last = s.resolved().slices().get(to);
    double end = tempo.msAt(last.onset().add(last.duration()));
    List<Drone.Tone> tones = new ArrayList<>();
    tones.add(new Drone.Tone(0, line.at(from).hertz()));
    for (DroneLine.Span span : line.spans()) {
      if (span.slice() > from && span.slice() <= to) {
        tones.add(new Drone.Tone((tempo.msAt(span.onset()) - start) / 1000, span.hertz()));
      }
    }
    return Drone.following(tones, (end - start) / 1000);
  }
}
