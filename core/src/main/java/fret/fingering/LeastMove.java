package fret.fingering;

import fret.instrument.Instrument;
import fret.player.EffortKind;
import fret.player.HandModel;
import fret.search.LayeredProblem;
import fret.search.Weighted;
import java.util.Arrays;
import java.util.List;

/**
 * A lower bound of what it takes to get from one hand to the next: strings crossed, and of a shift
 * its way, its aim, its haste and where it lands; infinite where one cannot follow the other by its
 * past or by the place of the hand. For one thread.
 */
final class LeastMove implements LayeredProblem.Bound<HandState> {
  /** Less than the effort itself, however its terms are rounded when they are added. */
  private static final double ROUNDED = 1 - 1e-6;

  private final double perString;
  private final double perBit;
  private final double perRush;
  private final double perThrow;
  private final double perMm;
  private final double perLanding;
  private final double perOffBeat;
  private final double perSemitone;
  private final int farthestCreep;
  private final double[][] travelMm;
  private final double[][] limb;

  /** Of the hand that was asked for last: bits from each place, NaN where they are not known. */
  private final double[] bits;

  private int bitsTo = -1;
  private double bitsWindowMm;

  LeastMove(HandModel hand, List<Weighted<HandState>> terms) {
    Instrument instrument = hand.instrument();
    this.perString = weight(terms, EffortKind.CROSSING);
    this.perBit = weight(terms, EffortKind.SHIFT);
    this.perRush = weight(terms, EffortKind.RUSH);
    this.perThrow = weight(terms, EffortKind.THROWN);
    this.perMm = weight(terms, EffortKind.TRAVEL);
    this.perLanding = weight(terms, EffortKind.LANDING);
    this.perOffBeat = weight(terms, EffortKind.OFF_BEAT);
    this.perSemitone = weight(terms, EffortKind.CREEP);
    this.farthestCreep = hand.creeps() ? Creep.FARTHEST_WITH_THUMB : 0;
    int bases = instrument.highestSemitone() + 2;
    this.bits = new double[bases];
    this.travelMm = new double[bases][bases];
    this.limb = new double[bases][bases];
    for (int a = 1; a < bases; a++) {
      for (int b = 1; b < bases; b++) {
        travelMm[a][b] = Math.abs(instrument.mmFromNut(a) - instrument.mmFromNut(b));
        limb[a][b] = ShiftTerms.limb(travelMm[a][b]);
      }
    }
  }

  private static double weight(List<Weighted<HandState>> terms, EffortKind kind) {
    return terms.stream()
        .filter(w -> w.term().id().equals(kind.id()))
        .mapToDouble(Weighted::weight)
        .sum();
  }

  @Override
  public double atLeast(HandState before, HandState to) {
    HandState from = before.out();
    if (!to.hasPast(from)) {
      return Double.POSITIVE_INFINITY;
    }
    double crossing = perString * Terms.crossing(from, to);
    if (!to.isStopped()) {
      boolean carried = from.base() == to.base() && leftAt(from) == leftAt(to);
      return carried ? ROUNDED * crossing : Double.POSITIVE_INFINITY;
    }
    return ROUNDED * (to.isShiftFrom(from) ? crossing + shift(from, to) : crossing);
  }

  private double shift(HandState from, HandState to) {
    double bits = bits(from.base(), to);
    double transitMs = to.transitMs(from);
    double rush = limb[from.base()][to.base()] * bits * 1000 / transitMs;
    double aim = ShiftTerms.restsFor(from, to, bits) ? ShiftTerms.IN_A_REST * bits : bits;
    double sum =
        perBit * aim
            + perRush * ShiftTerms.levelled(rush)
            + perMm * travelMm[from.base()][to.base()]
            + perLanding * ShiftPlace.shortLanding(from, to)
            + perOffBeat * ShiftPlace.offBeat(from, to);
    if (bits * 1000 > Shift.MOST_BITS_PER_S * transitMs) {
      sum += perThrow;
    }
    int semitones = Math.abs(from.base() - to.base());
    return semitones <= farthestCreep ? Math.min(sum, perSemitone * semitones) : sum;
  }

  private double bits(int fromBase, HandState to) {
    double windowMm = to.grip().windowMm();
    if (to.base() != bitsTo || windowMm != bitsWindowMm) {
      Arrays.fill(bits, Double.NaN);
      bitsTo = to.base();
      bitsWindowMm = windowMm;
    }
    if (Double.isNaN(bits[fromBase])) {
      bits[fromBase] = ShiftTerms.bits(travelMm[fromBase][to.base()], windowMm);
    }
    return bits[fromBase];
  }

  private static int leftAt(HandState state) {
    return state.left() == null ? -1 : state.left().slice().index();
  }

  @Override
  public long leaving(HandState before) {
    HandState from = before.out();
    int flags =
        (from.isStopped() ? 1 : 0) + (from.takesOver() ? 2 : 0) + (from.isStation() ? 4 : 0);
    return place(from) << 32 | (long) flags << 28 | leftAt(from) + 1;
  }

  @Override
  public long entering(HandState to) {
    HandState.Past past = to.past();
    long came = past.movedFrom() * 2L + (past.crossed() ? 1 : 0);
    int window = Float.floatToIntBits((float) to.grip().windowMm());
    int last = to.isStopped() ? window : leftAt(to) + 1;
    long stopped = to.isStopped() ? 1 : 0;
    return ((place(to) * 2 + stopped) * 128 + came) << 32 | last;
  }

  /** Base and plane: the middle of up to four strings is told by twelfths. */
  private static long place(HandState state) {
    return state.base() * 64L + Math.round(12 * state.plane());
  }
}
