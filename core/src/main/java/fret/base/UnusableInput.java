package fret.base;

/** Thrown when an input cannot be used at all; carries what to tell the player. */
public final class UnusableInput extends Exception {
  private static final long serialVersionUID = 1L;

  private final transient Problem problem;

  public UnusableInput(Problem problem) {
    super(problem.where() + ": " + problem.message());
    this.problem = problem;
  }

  public UnusableInput(Said where, Said message, Said nextStep) {
    this(new Problem(where, message, nextStep));
  }

  /**
   * @param file its name
   */
  public UnusableInput(String file, Said message, Said nextStep) {
    this(Said.words(file), message, nextStep);
  }

  /** What happened, where, and what to do. */
  public Problem problem() {
    return problem;
  }
}
