package fret.take;

import fret.search.Token;
import fret.take.Expected.Moment;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Follows a recording through the expected moments: the cheapest way, frame by frame, of staying on
 * a moment, going on, leaving one out, stopping, and taking it up again elsewhere. Each frame is
 * compared with what the moment would sound like; what sounds like nothing expected is left out.
 */
final class Follower {
  /** Between two frames, in s. */
  static final double HOP_S = 0.02;

  /**
   * A stretch of the recording.
   *
   * @param moment that sounds, or that sounded last before a silence; -1 before the first
   * @param sounds whether it is heard, or silence or something else
   * @param likeness of what is heard with what is expected, 0 to 1
   */
  record Stretch(int moment, boolean sounds, double from, double to, double likeness) {}

  private static final double HIGHEST_HZ = 5000;
  private static final int MOST_PARTIALS = 12;
  private static final double SILENT_UNDER_LOUD_DB = 34;
  private static final double NOTHING = 1e-5;
  private static final double SMOOTH_HZ = 180;

  private final List<Moment> moments;
  private final Spectra spectra;
  private final int frames;
  private final double[] level;
  private final double silent;
  private final int[] soundOf;
  private final List<Template> templates = new ArrayList<>();
  private final boolean[] startsBar;

  /** What a set of tones looks like in a spectrum. */
  private record Template(int[] bins, float[] weights) {}

  /**
   * @param tunedCents of the whole recording from what is expected
   */
  Follower(Recording recording, Expected expected, double tunedCents) {
    this.moments = expected.moments();
    int window = expected.lowestHertz() >= 150 ? 1024 : 2048;
    this.spectra = new Spectra(recording, window, window);
    this.frames = (int) (recording.seconds() / HOP_S);
    this.level = levels(recording);
    this.silent = silentBelow(level);
    this.soundOf = new int[moments.size()];
    this.startsBar = new boolean[moments.size()];
    Map<List<Double>, Integer> known = new HashMap<>();
    for (int i = 0; i < moments.size(); i++) {
      List<Double> hertz = moments.get(i).middles();
      soundOf[i] =
          known.computeIfAbsent(
              hertz,
              h -> {
                templates.add(template(h, tunedCents));
                return templates.size() - 1;
              });
      startsBar[i] = i == 0 || moments.get(i).bar() != moments.get(i - 1).bar();
    }
  }

  private static double[] levels(Recording recording) {
    double[] level = new double[(int) (recording.seconds() / HOP_S)];
    for (int f = 0; f < level.length; f++) {
      level[f] = recording.level(f * HOP_S - HOP_S / 2, f * HOP_S + HOP_S / 2);
    }
    return level;
  }

  /** The level under which a recording is silent. */
  static double silentBelow(Recording recording) {
    return silentBelow(levels(recording));
  }

  /** The level under which a recording is silent: between its quiet and its loud frames. */
  private static double silentBelow(double[] level) {
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    if (sorted.length == 0) {
      return 0;
    }
    double loud = sorted[(int) (0.9 * (sorted.length - 1))];
    double quiet = sorted[(int) (0.02 * (sorted.length - 1))];
    double under = loud * Math.pow(10, -SILENT_UNDER_LOUD_DB / 20);
    return Math.max(NOTHING, Math.max(under, Math.min(3 * quiet, loud / 8)));
  }

  private Template template(List<Double> hertz, double tunedCents) {
    int bins = (int) Math.min(spectra.bins(), HIGHEST_HZ / spectra.binHertz());
    float[] all = new float[bins];
    for (double h : hertz) {
      double f = h * Math.pow(2, tunedCents / 1200);
      for (int k = 1; k <= MOST_PARTIALS && f * k < HIGHEST_HZ; k++) {
        double at = f * k / spectra.binHertz();
        double reach = spectra.lobe() * 0.75;
        for (int b = (int) Math.ceil(at - reach); b <= at + reach && b < bins; b++) {
          double by = Math.cos(Math.PI / 2 * (b - at) / reach);
          if (b > 0) {
            all[b] = (float) Math.max(all[b], by / Math.pow(k, 0.4));
          }
        }
      }
    }
    double norm = 0;
    int count = 0;
    for (float a : all) {
      norm += a * a;
      count += a > 0 ? 1 : 0;
    }
    int[] at = new int[count];
    float[] weights = new float[count];
    int n = 0;
    for (int b = 0; b < bins; b++) {
      if (all[b] > 0) {
        at[n] = b;
        weights[n++] = (float) (all[b] / Math.sqrt(norm));
      }
    }
    return new Template(at, weights);
  }

