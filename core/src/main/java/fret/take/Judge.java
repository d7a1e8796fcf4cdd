package fret.take;

import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Fault.Kind;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What of a take is worth telling. Every bound lies between what nobody plays exactly (6 ms, 3
 * cents) and what a listener notices; below it there is silence.
 */
final class Judge {
  private static final double RUSH_PERCENT = 4;
  private static final double LATE_MS = 27;

  /** One for all entries: two that are equally late are both told, or none. */
  private static final double ENTRY_MS = 42;

  private static final double LATE_SHARE = 0.012;
  private static final double CENTS = 12.8;

  /** One wave of a usual vibrato. */
  private static final double WAVE_S = 0.18;

  private static final double PERIOD_CENTS = 150;
  private static final double CHORD_CENTS = 15;
  private static final double ORNAMENT_CENTS = 20;
  private static final double DRIFT_CENTS = 16;
  private static final double GAP_MS = 25;
  private static final double LENGTH_MS = 30;
  private static final double LENGTH_SHARE = 0.15;

  /** Strings and rooms die away each at its own rate, but none of them before the bow stops. */
  private static final double DIES_LATER = 1.5;

  private static final double SHORTEST_PITCH_S = 0.11;
  private static final double LOUD_DB = 5;
  private static final double UNEVEN_PERCENT = 12;
  private static final double ATTACK_MS = 75;
  private static final double GLIDE_MS = 110;
  private static final int FEWEST_SHORT = 4;
  private static final double SURE = 0.25;

  /** Three times what nobody plays exactly. */
  private static final double EXACT_MS = 18;

  private static final double SLOW_SHARE = 0.85;

  /** Of a normal distribution: from the median of distances to its standard deviation. */
  private static final double SD_BY_MEDIAN = 1.4826;

  private final Expected expected;
  private final Heard heard;
  private final TempoLine tempo;
  private final Entries entries;
  private final double middle;
  private final List<Finding> all = new ArrayList<>();

  /** First and last moments of runs that were told as uneven. */
  private final List<int[]> uneven = new ArrayList<>();

  private double room;
  private double loose;
  private double looseEnds;
  private double usualAttack;

  Judge(Expected expected, Heard heard, TempoLine tempo, double middle) {
    this.expected = expected;
    this.heard = heard;
    this.tempo = tempo;
    this.entries = Entries.of(expected, tempo);
    this.middle = middle;
  }

  List<Finding> findings() {
    double[] ends = ends();
    room = room(ends);
    looseEnds = looseEnds(ends, room);
    loose = loose();
    usualAttack = usualAttack();
    restarts();
    bars();
    uneven();
    loudness();
    for (int i = 0; i < heard.notes().size(); i++) {
      note(i);
    }
    for (int m : heard.missing()) {
      add(Kind.MISSING, m, 1, 0.8);
    }
    all.sort(Comparator.comparingInt(Finding::moment).thenComparing(Finding::kind));
    return all;
  }

  private void add(Kind kind, int moment, double amount, double confidence) {
    if (confidence >= SURE) {
      all.add(new Finding(new Fault(kind, moment, amount), Math.min(1, confidence)));
    }
  }

  private Moment moment(HeardNote n) {
    return expected.moments().get(n.moment());
  }

  private void restarts() {
    for (Heard.TakenUp t : heard.taken()) {
      add(Kind.RESTART, t.moment(), 1, 0.9);
    }
  }

  // ---- time ------------------------------------------------------------------------------------

  private void bars() {
    for (TempoLine.BarTempo b : tempo.bars()) {
      double by = Math.abs(b.percent());
      double exact = b.exact() * Math.max(1, loose / EXACT_MS);
      if (by >= Math.max(RUSH_PERCENT, exact)) {
        int first = firstOf(b.bar());
        add(b.percent() > 0 ? Kind.RUSH : Kind.DRAG, first, by, sure(by, RUSH_PERCENT));
      }
    }
  }

  private int firstOf(int bar) {
    for (int i = 0; i < expected.moments().size(); i++) {
      if (expected.moments().get(i).bar() == bar) {
        return i;
      }
    }
    return 0;
  }

