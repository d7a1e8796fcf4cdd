package fret.sound;

import java.util.ArrayList;
import java.util.List;

/**
 * Several plays of the same thing with no key between: counted in, played, a pause in which the
 * next one is counted in.
 *
 * @param plays where each play starts and ends, in seconds
 */
public record PlaySet(ClickTrack track, List<Span> plays) {
  /** One play. */
  public record Span(double from, double to) {}

  public PlaySet {
    plays = List.copyOf(plays);
  }

  /**
   * A set.
   *
   * @param times plays, 1 or more
   * @param pauseSeconds after each play, the next count-in inside; never shorter than that
   */
  public static PlaySet of(ClickLine line, int times, double pauseSeconds) {
    List<Click> countIn = line.countIn();
    List<Click> once = line.clicks();
    double bar = line.barSeconds();
    double pause = Math.max(pauseSeconds, bar);
    List<Click> all = new ArrayList<>();
    List<Span> plays = new ArrayList<>();
    double at = 0;
    for (int i = 0; i < times; i++) {
      int play = i;
      double from = at;
      countIn.forEach(c -> all.add(c.later(from, play)));
      double start = from + bar;
      once.forEach(c -> all.add(c.later(start, play)));
      plays.add(new Span(start, start + line.seconds()));
      at = start + line.seconds() + pause - bar;
    }
    return new PlaySet(new ClickTrack(all, plays.get(times - 1).to() + pause), plays);
  }

  /**
   * A loop: counted in once, then again and again without a pause.
   *
   * @param times rounds, 1 or more
   */
  public static PlaySet loop(ClickLine line, int times) {
    List<Click> once = line.clicks();
    double bar = line.barSeconds();
    List<Click> all = new ArrayList<>(line.countIn());
    List<Span> plays = new ArrayList<>();
    for (int i = 0; i < times; i++) {
      int play = i;
      double start = bar + i * line.seconds();
      once.forEach(c -> all.add(c.later(start, play)));
      plays.add(new Span(start, start + line.seconds()));
    }
    return new PlaySet(new ClickTrack(all, plays.get(times - 1).to()), plays);
  }

  /** The same with the music sounding in each play, to play along. */
  public PlaySet along(float[] music) {
    return new PlaySet(track.over(music, plays.stream().map(Span::from).toList()), plays);
  }

  /** Seconds with the pauses after each play, without the first count-in. */
  public double seconds() {
    return track.length() / (double) ClickTrack.SAMPLE_RATE - plays.get(0).from();
  }
}
