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

  private final List<Click> clicks;
  private final long[] starts;
  private final long length;

  /**
   * @param seconds how long the stream is; silence follows
   */
  public ClickTrack(List<Click> clicks, double seconds) {
    this.clicks = clicks.stream().sorted(Comparator.comparingDouble(Click::seconds)).toList();
    this.starts =
        this.clicks.stream().mapToLong(c -> Math.round(c.seconds() * SAMPLE_RATE)).toArray();
    this.length = Math.round(seconds * SAMPLE_RATE);
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
   * Fills a buffer with the stream from a sample on; values from -0.5 to 0.5.
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
