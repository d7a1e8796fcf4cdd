package fret.store;

/** The library cannot be read or written. */
public final class StoreException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public StoreException(String message, Throwable cause) {
    super(message, cause);
  }
}
