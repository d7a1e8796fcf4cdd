package fret.harmony;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * A chord of a stretch, weighed: by what it explains in each beat, by what of it is missing and by
 * its place in the key. All weights from memory.
 *
 * @param fit a beat, 1 for a chord that explains all
 * @param over whether the stretch's held note is left out
 */
record Reading(Chord chord, double fit, boolean over) {
  private static final double OUTSIDE = 1.1;
  private static final double NO_ROOT = 0.35;

  /** The key's leading note and fourth say the dominant seventh without its root. */
  private static final double NO_ROOT_TRITONE = 0.12;

  private static final double NO_THIRD = 0.4;
  private static final double NO_FIFTH = 0.08;

  /** In a line that never sounds a whole chord at once two notes are not enough. */
  private static final double NO_ROOT_THIN = 0.45;

  private static final double NO_THIRD_THIN = 0.55;
  private static final double NO_FIFTH_THIN = 0.3;

  private static final double SEVENTH = 0.08;

  /** In a line the seventh of a tonic is a note before the tonic more often than its own. */
  private static final double MAJOR_SEVENTH_THIN = 0.2;

  /** Of a beat with a whole triad in which root or seventh of a seventh chord is not yet there. */
  private static final double SEVENTH_ELSEWHERE = 0.45;

  /** Where notes come one by one the seventh may come late. */
  private static final double SEVENTH_LATER = 0.2;

  private static final int DOMINANT_SEVENTH = 10;

  private static final double CHROMATIC = 0.12;
  private static final double MOST_HELD = 0.7;
  private static final double OVER_TONIC = 0.05;
  private static final double OVER_FIFTH = 0.12;

  private static final int KEPT = 6;

  /** What a degree of the key has for itself, from the tonic up in semitones. */
  private static final double[] DEGREES = {
    0.05, -0.05, 0.02, -0.05, -0.04, 0.03, -0.05, 0.05, -0.04, 0.02, -0.05, 0
  };

  private static final List<Chord> ALL = chords();

  /** Semitones of each kind above its root. */
  private static final int[][] MEMBERS =
      Arrays.stream(Quality.values())
          .map(q -> q.members().stream().mapToInt(Integer::intValue).toArray())
          .toArray(int[][]::new);

  private static int[] members(Chord chord) {
    return MEMBERS[chord.quality().ordinal()];
  }

  private static int bits(Chord chord) {
    int all = 0;
    for (int m : members(chord)) {
      all |= Stretch.bit(chord.root() + m);
    }
    return all;
  }

  private static List<Chord> chords() {
    List<Chord> all = new ArrayList<>();
    for (Quality q : Quality.values()) {
      for (int root = 0; root < 12; root++) {
        all.add(new Chord(root, q));
      }
    }
    return all;
  }

  /** All chords as readings of a stretch, the best first. */
  static List<Reading> all(Stretch s) {
    List<Reading> all = new ArrayList<>(ALL.size());
    for (Chord c : ALL) {
      all.add(of(s, c));
    }
    all.sort(Comparator.comparingDouble(Reading::fit).reversed());
    return all;
  }

  /** The few best ones; what lies far behind never comes first. */
  static List<Reading> best(Stretch s) {
    List<Reading> best = new ArrayList<>(KEPT + 1);
    for (Chord c : ALL) {
      if (best.size() == KEPT && (bits(c) & s.heard()) == 0) {
        continue; // None of it is heard.
      }
      Reading r = of(s, c);
      int at = best.size();
      while (at > 0 && best.get(at - 1).fit() < r.fit()) {
        at--;
      }
      if (at < KEPT) {
        best.add(at, r);
        if (best.size() > KEPT) {
          best.remove(KEPT);
        }
      }
    }
    return best;
  }

  private static Reading of(Stretch s, Chord c) {
    double fit = weighed(s, c, -1);
    if (!isOver(s, c)) {
      return new Reading(c, fit, false);
    }
    double price = s.pedal() == s.key().tonic() ? OVER_TONIC : OVER_FIFTH;
    double without = weighed(s, c, s.pedal()) - price;
    return new Reading(c, Math.max(fit, without), without > fit);
  }

  /** Whether a chord can stand over the held note: it is neither of it nor its seventh. */
  private static boolean isOver(Stretch s, Chord chord) {
    return s.pedal() >= 0
        && (bits(chord) & Stretch.bit(s.pedal())) == 0
        && Math.floorMod(s.pedal() - chord.root(), 12) != 10
        && s.shares()[s.pedal()] < MOST_HELD * s.size();
  }

