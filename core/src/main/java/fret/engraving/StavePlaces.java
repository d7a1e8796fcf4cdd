package fret.engraving;

import java.util.function.ToDoubleFunction;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Where things stand along a stave, in staff spaces.
 *
 * @param notes left edge of the notes at an onset
 * @param heads where the head of a section stands: over the metre where that is printed
 * @param left start of the stave; {@code right} its end
 */
record StavePlaces(
    ToDoubleFunction<Fraction> notes, ToDoubleFunction<Fraction> heads, double left, double right) {
  double notes(Fraction onset) {
    return notes.applyAsDouble(onset);
  }

  double heads(Fraction onset) {
    return heads.applyAsDouble(onset);
  }

  /** Where something of a width begins, so that it does not pass the end of the stave. */
  double within(double x, double width) {
    return Math.max(left, Math.min(x, right - width));
  }
}
