package fret.base;

import java.util.List;
import java.util.Objects;

/**
 * Something to be told, before it has words: the id of a sentence and what stands in it. The words
 * are made where a language is known.
 *
 * @param id of the sentence, such as {@code pin.finger}
 * @param args each a text that is the same in every language (a pitch, a bar number, the player's
 *     own words), a whole or decimal number, or another {@code Said}
 */
public record Said(String id, List<Object> args) {
  /** No words. */
  public static final Said NOTHING = words("");

  public Said {
    Objects.requireNonNull(id);
    args = List.copyOf(args);
    for (Object arg : args) {
      if (!(arg instanceof String
          || arg instanceof Long
          || arg instanceof Double
          || arg instanceof Said)) {
        throw new IllegalArgumentException(id + " cannot tell a " + arg.getClass().getSimpleName());
      }
    }
  }

  /** A sentence; whole numbers of any size and anything with a text of its own are taken. */
  public static Said of(String id, Object... args) {
    return new Said(id, java.util.Arrays.stream(args).map(Said::plain).toList());
  }

  private static Object plain(Object arg) {
    if (arg instanceof Said || arg instanceof Long || arg instanceof Double) {
      return arg;
    }
    return arg instanceof Integer i ? (Object) i.longValue() : arg.toString();
  }

  /** A measured number as it is told, with one decimal. */
  public static double tenths(double value) {
    return Math.round(value * 10) / 10.0;
  }

  /** The player's own words, told as they are. */
  public static Said words(String text) {
    return of("words", text);
  }

  /** As a stored form. */
  public Form form() {
    return Form.EMPTY
        .with("id", id)
        .with("args", args.stream().map(a -> a instanceof Said s ? s.form() : a).toList());
  }

  /**
   * Reads what {@link #form} wrote.
   *
   * @throws IllegalArgumentException if it is no sentence
   */
  public static Said read(Form form) {
    return new Said(
        form.text("id"),
        form.list("args").stream().map(a -> a instanceof Form f ? read(f) : a).toList());
  }
}