  /**
   * How well a chord explains a stretch, in each of its beats, 1 for all of it.
   *
   * @param without a pitch class that is left out; -1 for none
   */
  private static double weighed(Stretch s, Chord chord, int without) {
    int bits = bits(chord);
    double total = s.size() - (without < 0 ? 0 : s.shares()[without]);
    double inside = 0;
    for (int p = 0; p < 12; p++) {
      inside += (bits & 1 << p) != 0 && p != without ? s.shares()[p] : 0;
    }
    double fit = ((1 + OUTSIDE) * inside - OUTSIDE * total) / total;
    int[] members = members(chord);
    boolean tritone = hasTritone(s, chord);
    double fifth = s.full() || tritone ? NO_FIFTH : NO_FIFTH_THIN;
    double root = tritone ? NO_ROOT_TRITONE : s.full() ? NO_ROOT : NO_ROOT_THIN;
    fit -= s.hears(chord.root()) ? 0 : root;
    boolean known = s.full() || isDominantSeventh(s, chord);
    fit -= s.hears(chord.root() + members[1]) ? 0 : known ? NO_THIRD : NO_THIRD_THIN;
    fit -= s.hears(chord.root() + members[2]) ? 0 : fifth;
    if (members.length > 3) {
      fit -= seventh(s, chord);
    }
    for (int m : members) {
      fit -= s.key().has(chord.root() + m) ? 0 : CHROMATIC;
    }
    boolean even = chord.quality() == Quality.DIMINISHED_SEVENTH; // any of its notes is its root
    return fit + (even ? 0 : DEGREES[Math.floorMod(chord.root() - s.key().tonic(), 12)]);
  }

  private static boolean isDominantSeventh(Stretch s, Chord chord) {
    return chord.quality() == Quality.DOMINANT_SEVENTH
        && Math.floorMod(chord.root() - s.key().tonic(), 12) == 7;
  }

  private static boolean hasTritone(Stretch s, Chord chord) {
    return isDominantSeventh(s, chord)
        && s.hears(chord.root() + 4)
        && s.hearsSeventh(chord.root() + 10);
  }

  /** What a seventh costs: all where it is not there, some in beats that have their own triad. */
  private static double seventh(Stretch s, Chord chord) {
    int[] members = members(chord);
    int seventh = (chord.root() + members[3]) % 12;
    if (!s.hearsSeventh(seventh)) {
      return 1;
    }
    if (chord.quality() == Quality.DIMINISHED_SEVENTH) {
      return SEVENTH; // each of its triads is as good
    }
    int upper = 0;
    int lower = 0;
    for (int i = 0; i < 4; i++) {
      int bit = Stretch.bit(chord.root() + members[i]);
      upper |= i > 0 ? bit : 0;
      lower |= i < 3 ? bit : 0;
    }
    double elsewhere = 0;
    for (int sounding : s.triads()) {
      boolean other = (sounding & upper) == upper && (sounding & 1 << chord.root()) == 0;
      boolean plain = (sounding & lower) == lower && (sounding & 1 << seventh) == 0;
      double later = s.full() ? SEVENTH_ELSEWHERE : SEVENTH_LATER;
      elsewhere += other ? SEVENTH_ELSEWHERE : plain ? later : 0;
    }
    double kind = chord.quality() == Quality.DOMINANT_SEVENTH ? 0.5 : 1;
    boolean late = chord.quality() == Quality.MAJOR_SEVENTH && !s.full();
    return (late ? MAJOR_SEVENTH_THIN : SEVENTH * kind) + (s.size() > 1 ? elsewhere / s.size() : 0);
  }

  /** Two notes of a line may be of several chords. */
  private static final int LEAST_MEMBERS = 3;

  /** So many notes that go to and fro between two are a broken chord. */
  private static final int FIGURE = 5;

  /** Whether a line gives so much of a chord that no other is meant. */
  boolean isSpelledOut(Stretch s) {
    List<Integer> members = chord.quality().members();
    long triad = members.stream().limit(3).filter(m -> s.hears(chord.root() + m)).count();
    boolean seventh = members.size() > 3 && s.hearsSeventh(chord.root() + members.get(3));
    boolean third = s.hears(chord.root()) && s.hears(chord.root() + members.get(1));
    int struck = s.beats().stream().mapToInt(Beat::struck).sum();
    return triad + (seventh ? 1 : 0) >= LEAST_MEMBERS
        || third && struck >= FIGURE
        || hasTritone(s, chord);
  }

  /** Whether it is a dominant seventh, there in each of its beats. */
  boolean hasSeventhThroughout(Stretch s) {
    int seventh = Stretch.bit(chord.root() + DOMINANT_SEVENTH);
    return chord.quality() == Quality.DOMINANT_SEVENTH
        && Arrays.stream(s.triads()).allMatch(sounding -> (sounding & seventh) != 0);
  }

  /** Whether another says nearly the same: one root, one third. */
  boolean isRelated(Reading other) {
    boolean minor = chord.quality().isMinor();
    return chord.root() == other.chord.root() && minor == other.chord.quality().isMinor();
  }
}
