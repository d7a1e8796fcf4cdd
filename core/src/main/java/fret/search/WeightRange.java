package fret.search;

import java.util.function.DoubleFunction;
import java.util.function.DoublePredicate;

/**
 * Between which weights of one kind of effort a choice stays the best one.
 *
 * @param least lowest weight, 0 or more
 * @param most highest weight; infinite when none up to {@link #FARTHEST} times the present weight,
 *     or up to 1 where that is more, changes it
 */
public record WeightRange(double least, double most) {
  /** How far up it is looked for a change. */
  public static final double FARTHEST = 4;

  private static final int MOST_STEPS = 20;

  /**
   * Finds the range. With the choice held, its effort is a straight line over the weight; the least
   * effort of all choices is concave, so each other best choice that is found gives a nearer
   * crossing.
   *
   * @param now the present weight, at which the choice counts as chosen
   * @param best explains the best choice at a weight
   */
  public static WeightRange of(
      double now, Explanation chosen, String kind, DoubleFunction<Explanation> best) {
    double quantity = quantity(chosen, kind);
    double rest = chosen.effort() - now * quantity;
    double slack = Math.max(0, chosen.effort() - best.apply(now).effort()) + 1e-9;
    double far = Math.max(1, FARTHEST * now);
    double most = edge(now, far, rest, quantity, slack, kind, best);
    double least = edge(now, 0, rest, quantity, slack, kind, best);
    return new WeightRange(least, most == far ? Double.POSITIVE_INFINITY : most);
  }

  private static double edge(
      double now,
      double start,
      double rest,
      double quantity,
      double slack,
      String kind,
      DoubleFunction<Explanation> best) {
    double weight = start;
    for (int i = 0; i < MOST_STEPS && weight != now; i++) {
      Explanation other = best.apply(weight);
      if (rest + weight * quantity <= other.effort() + slack) {
        return weight;
      }
      double otherQuantity = quantity(other, kind);
      double otherRest = other.effort() - weight * otherQuantity;
      double crossing = (otherRest + slack - rest) / (quantity - otherQuantity);
      boolean nearer = Math.abs(crossing - now) < Math.abs(weight - now);
      if (!nearer || (crossing - now) * (start - now) < 0) {
        return now;
      }
      weight = crossing;
    }
    return weight;
  }

  private static double quantity(Explanation e, String kind) {
    return e.shares().stream()
        .filter(s -> s.id().equals(kind))
        .mapToDouble(Explanation.Share::quantity)
        .sum();
  }

  /**
   * Finds the range by halving, to a hundredth of the present weight: for choices that count as the
   * same while their efforts move, such as bowings whose places do.
   *
   * @param now the present weight, above 0
   * @param stands whether the choice is the best one at a weight; it is at the present one
   */
  public static WeightRange halving(double now, DoublePredicate stands) {
    double far = FARTHEST * now;
    double most = stands.test(far) ? Double.POSITIVE_INFINITY : nearest(now, far, now, stands);
    double least = stands.test(0) ? 0 : nearest(now, 0, now, stands);
    return new WeightRange(least, most);
  }

  /** The farthest weight that stands on the way to one that does not. */
  private static double nearest(double in, double out, double now, DoublePredicate stands) {
    double inside = in;
    double outside = out;
    while (Math.abs(outside - inside) > now / 100) {
      double middle = (inside + outside) / 2;
      if (stands.test(middle)) {
        inside = middle;
      } else {
        outside = middle;
      }
    }
    return inside;
  }
}
