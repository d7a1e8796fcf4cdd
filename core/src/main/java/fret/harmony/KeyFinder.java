package fret.harmony;

import fret.score.Score;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Finds keys over bars by dynamic programming: each bar is weighed by its notes and by what its
 * chords are in a key; a change has its price and holds {@value #LEAST_BARS} bars or more. All
 * weights from memory.
 */
final class KeyFinder {
  /** A key holds so many bars; what is shorter is a turn within one. */
  private static final int LEAST_BARS = 4;

  private static final double CHANGE = 2.7;

  /** More for each fifth that the signatures lie apart beyond one. */
  private static final double FURTHER = 0.35;

  private static final double PRINTED = 0.12;
  private static final double HOME = 0.5;
  private static final double CHORDS = 0.9;
  private static final double CADENCE = 0.5;

  private static final double MOST_CERTAIN = 0.98;

  /** Weight of each degree in a key: tonic triad and leading note most (from memory). */
  private static final double[] IN_MAJOR = {
    3, -2, 1.6, -2, 2.2, 1.6, -1.6, 2.5, -2, 1.6, -1.6, 2.2
  };

  private static final double[] IN_MINOR = {
    3, -2, 1.6, 2.4, -2.2, 1.6, -1.6, 2.5, 1.7, -0.6, 0.4, 1.9
  };

  private final Score score;
  private final List<List<Beat>> bars;
  private final List<Key> keys;

  /** How well each bar suits each key. */
  private final double[][] suits;

  KeyFinder(Score score, List<List<Beat>> bars) {
    this.score = score;
    this.bars = bars;
    this.keys = allKeys();
    this.suits = new double[bars.size()][keys.size()];
  }

  List<Harmony.KeySpan> keys() {
    weigh();
    return spans(chosen());
  }

  // ---- what speaks for a key -------------------------------------------------------------------

  private void weigh() {
    Key printed = new Key(score.bars().get(0).key().fifths(), false);
    List<Harmony.ChordSpan> chords = ChordFinder.of(bars, b -> printed);
    for (int k = 0; k < keys.size(); k++) {
      Key key = keys.get(k);
      for (int b = 0; b < bars.size(); b++) {
        int signature = score.bars().get(b).key().fifths();
        suits[b][k] = notes(bars.get(b), key) + (key.signature() == signature ? PRINTED : 0);
      }
      chords(chords, key, k);
    }
  }

  /** Index of the first bar: an excerpt's is not 0. */
  private int first() {
    return score.bars().get(0).index();
  }

  private static double notes(List<Beat> beats, Key key) {
    double[] degrees = key.minor() ? IN_MINOR : IN_MAJOR;
    double sum = 0;
    double total = 1e-9;
    for (Beat beat : beats) {
      for (int p = 0; p < 12; p++) {
        sum += beat.weights()[p] * degrees[Math.floorMod(p - key.tonic(), 12)];
        total += beat.weights()[p];
      }
    }
    return sum / total;
  }

  private void chords(List<Harmony.ChordSpan> chords, Key key, int k) {
    double[] sum = new double[bars.size()];
    int[] count = new int[bars.size()];
    Chord before = null;
    for (Harmony.ChordSpan c : chords) {
      Chord chord = c.chord().orElse(null);
      if (chord != null) {
        int bar = c.bar() - first();
        sum[bar] += degree(chord, key);
        count[bar]++;
        suits[bar][k] += before != null && isCadence(before, chord, key) ? CADENCE : 0;
      }
      before = chord;
    }
    int first = -1;
    int last = -1;
    for (int b = 0; b < count.length; b++) {
      suits[b][k] += count[b] == 0 ? 0 : CHORDS * sum[b] / count[b];
      first = first < 0 && count[b] > 0 ? b : first;
      last = count[b] > 0 ? b : last;
    }
    // Pieces begin and end at home more often than elsewhere.
    if (first >= 0) {
      suits[first][k] += isTonic(chords, 1, key) ? HOME : 0;
      suits[last][k] += isTonic(chords, -1, key) ? HOME : 0;
    }
  }

  private static boolean isTonic(List<Harmony.ChordSpan> chords, int way, Key key) {
    List<Chord> named = chords.stream().flatMap(c -> c.chord().stream()).toList();
    return isTonic(named.get(way > 0 ? 0 : named.size() - 1), key);
  }

  private static boolean isTonic(Chord chord, Key key) {
    Quality triad = key.minor() ? Quality.MINOR : Quality.MAJOR;
    return chord.root() == key.tonic() && chord.quality() == triad;
  }

  private static boolean isCadence(Chord before, Chord chord, Key key) {
    boolean dominant =
        before.quality() == Quality.MAJOR || before.quality() == Quality.DOMINANT_SEVENTH;
    return isTonic(chord, key) && dominant && Math.floorMod(before.root() - key.tonic(), 12) == 7;
  }

  /** What a chord is to a key, 1 for its tonic. */
  private static double degree(Chord chord, Key key) {
    int above = Math.floorMod(chord.root() - key.tonic(), 12);
    boolean own = chord.quality().members().stream().allMatch(m -> key.has(chord.root() + m));
    boolean seventh = chord.quality() == Quality.DOMINANT_SEVENTH;
    if (!own || seventh && above != 7) {
      boolean ofDegree = seventh || chord.quality() == Quality.MAJOR;
      return ofDegree && key.has(chord.root() + 5) ? -0.3 : -0.9;
    }
    return switch (above) {
      case 0 -> 1;
      case 7 -> key.minor() && chord.quality().isMinor() ? 0.2 : seventh ? 1.2 : 0.9;
      case 5 -> 0.7;
      case 2 -> 0.6;
      case 9, 8 -> 0.5;
      case 11 -> 0.6;
      default -> 0.2;
    };
  }

  private List<Key> allKeys() {
    int written = score.bars().get(0).key().fifths();
    List<Key> all = new ArrayList<>();
    for (int f = -5; f <= 6; f++) {
      all.add(near(written, new Key(f, false)));
      all.add(near(written, new Key(f, true)));
    }
    return all;
  }

  /** Of equal keys that are spelled otherwise the one nearest to the printed signature. */
  private static Key near(int written, Key key) {
    Key best = key;
    for (int shift : new int[] {-12, 12}) {
      Key other = new Key(key.fifths() + shift, key.minor());
      boolean nearer = Math.abs(other.signature() - written) < Math.abs(best.signature() - written);
      best = nearer ? other : best;
    }
    return best;
  }

  // ---- the way through the bars ----------------------------------------------------------------

  private static double price(Key from, Key to) {
    int apart = Math.floorMod(to.signature() - from.signature(), 12);
    int fifths = Math.min(apart, 12 - apart);
    return CHANGE + FURTHER * Math.max(0, fifths - 1);
  }

  /** The key of each bar; a state is a key and how many bars it has held, up to the least. */
  private int[] chosen() {
    int n = bars.size();
    int least = Math.min(LEAST_BARS, n);
    double[][] best = new double[n][keys.size() * least];
    int[][] from = new int[n][keys.size() * least];
    for (double[] row : best) {
      Arrays.fill(row, Double.NEGATIVE_INFINITY);
    }
    for (int k = 0; k < keys.size(); k++) {
      best[0][k * least] = suits[0][k];
    }
    for (int b = 1; b < n; b++) {
      for (int k = 0; k < keys.size(); k++) {
        for (int held = 0; held < least; held++) {
          int state = k * least + held;
          offer(best, from, b, state, k * least + Math.min(held + 1, least - 1), k, 0);
          for (int other = 0; held == least - 1 && other < keys.size(); other++) {
            if (other != k) {
              double price = price(keys.get(k), keys.get(other));
              offer(best, from, b, state, other * least, other, price);
            }
          }
        }
      }
    }
    int last = least - 1;
    for (int k = 1; k < keys.size(); k++) {
      last = best[n - 1][k * least + least - 1] > best[n - 1][last] ? k * least + least - 1 : last;
    }
    int[] chosen = new int[n];
    for (int b = n - 1; b >= 0; b--) {
      chosen[b] = last / least;
      last = from[b][last];
    }
    return chosen;
  }

  private void offer(
      double[][] best, int[][] from, int bar, int state, int next, int key, double price) {
    double sum = best[bar - 1][state] + suits[bar][key] - price;
    if (sum > best[bar][next]) {
      best[bar][next] = sum;
      from[bar][next] = state;
    }
  }

  private List<Harmony.KeySpan> spans(int[] chosen) {
    List<Harmony.KeySpan> all = new ArrayList<>();
    for (int from = 0, b = 1; b <= chosen.length; b++) {
      if (b == chosen.length || chosen[b] != chosen[from]) {
        double confidence = confidence(from, b, chosen[from]);
        all.add(
            new Harmony.KeySpan(
                first() + from, first() + b - 1, keys.get(chosen[from]), confidence));
        from = b;
      }
    }
    return all;
  }

  /** From the mean of its bars and how far the next key stays behind. */
  private double confidence(int from, int to, int key) {
    double[] sums = new double[keys.size()];
    for (int b = from; b < to; b++) {
      for (int k = 0; k < sums.length; k++) {
        sums[k] += suits[b][k] / (to - from);
      }
    }
    double next = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < sums.length; k++) {
      next = k == key ? next : Math.max(next, sums[k]);
    }
    return Math.max(0, Math.min(MOST_CERTAIN, 0.5 + 0.4 * (sums[key] - next)));
  }
}
