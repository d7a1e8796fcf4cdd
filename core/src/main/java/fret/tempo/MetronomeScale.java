package fret.tempo;

import java.util.Arrays;
import java.util.stream.DoubleStream;

/** The numbers of the classic metronome, 40 to 208 (common practice, no source). */
public final class MetronomeScale {
  private static final int[] NUMBERS = {
    40, 42, 44, 46, 48, 50, 52, 54, 56, 58, 60, 63, 66, 69, 72, 76, 80, 84, 88, 92, 96, 100, 104,
    108, 112, 116, 120, 126, 132, 138, 144, 152, 160, 168, 176, 184, 192, 200, 208
  };

  private MetronomeScale() {}

  /** All numbers, slowest first. */
  public static int[] numbers() {
    return NUMBERS.clone();
  }

  /** The numbers with the halves of those below 80 under them, slowest first: 31.5 is one. */
  public static double[] withHalves() {
    return DoubleStream.concat(
            Arrays.stream(NUMBERS).filter(n -> n < 2 * NUMBERS[0]).mapToDouble(n -> n / 2.0),
            Arrays.stream(NUMBERS).asDoubleStream())
        .toArray();
  }

  /** The next lower number: a notch slower. At or below 40 it stays 40. */
  public static int notchSlower(double perMinute) {
    int i = NUMBERS.length - 1;
    while (i > 0 && NUMBERS[i] >= perMinute) {
      i--;
    }
    return NUMBERS[i];
  }

  /** The number nearest to a rate; of two equally near ones the slower. */
  public static int nearest(double perMinute) {
    return Arrays.stream(NUMBERS)
        .boxed()
        .min((a, b) -> Double.compare(Math.abs(a - perMinute), Math.abs(b - perMinute)))
        .orElseThrow();
  }
}