  // ---- what a frame sounds like ----------------------------------------------------------------

  private float[] features(int frame, float[] raw) {
    spectra.at((int) Math.round(frame * HOP_S * Recording.RATE), raw);
    int n = raw.length;
    float[] x = new float[n];
    double[] sums = new double[n + 1];
    for (int b = 0; b < n; b++) {
      x[b] = (float) Math.sqrt(raw[b]);
      sums[b + 1] = sums[b] + x[b];
    }
    int reach = (int) Math.max(2, SMOOTH_HZ / spectra.binHertz());
    float[] peaks = new float[n];
    double norm = 0;
    for (int b = 0; b < n; b++) {
      int from = Math.max(0, b - reach);
      int to = Math.min(n, b + reach + 1);
      double above = x[b] - 0.8 * (sums[to] - sums[from]) / (to - from);
      peaks[b] = (float) Math.max(0, above);
      norm += peaks[b] * peaks[b];
    }
    float by = norm <= 0 ? 0 : (float) (1 / Math.sqrt(norm));
    for (int b = 0; b < n; b++) {
      peaks[b] *= by;
    }
    return peaks;
  }

  private void liken(float[] peaks, double[] into) {
    for (int t = 0; t < into.length; t++) {
      Template template = templates.get(t);
      float sum = 0;
      for (int i = 0; i < template.bins.length; i++) {
        sum += template.weights[i] * peaks[template.bins[i]];
      }
      into[t] = sum;
    }
  }

  // ---- the way through -------------------------------------------------------------------------

  /** Everything in order of time. */
  List<Stretch> follow(Token token) {
    if (frames == 0) {
      return List.of();
    }
    boolean[] connected = new boolean[moments.size()];
    for (int i = 0; i < connected.length; i++) {
      connected[i] = moments.get(i).connected();
    }
    Way way = new Way(soundOf, connected, startsBar);
    double[] likeness = new double[templates.size()];
    float[] raw = new float[(int) Math.min(spectra.bins(), HIGHEST_HZ / spectra.binHertz())];
    float[][] kept = new float[frames][];
    for (int f = 0; f < frames; f++) {
      if ((f & 63) == 0) {
        token.check();
      }
      boolean isSilent = level[f] < silent;
      if (!isSilent) {
        liken(features(f, raw), likeness);
      }
      kept[f] = isSilent ? new float[0] : shortened(likeness);
      way.step(likeness, isSilent);
    }
    return stretches(way.path(), kept);
  }

  private static float[] shortened(double[] likeness) {
    float[] all = new float[likeness.length];
    for (int i = 0; i < all.length; i++) {
      all[i] = (float) likeness[i];
    }
    return all;
  }

  private List<Stretch> stretches(int[] path, float[][] kept) {
    Deque<Stretch> all = new ArrayDeque<>();
    int from = 0;
    for (int f = 1; f <= path.length; f++) {
      boolean ends = f == path.length || path[f] != path[f - 1];
      if (ends) {
        int state = path[f - 1];
        boolean sounds = state >= 0 && state % 2 == 0;
        double sum = 0;
        int heard = 0;
        for (int k = from; k < f && sounds; k++) {
          if (kept[k].length > 0) {
            sum += kept[k][soundOf[state / 2]];
            heard++;
          }
        }
        all.add(
            new Stretch(
                state < 0 ? -1 : state / 2,
                sounds,
                (from - 0.5) * HOP_S,
                (f - 0.5) * HOP_S,
                heard == 0 ? 0 : sum / heard));
        from = f;
      }
    }
    return List.copyOf(all);
  }
}