  /** How sure a measure is that lies so far above its bound. */
  private static double sure(double value, double bound) {
    return Math.max(0.5, Math.min(0.98, 0.5 + 0.5 * (Math.abs(value) / bound - 1)));
  }

  /** Runs of equal notes in which every other one comes late or early. */
  private void uneven() {
    List<HeardNote> notes = heard.notes();
    for (int i = 0; i + 4 < notes.size(); ) {
      int k = i;
      double step = step(i);
      int bar = moment(notes.get(i)).bar();
      while (k + 1 < notes.size()
          && moment(notes.get(k)).bar() == bar
          && step > 0
          && step < 400
          && Math.abs(step(k) - step) < 1) {
        k++;
      }
      if (k - i >= 4) {
        uneven(i, k, step);
      }
      i = Math.max(i + 1, k);
    }
  }

  /** Written ms from a note to the next that was heard, where that is the next one; else -1. */
  private double step(int i) {
    if (i + 1 >= heard.notes().size()) {
      return -1;
    }
    HeardNote a = heard.notes().get(i);
    HeardNote b = heard.notes().get(i + 1);
    return b.moment() == a.moment() + 1 ? moment(b).startMs() - moment(a).startMs() : -1;
  }

  private void uneven(int from, int to, double step) {
    double[] sum = new double[2];
    int[] count = new int[2];
    double[][] lengths = new double[2][to - from];
    for (int i = from; i < to; i++) {
      double took = (heard.notes().get(i + 1).onsetS() - heard.notes().get(i).onsetS()) * 1000;
      int odd = (i - from) % 2;
      lengths[odd][count[odd]++] = took * tempo.times() / step;
      sum[odd] += took * tempo.times() / step;
    }
    double apart = sum[0] / count[0] - sum[1] / count[1];
    double spread = 0;
    for (int odd = 0; odd < 2; odd++) {
      double mean = sum[odd] / count[odd];
      for (int i = 0; i < count[odd]; i++) {
        spread = Math.max(spread, Math.abs(lengths[odd][i] - mean));
      }
    }
    double percent = 50 * Math.abs(apart);
    boolean steady = spread < 0.6 * Math.abs(apart) / 2 + 0.03;
    double jitter = 100 * 14 / step;
    if (percent >= Math.max(UNEVEN_PERCENT, jitter) && steady) {
      add(Kind.UNEVEN, heard.notes().get(from).moment(), percent, sure(percent, UNEVEN_PERCENT));
      // Every other note late is not each of them late.
      int last = heard.notes().get(to).moment();
      uneven.add(new int[] {heard.notes().get(from).moment(), last});
    }
  }

  private boolean isUneven(int moment) {
    return uneven.stream().anyMatch(r -> moment >= r[0] && moment <= r[1]);
  }

  // ---- loudness --------------------------------------------------------------------------------

  /** Bars against what the line asks for, the take's own level taken away. */
  private void loudness() {
    double[] off =
        heard.notes().stream()
            .mapToDouble(this::levelOff)
            .filter(x -> !Double.isNaN(x))
            .sorted()
            .toArray();
    if (off.length < 8) {
      return;
    }
    double usual = off[off.length / 2];
    for (int b = 0; b < expected.bars().size(); b++) {
      int bar = b;
      double[] here =
          heard.notes().stream()
              .filter(n -> moment(n).bar() == bar)
              .mapToDouble(this::levelOff)
              .filter(x -> !Double.isNaN(x))
              .sorted()
              .toArray();
      if (here.length >= 2) {
        double by = here[here.length / 2] - usual;
        if (Math.abs(by) >= LOUD_DB) {
          Kind kind = by > 0 ? Kind.LOUD : Kind.SOFT;
          add(kind, firstOf(b), Math.abs(by), sure(Math.abs(by), LOUD_DB));
        }
      }
    }
  }

  private double levelOff(HeardNote n) {
    return n.confidence() < SURE ? Double.NaN : n.levelDb() - 4 * moment(n).level();
  }

  // ---- single notes ----------------------------------------------------------------------------

