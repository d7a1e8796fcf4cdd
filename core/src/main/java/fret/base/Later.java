package fret.base;

import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;

/** A value that is worked out when it is first asked for, once, on the thread that asks. */
public final class Later<T> {
  private Supplier<? extends T> work;
  private T value;

  private Later(Supplier<? extends T> work, T value) {
    this.work = work;
    this.value = value;
  }

  public static <T> Later<T> of(Supplier<? extends T> work) {
    return new Later<>(Objects.requireNonNull(work), null);
  }

  /** A value that is known. */
  public static <T> Later<T> now(T value) {
    return new Later<>(null, Objects.requireNonNull(value));
  }

  /** The value where it is known already. */
  public synchronized Optional<T> known() {
    return work == null ? Optional.of(value) : Optional.empty();
  }

  public synchronized T get() {
    if (work != null) {
      value = Objects.requireNonNull(work.get());
      work = null;
    }
    return value;
  }
}
