package fret.harmony;

import java.util.ArrayList;
import java.util.Collections;
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
  /** What another chord within a bar must gain, in beats. */
  private static final double CHANGE = 0.22;

  private static final double CHANGE_THIN = 0.45;

  /** The seventh comes to a chord that stands. */
  private static final double ADDED = 0.22;

  /** So many ways are followed at each place. */
  private static final int KEPT = 12;

  private static final double RESOLVES = 0.1;
  private static final double FIFTH_DOWN = 0.04;
  private static final double GOES_ON = 0.08;

  private final List<List<Beat>> bars;
  private final IntFunction<Key> keys;

  /** Whether most beats hold whole chords: then a bare one is a chord too, and no line. */
  private final boolean chordal;

  private ChordFinder(List<List<Beat>> bars, IntFunction<Key> keys) {
    this.bars = bars;
    this.keys = keys;
    List<Beat> beats = bars.stream().flatMap(List::stream).toList();
    this.chordal = 2 * beats.stream().filter(Beat::isFull).count() > beats.size();
  }

  /**
   * The chords of bars, in order.
   *
   * @param keys of each bar
   */
  static List<Harmony.ChordSpan> of(List<List<Beat>> bars, IntFunction<Key> keys) {
    return new ChordFinder(bars, keys).chords();
  }

  /** The best way up to a place that ends with a chord. */
  private record Way(Reading last, Stretch stretch, double sum, Optional<Way> before) {}

  private List<Harmony.ChordSpan> chords() {
    List<Way> ways = List.of();
    for (int b = 0; b < bars.size(); b++) {
      if (!bars.get(b).isEmpty()) {
        ways = through(b, ways);
      }
    }
    List<Harmony.ChordSpan> all = new ArrayList<>();
    Optional<Way> way = ways.stream().max(Comparator.comparingDouble(Way::sum));
    while (way.isPresent()) {
      all.add(span(way.get()));
      way = way.get().before();
    }
    Collections.reverse(all);
    return merged(all);
  }

  /** The best ways to the end of a bar, one for each of its last chords. */
  private List<Way> through(int bar, List<Way> before) {
    List<Beat> beats = bars.get(bar);
    List<List<Way>> to = new ArrayList<>();
    to.add(before);
    for (int end = 1; end <= beats.size(); end++) {
      List<Way> here = new ArrayList<>();
      for (int start = 0; start < end; start++) {
        Stretch s = Stretch.of(bars, bar, start, end, keys.apply(bar), chordal);
        for (Reading r : Reading.best(s)) {
          here.add(after(to.get(start), r, s, start > 0));
        }
      }
      here.sort(Comparator.comparingDouble(Way::sum).reversed());
      to.add(List.copyOf(here.subList(0, Math.min(KEPT, here.size()))));
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
    boolean same = r.isRelated(before.last());
    // The seventh comes to stay; where it comes and goes it is of the figure.
    boolean added = same && a.quality() == Quality.MAJOR && r.hasSeventhThroughout(s);
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

  // ---- what is told ----------------------------------------------------------------------------

  /** Below this the notes leave it open. */
  private static final double CLEAR = 0.3;

  private static final double LEAST_FIT = 0.25;
  private static final double LEAST_FIT_THIN = 0.5;

  private static final double LEAST_SAID = 0.55;

  /** Another chord that fits so nearly as well is a second reading, and nothing is certain. */
  private static final double DOUBT = 0.12;

  private static final double IN_DOUBT = 0.5;

  private static Harmony.ChordSpan span(Way way) {
    Stretch s = way.stretch();
    Reading best = way.last();
    Reading next =
        Reading.all(s).stream().filter(r -> !r.isRelated(best)).findFirst().orElseThrow();
    double least = s.full() ? LEAST_FIT : LEAST_FIT_THIN;
    double confidence = confidence(s, best, next);
    // A line that moves by step throughout says little, whatever fits it.
    boolean clear =
        best.fit() > least
            && confidence >= CLEAR
            && s.said() > LEAST_SAID
            && (s.full() || best.isSpelledOut(s));
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

  private static double confidence(Stretch s, Reading one, Reading other) {
    double gap = Math.max(0, one.fit() - other.fit());
    return Math.max(0, Math.min(0.98, s.said() * (0.2 + one.fit() * 0.35 + gap * 0.6)));
  }

  private static Harmony.Bass bass(Stretch s, Reading r) {
    return new Harmony.Bass(Math.floorMod(s.lowest(), 12), r.over());
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
