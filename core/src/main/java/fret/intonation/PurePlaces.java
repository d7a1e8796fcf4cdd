package fret.intonation;

import fret.harmony.Key;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where notes stand when they are to be pure: each in the chain of fifths on A or a comma or two
 * beside, wherever it agrees with more of the open strings and with the key. A note that bears the
 * name of an open string stands with it; the comma goes where nothing rings. Weights from memory.
 */
final class PurePlaces {
  /** The leading note of a key with five sharps lies two beside: a third over a third. */
  private static final int[] COMMAS = {0, -1, 1, -2, 2};

  /** How much the tonic counts beside an open string, and the fifths on either side of it. */
  private static final double TONIC = 1.5;

  private static final double BESIDE_TONIC = 0.75;

  /** What sounds at the same time is heard before anything else. */
  private static final double TOGETHER = 3;

  private final OpenStrings strings;
  private final Optional<Key> key;
  private final boolean septimal;
  private final int tonicCommas;
  private final Map<Integer, Integer> found = new HashMap<>();

  /**
   * @param septimal whether tritones are 7:5
   */
  PurePlaces(OpenStrings strings, Optional<Key> key, boolean septimal) {
    this.strings = strings;
    this.key = key;
    this.septimal = septimal;
    this.tonicCommas = key.map(this::tonicCommas).orElse(0);
  }

  /** Cents from equal of a note that sounds alone. */
  double cents(Pitch pitch) {
    return open(pitch).orElseGet(() -> place(pitch, commas(pitch)));
  }

  /** Cents from equal of notes that sound at once, in their order. */
  List<Double> together(List<Pitch> pitches) {
    int[] best = new int[pitches.size()];
    search(pitches, new int[pitches.size()], 0, best, Double.NEGATIVE_INFINITY);
    List<Double> all = new ArrayList<>();
    for (int i = 0; i < best.length; i++) {
      Pitch p = pitches.get(i);
      int commas = best[i];
      all.add(open(p).orElseGet(() -> place(p, commas)));
    }
    for (int k = 1; septimal && k < all.size(); k++) {
      for (int i = 0; i < k; i++) {
        narrowed(pitches, i, k, all);
      }
    }
    return all;
  }

  /** The upper finger of a tritone goes where it is 7:5, the lower one where the upper is open. */
  private void narrowed(List<Pitch> pitches, int one, int other, List<Double> cents) {
    boolean rises = pitches.get(one).midi() <= pitches.get(other).midi();
    int low = rises ? one : other;
    int high = rises ? other : one;
    Interval interval = Interval.between(pitches.get(low), pitches.get(high));
    if (Math.floorMod(interval.semitones(), 12) != 6) {
      return;
    }
    Ratio.of(interval, true)
        .ifPresent(
            r -> {
              double wider = r.cents() - 100 * interval.semitones();
              if (open(pitches.get(high)).isEmpty()) {
                cents.set(high, cents.get(low) + wider);
              } else if (open(pitches.get(low)).isEmpty()) {
                cents.set(low, cents.get(high) - wider);
              }
            });
  }

  private static double place(Pitch pitch, int commas) {
    return OpenStrings.inChain(pitch) + commas * Ratio.COMMA.cents();
  }

  /** Where the open string of its name stands; empty without one. */
  private Optional<Double> open(Pitch pitch) {
    for (int s = 1; s <= strings.instrument().stringCount(); s++) {
      if (fifths(s) == OpenStrings.fifths(pitch)) {
        return Optional.of(strings.of(s));
      }
    }
    return Optional.empty();
  }

  private int fifths(int string) {
    return OpenStrings.fifths(strings.instrument().open(string));
  }

  /** The best of all ways to place notes that sound at once; few notes, five places each. */
  private double search(List<Pitch> pitches, int[] tried, int from, int[] best, double most) {
    if (from == tried.length) {
      double sum = sum(pitches, tried);
      if (sum > most) {
        System.arraycopy(tried, 0, best, 0, best.length);
      }
      return Math.max(sum, most);
    }
    double now = most;
    boolean fixed = open(pitches.get(from)).isPresent();
    for (int commas : COMMAS) {
      if (!fixed || commas == 0) {
        tried[from] = commas;
        now = search(pitches, tried, from + 1, best, now);
      }
    }
    return now;
  }

  private double sum(List<Pitch> pitches, int[] commas) {
    double sum = 0;
    for (int i = 0; i < commas.length; i++) {
      int own = OpenStrings.fifths(pitches.get(i));
      sum += score(own, commas[i]);
      for (int k = i + 1; k < commas.length; k++) {
        int apart = own - OpenStrings.fifths(pitches.get(k));
        sum += TOGETHER * agrees(apart, commas[i] - commas[k]);
      }
    }
    return sum;
  }

  private int commas(Pitch pitch) {
    return found.computeIfAbsent(
        OpenStrings.fifths(pitch),
        fifths -> {
          int best = 0;
          for (int commas : COMMAS) {
            best = score(fifths, commas) > score(fifths, best) ? commas : best;
          }
          return best;
        });
  }

  private double score(int fifths, int commas) {
    double sum = withStrings(fifths, commas);
    if (key.isPresent()) {
      int tonic = key.get().fifths();
      sum += TONIC * agrees(fifths - tonic, commas - tonicCommas);
      sum += BESIDE_TONIC * agrees(fifths - tonic - 1, commas - tonicCommas);
      sum += BESIDE_TONIC * agrees(fifths - tonic + 1, commas - tonicCommas);
    }
    return sum;
  }

  private double withStrings(int fifths, int commas) {
    double sum = 0;
    for (int s = 1; s <= strings.instrument().stringCount(); s++) {
      sum += agrees(fifths - fifths(s), commas);
    }
    return sum;
  }

  /**
   * The tonic stands where its own triad agrees most with the open strings: in the chain, or to the
   * side away from its third, which would else lie two commas off.
   */
  private int tonicCommas(Key of) {
    int beside = of.minor() ? -1 : 1;
    return triad(of, beside) > triad(of, 0) ? beside : 0;
  }

  private double triad(Key of, int commas) {
    int third = of.minor() ? -3 : 4;
    int lift = of.minor() ? 1 : -1;
    return withStrings(of.fifths(), commas)
        + withStrings(of.fifths() + 1, commas)
        + withStrings(of.fifths() + third, commas + lift);
  }

  /**
   * How much it is worth that two notes are pure with each other; 0 where they are not.
   *
   * @param fifths from the other to the one in the chain of fifths
   * @param commas by which the one lies further above the chain than the other
   */
  private static double agrees(int fifths, int commas) {
    int away = Math.abs(fifths);
    // A pure third or sixth lies a comma beside the chain, on the side of its lower accidental.
    int pure = away < 3 ? 0 : fifths > 0 ? -1 : 1;
    if (commas != pure) {
      return 0;
    }
    return switch (away) {
      case 0 -> 4;
      case 1 -> 2;
      case 3, 4 -> 1;
      case 2, 5 -> 0.3;
      case 6 -> 0.1;
      default -> 0;
    };
  }
}
