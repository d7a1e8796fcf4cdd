package fret.harmony;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Finds chords and keys from sounding notes: what each beat holds, weighed by length, passing and
 * neighbour notes little, a held or repeated low note once with and once without; then the bars'
 * beats joined into as few chords as they bear, and keys by dynamic programming over the bars with
 * a price for a change. All weights from memory.
 */
public final class HarmonyFinder {
  /** A note that is reached and left by step weighs so little. */
  private static final double PASSING = 0.3;

  private static final double BASS = 1.3;
  private static final double OUTSIDE = 1.1;
  private static final double NO_ROOT = 0.35;
  private static final double NO_THIRD = 0.4;
  private static final double NO_FIFTH = 0.08;
  private static final double SEVENTH = 0.08;
  private static final double CHROMATIC = 0.12;

  /** What another chord within a bar must gain, as a share of the beat's weight. */
  private static final double CHANGE = 0.45;

  private static final double KEY_CHANGE = 2.2;
  private static final int LEAST_KEY_BARS = 4;

  /** Below this the notes leave it open. */
  private static final double CLEAR = 0.3;

  private final Score score;
  private final List<HarmonyNote> notes;
  private final Map<Integer, BarChords> asked;

  /** The first note that can sound in the bar at hand, for bars are looked at in order. */
  private int first;

  private HarmonyFinder(Score score, List<HarmonyNote> notes, Map<Integer, BarChords> asked) {
    this.score = score;
    this.notes = notes.stream().sorted(Comparator.comparing(HarmonyNote::onset)).toList();
    this.asked = asked;
  }

  /**
   * The harmony of a passage.
   *
   * @param notes of all parts that sound
   * @param asked chords that the player named, by index of the bar
   */
  public static Harmony of(Score score, List<HarmonyNote> notes, Map<Integer, BarChords> asked) {
    return notes.isEmpty() ? Harmony.NONE : new HarmonyFinder(score, notes, asked).find();
  }

  /** The weight of each pitch class in a window, and of all of them. */
  private record Window(int bar, Fraction onset, double[] weights, double total, double plain) {}

  private Harmony find() {
    List<List<Window>> bars = new ArrayList<>();
    List<double[]> weights = new ArrayList<>();
    for (Bar bar : score.bars()) {
      List<Window> beats = beats(bar);
      bars.add(beats);
      weights.add(sum(beats));
    }
    List<Harmony.KeySpan> keys = keys(weights);
    List<Harmony.ChordSpan> chords = new ArrayList<>();
    for (int b = 0; b < bars.size(); b++) {
      Key key = keyAt(keys, b);
      List<Harmony.ChordSpan> heard = bars.get(b).isEmpty() ? List.of() : chords(bars.get(b), key);
      chords.addAll(asked.containsKey(b) ? named(b, heard, asked.get(b)) : heard);
    }
    return new Harmony(keys, chords);
  }

  /** What is heard in a bar, with what the player named in its place. */
  private List<Harmony.ChordSpan> named(int bar, List<Harmony.ChordSpan> heard, BarChords own) {
    TreeMap<Fraction, Harmony.ChordSpan> all = new TreeMap<>();
    if (!own.whole()) {
      heard.forEach(c -> all.put(c.onset(), c));
    }
    Fraction start = score.bars().get(bar).start();
    own.at()
        .forEach(
            (place, chord) -> {
              Fraction onset = start.add(place);
              all.put(onset, new Harmony.ChordSpan(bar, onset, Optional.of(chord), 1, true));
            });
    return List.copyOf(all.values());
  }

  private static Key keyAt(List<Harmony.KeySpan> keys, int bar) {
    return keys.stream()
        .filter(k -> k.fromBar() <= bar && k.toBar() >= bar)
        .findFirst()
        .orElseThrow()
        .key();
  }

  // ---- beats -----------------------------------------------------------------------------------

