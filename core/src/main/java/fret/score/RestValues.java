package fret.score;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * How a silence within a bar is spelled: no rest goes over a beat that it does not begin on, a half
 * rest stands on the first or third beat of four only (E. Gould, Behind Bars, 2011, from memory).
 */
final class RestValues {
  private final Fraction beat;
  private final Fraction unit;
  private final boolean compound;
  private final boolean byFour;
  private final Fraction bar;

  RestValues(TimeSignature time) {
    this.beat = time.beatLength();
    this.unit = time.unit();
    this.compound = time.isCompound();
    this.byFour = !compound && time.beats() == 4 && beat.equals(unit);
    this.bar = time.barLength();
  }

  /**
   * The lengths of the rests, in order.
   *
   * @param from place in the bar, in whole notes
   * @param to after {@code from}, not after the bar's end
   */
  List<Fraction> between(Fraction from, Fraction to) {
    List<Fraction> all = new ArrayList<>();
    if (from.signum() == 0 && to.equals(bar)) {
      return List.of(bar);
    }
    Fraction at = from;
    while (at.compareTo(to) < 0) {
      Fraction next = next(at, to);
      all.add(next);
      at = at.add(next);
    }
    return all;
  }

  private Fraction next(Fraction at, Fraction to) {
    Fraction left = to.subtract(at);
    boolean onBeat = at.divide(beat).getDenominator() == 1;
    if (onBeat && left.compareTo(beat) >= 0) {
      int which = at.divide(beat).intValue();
      boolean two = byFour && which % 2 == 0 && left.compareTo(beat.multiply(2)) >= 0;
      return two ? beat.multiply(2) : beat;
    }
    Fraction beatEnd = beat.multiply(at.divide(beat).intValue() + 1);
    Fraction end = fret.base.Fractions.min(to, beatEnd);
    Fraction two = unit.multiply(2);
    if (compound && onBeat && end.subtract(at).compareTo(two) >= 0) {
      return two;
    }
    for (Fraction v = compound ? unit : beat;
        v.compareTo(Fraction.of(1, 256)) >= 0;
        v = v.divide(2)) {
      boolean aligned = at.divide(v).getDenominator() == 1;
      if (aligned && at.add(v).compareTo(end) <= 0) {
        return v;
      }
    }
    return end.subtract(at);
  }
}
