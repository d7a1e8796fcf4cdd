package fret.base;

import org.apache.commons.numbers.fraction.Fraction;

/** Exact note lengths and onsets, in whole notes: 1/4 is a quarter note. */
public final class Fractions {
  private Fractions() {}

  /** Text such as {@code 3/8}, {@code 2} or {@code -1/4}; read back by {@link #parse}. */
  public static String text(Fraction value) {
    return value.getDenominator() == 1
        ? Integer.toString(value.getNumerator())
        : value.getNumerator() + "/" + value.getDenominator();
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @throws IllegalArgumentException if the text is not a whole number or {@code n/d} with d other
   *     than 0
   */
  public static Fraction parse(String text) {
    try {
      int slash = text.indexOf('/');
      return slash < 0
          ? Fraction.of(Integer.parseInt(text.trim()))
          : Fraction.of(
              Integer.parseInt(text.substring(0, slash).trim()),
              Integer.parseInt(text.substring(slash + 1).trim()));
    } catch (NumberFormatException | ArithmeticException e) {
      throw new IllegalArgumentException("not a fraction: " + text, e);
    }
  }

  public static Fraction min(Fraction a, Fraction b) {
    return a.compareTo(b) <= 0 ? a : b;
  }

  public static Fraction max(Fraction a, Fraction b) {
    return a.compareTo(b) >= 0 ? a : b;
  }
}
