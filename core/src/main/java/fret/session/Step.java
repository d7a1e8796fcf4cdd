package fret.session;

/**
 * One step of a passage: something new, or the way back or forth along its log.
 *
 * @param change what is applied
 * @param logged what stands in the log for it: for {@link Kind#UNDO} the change that is taken back,
 *     for {@link Kind#MERGE} the newest entry and this step together
 */
public record Step(Kind kind, Change change, Change logged) {
  /** How the log follows. */
  public enum Kind {
    /** A new entry; what was taken back is gone. */
    DO,
    /** The newest entry grows. */
    MERGE,
    UNDO,
    REDO
  }
}
