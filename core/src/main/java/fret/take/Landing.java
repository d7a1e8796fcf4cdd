package fret.take;

import java.util.ArrayList;
import java.util.List;

/**
 * Where the arrivals at one note lie over several takes: their mean and spread in cents, and the
 * chance that the next one is clean.
 *
 * @param moment index among the expected moments
 * @param arrivals how many there are
 * @param mean in cents from where it is expected; {@code from} and {@code to} bound it in 95 of 100
 * @param spread standard deviation in cents
 * @param clean chance of an arrival within {@link #WINDOW_CENTS}, 0 to 1
 */
public record Landing(
    int moment, int arrivals, double mean, double from, double to, double spread, double clean) {
  /** An arrival so near is clean (common practice, no source). */
  public static final double WINDOW_CENTS = 10;

  /** Fewer takes are not told. */
  public static final int FEWEST = 5;

  private static final double WORKED = 0.8;

  /** Two-sided 97.5 % points of Student's t for 4 to 30 degrees of freedom (handbook table). */
  private static final double[] STUDENT = {
    2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.160, 2.145, 2.131, 2.120,
    2.110, 2.101, 2.093, 2.086, 2.080, 2.074, 2.069, 2.064, 2.060, 2.056, 2.052, 2.048, 2.045, 2.042
  };

  /** Whether the aim itself is off, not only the hand unsteady. */
  public boolean isAimOff() {
    return from > 0 || to < 0;
  }

  /**
   * Every note of which there are enough arrivals.
   *
   * @param takes of one passage, all against the same expected moments
   */
  public static List<Landing> of(List<TakeReport> takes) {
    if (takes.isEmpty()) {
      return List.of();
    }
    List<Landing> all = new ArrayList<>();
    int moments = takes.get(0).expected().moments().size();
    for (int m = 0; m < moments; m++) {
      List<Double> cents = new ArrayList<>();
      for (TakeReport r : takes) {
        r.heard()
            .of(m)
            .filter(n -> n.pitch().isTold() && n.lengthS() >= 0.1)
            .ifPresent(n -> cents.add(r.cents(n)));
      }
      if (cents.size() >= FEWEST) {
        all.add(of(m, cents));
      }
    }
    return all;
  }

  /** From arrivals in cents, {@link #FEWEST} or more. */
  static Landing of(int moment, List<Double> cents) {
    int n = cents.size();
    double mean = cents.stream().mapToDouble(c -> c).average().orElseThrow();
    double sum = 0;
    for (double c : cents) {
      sum += (c - mean) * (c - mean);
    }
    double spread = Math.sqrt(sum / (n - 1));
    double t = STUDENT[Math.min(STUDENT.length - 1, n - 5)];
    double half = t * spread / Math.sqrt(n);
    return new Landing(moment, n, mean, mean - half, mean + half, spread, clean(mean, spread, n));
  }

  /**
   * The same note after some work on it: its aim corrected where that is off, else its spread a
   * fifth smaller (the fifth is from memory).
   */
  public Landing worked() {
    double shift = isAimOff() ? -mean : 0;
    double wide = isAimOff() ? spread : spread * WORKED;
    double to = mean + shift;
    return new Landing(
        moment, arrivals, to, from + shift, this.to + shift, wide, clean(to, wide, arrivals));
  }

  /** The chance that all arrivals are clean once one of them was worked on. */
  public static double runAfter(List<Landing> landings, Landing worked) {
    return landings.stream()
        .mapToDouble(l -> l.equals(worked) ? l.worked().clean() : l.clean())
        .reduce(1, (a, b) -> a * b);
  }

  /** The next arrival scatters as those before, and the mean is not known exactly. */
  private static double clean(double mean, double spread, int n) {
    double wide = Math.max(0.5, spread * Math.sqrt(1 + 1.0 / n));
    return normal((WINDOW_CENTS - mean) / wide) - normal((-WINDOW_CENTS - mean) / wide);
  }

  /** Standard normal distribution (M. Abramowitz, I. A. Stegun 1964, formula 26.2.17). */
  private static double normal(double x) {
    double z = Math.abs(x);
    double t = 1 / (1 + 0.2316419 * z);
    double poly =
        t
            * (0.319381530
                + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
    double tail = Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) * poly;
    return x >= 0 ? 1 - tail : tail;
  }

  /** The chance that all of some arrivals are clean, each by itself. */
  public static double run(List<Landing> landings) {
    return landings.stream().mapToDouble(Landing::clean).reduce(1, (a, b) -> a * b);
  }
}