  private void note(int i) {
    HeardNote n = heard.notes().get(i);
    Moment m = moment(n);
    if (n.pitch().isOther()) {
      add(Kind.WRONG, n.moment(), Math.abs(n.pitch().otherSemitones()), 0.9);
      return;
    }
    if (n.confidence() < SURE) {
      return;
    }
    Optional<Double> entry = entries.lateMs(n.moment());
    double late = entry.or(() -> tempo.lateMs(n.moment())).orElse(0.0);
    double bound = Math.max(loose, entry.isPresent() ? ENTRY_MS : lateBound(m));
    boolean echo = entry.isPresent() && isEcho(n.moment(), late);
    if (Math.abs(late) >= bound && !echo && !isUneven(n.moment())) {
      add(late > 0 ? Kind.LATE : Kind.EARLY, n.moment(), Math.abs(late), sure(late, bound));
    }
    if (n.pitch().isTold() && n.lengthS() >= SHORTEST_PITCH_S) {
      double cents = m.outside(n.pitch().cents() - middle);
      double off = m.ornament() ? ORNAMENT_CENTS : centsOf(n, m);
      if (Math.abs(n.pitch().driftCents()) >= DRIFT_CENTS) {
        add(
            Kind.DRIFT,
            n.moment(),
            Math.abs(n.pitch().driftCents()),
            sure(n.pitch().driftCents(), DRIFT_CENTS));
      } else if (Math.abs(cents) >= off) {
        Kind kind = cents > 0 ? Kind.SHARP : Kind.FLAT;
        add(kind, n.moment(), Math.abs(cents), sure(Math.abs(cents), off));
      }
    }
    chord(n);
    boolean beforeWrong = heard.of(n.moment() + 1).filter(x -> x.pitch().isOther()).isPresent();
    if (n.addedMs() > 0 && !beforeWrong) {
      add(Kind.ADDED, n.moment(), 1, 0.8);
      return;
    }
    length(i, n, m);
    boolean slow = n.attackMs() > usualAttack + Math.max(ATTACK_MS, usualAttack);
    if (slow && m.isSingle() && m.join() != Join.SHIFT) { // Two strings take their time.
      add(Kind.ATTACK, n.moment(), n.attackMs(), 0.6);
    }
    if (n.pitch().glideMs() >= GLIDE_MS) {
      add(Kind.GLIDE, n.moment(), n.pitch().glideMs(), 0.7);
    }
  }

  /** A late note makes the one before it look early by as much. */
  private boolean isEcho(int moment, double late) {
    boolean last = moment + 1 == expected.moments().size();
    double next = last ? 0 : tempo.lateMs(moment + 1).orElse(0.0);
    return next * late < 0 && Math.abs(next) > Math.abs(late);
  }

  /** A low note takes half a period longer to be told from the one before. */
  private static double lateBound(Moment m) {
    return LATE_MS + LATE_SHARE * m.lengthMs() + 500 / m.starting().get(0).hertz();
  }

  /** Of less than a wave of vibrato, or of few periods, the mean is less exact. */
  private static double centsOf(HeardNote n, Moment m) {
    return CENTS * Math.max(1, WAVE_S / n.lengthS()) + PERIOD_CENTS / m.starting().get(0).hertz();
  }

  /** Of a double stop the note that is furthest off. */
  private void chord(HeardNote n) {
    double most = 0;
    for (double tone : n.tones()) {
      double cents = Double.isNaN(tone) ? 0 : tone - middle;
      most = Math.abs(cents) > Math.abs(most) ? cents : most;
    }
    if (Math.abs(most) >= CHORD_CENTS) {
      Kind kind = most > 0 ? Kind.SHARP : Kind.FLAT;
      add(kind, n.moment(), Math.abs(most), sure(Math.abs(most), CHORD_CENTS));
    }
  }

  /** So slow five in six notes of the take are not: an instrument and a room have their own. */
  private double usualAttack() {
    double[] all = heard.notes().stream().mapToDouble(HeardNote::attackMs).sorted().toArray();
    return all.length == 0 ? 0 : all[(int) (SLOW_SHARE * (all.length - 1))];
  }

