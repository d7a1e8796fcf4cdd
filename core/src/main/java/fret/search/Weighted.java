package fret.search;

import java.util.Objects;

/**
 * A term with its weight: effort per unit, 0 or more.
 *
 * @param <S> a choice made at one moment
 */
public record Weighted<S>(EffortTerm<S> term, double weight) {
  public Weighted {
    Objects.requireNonNull(term);
    if (!(weight >= 0) || Double.isInfinite(weight)) {
      throw new IllegalArgumentException("weight of " + term.id() + " is " + weight);
    }
  }

  /** The effort, weight times amount. */
  public double effort(S from, S to) {
    return weight * term.amount(from, to);
  }
}
