package fret.take;

import fret.take.Expected.Join;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How notes come in after rests, told together: equally late ones are told alike.
 *
 * <p>A note after silence is found at another place of its rise than one that goes on from a note,
 * so all entries of a take may seem late by the same few ms. What they have in common of that is
 * taken out (their lower quartile); notes that go on are measured against each other and cannot
 * have it.
 *
 * @param all in order of playing
 * @param commonMs what was taken out of each, from 0 to {@link #MOST_COMMON_MS}
 */
public record Entries(List<Entry> all, double commonMs) {
  /** So late sampled strings seem at most that begin in time (14 to 18 ms). */
  public static final double MOST_COMMON_MS = 18;

  /** What lies nearer to its time is in time: twice what nobody plays exactly. */
  public static final double IN_TIME_MS = 12;

  private static final int FEWEST = 3;

  /**
   * A note after a rest.
   *
   * @param ms from where its neighbours put it, late positive
   */
  public record Entry(int moment, double ms) {}

  public Entries {
    all = List.copyOf(all);
  }

  static Entries of(Expected expected, TempoLine tempo) {
    List<Entry> raw = new ArrayList<>();
    for (int i = 0; i < expected.moments().size(); i++) {
      if (expected.moments().get(i).join() == Join.ENTRY) {
        int moment = i;
        tempo.offMs(i).ifPresent(ms -> raw.add(new Entry(moment, ms)));
      }
    }
    // Of one or two nobody knows whether they have it in common.
    double least = raw.size() < FEWEST ? 0 : sorted(raw)[(raw.size() - 1) / 4];
    double common = Math.max(0, Math.min(MOST_COMMON_MS, least));
    return new Entries(
        raw.stream().map(e -> new Entry(e.moment(), e.ms() - common)).toList(), common);
  }

  private static double[] sorted(List<Entry> entries) {
    return entries.stream().mapToDouble(Entry::ms).sorted().toArray();
  }

  private static double middle(List<Entry> entries) {
    double[] sorted = sorted(entries);
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2;
  }

  /** The median of all; empty where there is none. */
  public Optional<Double> usualMs() {
    return all.isEmpty() ? Optional.empty() : Optional.of(middle(all));
  }

  /** How late a moment comes in; empty where it is no entry or cannot be told. */
  Optional<Double> lateMs(int moment) {
    return all.stream().filter(e -> e.moment() == moment).findFirst().map(Entry::ms);
  }
}
