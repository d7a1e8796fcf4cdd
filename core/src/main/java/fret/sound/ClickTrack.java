package fret.sound;

import fret.tempo.Tempo;

/**
 * Renders a metronome click, sample by sample: every click starts at the sample nearest to its
 * exact time, so the error never adds up.
 */
public final class ClickTrack {
  public static final int SAMPLE_RATE = 44_100;

  private static final double CLICK_SECONDS = 0.03;
  private static final double LOUDEST = 0.5;

  private final double samplesPerClick;
  private final int beatsPerBar;
  private final int subdivision;
  private final int countIn;

  /**
   * A click without a count-in.
   *
   * @param beatsPerBar beats from one strong click to the next, at least 1
   * @param subdivision clicks to a beat, 1 to 8
   */
  public ClickTrack(Tempo tempo, int beatsPerBar, int subdivision) {
    this(tempo, beatsPerBar, subdivision, 0);
  }

  /**
   * A click with some beats counted in: they sound higher, one click each, so that the start is
   * heard.
   *
   * @param beatsPerBar beats from one strong click to the next, at least 1
   * @param subdivision clicks to a beat, 1 to 8
   * @param countIn beats counted in, 0 or more
   */
  public ClickTrack(Tempo tempo, int beatsPerBar, int subdivision, int countIn) {
    if (beatsPerBar < 1 || subdivision < 1 || subdivision > 8 || countIn < 0) {
      throw new IllegalArgumentException("click of " + beatsPerBar + " beats by " + subdivision);
    }
    this.samplesPerClick = SAMPLE_RATE * 60.0 / tempo.perMinute() / subdivision;
    this.beatsPerBar = beatsPerBar;
    this.subdivision = subdivision;
    this.countIn = countIn;
  }

  /** Whether the n-th click belongs to the count-in. */
  public boolean isCountIn(long n) {
    return n < (long) countIn * subdivision;
  }

  /** Sample at which the n-th click starts, counted from 0. */
  public long clickStart(long n) {
    return Math.round(n * samplesPerClick);
  }

  /**
   * How strong the n-th click is: 1 at the start of a bar, less on beats, least between them; in
   * the count-in the beats only.
   */
  public double strength(long n) {
    if (isCountIn(n)) {
      return n % subdivision == 0 ? 0.85 : 0;
    }
    if (n % subdivision != 0) {
      return 0.35;
    }
    return n / subdivision % beatsPerBar == 0 ? 1 : 0.7;
  }

  /** The beat that sounds at a sample, counted from 0. */
  public long beatAt(long sample) {
    long n = (long) Math.floor((sample + 0.5) / samplesPerClick);
    return n / subdivision;
  }

  /**
   * Fills a buffer with the stream from a sample on; values from -0.5 to 0.5.
   *
   * @param from first sample, 0 or more
   */
  public void render(long from, float[] into) {
    java.util.Arrays.fill(into, 0);
    int clickLength = (int) (CLICK_SECONDS * SAMPLE_RATE);
    long n = Math.max(0, (long) Math.floor((from - clickLength) / samplesPerClick));
    for (long start = clickStart(n); start < from + into.length; start = clickStart(++n)) {
      double strength = strength(n);
      double hertz = isCountIn(n) ? 2349 : strength == 1 ? 1760 : 1320;
      for (int i = (int) Math.max(0, from - start);
          i < clickLength && start + i < from + into.length;
          i++) {
        double t = i / (double) SAMPLE_RATE;
        double envelope = Math.exp(-t * 180);
        into[(int) (start + i - from)] +=
            (float)
                (LOUDEST * strength * envelope * Math.sin(2 * Math.PI * hertz * t + Math.PI / 2));
      }
    }
  }
}