  private List<Window> beats(Bar bar) {
    while (first < notes.size() && notes.get(first).end().compareTo(bar.start()) <= 0) {
      first++;
    }
    List<Fraction> starts = new ArrayList<>();
    for (Fraction place : bar.time().groupStarts()) {
      Fraction onset = bar.start().add(place);
      Fraction lead = bar.placeOf(bar.start());
      onset = onset.subtract(lead);
      if (onset.compareTo(bar.start()) >= 0 && onset.compareTo(bar.end()) < 0) {
        starts.add(onset);
      }
    }
    if (starts.isEmpty() || !starts.get(0).equals(bar.start())) {
      starts.add(0, bar.start());
    }
    List<Window> beats = new ArrayList<>();
    for (int i = 0; i < starts.size(); i++) {
      Fraction end = i + 1 < starts.size() ? starts.get(i + 1) : bar.end();
      Window w = window(bar.index(), starts.get(i), end);
      if (w.total > 0) {
        beats.add(w);
      }
    }
    return beats;
  }

  private Window window(int bar, Fraction from, Fraction to) {
    double[] weights = new double[12];
    double length = to.subtract(from).doubleValue();
    int lowest = Integer.MAX_VALUE;
    for (int i = first; i < notes.size() && notes.get(i).onset().compareTo(to) < 0; i++) {
      HarmonyNote n = notes.get(i);
      if (n.end().compareTo(from) > 0) {
        lowest = Math.min(lowest, n.midi());
      }
    }
    double total = 0;
    double plain = 0;
    for (int i = first; i < notes.size() && notes.get(i).onset().compareTo(to) < 0; i++) {
      HarmonyNote n = notes.get(i);
      if (n.end().compareTo(from) <= 0) {
        continue;
      }
      Fraction start = n.onset().compareTo(from) > 0 ? n.onset() : from;
      Fraction end = n.end().compareTo(to) < 0 ? n.end() : to;
      double share = end.subtract(start).doubleValue() / length;
      double weight = share * (isPassing(i) ? PASSING : 1) * (n.midi() == lowest ? BASS : 1);
      weights[Math.floorMod(n.midi(), 12)] += weight;
      total += weight;
      plain += share;
    }
    return new Window(bar, from, weights, total, plain);
  }

  /** Whether a note of a line is reached and left by step: passing or neighbour. */
  private boolean isPassing(int i) {
    HarmonyNote n = notes.get(i);
    boolean into = false;
    boolean out = false;
    for (int k = i - 1; k >= 0 && k >= i - 12; k--) {
      int step = Math.abs(notes.get(k).midi() - n.midi());
      into |= notes.get(k).end().equals(n.onset()) && step > 0 && step <= 2;
    }
    for (int k = i + 1; k < notes.size() && k <= i + 12; k++) {
      int step = Math.abs(notes.get(k).midi() - n.midi());
      out |= notes.get(k).onset().equals(n.end()) && step > 0 && step <= 2;
    }
    return into && out && n.duration().compareTo(Fraction.of(1, 4)) <= 0;
  }

  private static double[] sum(List<Window> beats) {
    double[] sum = new double[12];
    for (Window w : beats) {
      for (int p = 0; p < 12; p++) {
        sum[p] += w.weights[p];
      }
    }
    return sum;
  }

  // ---- chords ----------------------------------------------------------------------------------

  private static List<Chord> all() {
    List<Chord> all = new ArrayList<>();
    for (Quality q : Quality.values()) {
      for (int root = 0; root < 12; root++) {
        all.add(new Chord(root, q));
      }
    }
    return all;
  }

  private static final List<Chord> ALL = all();

  /** How well a chord explains weights, 1 for all of it. */
  private static double fit(double[] weights, double total, Chord chord, Key key) {
    double inside = 0;
    double outside = 0;
    for (int p = 0; p < 12; p++) {
      if (chord.has(p)) {
        inside += weights[p];
      } else {
        outside += weights[p];
      }
    }
    List<Integer> members = chord.quality().members();
    double fit = (inside - OUTSIDE * outside) / total;
    fit -= weights[chord.root()] == 0 ? NO_ROOT : 0;
    fit -= weights[Math.floorMod(chord.root() + members.get(1), 12)] == 0 ? NO_THIRD : 0;
    fit -= weights[Math.floorMod(chord.root() + members.get(2), 12)] == 0 ? NO_FIFTH : 0;
    if (chord.quality().isSeventh()) {
      boolean there = weights[Math.floorMod(chord.root() + members.get(3), 12)] > 0;
      fit -= there ? SEVENTH * (chord.quality() == Quality.DOMINANT_SEVENTH ? 0.5 : 1) : 1;
    }
    for (int m : members) {
      fit -= key.has(Math.floorMod(chord.root() + m, 12)) ? 0 : CHROMATIC;
    }
    return fit;
  }

