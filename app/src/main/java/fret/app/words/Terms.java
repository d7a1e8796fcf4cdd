package fret.app.words;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the words of the program mean, each in a sentence: asked for where they stand. */
public final class Terms {
  private static final SortedMap<String, String> ALL = read();

  private static final Map<String, Pattern> PATTERNS = patterns();

  private Terms() {}

  private static Map<String, Pattern> patterns() {
    Map<String, Pattern> all = new HashMap<>();
    ALL.keySet()
        .forEach(
            t ->
                all.put(
                    t,
                    Pattern.compile(
                        "(?<![\\p{L}-])" + Pattern.quote(t) + "(s|es|ed|d|ing)?(?![\\p{L}-])",
                        Pattern.CASE_INSENSITIVE)));
    return all;
  }

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

  /** Those that stand in a text, in one or in several, in the order in which they come. */
  public static List<String> in(String text) {
    TreeMap<Integer, String> found = new TreeMap<>();
    ALL.keySet()
        .forEach(
            term -> {
              Matcher m = PATTERNS.get(term).matcher(text);
              if (m.find()) {
                // Of two that begin alike the longer one is meant.
                found.merge(m.start(), term, (a, b) -> a.length() >= b.length() ? a : b);
              }
            });
    return List.copyOf(found.values());
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
