package fret.search;

/**
 * One named reason for which a choice takes effort, measured in its own unit. Stateless; how much a
 * unit weighs is decided elsewhere (see {@link Weighted}).
 *
 * @param <S> a choice made at one moment
 */
public interface EffortTerm<S> {
  /** Stable short name, such as {@code shift}. */
  String id();

  /** Unit of {@link #amount}, such as {@code mm}. */
  String unit();

  /** Whether the amount depends on the choice before; if not, {@code from} is ignored. */
  boolean dependsOnPrevious();

  /**
   * When the term can be other than 0 at all. Terms that share one guard object are asked together,
   * so that the guard is tested once for all of them; it must be cheap. It is asked without a
   * choice before ({@code null}) where the term does not depend on one.
   */
  default Guard<S> guard() {
    return Guard.always();
  }

  /**
   * A cheap test that rules a term out.
   *
   * @param <S> a choice made at one moment
   */
  @FunctionalInterface
  interface Guard<S> {
    boolean mayCount(S from, S to);

    /** Rules nothing out. */
    @SuppressWarnings("unchecked")
    static <S> Guard<S> always() {
      return (Guard<S>) Always.GUARD;
    }
  }

  /** Holds the guard that all terms without one share. */
  final class Always {
    private static final Guard<Object> GUARD = (from, to) -> true;

    private Always() {}
  }

  /**
   * The amount that {@code to} brings after {@code from}.
   *
   * @param from the choice at the moment before, or null at the first moment
   * @return 0 or more, in {@link #unit}
   */
  double amount(S from, S to);
}
