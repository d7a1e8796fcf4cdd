package fret.app.words;

import java.util.Collections;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.SortedMap;
import java.util.TreeMap;

/** What the words of the program mean, each in a sentence: asked for where they stand. */
public final class Terms {
  private static final SortedMap<String, String> ALL = read();

  private Terms() {}

  private static SortedMap<String, String> read() {
    ResourceBundle file = ResourceBundle.getBundle("fret.app.words.terms", Locale.ROOT);
    SortedMap<String, String> all = new TreeMap<>();
    file.keySet().forEach(k -> all.put(k.replace('_', ' '), file.getString(k)));
    return Collections.unmodifiableSortedMap(all);
  }

  /** Every word that is explained, with its meaning. */
  public static SortedMap<String, String> all() {
    return ALL;
  }

  /** Those that begin, or have a word that begins, as what was typed does. */
  public static SortedMap<String, String> matching(String typed) {
    String wanted = typed.strip().toLowerCase(Locale.ROOT);
    SortedMap<String, String> found = new TreeMap<>();
    ALL.forEach(
        (term, meaning) -> {
          String all = " " + term.toLowerCase(Locale.ROOT);
          if (!wanted.isEmpty() && all.contains(" " + wanted)) {
            found.put(term, meaning);
          }
        });
    return found;
  }
}
