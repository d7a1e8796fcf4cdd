package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.drill.ScaleLine;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.session.Session;
import fret.sound.Click;
import fret.sound.ClickLine;
import fret.sound.ClickPlayer;
import fret.sound.ClickStyle;
import fret.sound.ClickTrack;
import fret.sound.Drone;
import fret.sound.PassagePlayer;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleSupplier;

/** Click and drone for whatever is open, in every area. */
public final class Beating {
  private static final double LONGEST_S = 3600;

  private final Studio studio;
  private final ClickPlayer click;
  private final PassagePlayer drone;
  private final FollowingDrone following;
  private final DoubleSupplier tempo;
  private Runnable onTake = () -> {};
  private boolean clicking;
  private int started;

  /**
   * @param tempo at which the click goes; 0 for the target of what is open
   */
  public Beating(Studio studio, ClickPlayer click, PassagePlayer drone, DoubleSupplier tempo) {
    this.studio = studio;
    this.click = click;
    this.drone = drone;
    this.following = new FollowingDrone(studio, drone);
    this.tempo = tempo;
  }

  /** Called before the click starts: it takes the place of whatever clicks then. */
  public void setOnTake(Runnable handler) {
    onTake = handler;
  }

  /** The click starts, or stops; it goes on through other areas. */
  public void toggleClick() {
    Session s = studio.shown();
    if (clicking || s == null) {
      stopClick();
      return;
    }
    double rate = tempo.getAsDouble();
    Tempo target = s.passage().settings().target();
    Tempo at = rate > 0 ? target.at(rate) : target;
    Bar first =
        s.score().bars().stream()
            .filter(b -> b.length().equals(b.time().barLength()))
            .findFirst()
            .orElse(s.score().bars().get(0));
    ClickLine bar =
        new ClickLine(
            s.score().withBars(List.of(first.atStart())), TempoMap.steady(at), ClickStyle.PLAIN);
    onTake.run();
    clicking = true;
    int mine = ++started;
    click.start(track(bar), c -> {}, () -> over(mine));
    studio.tell(Sentences.of("beating.click", at.perMinute(), click.description()));
  }

  private void over(int which) {
    if (which == started) {
      clicking = false;
    }
  }

  /** The click ends, as where a set is about to start. */
  public void stopClick() {
    if (clicking) {
      clicking = false;
      click.stop();
      studio.tell(Sentences.of("beating.click.off"));
    }
  }

  /** An hour of one bar. */
  private static ClickTrack track(ClickLine bar) {
    List<Click> once = bar.clicks();
    List<Click> all = new ArrayList<>();
    double at = 0;
    while (at < LONGEST_S) {
      double from = at;
      once.forEach(c -> all.add(new Click(from + c.seconds(), c.strength(), c.count(), 0)));
      at += bar.barSeconds();
    }
    return new ClickTrack(all, at);
  }

  /**
   * The drone follows the chords and the pedal of what is open, again and again, at the tempo of
   * the click; or stops.
   */
  public void toggleFollowing() {
    Session s = studio.shown();
    if (drone.isPlaying() || following.isWanted() || s == null || s.resolved().notes().isEmpty()) {
      silence();
      return;
    }
    double rate = tempo.getAsDouble();
    double target = s.passage().settings().target().perMinute();
    following.start(s, rate > 0 ? s.task().tempo().scaled(rate / target) : s.task().tempo());
  }

  /** The drone that follows, for the stand. */
  public FollowingDrone following() {
    return following;
  }

  private void silence() {
    following.stop();
    studio.tell(Sentences.of("beating.drone.off"));
  }

  /** The drone on the key's tonic starts, or stops. */
  public void toggleDrone() {
    Session s = studio.shown();
    if (drone.isPlaying() || following.isWanted() || s == null) {
      silence();
      return;
    }
    Pitch tonic = new ScaleLine(s.resolved(), s.task().hand().instrument()).lowestTonic();
    double hertz = tonic.hertz(s.passage().settings().setup().a4Hz());
    studio.run(
        "drone",
        Rank.BESIDE,
        token -> Drone.round(hertz),
        samples -> {
          drone.play(samples, true);
          studio.tell(Sentences.of("beating.drone", tonic, drone.description()));
        });
  }
}
