package fret.sound;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Renders clicks, sample by sample: every click starts at the sample nearest to its exact time, so
 * that the error never adds up.
 */
public final class ClickTrack {
  public static final int SAMPLE_RATE = 44_100;

  private static final double CLICK_SECONDS = 0.03;
  private static final double LOUDEST = 0.5;

  /** How loud music is beside the click, which it must not cover. */
  private static final float MUSIC = 0.5f;

  private final List<Click> clicks;
  private final long[] starts;
  private final long length;
  private final float[] music;
  private final long[] musicStarts;

  /**
   * @param seconds how long the stream is; silence follows
   */
  public ClickTrack(List<Click> clicks, double seconds) {
    this(clicks, Math.round(seconds * SAMPLE_RATE), new float[0], new long[0]);
  }

  private ClickTrack(List<Click> clicks, long length, float[] music, long[] musicStarts) {
    this.music = music;
    this.musicStarts = musicStarts;
    this.clicks = clicks.stream().sorted(Comparator.comparingDouble(Click::seconds)).toList();
    this.starts =
        this.clicks.stream().mapToLong(c -> Math.round(c.seconds() * SAMPLE_RATE)).toArray();
    this.length = length;
  }

  /**
   * The same with music under it.
   *
   * @param samples of it
   * @param seconds at which it begins, as often as it is played
   */
  public ClickTrack over(float[] samples, List<Double> seconds) {
    long[] from = seconds.stream().mapToLong(s -> Math.round(s * SAMPLE_RATE)).toArray();
    return new ClickTrack(clicks, length, samples, from);
  }

  /** All of it. */
  public float[] samples() {
    float[] all = new float[(int) Math.min(Integer.MAX_VALUE - 8, length)];
    render(0, all);
    return all;
  }

  /** In order of time. */
  public List<Click> clicks() {
    return clicks;
  }

  /** Sample at which a click starts, counted from 0. */
  public long start(int click) {
    return starts[click];
  }

  /** Samples until the stream is over. */
  public long length() {
    return length;
  }

  /** The last click that has started by a sample; -1 before the first. */
  public int at(long sample) {
    int found = Arrays.binarySearch(starts, sample);
    int at = found >= 0 ? found : -found - 2;
    while (at + 1 < starts.length && starts[at + 1] == sample) {
      at++;
    }
    return at;
  }

  /**
   * Fills a buffer with the stream from a sample on; values from -1 to 1.
   *
   * @param from first sample, 0 or more
   */
  public void render(long from, float[] into) {
    Arrays.fill(into, 0);
    int clickLength = (int) (CLICK_SECONDS * SAMPLE_RATE);
    for (int n = Math.max(0, at(from - clickLength));
        n < starts.length && starts[n] < from + into.length;
        n++) {
      Click.Strength strength = clicks.get(n).strength();
      if (strength.gain() > 0) {
        add(starts[n], strength, clickLength, from, into);
      }
    }
    addMusic(from, into);
  }

  private void addMusic(long from, float[] into) {
    for (long start : musicStarts) {
      int begin = (int) Math.max(0, start - from);
      int end = (int) Math.min(into.length, start + music.length - from);
      for (int i = begin; i < end; i++) {
        into[i] += MUSIC * music[(int) (from + i - start)];
      }
    }
  }

  private static void add(
      long start, Click.Strength strength, int clickLength, long from, float[] into) {
    for (int i = (int) Math.max(0, from - start);
        i < clickLength && start + i < from + into.length;
        i++) {
      double t = i / (double) SAMPLE_RATE;
      double envelope = Math.exp(-t * 180);
      double wave = Math.sin(2 * Math.PI * strength.hertz() * t + Math.PI / 2);
      into[(int) (start + i - from)] += (float) (LOUDEST * strength.gain() * envelope * wave);
    }
  }
}
