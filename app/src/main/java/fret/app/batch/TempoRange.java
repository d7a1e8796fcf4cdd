package fret.app.batch;

import fret.tempo.Level;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/**
 * A target as lists of excerpts print it: one rate, or from one to another.
 *
 * @param upper end of the range; 0 for none
 */
record TempoRange(double from, double upper) {
  /** Reads {@code 72} or {@code 70-80}. */
  static final class Converter implements ITypeConverter<TempoRange> {
    @Override
    public TempoRange convert(String text) {
      String[] ends = text.split("-", 2);
      try {
        double from = Double.parseDouble(ends[0].trim());
        return new TempoRange(from, ends.length > 1 ? Double.parseDouble(ends[1].trim()) : 0);
      } catch (NumberFormatException e) {
        throw new TypeConversionException("'" + text + "' is no tempo such as 72 or 70-80");
      }
    }
  }

  @Override
  public String toString() {
    return upper == 0 ? Level.text(from) : Level.text(from) + "-" + Level.text(upper);
  }
}