  /** The best fit, also with the lowest held or repeated pitch class taken out. */
  private static double best(Window w, Chord chord, Key key) {
    double with = fit(w.weights, w.total, chord, key);
    int pedal = key.tonic();
    double weight = w.weights[pedal];
    boolean held = weight >= 0.2 * w.total && weight < 0.6 * w.total && !chord.has(pedal);
    if (!held) {
      return with;
    }
    double[] rest = w.weights.clone();
    rest[pedal] = 0;
    return Math.max(with, fit(rest, w.total - weight, chord, key) - 0.05);
  }

  /** Splits a bar into as few chords as it bears: dynamic programming over its beats. */
  private List<Harmony.ChordSpan> chords(List<Window> beats, Key key) {
    int n = beats.size();
    double[] best = new double[n + 1];
    int[] from = new int[n + 1];
    for (int end = 1; end <= n; end++) {
      best[end] = Double.NEGATIVE_INFINITY;
      for (int start = 0; start < end; start++) {
        Window w = joined(beats.subList(start, end));
        double here = best(w, likeliest(w, key), key) * (end - start);
        double sum = best[start] + here - (start > 0 ? CHANGE : 0);
        if (sum > best[end]) {
          best[end] = sum;
          from[end] = start;
        }
      }
    }
    List<Harmony.ChordSpan> spans = new ArrayList<>();
    for (int end = n; end > 0; end = from[end]) {
      Window w = joined(beats.subList(from[end], end));
      spans.add(0, span(w, likeliest(w, key), key, said(joined(beats))));
    }
    return merged(spans);
  }

  private static Chord likeliest(Window w, Key key) {
    Chord best = ALL.get(0);
    double most = Double.NEGATIVE_INFINITY;
    for (Chord c : ALL) {
      double here = best(w, c, key);
      if (here > most) {
        most = here;
        best = c;
      }
    }
    return best;
  }

  private static Window joined(List<Window> beats) {
    double total = 0;
    double plain = 0;
    for (Window w : beats) {
      total += w.total;
      plain += w.plain;
    }
    return new Window(beats.get(0).bar, beats.get(0).onset, sum(beats), total, plain);
  }

  /** Two readings that say the same of two beats are one. */
  private static List<Harmony.ChordSpan> merged(List<Harmony.ChordSpan> spans) {
    List<Harmony.ChordSpan> all = new ArrayList<>();
    for (Harmony.ChordSpan s : spans) {
      if (all.isEmpty() || !all.get(all.size() - 1).chord().equals(s.chord())) {
        all.add(s);
      }
    }
    return all;
  }

  private static Harmony.ChordSpan span(Window all, Chord chord, Key key, double ofBar) {
    double here = best(all, chord, key);
    double next = Double.NEGATIVE_INFINITY;
    for (Chord other : ALL) {
      boolean related =
          other.root() == chord.root() && other.quality().isMinor() == chord.quality().isMinor();
      next = related ? next : Math.max(next, best(all, other, key));
    }
    // A line that moves by step throughout says little, whatever fits it.
    double said = Math.min(ofBar, said(all));
    double gap = Math.max(0, here - next);
    double confidence = Math.max(0, Math.min(0.98, said * (0.2 + here * 0.35 + gap * 0.6)));
    boolean clear = here > 0.25 && confidence >= CLEAR && said > 0.55;
    return new Harmony.ChordSpan(
        all.bar,
        all.onset,
        clear ? Optional.of(chord) : Optional.empty(),
        clear ? confidence : Math.min(confidence, CLEAR),
        false);
  }

  /** The share of what sounds that is more than passing. */
  private static double said(Window w) {
    return Math.min(1, w.total / Math.max(1e-9, w.plain));
  }

  private static int argmax(double[] values) {
    int best = 0;
    for (int i = 1; i < values.length; i++) {
      best = values[i] > values[best] ? i : best;
    }
    return best;
  }

  // ---- keys ------------------------------------------------------------------------------------

