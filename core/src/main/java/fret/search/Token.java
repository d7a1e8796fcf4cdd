package fret.search;

/** Asked now and then by long work: whether its answer is still wanted. */
@FunctionalInterface
public interface Token {
  /** Always wanted. */
  Token NEVER = () -> false;

  boolean isCancelled();

  /**
   * Ends the work where it stands.
   *
   * @throws Cancelled if the answer is not wanted any more
   */
  default void check() {
    if (isCancelled()) {
      throw new Cancelled();
    }
  }

  /** The work was ended because nobody waits for it. */
  final class Cancelled extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Cancelled() {
      super("not wanted any more", null, false, false);
    }
  }
}
