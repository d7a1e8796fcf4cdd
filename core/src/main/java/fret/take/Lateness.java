package fret.take;

import fret.take.Expected.Join;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * How late notes come after shifts or string crossings, against notes reached plainly: the median
 * of all differences with its interval (J. L. Hodges, E. L. Lehmann 1963, the interval by the rank
 * sum test of H. B. Mann, D. R. Whitney 1947).
 *
 * @param ms median difference; positive is late
 * @param from lower end of the interval, {@code to} the upper one
 * @param cases how many notes were reached so
 */
public record Lateness(Join join, double ms, double from, double to, int cases) {
  /** Fewer cases are not told. */
  public static final int FEWEST = 8;

  /** Two questions are asked of each take: together they err in less than one take of twenty. */
  private static final double SURE = 2.35;

  /** Whether it is more than chance. */
  public boolean isSure() {
    return from > 0 || to < 0;
  }

  /** Over one take or several of the same passage; empty where there are too few cases. */
  public static Optional<Lateness> of(List<TakeReport> takes, Join join) {
    List<Double> after = new ArrayList<>();
    List<Double> plain = new ArrayList<>();
    for (TakeReport r : takes) {
      for (int i = 0; i < r.expected().moments().size(); i++) {
        Join here = r.expected().moments().get(i).join();
        Optional<Double> off = r.tempo().offMs(i);
        if (off.isPresent() && here == join) {
          after.add(off.get());
        } else if (off.isPresent() && here == Join.PLAIN) {
          plain.add(off.get());
        }
      }
    }
    return between(join, after, plain);
  }

  static Optional<Lateness> between(Join join, List<Double> after, List<Double> plain) {
    if (after.size() < FEWEST || plain.size() < FEWEST) {
      return Optional.empty();
    }
    double[] apart = new double[after.size() * plain.size()];
    int n = 0;
    for (double a : after) {
      for (double p : plain) {
        apart[n++] = a - p;
      }
    }
    Arrays.sort(apart);
    double pairs = apart.length;
    double spread = Math.sqrt(pairs * (after.size() + plain.size() + 1) / 12);
    int low = (int) Math.max(0, Math.floor(pairs / 2 - SURE * spread));
    int high = (int) Math.min(apart.length - 1, Math.ceil(pairs / 2 + SURE * spread));
    double middle = (apart[(n - 1) / 2] + apart[n / 2]) / 2;
    return Optional.of(new Lateness(join, middle, apart[low], apart[high], after.size()));
  }
}
