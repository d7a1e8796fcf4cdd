package fret.harmony;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;

/**
 * Splits bars into as few chords as they bear: dynamic programming over the beats of a passage, in
 * which a chord is weighed by what it explains, by its place in the key and by the chord before.
 * All weights from memory.
 */
final class ChordFinder {
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

  private static final double CHROMATIC = 0.12;
  private static final double MOST_HELD = 0.7;
  private static final double OVER_TONIC = 0.05;
  private static final double OVER_FIFTH = 0.12;

  /** What another chord within a bar must gain, in beats. */
  private static final double CHANGE = 0.22;

  private static final double CHANGE_THIN = 0.45;

  /** The seventh comes to a chord that stands. */
  private static final double ADDED = 0.22;

  private static final double RESOLVES = 0.1;
  private static final double FIFTH_DOWN = 0.04;
  private static final double GOES_ON = 0.08;

  /** A member of a chord that is hardly there is not there. */
  private static final double THERE = 0.04;

  private static final double THERE_BY_STEP = 0.06;

  private static final int KEPT = 6;

  /** What a degree of the key has for itself, from the tonic up in semitones. */
  private static final double[] DEGREES = {
    0.05, -0.05, 0.02, -0.05, -0.04, 0.03, -0.05, 0.05, -0.04, 0.02, -0.05, 0
  };

