package fret.search;

import java.util.List;
import java.util.Objects;

/**
 * Choosing one state in each layer so that the sum of the terms over neighbours is least.
 *
 * @param layers the choices at each moment, none of them empty
 * @param terms what makes a choice hard
 * @param allowed which state may follow which
 * @param <S> a choice made at one moment
 */
public record LayeredProblem<S>(List<List<S>> layers, List<Weighted<S>> terms, Follows<S> allowed) {
  /** Says whether one choice may follow another: a hard rule, never a large number. */
  @FunctionalInterface
  public interface Follows<S> {
    boolean mayFollow(S from, S to);
  }

  public LayeredProblem {
    layers = layers.stream().map(List::copyOf).toList();
    terms = List.copyOf(terms);
    Objects.requireNonNull(allowed);
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).isEmpty()) {
        throw new IllegalArgumentException("layer " + i + " has no state");
      }
    }
  }

  /** Effort of a state apart from what was before it. */
  public double ownEffort(S state) {
    double sum = 0;
    for (Weighted<S> w : terms) {
      if (!w.term().dependsOnPrevious()) {
        sum += w.effort(null, state);
      }
    }
    return sum;
  }

  /** Effort of the way from one state to the next; {@code from} is null at the first layer. */
  public double moveEffort(S from, S to) {
    double sum = 0;
    for (Weighted<S> w : terms) {
      if (w.term().dependsOnPrevious()) {
        sum += w.effort(from, to);
      }
    }
    return sum;
  }
}
