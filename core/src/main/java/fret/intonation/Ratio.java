package fret.intonation;

import fret.pitch.Interval;
import java.util.Map;
import java.util.Optional;

/**
 * A pure interval, the larger number first.
 *
 * @param high above {@code low}; both above 0 and without a common divisor
 */
public record Ratio(int high, int low) {
  /** The syntonic comma. */
  public static final Ratio COMMA = new Ratio(81, 80);

  /** The other school of the tritone, 7:5. */
  public static final Ratio SEPTIMAL_TRITONE = new Ratio(7, 5);

  /** And its inversion, the diminished fifth. */
  private static final Ratio SEPTIMAL_FIFTH = new Ratio(10, 7);

  /** By steps and semitones within the octave (five-limit, common practice). */
  private static final Map<Interval, Ratio> PURE =
      Map.ofEntries(
          Map.entry(new Interval(0, 0), new Ratio(1, 1)),
          Map.entry(new Interval(0, 1), new Ratio(25, 24)),
          Map.entry(new Interval(1, 1), new Ratio(16, 15)),
          Map.entry(new Interval(1, 2), new Ratio(9, 8)),
          Map.entry(new Interval(1, 3), new Ratio(75, 64)),
          Map.entry(new Interval(2, 3), new Ratio(6, 5)),
          Map.entry(new Interval(2, 4), new Ratio(5, 4)),
          Map.entry(new Interval(3, 4), new Ratio(32, 25)),
          Map.entry(new Interval(3, 5), new Ratio(4, 3)),
          Map.entry(new Interval(3, 6), new Ratio(45, 32)),
          Map.entry(new Interval(4, 6), new Ratio(64, 45)),
          Map.entry(new Interval(4, 7), new Ratio(3, 2)),
          Map.entry(new Interval(4, 8), new Ratio(25, 16)),
          Map.entry(new Interval(5, 8), new Ratio(8, 5)),
          Map.entry(new Interval(5, 9), new Ratio(5, 3)),
          Map.entry(new Interval(5, 10), new Ratio(225, 128)),
          Map.entry(new Interval(6, 9), new Ratio(128, 75)),
          Map.entry(new Interval(6, 10), new Ratio(16, 9)),
          Map.entry(new Interval(6, 11), new Ratio(15, 8)));

  public Ratio {
    if (low < 1 || high < low) {
      throw new IllegalArgumentException("no ratio " + high + ":" + low);
    }
  }

  /**
   * The pure form of an interval upwards.
   *
   * @param interval 0 steps or more
   * @return empty for one that has none, such as a doubly augmented fourth
   */
  public static Optional<Ratio> of(Interval interval) {
    int octaves = Math.floorDiv(interval.steps(), 7);
    Interval simple =
        new Interval(interval.steps() - 7 * octaves, interval.semitones() - 12 * octaves);
    return Optional.ofNullable(PURE.get(simple)).map(r -> r.times(1 << octaves));
  }

  /** The same, with tritones as 7:5 and 10:7 where that is the school. */
  public static Optional<Ratio> of(Interval interval, boolean septimal) {
    Optional<Ratio> five = of(interval);
    boolean tritone = Math.floorMod(interval.semitones(), 12) == 6;
    if (!septimal || !tritone || five.isEmpty()) {
      return five;
    }
    int octaves = Math.floorDiv(interval.steps(), 7);
    boolean augmented = Math.floorMod(interval.steps(), 7) == 3;
    return Optional.of((augmented ? SEPTIMAL_TRITONE : SEPTIMAL_FIFTH).times(1 << octaves));
  }

  private Ratio times(int factor) {
    int h = high * factor;
    int a = h;
    int b = low;
    while (b != 0) {
      int rest = a % b;
      a = b;
      b = rest;
    }
    return new Ratio(h / a, low / a);
  }

  public double cents() {
    return 1200 * Math.log((double) high / low) / Math.log(2);
  }

  @Override
  public String toString() {
    return high + ":" + low;
  }
}