  private static final List<Chord> ALL = all();

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
      all |= bit(chord.root() + m);
    }
    return all;
  }

  private final IntFunction<Key> keys;

  /** Whether most beats hold whole chords: then a bare one is a chord too, and no line. */
  private boolean chordal;

  ChordFinder(IntFunction<Key> keys) {
    this.keys = keys;
  }

  private static List<Chord> all() {
    List<Chord> all = new ArrayList<>();
    for (Quality q : Quality.values()) {
      for (int root = 0; root < 12; root++) {
        all.add(new Chord(root, q));
      }
    }
    return all;
  }

  /**
   * Beats under one chord.
   *
   * @param shares of each pitch class, summed over its beats, in each of which they make 1
   * @param triads for each beat what sounds in it at least a little, as bits of pitch classes
   * @param heard pitch classes that count, as bits: a line by step goes through every note, there
   *     only those at which it stops or leaps
   * @param sevenths those that count as a seventh, which goes by step wherever it is, if it lasts
   * @param pedal a held lowest note that is the key's tonic or its fifth; -1 for none
   */
  private record Stretch(
      List<Beat> beats,
      double[] shares,
      int[] triads,
      int heard,
      int sevenths,
      int pedal,
      boolean full,
      Key key) {
    int size() {
      return beats.size();
    }

    /** The share of what sounds that is more than passing. */
    double said() {
      return beats.stream().mapToDouble(Beat::said).average().orElse(0);
    }

    boolean hears(int pitchClass) {
      return (heard & bit(pitchClass)) != 0;
    }

    boolean hearsSeventh(int pitchClass) {
      return (sevenths & bit(pitchClass)) != 0;
    }
  }

  private static int bit(int pitchClass) {
    return 1 << pitchClass % 12;
  }

  /**
   * A chord of a stretch that is weighed.
   *
   * @param fit a beat, 1 for a chord that explains all
   */
  private record Reading(Chord chord, double fit, boolean over) {}

  /** The best way up to a place that ends with a chord. */
  private record Way(Reading last, Stretch stretch, double sum, Optional<Way> before) {}

  /** The chords of all bars, in order. */
  List<Harmony.ChordSpan> of(List<List<Beat>> bars) {
    List<Beat> beats = bars.stream().flatMap(List::stream).toList();
    chordal = 2 * beats.stream().filter(Beat::isFull).count() > beats.size();
    List<Way> ways = List.of();
    for (int b = 0; b < bars.size(); b++) {
      if (!bars.get(b).isEmpty()) {
        ways = through(bars, b, ways);
      }
    }
    List<Harmony.ChordSpan> all = new ArrayList<>();
    Optional<Way> way = ways.stream().max(Comparator.comparingDouble(Way::sum));
    while (way.isPresent()) {
      all.add(0, span(way.get()));
      way = way.get().before();
    }
    return merged(all);
  }

  /** The best ways to the end of a bar, one for each of its last chords. */
  private List<Way> through(List<List<Beat>> bars, int bar, List<Way> before) {
    List<Beat> beats = bars.get(bar);
    List<List<Way>> to = new ArrayList<>();
    to.add(before);
    for (int end = 1; end <= beats.size(); end++) {
      List<Way> here = new ArrayList<>();
      for (int start = 0; start < end; start++) {
        Stretch s = stretch(bars, bar, start, end);
        for (Reading r : best(s)) {
          here.add(after(to.get(start), r, s, start > 0));
        }
      }
      here.sort(Comparator.comparingDouble(Way::sum).reversed());
      to.add(List.copyOf(here.subList(0, Math.min(2 * KEPT, here.size()))));
    }
    return to.get(beats.size());
  }

  private static Way after(List<Way> before, Reading r, Stretch s, boolean within) {
    double own = r.fit() * s.size();
    Optional<Way> best = Optional.empty();
    double most = before.isEmpty() ? own : Double.NEGATIVE_INFINITY;
    for (Way w : before) {
      double sum = w.sum() + own + joins(w, r, s, within);
      if (sum > most) {
        most = sum;
        best = Optional.of(w);
      }
    }
    return new Way(r, s, most, best);
  }

  /** What speaks for a chord after another. */
  private static double joins(Way before, Reading r, Stretch s, boolean within) {
    Chord a = before.last().chord();
    Chord b = r.chord();
    boolean same = a.root() == b.root() && a.quality().isMinor() == b.quality().isMinor();
    boolean added = same && a.quality() == Quality.MAJOR && b.quality() == Quality.DOMINANT_SEVENTH;
    double change = added ? ADDED : s.full() ? CHANGE : CHANGE_THIN;
    double sum = within ? -change : same ? GOES_ON : 0;
    boolean down = Math.floorMod(a.root() - b.root(), 12) == 7;
    boolean dominant = a.quality() == Quality.MAJOR || a.quality() == Quality.DOMINANT_SEVENTH;
    boolean leads =
        (a.quality() == Quality.DIMINISHED || a.quality() == Quality.DIMINISHED_SEVENTH)
            && Math.floorMod(b.root() - a.root(), 12) == 1;
    boolean home = b.root() == s.key().tonic();
    return sum + (down && dominant && home || leads ? RESOLVES : down ? FIFTH_DOWN : 0);
  }

  private Stretch stretch(List<List<Beat>> bars, int bar, int start, int end) {
    List<Beat> beats = bars.get(bar).subList(start, end);
    double[] shares = new double[12];
    int[] triads = new int[beats.size()];
    int lowest = Integer.MAX_VALUE;
    boolean full = chordal || beats.stream().anyMatch(Beat::isFull);
    for (int i = 0; i < beats.size(); i++) {
      Beat b = beats.get(i);
      for (int p = 0; p < 12; p++) {
        shares[p] += b.weights()[p] / b.total();
        triads[i] |= b.weights()[p] > THERE * b.total() ? 1 << p : 0;
      }
      lowest = Math.min(lowest, b.lowest());
    }
    int heard = 0;
    int sevenths = 0;
    for (int p = 0; p < 12; p++) {
      heard |= full && shares[p] >= THERE * beats.size() ? bit(p) : 0;
      sevenths |= shares[p] >= (full ? THERE : THERE_BY_STEP) * beats.size() ? bit(p) : 0;
    }
    for (Beat b : beats) {
      heard |= full ? 0 : b.firm();
    }
    Key key = keys.apply(bar);
    int pedal = pedal(bars, bar, start, end, lowest, key);
    return new Stretch(beats, shares, triads, heard, sevenths, pedal, full, key);
  }

  /** A lowest note that stands before or after it too, and is the tonic or its fifth. */
  private static int pedal(
      List<List<Beat>> bars, int bar, int start, int end, int lowest, Key key) {
    int name = Math.floorMod(lowest, 12);
    if (name != key.tonic() && name != Math.floorMod(key.tonic() + 7, 12)) {
      return -1;
    }
    List<Beat> here = bars.get(bar);
    boolean before = start > 0 && here.get(start - 1).lowest() == lowest;
    before |= start <= 1 && isLowest(bars, bar - 1, lowest);
    boolean after = end < here.size() && here.get(end).lowest() == lowest;
    after |= end >= here.size() - 1 && isLowest(bars, bar + 1, lowest);
    long times = here.subList(start, end).stream().filter(b -> b.lowest() == lowest).count();
    boolean held = times > 1 ? before || after : before && after;
    return held ? name : -1;
  }

  private static boolean isLowest(List<List<Beat>> bars, int bar, int lowest) {
    return bar >= 0
        && bar < bars.size()
        && bars.get(bar).stream().mapToInt(Beat::lowest).min().orElse(-1) == lowest;
  }

  // ---- readings --------------------------------------------------------------------------------

  /** All chords as readings of a stretch, the best first. */
  private static List<Reading> readings(Stretch s) {
    List<Reading> all = new ArrayList<>(ALL.size());
    for (Chord c : ALL) {
      all.add(reading(s, c));
    }
    all.sort(Comparator.comparingDouble(Reading::fit).reversed());
    return all;
  }

  /** The few best ones; what lies far behind never comes first. */
  private static List<Reading> best(Stretch s) {
    List<Reading> best = new ArrayList<>(KEPT + 1);
    for (Chord c : ALL) {
      if (best.size() == KEPT && (bits(c) & s.heard()) == 0) {
        continue; // None of it is heard.
      }
      Reading r = reading(s, c);
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

  private static Reading reading(Stretch s, Chord c) {
    double fit = fit(s, c, -1);
    if (!isOver(s, c)) {
      return new Reading(c, fit, false);
    }
    double price = s.pedal() == s.key().tonic() ? OVER_TONIC : OVER_FIFTH;
    double without = fit(s, c, s.pedal()) - price;
    return new Reading(c, Math.max(fit, without), without > fit);
  }

  /** Whether a chord can stand over the held note: it is neither of it nor its seventh. */
  private static boolean isOver(Stretch s, Chord chord) {
    return s.pedal() >= 0
        && (bits(chord) & bit(s.pedal())) == 0
        && Math.floorMod(s.pedal() - chord.root(), 12) != 10
        && s.shares()[s.pedal()] < MOST_HELD * s.size();
  }

  /**
   * How well a chord explains a stretch, in each of its beats, 1 for all of it.
   *
   * @param without a pitch class that is left out; -1 for none
   */
  private static double fit(Stretch s, Chord chord, int without) {
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
      int bit = bit(chord.root() + members[i]);
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

  // ---- what is told ----------------------------------------------------------------------------

  /** Below this the notes leave it open. */
  private static final double CLEAR = 0.3;

  private static final double LEAST_FIT = 0.25;
  private static final double LEAST_FIT_THIN = 0.5;

  /** Two notes of a line may be of several chords. */
  private static final int LEAST_MEMBERS = 3;

  /** So many notes that go to and fro between two are a broken chord. */
  private static final int FIGURE = 5;

  private static final double LEAST_SAID = 0.55;

  /** Another chord that fits so nearly as well is a second reading, and nothing is certain. */
  private static final double DOUBT = 0.12;

  private static final double IN_DOUBT = 0.5;

  private static Harmony.ChordSpan span(Way way) {
    Stretch s = way.stretch();
    Reading best = way.last();
    Reading next =
        readings(s).stream()
            .filter(r -> !isRelated(r.chord(), best.chord()))
            .findFirst()
            .orElseThrow();
    double least = s.full() ? LEAST_FIT : LEAST_FIT_THIN;
    double confidence = confidence(s, best, next);
    // A line that moves by step throughout says little, whatever fits it.
    boolean clear =
        best.fit() > least
            && confidence >= CLEAR
            && s.said() > LEAST_SAID
            && (s.full() || isSpelledOut(s, best.chord()));
    boolean doubt = clear && best.fit() - next.fit() < DOUBT && next.fit() > least;
    Beat first = s.beats().get(0);
    return new Harmony.ChordSpan(
        first.bar(),
        first.onset(),
        clear ? Optional.of(best.chord()) : Optional.empty(),
        Math.min(confidence, clear ? doubt ? IN_DOUBT : 1 : CLEAR),
        false,
        clear ? Optional.of(bass(s, best)) : Optional.empty(),
        doubt
            ? Optional.of(
                new Harmony.Second(
                    next.chord(), Math.min(IN_DOUBT, Math.max(0, confidence(s, next, best)))))
            : Optional.empty());
  }

  /** Whether a line gives so much of a chord that no other is meant. */
  private static boolean isSpelledOut(Stretch s, Chord chord) {
    List<Integer> members = chord.quality().members();
    long triad = members.stream().limit(3).filter(m -> s.hears(chord.root() + m)).count();
    boolean seventh = members.size() > 3 && s.hearsSeventh(chord.root() + members.get(3));
    boolean third = s.hears(chord.root()) && s.hears(chord.root() + members.get(1));
    int struck = s.beats().stream().mapToInt(Beat::struck).sum();
    return triad + (seventh ? 1 : 0) >= LEAST_MEMBERS
        || third && struck >= FIGURE
        || hasTritone(s, chord);
  }

  private static double confidence(Stretch s, Reading one, Reading other) {
    double gap = Math.max(0, one.fit() - other.fit());
    return Math.max(0, Math.min(0.98, s.said() * (0.2 + one.fit() * 0.35 + gap * 0.6)));
  }

  private static Harmony.Bass bass(Stretch s, Reading r) {
    int lowest = s.beats().stream().mapToInt(Beat::lowest).min().orElseThrow();
    return new Harmony.Bass(Math.floorMod(lowest, 12), r.over());
  }

  private static boolean isRelated(Chord a, Chord b) {
    return a.root() == b.root() && a.quality().isMinor() == b.quality().isMinor();
  }

  /** Two readings that say the same of two stretches of a bar are one. */
  private static List<Harmony.ChordSpan> merged(List<Harmony.ChordSpan> spans) {
    List<Harmony.ChordSpan> all = new ArrayList<>();
    for (Harmony.ChordSpan s : spans) {
      Harmony.ChordSpan last = all.isEmpty() ? null : all.get(all.size() - 1);
      if (last == null || last.bar() != s.bar() || !last.chord().equals(s.chord())) {
        all.add(s);
      }
    }
    return all;
  }
}
