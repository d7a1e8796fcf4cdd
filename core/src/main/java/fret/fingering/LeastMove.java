package fret.fingering;

import fret.instrument.Instrument;
import fret.player.EffortKind;
import fret.player.HandModel;
import fret.search.Weighted;
import java.util.List;

/**
 * A lower bound of what it takes to get from one hand to the next: the aim of a shift at the widest
 * target there is, less in a rest, its distance, and the strings crossed. Looked up, not computed.
 */
final class LeastMove {
  private final double[][] shift;
  private final double perString;

  LeastMove(HandModel hand, List<Weighted<HandState>> terms) {
    Instrument instrument = hand.instrument();
    int bases = instrument.highestSemitone() + 2;
    double perBit = weight(terms, EffortKind.SHIFT);
    double perSemitone = weight(terms, EffortKind.CREEP);
    double perMm = weight(terms, EffortKind.TRAVEL);
    double widest = Grips.HARMONIC_WINDOWS * instrument.windowMm(1, Instrument.TOLERANCE_CENTS);
    this.perString = weight(terms, EffortKind.CROSSING);
    this.shift = new double[bases][bases];
    for (int a = 1; a < bases; a++) {
      for (int b = 1; b < bases; b++) {
        double travel = Math.abs(instrument.mmFromNut(a) - instrument.mmFromNut(b));
        double aimed = perBit * ShiftTerms.bits(travel, widest) + perMm * travel;
        shift[a][b] = hand.creeps() ? Math.min(aimed, perSemitone * Math.abs(a - b)) : aimed;
      }
    }
  }

  private static double weight(List<Weighted<HandState>> terms, EffortKind kind) {
    return terms.stream()
        .filter(w -> w.term().id().equals(kind.id()))
        .mapToDouble(Weighted::weight)
        .sum();
  }

  /** In effort; 0 into the first moment. */
  double atLeast(HandState before, HandState to) {
    HandState from = before.out();
    double least = perString * Terms.crossing(from, to);
    if (!to.isShiftFrom(from)) {
      return least;
    }
    double share = ShiftTerms.leavesARest(from) ? ShiftTerms.IN_A_REST : 1;
    return least + share * shift[from.base()][to.base()];
  }
}
