package fret.mark;

import fret.base.Form;
import fret.base.Said;
import java.util.Optional;

/**
 * One kind of mark: what it hangs on, how it is stored and told, and what it concerns. Stateless.
 *
 * @param <A> what a mark of this kind hangs on
 * @param <V> what it says; a value that compares by content
 */
public interface Layer<A extends Anchor, V> {
  /** What a decision of this kind bears on: answers that do not depend on it stay. */
  enum Concern {
    /** The notes that are played and how fast; everything follows from it. */
    PAGE,
    HAND,
    BOW,
    EAR,
    PLAN,
    /** Only how things look or what is told. */
    NOTHING
  }

  /** Stable name under which it is stored, such as {@code finger}. */
  String id();

  Class<A> anchorType();

  Concern concern();

  /** Stored form, written out by hand. */
  Form write(V value);

  /**
   * Reads what {@link #write} wrote, in this version or an earlier one.
   *
   * @throws IllegalArgumentException if it is not understood
   */
  V read(Form form);

  /** What a mark says, as part of a sentence: "finger 3". */
  Said told(V value);

  /** What is pencilled over the note for it, in print too; empty for nothing. */
  default Optional<Reminder> pencilled(V value) {
    return Optional.empty();
  }
}
