package fret.base;

/**
 * Thrown deep within a reader for a value that cannot be taken; the reader knows where it stands
 * and tells it as {@link UnusableInput} or as a {@link Problem} of one row.
 */
public final class RefusedValue extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  private final transient Said said;

  public RefusedValue(Said said) {
    super(said.id() + said.args());
    this.said = said;
  }

  /** What was refused; of an exception that tells the player nothing, its own text in brackets. */
  public static Said told(RuntimeException e) {
    return e instanceof RefusedValue refused
        ? refused.said
        : Said.of("value.other", String.valueOf(e.getMessage()));
  }
}
