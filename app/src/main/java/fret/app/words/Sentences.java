package fret.app.words;

import fret.base.Problem;
import fret.base.Said;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.TreeSet;

/** Makes sentences of what is to be told, from the one bundle of words. */
public final class Sentences {
  private static final ResourceBundle WORDS =
      ResourceBundle.getBundle("fret.app.words.words", Locale.ROOT);

  private Sentences() {}

  /**
   * The sentence.
   *
   * @throws IllegalArgumentException if the bundle has no words for it
   */
  public static String of(Said said) {
    return of(said.id(), said.args().toArray());
  }

  /**
   * A sentence by its id; {@code {0}}, {@code {1}} and so on stand for the arguments, {@code
   * {0#day|days}} for the one word or the other by the number.
   *
   * @throws IllegalArgumentException if the bundle has no words for it
   */
  public static String of(String id, Object... args) {
    String text;
    try {
      text = WORDS.getString(id);
    } catch (MissingResourceException e) {
      throw new IllegalArgumentException("no words for " + id, e);
    }
    List<String> texts = Arrays.stream(args).map(Sentences::text).toList();
    StringBuilder sentence = new StringBuilder();
    int at = 0;
    while (at < text.length()) {
      int open = text.indexOf('{', at);
      int close = open < 0 ? -1 : text.indexOf('}', open);
      if (close < 0) {
        return sentence.append(text, at, text.length()).toString();
      }
      sentence.append(text, at, open);
      sentence.append(filled(id, text.substring(open + 1, close), texts));
      at = close + 1;
    }
    return sentence.toString();
  }

  /**
   * What stands for {@code 0}, or for {@code 0#day|days}: the first word for one, else the other.
   */
  private static String filled(String id, String mark, List<String> texts) {
    int words = mark.indexOf('#');
    int number = Integer.parseInt(words < 0 ? mark : mark.substring(0, words));
    if (number >= texts.size()) {
      throw new IllegalArgumentException(id + " asks for argument " + number);
    }
    if (words < 0) {
      return texts.get(number);
    }
    String[] forms = mark.substring(words + 1).split("\\|", 2);
    return texts.get(number).equals("1") ? forms[0] : forms[1];
  }

  /** A problem in one line: where, what, and what to do. */
  public static String of(Problem problem) {
    String where = of(problem.where());
    String told = of(problem.message()) + " " + of(problem.nextStep());
    return (where.isEmpty() ? told : where + ": " + told).strip();
  }

  /** Words without arguments that need not be there. */
  public static Optional<String> find(String id) {
    return WORDS.containsKey(id) ? Optional.of(WORDS.getString(id)) : Optional.empty();
  }

  /** All ids that have words. */
  public static Set<String> ids() {
    return new TreeSet<>(WORDS.keySet());
  }

  private static String text(Object arg) {
    if (arg instanceof Said s) {
      return s.id().equals("day") ? Days.named(LocalDate.parse((String) s.args().get(0))) : of(s);
    }
    return arg instanceof Number n
        ? NumberFormat.getInstance(Locale.getDefault(Locale.Category.FORMAT)).format(n)
        : arg.toString();
  }
}
