package fret.search;

import java.util.List;
import java.util.Objects;

/**
 * Choosing one state in each layer so that the sum of the terms over neighbours is least.
 *
 * @param <S> a choice made at one moment
 */
public final class LayeredProblem<S> {
  private final List<List<S>> layers;
  private final List<Weighted<S>> ownTerms;
  private final List<Weighted<S>> moveTerms;
  private final Follows<S> allowed;

  /** Says whether one choice may follow another: a hard rule, never a large number. */
  @FunctionalInterface
  public interface Follows<S> {
    boolean mayFollow(S from, S to);
  }

  /**
   * @param layers the choices at each moment, none of them empty
   * @param terms what makes a choice hard; those without weight are not asked
   * @param allowed which state may follow which
   */
  public LayeredProblem(List<List<S>> layers, List<Weighted<S>> terms, Follows<S> allowed) {
    this.layers = layers.stream().map(List::copyOf).toList();
    this.allowed = Objects.requireNonNull(allowed);
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).isEmpty()) {
        throw new IllegalArgumentException("layer " + i + " has no state");
      }
    }
    List<Weighted<S>> weighing = terms.stream().filter(w -> w.weight() > 0).toList();
    this.ownTerms = weighing.stream().filter(w -> !w.term().dependsOnPrevious()).toList();
    this.moveTerms = weighing.stream().filter(w -> w.term().dependsOnPrevious()).toList();
  }

  /** The same terms and rules over other layers. */
  LayeredProblem<S> withLayers(List<List<S>> other) {
    return new LayeredProblem<>(other, ownTerms, moveTerms, allowed);
  }

  private LayeredProblem(
      List<List<S>> layers,
      List<Weighted<S>> ownTerms,
      List<Weighted<S>> moveTerms,
      Follows<S> allowed) {
    this.layers = layers;
    this.ownTerms = ownTerms;
    this.moveTerms = moveTerms;
    this.allowed = allowed;
  }

  public List<List<S>> layers() {
    return layers;
  }

  public Follows<S> allowed() {
    return allowed;
  }

  /** Effort of a state apart from what was before it. */
  public double ownEffort(S state) {
    double sum = 0;
    for (int i = 0; i < ownTerms.size(); i++) {
      sum += ownTerms.get(i).effort(null, state);
    }
    return sum;
  }

  /** Effort of the way from one state to the next; {@code from} is null at the first layer. */
  public double moveEffort(S from, S to) {
    double sum = 0;
    for (int i = 0; i < moveTerms.size(); i++) {
      sum += moveTerms.get(i).effort(from, to);
    }
    return sum;
  }
}