  /** A late entry makes the notes beside it look early: none of them tells how loose a take is. */
  private boolean isAtEntry(int moment) {
    return IntStream.rangeClosed(Math.max(1, moment - 1), moment + 1)
        .filter(i -> i < expected.moments().size())
        .anyMatch(i -> expected.moments().get(i).join() == Join.ENTRY);
  }

  /**
   * How far notes lie from the middle of their neighbours in this take, in ms (3 sd, by median).
   */
  private double loose() {
    double[] off =
        IntStream.range(0, expected.moments().size())
            .filter(i -> !isAtEntry(i))
            .mapToObj(tempo::offMs)
            .flatMap(Optional::stream)
            .mapToDouble(Math::abs)
            .sorted()
            .toArray();
    return off.length == 0 ? 0 : 3 * SD_BY_MEDIAN * off[off.length / 2];
  }

  private void length(int i, HeardNote n, Moment m) {
    HeardNote next = i + 1 < heard.notes().size() ? heard.notes().get(i + 1) : null;
    boolean follows = next != null && next.moment() == n.moment() + 1;
    if (m.connected()) {
      boolean stopped =
          follows
              && (Reservation.isStop(expected, n, next)
                  || heard.taken().stream().anyMatch(t -> t.moment() == next.moment()));
      if (follows && !stopped) {
        touching(n, next);
      }
      return; // What follows was not heard: where it should have begun nobody knows.
    }
    double off = isFree(i) ? tooLong(i) - room : 0;
    Kind kind = off > 0 ? Kind.OVER_HELD : Kind.CLIPPED;
    double bound = lengthBound(m) * (off > 0 ? DIES_LATER : 1);
    if (Math.abs(off) >= bound) {
      add(kind, n.moment(), Math.abs(off), sure(off, bound));
    }
  }

  private double lengthBound(Moment m) {
    double own = Math.max(LENGTH_MS, LENGTH_SHARE * m.soundsMs() / tempo.timesIn(m.bar()));
    return Math.max(own, looseEnds);
  }

  private void touching(HeardNote n, HeardNote next) {
    double arrives = next.onsetS() - next.pitch().glideMs() / 1000;
    double silence = (arrives - n.endS()) * 1000;
    if (silence >= GAP_MS) {
      Kind kind = moment(next).slurred() ? Kind.GAP : Kind.CLIPPED;
      add(kind, n.moment(), silence, sure(silence, GAP_MS));
    }
  }

  /** Whether a note ends before the next begins, which else cuts it off. */
  private boolean isFree(int i) {
    HeardNote n = heard.notes().get(i);
    HeardNote next = i + 1 < heard.notes().size() ? heard.notes().get(i + 1) : null;
    boolean follows = next != null && next.moment() == n.moment() + 1;
    return !follows || next.onsetS() - n.endS() > 0.01;
  }

  /** By how many ms a note before a rest sounds too long. */
  private double tooLong(int i) {
    HeardNote n = heard.notes().get(i);
    Moment m = moment(n);
    return n.lengthS() * 1000 - m.soundsMs() / tempo.timesIn(m.bar());
  }

  /** By how much notes before rests sound too long, in order. */
  private double[] ends() {
    return IntStream.range(0, heard.notes().size())
        .filter(i -> !moment(heard.notes().get(i)).connected() && isFree(i))
        .mapToDouble(this::tooLong)
        .sorted()
        .toArray();
  }

  /** What the room adds to every short note: the usual excess of the take, where it has some. */
  private static double room(double[] ends) {
    return ends.length < FEWEST_SHORT ? 0 : Math.max(0, ends[ends.length / 2]);
  }

  /** How far ends lie apart in this take (3 sd, by median); of few nobody knows. */
  private static double looseEnds(double[] ends, double room) {
    if (ends.length < FEWEST_SHORT) {
      return 2 * LENGTH_MS;
    }
    double[] apart = Arrays.stream(ends).map(e -> Math.abs(e - room)).sorted().toArray();
    return 3 * SD_BY_MEDIAN * apart[apart.length / 2];
  }
}
