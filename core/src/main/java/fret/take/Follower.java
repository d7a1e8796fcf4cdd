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

  private static final double WEIGHT = 14; // how much a frame's likeness counts against the ways
  private static final double SILENT_AS_SOUND = 0.22;
  private static final double SILENT_AS_GAP = 0.62;
  private static final double OTHER_AS_GAP = 0.30;
  private static final double ON = 0.5;
  private static final double TO_GAP = 4;
  private static final double TO_REST = 0.5;
  private static final double LEAVE_OUT = 14;
  private static final double TAKE_UP = 38;
  private static final double TAKE_UP_BAR = 26;
  private static final int SILENT_FRAMES = 8;
  private static final double HIGHEST_HZ = 5000;
  private static final int MOST_PARTIALS = 12;
  private static final double SILENT_UNDER_LOUD_DB = 34;
  private static final double SMOOTH_HZ = 180;

  // How a state was reached; three bits for sounding, one for the gap behind it.
  private static final int STAYED = 0;
  private static final int FROM_BEFORE = 1;
  private static final int FROM_GAP = 2;
  private static final int LEFT_OUT = 3;
  private static final int TAKEN_UP = 4;
  private static final int LEFT_OUT_FROM_GAP = 5;
  private static final int GAP_FROM_SOUND = 8;

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
    this.level = new double[frames];
    for (int f = 0; f < frames; f++) {
      level[f] = recording.level(f * HOP_S - HOP_S / 2, f * HOP_S + HOP_S / 2);
    }
    this.silent = silentBelow(level);
    this.soundOf = new int[moments.size()];
    this.startsBar = new boolean[moments.size()];
    Map<List<Double>, Integer> known = new HashMap<>();
    for (int i = 0; i < moments.size(); i++) {
      List<Double> hertz = moments.get(i).hertz();
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

  /** The level under which a recording is silent: between its quiet and its loud frames. */
  static double silentBelow(double[] level) {
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    if (sorted.length == 0) {
      return 0;
    }
    double loud = sorted[(int) (0.9 * (sorted.length - 1))];
    double quiet = sorted[(int) (0.02 * (sorted.length - 1))];
    double under = loud * Math.pow(10, -SILENT_UNDER_LOUD_DB / 20);
    return Math.max(under, Math.min(3 * quiet, loud / 8));
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
    int n = moments.size();
    byte[][] back = new byte[frames][];
    int[] bestGap = new int[frames];
    double[] sound = new double[n];
    double[] gap = new double[n];
    double before = 0; // the silence before the first note
    int silence = 0;
    int stopped = SILENT_FRAMES; // above 0 shortly after a silence
    Arrays.fill(sound, Double.NEGATIVE_INFINITY);
    Arrays.fill(gap, Double.NEGATIVE_INFINITY);
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
      double asGap = WEIGHT * (isSilent ? SILENT_AS_GAP : OTHER_AS_GAP);
      int fromGap = -1;
      double topGap = before;
      for (int i = 0; i < n; i++) {
        if (gap[i] > topGap) {
          topGap = gap[i];
          fromGap = i;
        }
      }
      bestGap[f] = fromGap;
      silence = isSilent ? silence + 1 : 0;
      stopped = silence >= SILENT_FRAMES ? SILENT_FRAMES : Math.max(0, stopped - 1);
      byte[] codes = new byte[n];
      double soundBefore2 = Double.NEGATIVE_INFINITY;
      double soundBefore = Double.NEGATIVE_INFINITY;
      double gapBefore = before;
      double gapBefore2 = Double.NEGATIVE_INFINITY;
      for (int i = 0; i < n; i++) {
        double stay = sound[i];
        double best = stay;
        int code = STAYED;
        if (soundBefore - ON > best) {
          best = soundBefore - ON;
          code = FROM_BEFORE;
        }
        if (gapBefore - ON > best) {
          best = gapBefore - ON;
          code = FROM_GAP;
        }
        if (soundBefore2 - LEAVE_OUT > best) {
          best = soundBefore2 - LEAVE_OUT;
          code = LEFT_OUT;
        }
        if (gapBefore2 - LEAVE_OUT > best) {
          best = gapBefore2 - LEAVE_OUT;
          code = LEFT_OUT_FROM_GAP;
        }
        // Nobody takes a passage up elsewhere without a stop.
        double up = topGap - (startsBar[i] ? TAKE_UP_BAR : TAKE_UP);
        if (stopped > 0 && up > best) {
          best = up;
          code = TAKEN_UP;
        }
        double rest = gap[i];
        double stops = stay - (moments.get(i).connected() ? TO_GAP : TO_REST);
        int gapCode = 0;
        if (stops > rest) {
          rest = stops;
          gapCode = GAP_FROM_SOUND;
        }
        double as = WEIGHT * (isSilent ? SILENT_AS_SOUND : likeness[soundOf[i]]);
        soundBefore2 = soundBefore;
        soundBefore = sound[i];
        gapBefore2 = gapBefore;
        gapBefore = gap[i];
        sound[i] = best + as;
        gap[i] = rest + asGap;
        codes[i] = (byte) (code | gapCode);
      }
      before += asGap;
      back[f] = codes;
    }
    return stretches(traced(back, bestGap, sound, gap, before), kept);
  }

  private static float[] shortened(double[] likeness) {
    float[] all = new float[likeness.length];
    for (int i = 0; i < all.length; i++) {
      all[i] = (float) likeness[i];
    }
    return all;
  }

  /** By frame: 2 i for moment i, 2 i + 1 for the gap behind it, -1 before the first. */
  private int[] traced(byte[][] back, int[] bestGap, double[] sound, double[] gap, double before) {
    int state = -1;
    double best = before;
    for (int i = 0; i < sound.length; i++) {
      if (sound[i] > best) {
        best = sound[i];
        state = 2 * i;
      }
      if (gap[i] > best) {
        best = gap[i];
        state = 2 * i + 1;
      }
    }
    int[] path = new int[frames];
    for (int f = frames - 1; f >= 0; f--) {
      path[f] = state;
      if (state < 0) {
        continue;
      }
      int i = state / 2;
      int code = back[f][i];
      if (state % 2 == 1) {
        state = (code & GAP_FROM_SOUND) != 0 ? 2 * i : state;
      } else {
        state =
            switch (code & 7) {
              case FROM_BEFORE -> 2 * (i - 1);
              case FROM_GAP -> i == 0 ? -1 : 2 * (i - 1) + 1;
              case LEFT_OUT -> 2 * (i - 2);
              case TAKEN_UP -> bestGap[f] < 0 ? -1 : 2 * bestGap[f] + 1;
              case LEFT_OUT_FROM_GAP -> i == 1 ? -1 : 2 * (i - 2) + 1;
              default -> state;
            };
      }
    }
    return path;
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
