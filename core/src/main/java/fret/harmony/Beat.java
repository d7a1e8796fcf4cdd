package fret.harmony;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What sounds in a felt beat.
 *
 * @param bar index of its bar
 * @param weights of each pitch class by length, the lowest note more, passing notes little
 * @param total of them, above 0
 * @param firm pitch classes of notes that are more than passing, as bits
 * @param struck how many such notes begin in it
 * @param said share of what sounds that is more than passing
 * @param lowest key number of the lowest note
 * @param together most pitch classes that sound at once
 */
record Beat(
    int bar,
    Fraction onset,
    double[] weights,
    double total,
    int firm,
    int struck,
    double said,
    int lowest,
    int together) {
  /** A note that is reached and left by step weighs so little. */
  private static final double PASSING = 0.3;

  private static final double BASS = 1.3;

  /** So many notes that start together are a chord, and no line of its own. */
  private static final int CHORD = 3;

  private static final int NEAR = 12;
  private static final Fraction LONGEST_PASSING = Fraction.of(1, 2);

  /** Whether a whole chord stands in it at once. */
  boolean isFull() {
    return together >= CHORD;
  }

  /**
   * The beats of each bar in which something sounds.
   *
   * @param notes in order of time
   */
  static List<List<Beat>> of(Score score, List<HarmonyNote> notes) {
    Reader reader = new Reader(notes);
    return score.bars().stream().map(reader::beats).toList();
  }

  private static final class Reader {
    private final List<HarmonyNote> notes;

    /** Onsets and ends as places in the order of all times, so that they compare at once. */
    private final int[] begins;

    private final int[] ends;
    private final boolean[] passing;

    /** The first note that can sound in the bar at hand, for bars are looked at in order. */
    private int first;

    Reader(List<HarmonyNote> notes) {
      this.notes = notes;
      TreeMap<Fraction, Integer> times = new TreeMap<>();
      for (HarmonyNote n : notes) {
        times.put(n.onset(), 0);
        times.put(n.end(), 0);
      }
      int rank = 0;
      for (Map.Entry<Fraction, Integer> e : times.entrySet()) {
        e.setValue(rank++);
      }
      begins = notes.stream().mapToInt(n -> times.get(n.onset())).toArray();
      ends = notes.stream().mapToInt(n -> times.get(n.end())).toArray();
      passing = new boolean[notes.size()];
      for (int i = 0; i < passing.length; i++) {
        passing[i] = isPassing(i);
      }
    }

    List<Beat> beats(Bar bar) {
      while (first < notes.size() && notes.get(first).end().compareTo(bar.start()) <= 0) {
        first++;
      }
      List<Fraction> starts = new ArrayList<>();
      for (Fraction place : bar.time().groupStarts()) {
        Fraction onset = bar.start().add(place).subtract(bar.placeOf(bar.start()));
        if (onset.compareTo(bar.start()) >= 0 && onset.compareTo(bar.end()) < 0) {
          starts.add(onset);
        }
      }
      if (starts.isEmpty() || !starts.get(0).equals(bar.start())) {
        starts.add(0, bar.start());
      }
      List<Beat> beats = new ArrayList<>();
      for (int i = 0; i < starts.size(); i++) {
        Beat b =
            beat(bar.index(), starts.get(i), i + 1 < starts.size() ? starts.get(i + 1) : bar.end());
        if (b.total > 0) {
          beats.add(b);
        }
      }
      return beats;
    }

    private Beat beat(int bar, Fraction from, Fraction to) {
      List<Integer> here = new ArrayList<>();
      int lowest = Integer.MAX_VALUE;
      for (int i = first; i < notes.size() && notes.get(i).onset().compareTo(to) < 0; i++) {
        if (notes.get(i).end().compareTo(from) > 0) {
          here.add(i);
          lowest = Math.min(lowest, notes.get(i).midi());
        }
      }
      double[] weights = new double[12];
      double total = 0;
      double plain = 0;
      int firm = 0;
      int struck = 0;
      double length = to.subtract(from).doubleValue();
      for (int i : here) {
        HarmonyNote n = notes.get(i);
        Fraction start = n.onset().compareTo(from) > 0 ? n.onset() : from;
        Fraction end = n.end().compareTo(to) < 0 ? n.end() : to;
        double share = end.subtract(start).doubleValue() / length;
        boolean passes = passing[i];
        double weight = share * (passes ? PASSING : 1) * (n.midi() == lowest ? BASS : 1);
        weights[Math.floorMod(n.midi(), 12)] += weight;
        struck += passes || n.onset().compareTo(from) < 0 ? 0 : 1;
        firm |= passes ? 0 : 1 << Math.floorMod(n.midi(), 12);
        total += weight;
        plain += share;
      }
      double said = Math.min(1, total / Math.max(1e-9, plain));
      return new Beat(bar, from, weights, total, firm, struck, said, lowest, together(here));
    }

    private int together(List<Integer> here) {
      int most = 0;
      for (int i : here) {
        int sounding = 0;
        for (int k : here) {
          boolean with = begins[k] <= begins[i] && ends[k] > begins[i];
          sounding |= with ? 1 << Math.floorMod(notes.get(k).midi(), 12) : 0;
        }
        most = Math.max(most, Integer.bitCount(sounding));
      }
      return most;
    }

    /** Whether a note of a line is reached and left by step: passing or neighbour. */
    private boolean isPassing(int i) {
      HarmonyNote n = notes.get(i);
      boolean into = false;
      boolean out = false;
      int with = 0;
      for (int k = Math.max(0, i - NEAR); k < Math.min(notes.size(), i + NEAR + 1); k++) {
        HarmonyNote other = notes.get(k);
        boolean near = n.isStepFrom(other);
        into |= near && ends[k] == begins[i];
        out |= near && begins[k] == ends[i];
        with += begins[k] == begins[i] ? 1 : 0;
      }
      return into && out && with < CHORD && n.duration().compareTo(LONGEST_PASSING) <= 0;
    }
  }
}
