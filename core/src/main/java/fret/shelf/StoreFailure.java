package fret.shelf;

import java.util.Objects;

/** The library cannot be read or written. */
public final class StoreFailure extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** Why. */
  public enum Cause {
    DISK_FULL,
    READ_ONLY,
    /** Another program holds the file. */
    BUSY,
    DAMAGED,
    /** Written by a newer version of the program. */
    NEWER,
    /** A file of another program. */
    FOREIGN,
    /** The file or its folder is not there, or is something else. */
    NO_FILE,
    /** What was to be changed is not in the library any more. */
    GONE,
    /** Another window has the library open. */
    IN_USE,
    OTHER
  }

  private final Cause why;

  public StoreFailure(Cause why, Throwable cause) {
    super("the library: " + why, cause);
    this.why = Objects.requireNonNull(why);
  }

  /** Why it failed. */
  public Cause why() {
    return why;
  }
}
