package fret.search;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * Choosing one state in each layer so that the sum of the terms over neighbours is least.
 *
 * @param <S> a choice made at one moment
 */
public final class LayeredProblem<S> {
  private final List<List<S>> layers;
  private final List<Weighted<S>> ownTerms;
  private final List<Weighted<S>> moveTerms;
  private final Group<S>[] groups;
  private final Group<S>[] ownGroups;
  private final Follows<S> allowed;
  private final Bound<S> bound;

  /** Terms with the same guard. */
  private record Group<S>(EffortTerm.Guard<S> guard, Weighted<S>[] terms) {}

  @SuppressWarnings("unchecked")
  private static <S> Weighted<S>[] array(List<Weighted<S>> terms) {
    return terms.toArray(new Weighted[0]);
  }

  /** Says whether one choice may follow another: a hard rule, never a large number. */
  @FunctionalInterface
  public interface Follows<S> {
    boolean mayFollow(S from, S to);
  }

  /**
   * A cheap lower bound of the effort of a way, so that hopeless ones need not be weighed. Choices
   * of one moment with one key are alike to it: what is hopeless for one is so for all.
   */
  public interface Bound<S> {
    /** 0 or more, and never above the effort of the way. */
    double atLeast(S from, S to);

    /** The key of a choice as the one before. */
    long leaving(S from);

    /** The key of a choice as the one after. */
    long entering(S to);
  }

  /** Knows nothing: every way may cost nothing. */
  private record Unbound<S>() implements Bound<S> {
    @Override
    public double atLeast(S from, S to) {
      return 0;
    }

    @Override
    public long leaving(S from) {
      return 0;
    }

    @Override
    public long entering(S to) {
      return 0;
    }
  }

  /**
   * @param layers the choices at each moment, none of them empty
   * @param terms what makes a choice hard; those without weight are not asked
   * @param allowed which state may follow which
   */
  public LayeredProblem(List<List<S>> layers, List<Weighted<S>> terms, Follows<S> allowed) {
    this(layers, terms, allowed, new Unbound<>());
  }

  /**
   * @param layers the choices at each moment, none of them empty
   * @param terms what makes a choice hard; those without weight are not asked
   * @param allowed which state may follow which
   * @param bound a lower bound of the effort of a way under these terms
   */
  public LayeredProblem(
      List<List<S>> layers, List<Weighted<S>> terms, Follows<S> allowed, Bound<S> bound) {
    this.layers = layers.stream().map(List::copyOf).toList();
    this.allowed = Objects.requireNonNull(allowed);
    this.bound = Objects.requireNonNull(bound);
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).isEmpty()) {
        throw new IllegalArgumentException("layer " + i + " has no state");
      }
    }
    List<Weighted<S>> weighing = terms.stream().filter(w -> w.weight() > 0).toList();
    this.ownTerms = weighing.stream().filter(w -> !w.term().dependsOnPrevious()).toList();
    this.moveTerms = weighing.stream().filter(w -> w.term().dependsOnPrevious()).toList();
    this.groups = groups(moveTerms);
    this.ownGroups = groups(ownTerms);
  }

  @SuppressWarnings("unchecked")
  private static <S> Group<S>[] groups(List<Weighted<S>> terms) {
    Map<EffortTerm.Guard<S>, List<Weighted<S>>> byGuard = new LinkedHashMap<>();
    for (Weighted<S> w : terms) {
      byGuard.computeIfAbsent(w.term().guard(), g -> new ArrayList<>()).add(w);
    }
    List<Group<S>> groups = new ArrayList<>();
    byGuard.forEach((guard, list) -> groups.add(new Group<>(guard, array(list))));
    return groups.toArray(new Group[0]);
  }

  /** The same terms and rules over other layers. */
  LayeredProblem<S> withLayers(List<List<S>> other) {
    return new LayeredProblem<>(other, ownTerms, moveTerms, allowed, bound);
  }

  private LayeredProblem(
      List<List<S>> layers,
      List<Weighted<S>> ownTerms,
      List<Weighted<S>> moveTerms,
      Follows<S> allowed,
      Bound<S> bound) {
    this.layers = layers;
    this.ownTerms = ownTerms;
    this.moveTerms = moveTerms;
    this.groups = groups(moveTerms);
    this.ownGroups = groups(ownTerms);
    this.allowed = allowed;
    this.bound = bound;
  }

  public List<List<S>> layers() {
    return layers;
  }

  public Follows<S> allowed() {
    return allowed;
  }

  Bound<S> bound() {
    return bound;
  }

  /** Effort of a state apart from what was before it. */
  public double ownEffort(S state) {
    double sum = 0;
    for (Group<S> group : ownGroups) {
      if (group.guard().mayCount(null, state)) {
        for (Weighted<S> w : group.terms()) {
          sum += w.effort(null, state);
        }
      }
    }
    return checked(sum, ownTerms, null, state);
  }

  /** Effort of the way from one state to the next; {@code from} is null at the first layer. */
  public double moveEffort(S from, S to) {
    return moveEffort(from, to, Double.POSITIVE_INFINITY);
  }

  /**
   * Effort of the way from one state to the next.
   *
   * @param from null at the first layer
   * @param limit above it the sum is not wanted
   * @return infinite when the sum is above the limit
   */
  double moveEffort(S from, S to, double limit) {
    double sum = 0;
    for (Group<S> group : groups) {
      if (from == null || group.guard().mayCount(from, to)) {
        for (Weighted<S> w : group.terms()) {
          sum += w.effort(from, to);
          if (sum > limit) {
            return Double.POSITIVE_INFINITY;
          }
        }
      }
    }
    return checked(sum, moveTerms, from, to);
  }

  /** An effort that is no number, or below 0, would make every comparison wrong. */
  private static <S> double checked(double sum, List<Weighted<S>> terms, S from, S to) {
    if (!(sum >= 0)) {
      String culprits =
          terms.stream()
              .filter(w -> !(w.effort(from, to) >= 0))
              .map(w -> w.term().id())
              .collect(Collectors.joining(", "));
      throw new IllegalArgumentException("effort of " + sum + " from " + culprits);
    }
    return sum;
  }
}
