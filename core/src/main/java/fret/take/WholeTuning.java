package fret.take;

import fret.take.Expected.Tone;
import java.util.Arrays;
import java.util.List;

/**
 * How far a whole take is tuned from what is expected, told from all its notes: where most of them
 * are in tune. What is in tune in several ways decides nothing by itself.
 */
final class WholeTuning {
  private static final double CONFIDENT = 0.3;
  private static final int REACH = 60;

  /** A note that is further off is out of tune whatever the whole is. */
  private static final double MOST = 30;

  /** Of what fits equally the one nearest to the A that was asked for. */
  private static final double NEAR = 0.02;

  private WholeTuning() {}

  private record Note(Tone tone, double cents, boolean alone) {
    double outside(double middle) {
      return alone ? tone.outside(cents - middle) : cents - middle;
    }
  }

  /** Cents from {@link Heard#tunedCents}. */
  static double of(Expected expected, Heard heard) {
    List<Note> notes =
        heard.notes().stream()
            .filter(n -> n.pitch().isTold() && n.confidence() > CONFIDENT)
            .map(
                n -> {
                  Expected.Moment m = expected.moments().get(n.moment());
                  return new Note(m.starting().get(0), n.pitch().cents(), m.isSingle());
                })
            .toList();
    if (notes.isEmpty()) {
      return 0;
    }
    double best = 0;
    double least = Double.POSITIVE_INFINITY;
    for (int middle = -REACH; middle <= REACH; middle++) {
      double m = middle;
      double sum =
          notes.stream().mapToDouble(n -> Math.min(MOST, Math.abs(n.outside(m)))).sum()
              + NEAR * notes.size() * Math.abs(m + heard.tunedCents());
      if (sum < least) {
        least = sum;
        best = middle;
      }
    }
    double found = best;
    double[] each = notes.stream().mapToDouble(n -> found + n.outside(found)).sorted().toArray();
    return Arrays.stream(each).skip(each.length / 2).findFirst().orElse(0);
  }
}
