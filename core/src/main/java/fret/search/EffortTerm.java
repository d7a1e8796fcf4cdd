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

  /** What it means, in players' words. */
  String description();

  /** Whether the amount depends on the choice before; if not, {@code from} is ignored. */
  boolean dependsOnPrevious();

  /**
   * The amount that {@code to} brings after {@code from}.
   *
   * @param from the choice at the moment before, or null at the first moment
   * @return 0 or more, in {@link #unit}
   */
  double amount(S from, S to);
}