  /** Weight of each degree in a key: tonic triad and leading note most (from memory). */
  private static final double[] IN_MAJOR = {
    3, -2, 1.6, -2, 2.2, 1.6, -1.6, 2.5, -2, 1.6, -1.6, 2.2
  };

  private static final double[] IN_MINOR = {
    3, -2, 1.6, 2.4, -2.2, 1.6, -1.6, 2.5, 1.7, -0.6, 0.4, 1.9
  };

  private static double suits(double[] weights, Key key) {
    double sum = 0;
    double total = 1e-9;
    for (int p = 0; p < 12; p++) {
      double[] degrees = key.minor() ? IN_MINOR : IN_MAJOR;
      sum += weights[p] * degrees[Math.floorMod(p - key.tonic(), 12)];
      total += weights[p];
    }
    return sum / total;
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

  private List<Harmony.KeySpan> keys(List<double[]> bars) {
    List<Key> keys = allKeys();
    int n = bars.size();
    double[][] best = new double[n][keys.size()];
    int[][] from = new int[n][keys.size()];
    for (int b = 0; b < n; b++) {
      int before = b == 0 ? -1 : argmax(best[b - 1]);
      int printed = score.bars().get(b).key().fifths();
      for (int k = 0; k < keys.size(); k++) {
        double here = suits(bars.get(b), keys.get(k));
        here += keys.get(k).signature() == printed ? 0.35 : 0;
        if (b == 0) {
          best[b][k] = here;
          continue;
        }
        boolean stays = best[b - 1][k] >= best[b - 1][before] - KEY_CHANGE;
        from[b][k] = stays ? k : before;
        best[b][k] = here + (stays ? best[b - 1][k] : best[b - 1][before] - KEY_CHANGE);
      }
    }
    int[] chosen = new int[n];
    chosen[n - 1] = argmax(best[n - 1]);
    for (int b = n - 1; b > 0; b--) {
      chosen[b - 1] = from[b][chosen[b]];
    }
    return spans(chosen, keys, bars);
  }

  private static List<Harmony.KeySpan> spans(int[] chosen, List<Key> keys, List<double[]> bars) {
    List<int[]> runs = new ArrayList<>();
    for (int b = 0; b < chosen.length; b++) {
      if (runs.isEmpty() || chosen[b] != runs.get(runs.size() - 1)[2]) {
        runs.add(new int[] {b, b, chosen[b]});
      } else {
        runs.get(runs.size() - 1)[1] = b;
      }
    }
    // A key holds four bars or more; what is shorter belongs to its neighbour.
    for (int i = 0; runs.size() > 1 && i < runs.size(); i++) {
      if (runs.get(i)[1] - runs.get(i)[0] + 1 < LEAST_KEY_BARS) {
        int[] short_ = runs.remove(i);
        int into = i > 0 ? i - 1 : 0;
        runs.get(into)[0] = Math.min(runs.get(into)[0], short_[0]);
        runs.get(into)[1] = Math.max(runs.get(into)[1], short_[1]);
        i = -1;
      }
    }
    List<Harmony.KeySpan> all = new ArrayList<>();
    for (int[] run : runs) {
      if (!all.isEmpty() && all.get(all.size() - 1).key().equals(keys.get(run[2]))) {
        Harmony.KeySpan last = all.remove(all.size() - 1);
        all.add(new Harmony.KeySpan(last.fromBar(), run[1], last.key(), last.confidence()));
        continue;
      }
      double[] sum = new double[12];
      for (int b = run[0]; b <= run[1]; b++) {
        for (int p = 0; p < 12; p++) {
          sum[p] += bars.get(b)[p];
        }
      }
      Map<Key, Double> suits = new HashMap<>();
      keys.forEach(k -> suits.put(k, suits(sum, k)));
      Key key = keys.get(run[2]);
      double next =
          suits.entrySet().stream()
              .filter(e -> !e.getKey().equals(key))
              .mapToDouble(Map.Entry::getValue)
              .max()
              .orElse(0);
      double confidence = Math.max(0, Math.min(1, 0.5 + (suits.get(key) - next)));
      all.add(new Harmony.KeySpan(run[0], run[1], key, confidence));
    }
    return all;
  }
}
