package fret.app.viewmodel;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.ResolvedPassage;
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

  /** Written tonics by the number of sharps, from seven flats on. */
  private static final String MAJOR = "Cb Gb Db Ab Eb Bb F C G D A E B F# C#";

  private static final int SIXTH = 9;

  private final Studio studio;
  private final ClickPlayer click;
  private final PassagePlayer drone;
  private final DoubleSupplier tempo;
  private boolean clicking;
  private int started;

  /**
   * @param tempo at which the click goes; 0 for the target of what is open
   */
  public Beating(Studio studio, ClickPlayer click, PassagePlayer drone, DoubleSupplier tempo) {
    this.studio = studio;
    this.click = click;
    this.drone = drone;
    this.tempo = tempo;
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

  /** Another click is started by somebody else. */
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

  /** The drone on the key's tonic starts, or stops. */
  public void toggleDrone() {
    Session s = studio.shown();
    if (drone.isPlaying() || s == null) {
      drone.stop();
      studio.tell(Sentences.of("beating.drone.off"));
      return;
    }
    Pitch tonic = tonic(s);
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

  /**
   * The tonic of the key at the selected note, in the lowest octave of the instrument: the minor
   * one where the passage ends on it.
   */
  static Pitch tonic(Session s) {
    ResolvedPassage p = s.resolved();
    KeySignature key = s.score().bars().get(0).key();
    int major = Pitch.parse(MAJOR.split(" ")[key.fifths() + 7] + "4").midi() % 12;
    int minor = (major + SIXTH) % 12;
    boolean endsMinor =
        !p.notes().isEmpty()
            && p.notes().stream()
                    .skip(Math.max(0, p.notes().size() - 4))
                    .mapToInt(n -> n.pitch().midi() % 12)
                    .filter(m -> m == minor)
                    .count()
                > 0
            && p.notes().get(p.notes().size() - 1).pitch().midi() % 12 != major;
    int wanted = endsMinor ? minor : major;
    int low = s.task().hand().instrument().open(s.task().hand().instrument().stringCount()).midi();
    int midi = low + Math.floorMod(wanted - low, 12);
    return Pitch.ofMidi(midi, key);
  }
}
